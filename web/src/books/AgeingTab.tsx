import { Box, Table, TableBody, TableCell, TableHead, TableRow, Typography } from "@mui/material";
import { useBooks } from "../access/session";
import type { Schemas } from "../api/client";
import { AgeingBar } from "../customers/AgeingBar";
import { CustomerLink } from "../customers/CustomerLink";
import { NoRate } from "../rates/NoRate";
import { Amount } from "../shared/Amount";
import { DayField } from "../shared/DayField";
import { onDayOfYear } from "../shared/dates";
import { isZero } from "../shared/money";
import { Empty, Failed, Loading } from "../shared/States";
import { Files } from "./Files";
import { fileAt, useAgeing } from "./queries";
import { usePeriod } from "./usePeriod";
import { BUCKETS } from "./words";

/** What each customer owes by age, on any day. */
export function AgeingTab() {
  const books = useBooks();
  const [{ until }, setPeriod] = usePeriod();
  const ageing = useAgeing(until);
  if (ageing.error) {
    return <Failed error={ageing.error} retry={() => void ageing.refetch()} />;
  }
  if (!ageing.data) {
    return <Loading rows={12} />;
  }
  const a = ageing.data;
  const at = (ending: string) =>
    fileAt(`/api/books/ageing.${ending}`, {
      company: books.company,
      currency: books.currency,
      on: until,
      // where a rate counts, files have the totals in the currency of the books too
      inBooks: a.inBooks?.total ? "true" : "",
    });
  return (
    <Box sx={{ maxWidth: 1100 }}>
      <Box sx={{ display: "flex", alignItems: "center", gap: 2, mb: 1.5 }}>
        <DayField label="On" value={until || a.on} set={(day) => setPeriod({ until: day })} />
        <Typography color="textSecondary">
          {a.currency}, by due date, on {onDayOfYear(a.on)}
        </Typography>
        <Files
          name="Ageing"
          of={[
            ["PDF", at("pdf")],
            ["CSV", at("csv")],
            ["XLSX", at("xlsx")],
          ]}
        />
      </Box>
      {a.lines.length === 0 ? (
        <Empty title="Nobody owes anything on this day" />
      ) : (
        <>
          <Box sx={{ mb: 2 }}>
            <AgeingBar ageing={{ currency: a.currency, amounts: a.amounts }} />
          </Box>
          <Table size="small" aria-label="Ageing by customer">
            <TableHead>
              <TableRow>
                <TableCell>Customer</TableCell>
                {BUCKETS.map(([key, name]) => (
                  <TableCell key={key} align="right">
                    {name}
                  </TableCell>
                ))}
                <TableCell align="right">Owes</TableCell>
              </TableRow>
            </TableHead>
            <TableBody>
              {a.lines.map((line) => (
                <TableRow key={line.customerId} hover>
                  <TableCell>
                    <CustomerLink id={line.customerId} name={line.customer} number={line.number} />
                  </TableCell>
                  {BUCKETS.map(([key]) => {
                    const amount = line.amounts[key];
                    return (
                      <TableCell key={key} align="right">
                        {amount && !isZero(amount) && <Amount of={amount} />}
                      </TableCell>
                    );
                  })}
                  <TableCell align="right">
                    <Amount of={line.total} />
                  </TableCell>
                </TableRow>
              ))}
              <TableRow sx={{ "& td": { fontWeight: 700, borderTop: 1, borderColor: "text.primary" } }}>
                <TableCell>All</TableCell>
                {BUCKETS.map(([key]) => {
                  const amount = a.amounts[key];
                  return (
                    <TableCell key={key} align="right">
                      {amount && <Amount of={amount} />}
                    </TableCell>
                  );
                })}
                <TableCell align="right">
                  <Amount of={a.total} />
                </TableCell>
              </TableRow>
              {a.inBooks && <InBooks of={a.inBooks} />}
            </TableBody>
          </Table>
        </>
      )}
    </Box>
  );
}

/** The totals in the currency of the books, at the rate of the day. */
function InBooks({ of }: { of: NonNullable<Schemas["AgeingReport"]["inBooks"]> }) {
  return (
    <TableRow>
      <TableCell>
        All, in {of.currency}
        <Box sx={{ fontSize: 12, color: "text.secondary" }}>
          {of.total ? of.words : <NoRate on={of.ratesOn} />}
        </Box>
      </TableCell>
      {BUCKETS.map(([key]) => {
        const amount = of.amounts?.[key];
        return (
          <TableCell key={key} align="right">
            {amount && <Amount of={amount} />}
          </TableCell>
        );
      })}
      <TableCell align="right">{of.total && <Amount of={of.total} />}</TableCell>
    </TableRow>
  );
}

import { Box, Table, TableBody, TableCell, TableHead, TableRow, Typography } from "@mui/material";
import { useState } from "react";
import { useBooks, useOwnCurrency, useSession } from "../access/session";
import { CustomerLink } from "../customers/CustomerLink";
import { NoRate } from "../rates/NoRate";
import { useCountingRate } from "../rates/queries";
import { howItCameAbout } from "../rates/words";
import { Amount } from "../shared/Amount";
import { Choice } from "../shared/Choice";
import { DayField } from "../shared/DayField";
import { count } from "../shared/dates";
import { InBooksToo } from "../shared/InBooksToo";
import { isZero } from "../shared/money";
import { Empty, Failed, Loading } from "../shared/States";
import { Files } from "./Files";
import { fileAt, useStatementsOf, type Whom } from "./queries";
import { usePeriod } from "./usePeriod";

const WHOM: [Whom, string][] = [
  ["OWING", "whoever owes"],
  ["OVERDUE", "whoever is overdue"],
  ["OPEN", "whoever has anything open"],
];

/** The statements of many customers in one document. */
export function StatementsTab() {
  const books = useBooks();
  const [whom, setWhom] = useState<Whom>("OWING");
  const [period, setPeriod] = usePeriod();
  const own = useOwnCurrency();
  const today = useSession().data?.businessDate ?? "";
  const [inBooks, setInBooks] = useState(false);
  const [ratesOn, setRatesOn] = useState("");
  const asked = inBooks && own !== books.currency;
  const day = ratesOn || period.until || today;
  const counts = useCountingRate(books.currency, asked ? own : "", day);
  const all = useStatementsOf(whom);
  if (all.error) {
    return <Failed error={all.error} retry={() => void all.refetch()} />;
  }
  if (!all.data) {
    return <Loading rows={10} />;
  }
  return (
    <Box sx={{ maxWidth: 1000 }}>
      <Box sx={{ display: "flex", alignItems: "center", gap: 2, mb: 1.5 }}>
        <Box sx={{ width: 220 }}>
          <Choice
            shown
            label="Statements for"
            value={whom}
            options={WHOM}
            choose={(chosen) => setWhom(chosen as Whom)}
          />
        </Box>
        <DayField label="From" value={period.from} set={(from) => setPeriod({ from })} />
        <DayField label="Until" value={period.until} set={(until) => setPeriod({ until })} />
        {own !== books.currency && (
          <InBooksToo
            label={`closing balances in ${own} too`}
            asked={inBooks}
            ask={setInBooks}
            ratesOn={day}
            setRatesOn={setRatesOn}
          />
        )}
        {all.data.length > 0 && (
          <Files
            name={count(all.data.length, "statement")}
            of={[
              [
                "PDF",
                fileAt("/api/customer-statements.pdf", {
                  company: books.company,
                  currency: books.currency,
                  whom,
                  from: period.from,
                  until: period.until,
                  // where no rate counts, nothing is asked for at it
                  inBooks: asked && counts.data ? "true" : "",
                  ratesOn: asked && counts.data ? day : "",
                }),
              ],
            ]}
          />
        )}
      </Box>
      {asked && counts.error && <Failed error={counts.error} retry={() => void counts.refetch()} />}
      {asked && counts.data !== undefined && (
        <Typography role="status" sx={{ mb: 1 }}>
          {counts.data ? (
            <>
              At 1 {counts.data.from} = {counts.data.rate} {counts.data.to}, {howItCameAbout(counts.data)}.
            </>
          ) : (
            <NoRate on={day} />
          )}
        </Typography>
      )}
      {all.data.length === 0 ? (
        <Empty title="Nobody gets a statement by this choice" />
      ) : (
        <>
          <Typography sx={{ mb: 1 }} color="textSecondary">
            {count(all.data.length, "customer")}, each on pages of his own. What a branch owes stands with
            whoever pays for it. Without days, a statement begins on the first of the month three months back.
          </Typography>
          <Table size="small" aria-label="Who gets a statement">
            <TableHead>
              <TableRow>
                <TableCell>Customer</TableCell>
                <TableCell align="right">Overdue</TableCell>
                <TableCell align="right">Owes, {books.currency}</TableCell>
              </TableRow>
            </TableHead>
            <TableBody>
              {all.data.map((s) => (
                <TableRow key={s.customerId} hover>
                  <TableCell>
                    <CustomerLink id={s.customerId} name={s.customer} number={s.number} />
                  </TableCell>
                  <TableCell align="right">{!isZero(s.overdue) && <Amount of={s.overdue} />}</TableCell>
                  <TableCell align="right">
                    <Amount of={s.owes} />
                  </TableCell>
                </TableRow>
              ))}
            </TableBody>
          </Table>
        </>
      )}
    </Box>
  );
}

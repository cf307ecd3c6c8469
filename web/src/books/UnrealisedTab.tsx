import { Box, Link, Table, TableBody, TableCell, TableHead, TableRow, Typography } from "@mui/material";
import { Link as RouterLink, useSearchParams } from "react-router";
import { useSession } from "../access/session";
import { Amount } from "../shared/Amount";
import { count, onDayOfYear } from "../shared/dates";
import { DayField } from "../shared/DayField";
import { Explained } from "../shared/Explained";
import { isNegative } from "../shared/money";
import { Empty, Failed, Loading } from "../shared/States";
import { useUnrealised } from "./queries";

/** What open items in other currencies would bring or cost at the rates of a day; nothing of it is booked. */
export function UnrealisedTab() {
  const today = useSession().data?.businessDate ?? "";
  const [params, setParams] = useSearchParams();
  const on = params.get("on") ?? "";
  const report = useUnrealised(on);
  if (report.error) {
    return <Failed error={report.error} retry={() => void report.refetch()} />;
  }
  if (!report.data) {
    return <Loading rows={6} />;
  }
  const r = report.data;
  return (
    <Box sx={{ maxWidth: 1080 }}>
      <Box sx={{ display: "flex", alignItems: "center", gap: 2, mb: 1.5 }}>
        <DayField
          label="On the day"
          value={on === "" ? r.on : on}
          max={today}
          set={(day) => setParams(day === "" ? {} : { on: day }, { replace: true })}
        />
        <Typography color="textSecondary">
          Open items in other currencies at the rates of {onDayOfYear(r.on)}, against what they stand in the
          books with. Nothing of it is booked.
          <Explained what="the unrealised difference">
            What is open times the rate of the day, less what it stands in the books with: a gain is positive.
            It becomes real when the item is settled.
          </Explained>
        </Typography>
      </Box>
      {r.lines.length === 0 ? (
        <Empty title="Nothing is open in another currency">
          On this day all open items were in {r.books}, the currency of the books.
        </Empty>
      ) : (
        <Table size="small" aria-label="Unrealised differences">
          <TableHead>
            <TableRow>
              <TableCell>Currency</TableCell>
              <TableCell align="right">Items</TableCell>
              <TableCell align="right">Open</TableCell>
              <TableCell align="right">In the books, {r.books}</TableCell>
              <TableCell align="right">Rate</TableCell>
              <TableCell align="right">At that rate, {r.books}</TableCell>
              <TableCell align="right">Difference</TableCell>
            </TableRow>
          </TableHead>
          <TableBody>
            {r.lines.map((line) => (
              <TableRow key={line.currency} hover>
                <TableCell>
                  {line.currency}
                  {line.missing > 0 && (
                    <Box sx={{ fontSize: 12.5, color: "error.main" }}>
                      {count(line.missing, "item")} more wait for a rate of their day
                    </Box>
                  )}
                </TableCell>
                <TableCell align="right">{line.items}</TableCell>
                <TableCell align="right">
                  <Amount of={line.open} />
                </TableCell>
                <TableCell align="right">
                  <Amount of={line.inBooks} />
                </TableCell>
                <TableCell align="right">
                  {line.rate ? (
                    <>
                      <span className="figure">{line.rate}</span>
                      <Box sx={{ fontSize: 12, color: "text.secondary" }}>{line.words}</Box>
                    </>
                  ) : (
                    <Link component={RouterLink} to="/posted/books/rates" underline="always">
                      none counts; type one
                    </Link>
                  )}
                </TableCell>
                <TableCell align="right">{line.atRate && <Amount of={line.atRate} />}</TableCell>
                <TableCell align="right">
                  {line.difference && (
                    <>
                      <Amount of={line.difference} />
                      <Box sx={{ fontSize: 12, color: "text.secondary" }}>
                        {isNegative(line.difference) ? "loss" : "gain"}
                      </Box>
                    </>
                  )}
                </TableCell>
              </TableRow>
            ))}
            <TableRow sx={{ "& td": { fontWeight: 700, borderTop: 1, borderColor: "text.primary" } }}>
              <TableCell colSpan={6}>Together, {r.books}</TableCell>
              <TableCell align="right">
                <Amount of={r.difference} />
              </TableCell>
            </TableRow>
          </TableBody>
        </Table>
      )}
    </Box>
  );
}

import { Box, Link, Table, TableBody, TableCell, TableHead, TableRow, Typography } from "@mui/material";
import { Link as RouterLink } from "react-router";
import { Amount } from "../shared/Amount";
import { count } from "../shared/dates";
import { DayField } from "../shared/DayField";
import { isZero } from "../shared/money";
import { Empty, Failed, Loading } from "../shared/States";
import { useTrialBalance } from "./queries";
import { usePeriod } from "./usePeriod";

/** What stands on each account, and what moved; debits and credits are equal, or it says by how much not. */
export function TrialBalanceTab() {
  const [period, setPeriod] = usePeriod();
  const trial = useTrialBalance(period);
  const search = new URLSearchParams(Object.entries(period).filter(([, day]) => day !== "")).toString();
  if (trial.error) {
    return <Failed error={trial.error} retry={() => void trial.refetch()} />;
  }
  if (!trial.data) {
    return <Loading rows={12} />;
  }
  const { books } = trial.data;
  const foreign = trial.data.totals.some((t) => t.currency !== books.currency);
  return (
    <Box sx={{ maxWidth: foreign ? 1180 : 1080 }}>
      <Box sx={{ display: "flex", alignItems: "center", gap: 2, mb: 1.5 }}>
        <DayField label="From" value={period.from} set={(from) => setPeriod({ from })} />
        <DayField label="Until" value={period.until} set={(until) => setPeriod({ until })} />
        <Typography color={trial.data.balanced ? "textSecondary" : "error"} role="status">
          {trial.data.balanced
            ? "Debits and credits are equal; the difference is 0.00."
            : "Debits and credits differ; see the last line."}
        </Typography>
      </Box>
      {trial.data.accounts.length === 0 ? (
        <Empty title="Nothing is in the books until then">Choose another day, or none.</Empty>
      ) : (
        <Table size="small" aria-label="Trial balance">
          <TableHead>
            <TableRow>
              <TableCell>Account</TableCell>
              <TableCell />
              <TableCell>Currency</TableCell>
              {period.from !== "" && <TableCell align="right">Before</TableCell>}
              <TableCell align="right">Debited</TableCell>
              <TableCell align="right">Credited</TableCell>
              <TableCell align="right">Stands in debit</TableCell>
              <TableCell align="right">in credit</TableCell>
              {foreign && <TableCell align="right">Worth in {books.currency}</TableCell>}
            </TableRow>
          </TableHead>
          <TableBody>
            {trial.data.accounts.map((a) => (
              <TableRow key={a.accountId + a.debit.currency} hover>
                <TableCell className="figure">{a.code}</TableCell>
                <TableCell>
                  <Link
                    component={RouterLink}
                    to={`/posted/books/accounts/${a.accountId}/${a.debit.currency}${search && `?${search}`}`}
                    color="inherit"
                    underline="hover"
                  >
                    {a.account}
                  </Link>
                </TableCell>
                <TableCell>{a.debit.currency}</TableCell>
                {period.from !== "" && (
                  <TableCell align="right">
                    <Amount of={a.opening} />
                  </TableCell>
                )}
                <TableCell align="right" sx={{ color: "text.secondary" }}>
                  {!isZero(a.debited) && <Amount of={a.debited} />}
                </TableCell>
                <TableCell align="right" sx={{ color: "text.secondary" }}>
                  {!isZero(a.credited) && <Amount of={a.credited} />}
                </TableCell>
                <TableCell align="right">{!isZero(a.debit) && <Amount of={a.debit} />}</TableCell>
                <TableCell align="right">{!isZero(a.credit) && <Amount of={a.credit} />}</TableCell>
                {foreign && (
                  <TableCell align="right">
                    {a.inBooks ? <Amount of={a.inBooks} /> : "waits for a rate"}
                  </TableCell>
                )}
              </TableRow>
            ))}
            {trial.data.totals.map((t) => (
              <TableRow
                key={t.currency}
                sx={{ "& td": { fontWeight: 700, borderTop: 1, borderColor: "text.primary" } }}
              >
                <TableCell />
                <TableCell>
                  {isZero(t.difference) ? (
                    "Sum"
                  ) : (
                    <>
                      Sum, apart by <Amount of={t.difference} />
                    </>
                  )}
                </TableCell>
                <TableCell>{t.currency}</TableCell>
                {period.from !== "" && <TableCell />}
                <TableCell align="right">
                  <Amount of={t.debited} />
                </TableCell>
                <TableCell align="right">
                  <Amount of={t.credited} />
                </TableCell>
                <TableCell align="right">
                  <Amount of={t.debit} />
                </TableCell>
                <TableCell align="right">
                  <Amount of={t.credit} />
                </TableCell>
                {foreign && <TableCell />}
              </TableRow>
            ))}
            {foreign && (
              <TableRow sx={{ "& td": { fontWeight: 700, borderTop: 1, borderColor: "text.primary" } }}>
                <TableCell />
                <TableCell>
                  All, in the currency of the books
                  {books.missing > 0 && `; ${count(books.missing, "line")} wait for a rate of their day`}
                </TableCell>
                <TableCell>{books.currency}</TableCell>
                {period.from !== "" && <TableCell />}
                <TableCell />
                <TableCell />
                <TableCell align="right">
                  <Amount of={books.debit} />
                </TableCell>
                <TableCell align="right">
                  <Amount of={books.credit} />
                </TableCell>
                <TableCell align="right">
                  <Amount of={books.difference} />
                </TableCell>
              </TableRow>
            )}
          </TableBody>
        </Table>
      )}
    </Box>
  );
}

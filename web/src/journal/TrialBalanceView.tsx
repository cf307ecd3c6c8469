import { Box, Table, TableBody, TableCell, TableHead, TableRow, Typography } from "@mui/material";
import { useQuery } from "@tanstack/react-query";
import { api, data } from "../api/client";
import { useBooks } from "../access/session";
import { Amount } from "../shared/Amount";
import { isZero } from "../shared/money";
import { Failed, Loading } from "../shared/States";

/** What stands on each account; debits and credits are equal, or it says by how much not. */
export default function TrialBalanceView() {
  const books = useBooks();
  const trial = useQuery({
    queryKey: ["trial", books.company],
    refetchInterval: 10_000,
    queryFn: async () =>
      data(await api.GET("/api/trial-balance", { params: { query: { company: books.company } } })),
  });
  if (trial.error) {
    return <Failed error={trial.error} retry={() => void trial.refetch()} />;
  }
  if (!trial.data) {
    return <Loading />;
  }
  return (
    <Box sx={{ p: 3, maxWidth: 760 }}>
      <Typography variant="h1">Trial balance</Typography>
      <Typography sx={{ mb: 2 }} color={trial.data.balanced ? "textSecondary" : "error"} role="status">
        {trial.data.balanced
          ? "Debits and credits are equal; the difference is 0.00."
          : "Debits and credits differ; see the last line."}
      </Typography>
      <Table size="small" aria-label="Trial balance">
        <TableHead>
          <TableRow>
            <TableCell>Account</TableCell>
            <TableCell />
            <TableCell>Currency</TableCell>
            <TableCell align="right">Debit</TableCell>
            <TableCell align="right">Credit</TableCell>
          </TableRow>
        </TableHead>
        <TableBody>
          {trial.data.accounts.map((a) => (
            <TableRow key={a.code + a.debit.currency}>
              <TableCell className="figure">{a.code}</TableCell>
              <TableCell>{a.account}</TableCell>
              <TableCell>{a.debit.currency}</TableCell>
              <TableCell align="right">{!isZero(a.debit) && <Amount of={a.debit} />}</TableCell>
              <TableCell align="right">{!isZero(a.credit) && <Amount of={a.credit} />}</TableCell>
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
              <TableCell align="right">
                <Amount of={t.debit} />
              </TableCell>
              <TableCell align="right">
                <Amount of={t.credit} />
              </TableCell>
            </TableRow>
          ))}
        </TableBody>
      </Table>
    </Box>
  );
}

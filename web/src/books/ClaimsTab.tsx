import { Box, Table, TableBody, TableCell, TableHead, TableRow, Typography } from "@mui/material";
import { REASON } from "../settle/words";
import { Amount } from "../shared/Amount";
import { isZero } from "../shared/money";
import { Empty, Failed, Loading } from "../shared/States";
import { useClaims } from "./queries";
import { ReportItems } from "./ReportItems";
import { BUCKETS } from "./words";

/** What customers held back and is still wanted, by reason and by the days since. */
export function ClaimsTab() {
  const claims = useClaims();
  if (claims.error) {
    return <Failed error={claims.error} retry={() => void claims.refetch()} />;
  }
  if (!claims.data) {
    return <Loading rows={8} />;
  }
  const c = claims.data;
  if (c.items.length === 0) {
    return (
      <Empty title={`No claim in ${c.currency} is open`}>
        What a customer holds back on purpose becomes a claim at the desk: Claim… in the line of what is left.
      </Empty>
    );
  }
  return (
    <Box sx={{ maxWidth: 1000 }}>
      <Table size="small" aria-label="Claims by reason and age" sx={{ mb: 3 }}>
        <TableHead>
          <TableRow>
            <TableCell>Reason</TableCell>
            {BUCKETS.map(([key, name]) => (
              <TableCell key={key} align="right">
                {key === "NOT_DUE" ? "Today" : name}
              </TableCell>
            ))}
            <TableCell align="right">Claims</TableCell>
            <TableCell align="right">Together, {c.currency}</TableCell>
          </TableRow>
        </TableHead>
        <TableBody>
          {c.groups.map((group) => (
            <TableRow key={group.reason}>
              <TableCell>{REASON[group.reason]}</TableCell>
              {BUCKETS.map(([key]) => {
                const amount = group.amounts[key];
                return (
                  <TableCell key={key} align="right">
                    {amount && !isZero(amount) && <Amount of={amount} />}
                  </TableCell>
                );
              })}
              <TableCell align="right">{group.count}</TableCell>
              <TableCell align="right">
                <Amount of={group.total} />
              </TableCell>
            </TableRow>
          ))}
        </TableBody>
      </Table>
      <Typography variant="h2">Each of them</Typography>
      <ReportItems label="Claims" items={c.items} />
    </Box>
  );
}

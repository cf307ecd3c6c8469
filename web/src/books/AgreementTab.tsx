import { Box, Link, Table, TableBody, TableCell, TableHead, TableRow, Typography } from "@mui/material";
import { Link as RouterLink } from "react-router";
import type { Schemas } from "../api/client";
import { Amount } from "../shared/Amount";
import { DayField } from "../shared/DayField";
import { count } from "../shared/dates";
import { isZero } from "../shared/money";
import { Failed, Loading } from "../shared/States";
import { useAgreement } from "./queries";
import { usePeriod } from "./usePeriod";

/** The items of customers held against their accounts in the ledger. */
export function AgreementTab() {
  const [{ until }, setPeriod] = usePeriod();
  const agreement = useAgreement(until);
  if (agreement.error) {
    return <Failed error={agreement.error} retry={() => void agreement.refetch()} />;
  }
  if (!agreement.data) {
    return <Loading rows={6} />;
  }
  const a = agreement.data;
  return (
    <Box sx={{ maxWidth: 900 }}>
      <Box sx={{ display: "flex", alignItems: "center", gap: 2, mb: 1.5 }}>
        <DayField label="At the end of" value={until} set={(day) => setPeriod({ until: day })} />
        <Typography role="status" color={a.agrees ? "textSecondary" : "error"}>
          {a.agrees
            ? `The items of ${count(a.customers, "customer")} come to what the ledger says, account by account${until ? "" : ", as of now"}.`
            : `Items and ledger differ for ${count(a.apart.length, "account")} of customers${until ? "" : ", as of now"}.`}
        </Typography>
      </Box>
      <Lines label="Control accounts" lines={a.totals} />
      {a.apart.length > 0 && (
        <>
          <Typography variant="h2" sx={{ mt: 3 }}>
            Where they differ
          </Typography>
          <Lines label="Customers of whom items and ledger differ" lines={a.apart} />
        </>
      )}
    </Box>
  );
}

function Lines({ label, lines }: { label: string; lines: Schemas["AgreementLine"][] }) {
  return (
    <Table size="small" aria-label={label}>
      <TableHead>
        <TableRow>
          <TableCell>Account</TableCell>
          {lines.some((line) => line.customer) && <TableCell>Customer</TableCell>}
          <TableCell align="right">Items come to</TableCell>
          <TableCell align="right">Ledger says</TableCell>
          <TableCell align="right">Difference</TableCell>
        </TableRow>
      </TableHead>
      <TableBody>
        {lines.map((line) => (
          <TableRow key={`${line.role} ${line.customerId}`}>
            <TableCell>
              <Link
                component={RouterLink}
                to={`/posted/books/accounts/${line.accountId}/${line.books.currency}`}
                color="inherit"
                underline="hover"
              >
                {line.account}
              </Link>
            </TableCell>
            {line.customer && (
              <TableCell>
                <Link
                  component={RouterLink}
                  to={`/posted/customers/${line.customerId}`}
                  color="inherit"
                  underline="hover"
                >
                  {line.customer}
                </Link>
              </TableCell>
            )}
            <TableCell align="right">
              <Amount of={line.items} />
            </TableCell>
            <TableCell align="right">
              <Amount of={line.books} />
            </TableCell>
            <TableCell align="right" sx={{ color: isZero(line.difference) ? undefined : "error.main" }}>
              <Amount of={line.difference} />
            </TableCell>
          </TableRow>
        ))}
      </TableBody>
    </Table>
  );
}

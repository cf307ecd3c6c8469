import { Box, Typography } from "@mui/material";
import { Link as RouterLink, useParams } from "react-router";
import { onDayOfYear } from "../shared/dates";
import { Empty, Failed, Loading } from "../shared/States";
import { AccountTieOut } from "./AccountTieOut";
import { useTieOuts, type Account } from "./queries";

/** Each bank account against its statement: what explains the way from one to the other, until it can be closed. */
export default function TieOutView() {
  const accounts = useTieOuts();
  const params = useParams();
  if (accounts.error) {
    return <Failed error={accounts.error} retry={() => void accounts.refetch()} />;
  }
  if (!accounts.data) {
    return <Loading rows={8} />;
  }
  const chosen = accounts.data.find((a) => String(a.bankAccountId) === params.accountId) ?? accounts.data[0];
  if (!chosen) {
    return (
      <Empty title="No bank account yet">An administrator adds the accounts of the company first.</Empty>
    );
  }
  return (
    <Box sx={{ display: "flex", height: "100%" }}>
      <Box
        component="nav"
        aria-label="Bank accounts"
        sx={{ width: 230, flexShrink: 0, overflow: "auto", borderRight: 1, borderColor: "divider" }}
      >
        {accounts.data.map((account) => (
          <Box
            key={account.bankAccountId}
            component={RouterLink}
            to={`/tied-out/accounts/${account.bankAccountId}`}
            aria-current={account === chosen ? "page" : undefined}
            sx={{
              display: "block",
              px: 2,
              py: 1.25,
              color: "text.primary",
              textDecoration: "none",
              borderBottom: 1,
              borderColor: "divider",
              borderLeft: 3,
              borderLeftColor: account === chosen ? "primary.main" : "transparent",
              bgcolor: account === chosen ? "background.paper" : undefined,
            }}
          >
            <Typography sx={{ fontWeight: 700 }}>{account.name}</Typography>
            <Typography variant="body2" color="textSecondary" sx={{ fontSize: 12.5 }}>
              {stands(account)}
            </Typography>
          </Box>
        ))}
      </Box>
      <AccountTieOut key={chosen.bankAccountId} account={chosen} />
    </Box>
  );
}

function stands(account: Account): string {
  const last = account.closed.find((c) => !c.reopenedAt);
  return last ? `closed ${onDayOfYear(last.asOf)}` : "never closed";
}

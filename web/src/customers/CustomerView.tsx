import { Box, Button, Link, Typography } from "@mui/material";
import { useState } from "react";
import { Link as RouterLink, useParams, useSearchParams } from "react-router";
import type { Schemas } from "../api/client";
import { useBooks } from "../access/session";
import { useCustomer } from "../desk/queries";
import { Notes } from "../notes/Notes";
import { Failed, Loading } from "../shared/States";
import { SendRefund } from "../treat/SendRefund";
import { AgeingBar } from "./AgeingBar";
import { CustomerItems } from "./CustomerItems";
import { CustomerSettlements } from "./CustomerSettlements";
import { CustomerStatement } from "./CustomerStatement";
import { KnownPayers } from "./KnownPayers";
import { Payments } from "./Payments";

type Account = Schemas["CustomerAccount"];

const SIDES: [string, string][] = [
  ["items", "Items"],
  ["account", "Account"],
  ["payments", "What paid what"],
  ["settlements", "Settlements"],
  ["payers", "Known payers"],
];

/** A customer: what is open and how old, the account with its balance, what paid what, and what was said of it. */
export default function CustomerView() {
  const id = Number(useParams().customerId);
  const [params, setParams] = useSearchParams();
  const account = useCustomer(id);
  if (account.error && !account.data) {
    return <Failed error={account.error} retry={() => void account.refetch()} />;
  }
  if (!account.data) {
    return <Loading />;
  }
  const c = account.data;
  const side = params.get("side") ?? "items";
  return (
    <Box sx={{ p: 3, maxWidth: 1180 }}>
      <Head account={c} />
      {c.ageing.map((ageing) => (
        <AgeingBar key={ageing.currency} ageing={ageing} />
      ))}
      <Box sx={{ maxWidth: 760, mt: 1.5 }}>
        <Notes about={`customer-${id}`} />
      </Box>
      <Box
        role="tablist"
        aria-label="Sides of the customer"
        sx={{ display: "flex", gap: 0.5, mt: 2, mb: 1.5, ml: -1, borderBottom: 1, borderColor: "divider" }}
      >
        {SIDES.map(([key, name]) => (
          <Button
            key={key}
            role="tab"
            aria-selected={key === side}
            color={key === side ? "primary" : "inherit"}
            onClick={() => setParams({ side: key }, { replace: true })}
            sx={{ px: 1, fontWeight: key === side ? 700 : 400 }}
          >
            {name}
          </Button>
        ))}
      </Box>
      {side === "items" && <CustomerItems account={c} />}
      {side === "account" && <CustomerStatement account={c} />}
      {side === "payments" && <Payments account={c} />}
      {side === "settlements" && <CustomerSettlements id={id} />}
      {side === "payers" && <KnownPayers id={id} />}
    </Box>
  );
}

function Head({ account: c }: { account: Account }) {
  const books = useBooks();
  const [sending, setSending] = useState(false);
  return (
    <>
      <Box sx={{ display: "flex", justifyContent: "space-between", alignItems: "start" }}>
        <Typography variant="h1">{c.name}</Typography>
        {books.mayPost && c.openItems.some((item) => item.open.amount.startsWith("-")) && (
          <Box sx={{ display: "flex", gap: 1 }}>
            <Button onClick={() => setSending(true)}>Refund sent…</Button>
            <Button component={RouterLink} to={`/waiting/desk/account/${c.id}`} variant="outlined">
              Apply what is in credit
            </Button>
          </Box>
        )}
        {sending && <SendRefund name={c.name} items={c.openItems} close={() => setSending(false)} />}
      </Box>
      <Typography variant="body2" color="textSecondary" sx={{ mb: 2 }}>
        <span className="figure">{c.number}</span>
        {c.parent && (
          <>
            {" · paid for by "}
            <Link component={RouterLink} to={`/posted/customers/${c.parent.id}`}>
              {c.parent.name}
            </Link>
          </>
        )}
        {c.branches.length > 0 && " · pays for "}
        {c.branches.map((branch, n) => (
          <span key={branch.id}>
            {n > 0 && ", "}
            <Link component={RouterLink} to={`/posted/customers/${branch.id}`} color="inherit">
              {branch.name}
            </Link>
          </span>
        ))}
        {c.oldestFirst && " · pays oldest first"}
        {c.accounts.length > 0 && ` · pays from ${c.accounts.join(", ")}`}
      </Typography>
    </>
  );
}

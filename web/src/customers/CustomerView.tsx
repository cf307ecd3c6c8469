import {
  Box,
  Button,
  Link,
  Table,
  TableBody,
  TableCell,
  TableHead,
  TableRow,
  Typography,
} from "@mui/material";
import { useQuery } from "@tanstack/react-query";
import { Link as RouterLink, useParams } from "react-router";
import { api, data, type Schemas } from "../api/client";
import { useBooks } from "../access/session";
import { useCustomer } from "../desk/queries";
import { ITEM, REASON } from "../settle/words";
import { ItemLink, SettlementStrip } from "../settle/SettlementStrip";
import { Amount } from "../shared/Amount";
import { count, onDay } from "../shared/dates";
import { minor } from "../shared/money";
import { Failed, Loading } from "../shared/States";

type Item = Schemas["OpenItemView"];

const BUCKETS: [keyof Schemas["AgeingView"]["amounts"] & string, string][] = [
  ["NOT_DUE", "Not due"],
  ["DAYS_1_TO_30", "1–30 days"],
  ["DAYS_31_TO_60", "31–60"],
  ["DAYS_61_TO_90", "61–90"],
  ["OVER_90", "Over 90"],
];

/** A customer's account: what is open and how old, what was settled, and by which receipt. */
export default function CustomerView() {
  const books = useBooks();
  const id = Number(useParams().customerId);
  const account = useCustomer(id);
  const settlements = useQuery({
    queryKey: ["settlements", books.company, "of", id],
    queryFn: async () =>
      data(
        await api.GET("/api/settlements", {
          params: { query: { company: books.company, customer: id, limit: 30 } },
        }),
      ),
  });
  if (account.error) {
    return <Failed error={account.error} retry={() => void account.refetch()} />;
  }
  if (!account.data) {
    return <Loading />;
  }
  const c = account.data;
  return (
    <Box sx={{ p: 3, maxWidth: 1180 }}>
      <Box sx={{ display: "flex", justifyContent: "space-between", alignItems: "start" }}>
        <Typography variant="h1">{c.name}</Typography>
        {books.mayPost && c.openItems.some((item) => item.open.amount.startsWith("-")) && (
          <Button component={RouterLink} to={`/waiting/desk/account/${c.id}`} variant="outlined">
            Apply what is in credit
          </Button>
        )}
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
        {c.branches.length > 0 && ` · pays for ${c.branches.map((b) => b.name).join(", ")}`}
        {c.oldestFirst && " · pays oldest first"}
        {c.accounts.length > 0 && ` · pays from ${c.accounts.join(", ")}`}
      </Typography>
      {c.ageing.map((ageing) => (
        <Ageing key={ageing.currency} ageing={ageing} />
      ))}
      <Typography variant="h2" sx={{ mt: 3 }}>
        Open · {count(c.openItems.length, "item")}
      </Typography>
      {c.openItems.length === 0 ? (
        <Typography color="textSecondary">Nothing is open.</Typography>
      ) : (
        <Items items={c.openItems} withOwner={c.branches.length > 0} />
      )}
      <Typography variant="h2" sx={{ mt: 4, mb: 1 }}>
        Settlements
      </Typography>
      {settlements.error && <Failed error={settlements.error} />}
      {settlements.data?.rows.length === 0 && (
        <Typography color="textSecondary">Nothing was settled yet.</Typography>
      )}
      {settlements.data?.rows.map((s) => (
        <SettlementStrip key={s.id} settlement={s} />
      ))}
    </Box>
  );
}

/** What is owed by age: a bar in proportion, the figures under it. */
function Ageing({ ageing }: { ageing: Schemas["AgeingView"] }) {
  const amounts = BUCKETS.map(([key]) => ageing.amounts[key]);
  const total = amounts.reduce((sum, m) => sum + Math.max(0, m ? minor(m) : 0), 0);
  return (
    <Box sx={{ maxWidth: 760 }} role="group" aria-label={`Ageing in ${ageing.currency}`}>
      <Box aria-hidden sx={{ display: "flex", height: 10, border: 1, borderColor: "settled" }}>
        {amounts.map((m, n) => (
          <Box
            key={n}
            sx={{
              width: `${total > 0 && m ? (100 * Math.max(0, minor(m))) / total : 0}%`,
              bgcolor: n === 0 ? "settledTint" : "settled",
              opacity: n === 0 ? 1 : 0.4 + 0.15 * n,
            }}
          />
        ))}
      </Box>
      <Box sx={{ display: "grid", gridTemplateColumns: "repeat(5, 1fr)", mt: 0.5 }}>
        {BUCKETS.map(([key, name]) => {
          const amount = ageing.amounts[key];
          return (
            <Box key={key}>
              <Box sx={{ fontSize: 12, color: "text.secondary" }}>{name}</Box>
              {amount && <Amount of={amount} />}
            </Box>
          );
        })}
      </Box>
    </Box>
  );
}

function Items({ items, withOwner }: { items: Item[]; withOwner: boolean }) {
  return (
    <Table size="small" aria-label="Open items">
      <TableHead>
        <TableRow>
          <TableCell>Item</TableCell>
          <TableCell>Kind</TableCell>
          {withOwner && <TableCell>Branch</TableCell>}
          <TableCell>Order</TableCell>
          <TableCell>Issued</TableCell>
          <TableCell>Due</TableCell>
          <TableCell align="right">Overdue</TableCell>
          <TableCell align="right">Total</TableCell>
          <TableCell align="right">Open</TableCell>
        </TableRow>
      </TableHead>
      <TableBody>
        {items.map((item) => (
          <TableRow key={item.id}>
            <TableCell>
              <ItemLink id={item.id} number={item.number} />
            </TableCell>
            <TableCell>
              {ITEM[item.kind]}
              {item.claimReason && `, ${REASON[item.claimReason]}`}
              {item.terms && (
                <Box component="span" sx={{ color: "text.secondary" }}>
                  {" "}
                  {item.terms}
                </Box>
              )}
            </TableCell>
            {withOwner && <TableCell>{item.customerName}</TableCell>}
            <TableCell className="figure">{item.orderReference}</TableCell>
            <TableCell>{onDay(item.issuedOn)}</TableCell>
            <TableCell>{onDay(item.dueOn)}</TableCell>
            <TableCell align="right">{item.daysOverdue > 0 && count(item.daysOverdue, "day")}</TableCell>
            <TableCell align="right">
              <Amount of={item.total} />
            </TableCell>
            <TableCell align="right">
              <Amount of={item.open} />
            </TableCell>
          </TableRow>
        ))}
      </TableBody>
    </Table>
  );
}

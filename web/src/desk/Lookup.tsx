import { Box, Button, Checkbox, Link, Typography } from "@mui/material";
import type { ReactNode } from "react";
import { Link as RouterLink } from "react-router";
import type { Money, Schemas } from "../api/client";
import { useFitting, useFound } from "../find/queries";
import { Amount } from "../shared/Amount";
import { count, onDay } from "../shared/dates";
import { isNegative, isZero, positive } from "../shared/money";
import { Failed, Loading } from "../shared/States";
import type { AccountProps } from "./AccountPane";
import { leaving, taking, takingAll, type Draft, type Item } from "./drafts";
import { useLookup } from "./queries";

/** So many settled items are shown beside what is open. */
const SETTLED_SHOWN = 5;

/** What fits a search line at the desk: customers, open items to tick one by one or all at once, what was settled before. */
export function Lookup({
  q,
  pick,
  draft,
  change,
  readOnly,
  received,
}: { q: string; pick: (customerId: number, item?: Item) => void } & AccountProps) {
  const found = useLookup(q);
  const fitting = useFitting(q, received);
  const settled = useFound("SETTLED", q);
  if (found.error) {
    return <Failed error={found.error} />;
  }
  if (!found.data) {
    return <Loading rows={3} />;
  }
  const { customers, items } = found.data;
  const before = settled.data?.pages[0]?.rows.slice(0, SETTLED_SHOWN) ?? [];
  const problems = settled.data?.pages[0]?.problems ?? [];
  const nothing = customers.length + items.length === 0;
  return (
    <Box sx={{ display: "flex", flexDirection: "column", alignItems: "stretch" }}>
      {problems.map((problem) => (
        <Typography key={problem} role="status" variant="body2" color="error">
          {problem}
        </Typography>
      ))}
      {nothing && (
        <Typography color="textSecondary">Nothing open and nobody by that name, number or amount.</Typography>
      )}
      {customers.map((c) => (
        <Button
          key={c.id}
          onClick={() => pick(c.id)}
          sx={{ justifyContent: "space-between", fontWeight: 400, gap: 1.5, minWidth: 0 }}
        >
          <Named>{c.name}</Named>
          <Box component="span" sx={{ flexShrink: 0 }}>
            {count(c.openItems, "item")}
          </Box>
        </Button>
      ))}
      {fitting.data && received && !isZero(received) && fitting.data.items.length > 1 && (
        <AllThatFits
          fitting={fitting.data}
          received={received}
          draft={draft}
          change={change}
          readOnly={readOnly}
        />
      )}
      {items.map((item) => (
        <Box key={item.id} sx={{ display: "flex", alignItems: "center" }}>
          <Checkbox
            size="small"
            checked={draft.applications.some((a) => a.itemId === item.id)}
            disabled={readOnly || item.kind === "REFUND"}
            onChange={(_, take) =>
              change(take ? taking(draft, item) : leaving(draft, item.id), new Map([[item.id, item.number]]))
            }
            slotProps={{ input: { "aria-label": `Take ${item.number}` } }}
            sx={{ p: 0 }}
          />
          <Button
            onClick={() => pick(item.customerId, item)}
            sx={{
              flex: 1,
              minWidth: 0,
              justifyContent: "space-between",
              fontWeight: 400,
              textAlign: "left",
              gap: 1.5,
            }}
          >
            <Named title={`${item.number} ${item.customerName}`}>
              <span className="figure">{item.number}</span> {item.customerName}
            </Named>
            <Box component="span" sx={{ flexShrink: 0 }}>
              <Amount of={item.open} />
            </Box>
          </Button>
        </Box>
      ))}
      {before.map((item) => (
        <Typography
          key={item.id}
          variant="body2"
          color="textSecondary"
          sx={{ fontSize: 12.5, mt: 0.5, px: 0.75 }}
        >
          <Link component={RouterLink} to={`/posted/items/${item.id}`} color="inherit">
            <span className="figure">{item.number}</span>
          </Link>{" "}
          {item.name}, <Amount of={item.amount} />: settled
          {item.settled && ` ${onDay(item.settled.on)}${item.settled.payer && ` by ${item.settled.payer}`}`}
        </Typography>
      ))}
      {!nothing && (
        <Link
          component={RouterLink}
          to={`/waiting/find?q=${encodeURIComponent(q)}`}
          sx={{ fontSize: 12.5, mt: 1, px: 0.75 }}
        >
          Everything that fits, of any age
        </Link>
      )}
    </Box>
  );
}

/** A name that is cut where the line has no room for it, so that it never runs into the amount. */
function Named({ children, title }: { children: ReactNode; title?: string }) {
  return (
    <Box
      component="span"
      title={title}
      sx={{ minWidth: 0, overflow: "hidden", textOverflow: "ellipsis", whiteSpace: "nowrap" }}
    >
      {children}
    </Box>
  );
}

/** All open items that fit, ticked or left at once, with what they come to against what arrived. */
function AllThatFits({
  fitting,
  received,
  draft,
  change,
  readOnly,
}: {
  fitting: Schemas["Fitting"];
  received: Money;
  draft: Draft;
  change: (d: Draft, numbers?: ReadonlyMap<number, string>) => void;
  readOnly: boolean;
}) {
  const taken = new Set(draft.applications.map((a) => a.itemId));
  const fresh = fitting.items.filter((item) => !taken.has(item.itemId));
  const gap = fitting.gap;
  const all = () =>
    change(
      takingAll(
        draft,
        fresh.map((item) => ({ itemId: item.itemId, amount: item.open, itemVersion: item.version })),
      ),
      new Map(fitting.items.map((item) => [item.itemId, item.number])),
    );
  const none = () => {
    const fits = new Set(fitting.items.map((item) => item.itemId));
    change({
      ...draft,
      applications: draft.applications.filter((a) => !fits.has(a.itemId)),
      explanation: undefined,
    });
  };
  return (
    <Box
      sx={{ border: 1, borderColor: "divider", borderRadius: 1, px: 1, py: 0.5, mb: 0.5 }}
      role="group"
      aria-label="All that fits"
    >
      <Typography variant="body2" role="status">
        {fitting.more ? "More than " : ""}
        {count(fitting.items.length, "item")} fit: <Amount of={fitting.sum} /> of <Amount of={received} />
        {gap && isZero(gap) && ", to the cent"}
        {gap && !isZero(gap) && (
          <>
            , <Amount of={positive(gap)} /> {isNegative(gap) ? "too much" : "too little"}
          </>
        )}
      </Typography>
      <Button disabled={readOnly || fresh.length === 0 || fitting.more} onClick={all} sx={{ px: 0.5 }}>
        Tick all {fitting.items.length.toLocaleString()}
      </Button>
      {fresh.length < fitting.items.length && (
        <Button color="inherit" disabled={readOnly} onClick={none} sx={{ px: 0.5, fontWeight: 400 }}>
          Leave all
        </Button>
      )}
    </Box>
  );
}

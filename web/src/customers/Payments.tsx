import { Box, Button, Checkbox, FormControlLabel, Link, Typography } from "@mui/material";
import { useQuery } from "@tanstack/react-query";
import { useRef, useState } from "react";
import { Link as RouterLink } from "react-router";
import { api, data, type Schemas } from "../api/client";
import { useBooks } from "../access/session";
import { ItemLink } from "../settle/SettlementStrip";
import { Amount } from "../shared/Amount";
import { onDay } from "../shared/dates";
import { isZero, minor } from "../shared/money";
import { Empty, Failed, Loading } from "../shared/States";
import { ApplyCredit } from "./ApplyCredit";

type Paying = Schemas["Paying"];
type Paid = Schemas["Paid"];

const ROW = 44;
const GAP = 190;

/** What is carried from a credit to an item. */
const CREDIT_DRAGGED = "application/x-sumbrel-credit";

/**
 * What paid what, drawn: receipts and credits on the left, what they were set against on the right, a line for each
 * part. A credit that is open is applied by dragging it onto an item, or by its button and that of the item.
 */
export function Payments({ account }: { account: Schemas["CustomerAccount"] }) {
  const books = useBooks();
  const [withSettled, setWithSettled] = useState(true);
  const [near, setNear] = useState<string | null>(null);
  const [creditKey, setCredit] = useState<string | null>(null);
  const [targetId, setTarget] = useState<number | null>(null);
  const first = useRef<HTMLButtonElement>(null);
  const payments = useQuery({
    queryKey: ["customer", account.id, "payments", withSettled],
    refetchInterval: 5_000,
    queryFn: async () =>
      data(
        await api.GET("/api/customers/{id}/payments", {
          params: { path: { id: account.id }, query: { settled: withSettled } },
        }),
      ),
  });
  if (payments.error && !payments.data) {
    return <Failed error={payments.error} retry={() => void payments.refetch()} />;
  }
  if (!payments.data) {
    return <Loading rows={6} />;
  }
  const { paying, paid, links, more } = payments.data;
  // as they stand by now: what was just posted changed what is left of them
  const credit = paying.find((one) => one.key === creditKey && one.left) ?? null;
  const target = paid.find((one) => one.itemId === targetId && minor(one.open) > 0) ?? null;
  const put = () => {
    setCredit(null);
    setTarget(null);
  };
  const carry = (chosen: Paying) => {
    setCredit(chosen.key);
    setTarget(null);
    // whoever works by keyboard goes on with the items
    window.setTimeout(() => first.current?.focus());
  };
  const at = new Map<string, number>();
  paying.forEach((p, n) => at.set(p.key, n));
  paid.forEach((p, n) => at.set(`paid-${p.itemId}`, n));
  const widest = Math.max(1, ...links.map((link) => minor(link.amount)));
  // only what has lines is pointed at
  const pointed = links.some((link) => link.from === near || `paid-${link.itemId}` === near) ? near : null;
  const lit = (from: string, itemId: number) =>
    pointed === null || pointed === from || pointed === `paid-${itemId}`;
  const height = Math.max(paying.length, paid.length) * ROW;

  return (
    <>
      <Box sx={{ display: "flex", alignItems: "center", gap: 2, mb: 0.5 }}>
        <FormControlLabel
          control={
            <Checkbox
              size="small"
              checked={withSettled}
              onChange={(event) => setWithSettled(event.target.checked)}
            />
          }
          label="Settled items too"
        />
        <Typography variant="body2" color="textSecondary" role="status">
          {credit && !target && `Where does ${credit.name} go? Choose an item.`}
          {more && "The latest settlements; older ones are under Settlements."}
        </Typography>
        {credit && !target && (
          <Button color="inherit" onClick={put}>
            Not now
          </Button>
        )}
      </Box>
      {credit && target && (
        <ApplyCredit
          key={`${credit.key} to ${target.itemId}`}
          customerId={account.id}
          credit={credit}
          target={target}
          close={put}
        />
      )}
      {paying.length + paid.length === 0 ? (
        <Empty title="Nothing was paid and nothing is open" />
      ) : (
        <Box
          sx={{ display: "grid", gridTemplateColumns: `minmax(280px, 1fr) ${GAP}px minmax(300px, 1fr)` }}
          onMouseLeave={() => setNear(null)}
        >
          <Typography sx={{ fontSize: 12, color: "text.secondary" }}>Receipts and credits</Typography>
          <span />
          <Typography sx={{ fontSize: 12, color: "text.secondary" }}>What they paid</Typography>
          <Box role={paying.length > 0 ? "list" : "group"} aria-label="Receipts and credits">
            {paying.map((p) => (
              <PayingRow
                key={p.key}
                row={p}
                links={links.filter((link) => link.from === p.key)}
                numberOf={(itemId) => paid.find((one) => one.itemId === itemId)?.number ?? ""}
                lit={links.some(
                  (l) => l.from === p.key && (pointed === p.key || pointed === `paid-${l.itemId}`),
                )}
                point={() => setNear(p.key)}
                mayApply={books.mayPost}
                carried={credit?.key === p.key}
                carry={() => carry(p)}
              />
            ))}
          </Box>
          <Box
            component="svg"
            aria-hidden
            viewBox={`0 0 ${GAP} ${height}`}
            sx={{ width: GAP, height, color: "settled" }}
          >
            {links.map((link, n) => {
              const from = (at.get(link.from) ?? 0) * ROW + ROW / 2;
              const to = (at.get(`paid-${link.itemId}`) ?? 0) * ROW + ROW / 2;
              return (
                <path
                  key={n}
                  d={`M0 ${from} C ${GAP / 2} ${from}, ${GAP / 2} ${to}, ${GAP} ${to}`}
                  fill="none"
                  stroke="currentColor"
                  strokeOpacity={lit(link.from, link.itemId) ? 0.8 : 0.12}
                  strokeWidth={1 + (5 * minor(link.amount)) / widest}
                />
              );
            })}
          </Box>
          <Box role={paid.length > 0 ? "list" : "group"} aria-label="What they paid">
            {paid.map((p, n) => (
              <PaidRow
                key={p.itemId}
                row={p}
                withOwner={account.branches.length > 0}
                lit={links.some(
                  (l) => l.itemId === p.itemId && (pointed === l.from || pointed === `paid-${p.itemId}`),
                )}
                point={() => setNear(`paid-${p.itemId}`)}
                asked={credit !== null && minor(p.open) > 0}
                button={paid.findIndex((one) => minor(one.open) > 0) === n ? first : undefined}
                take={() => setTarget(p.itemId)}
                drop={(key) => {
                  if (minor(p.open) > 0) {
                    setCredit(key);
                    setTarget(p.itemId);
                  }
                }}
              />
            ))}
          </Box>
        </Box>
      )}
    </>
  );
}

function PayingRow({
  row,
  links,
  numberOf,
  lit,
  point,
  mayApply,
  carried,
  carry,
}: {
  row: Paying;
  links: Schemas["PaidLink"][];
  numberOf: (itemId: number) => string;
  lit: boolean;
  point: () => void;
  mayApply: boolean;
  carried: boolean;
  carry: () => void;
}) {
  const open = row.left !== undefined && row.left !== null;
  return (
    <Box
      role="listitem"
      aria-label={`${row.name}: ${links.map((l) => `${numberOf(l.itemId)} ${l.amount.amount}`).join(", ") || "not applied"}`}
      draggable={open && mayApply}
      onDragStart={(event) => {
        event.dataTransfer.setData(CREDIT_DRAGGED, row.key);
        event.dataTransfer.effectAllowed = "copy";
      }}
      onMouseEnter={point}
      sx={{
        height: ROW,
        display: "grid",
        gridTemplateColumns: "62px 1fr auto",
        gap: 1,
        alignItems: "center",
        px: 0.75,
        cursor: open && mayApply ? "grab" : undefined,
        border: 1,
        borderStyle: open ? "dashed" : "solid",
        borderColor: carried ? "primary.main" : "divider",
        bgcolor: carried || lit ? "chosenTint" : undefined,
        fontSize: 13.5,
      }}
    >
      <Box component="span" sx={{ color: "text.secondary" }}>
        {onDay(row.on)}
      </Box>
      <Box sx={{ overflow: "hidden", textOverflow: "ellipsis", whiteSpace: "nowrap" }} title={row.name}>
        {row.settlementId ? (
          <Link
            component={RouterLink}
            to={`/posted/settlements/${row.settlementId}`}
            color="inherit"
            underline="hover"
          >
            {row.name}
          </Link>
        ) : row.itemId ? (
          <ItemLink id={row.itemId} number={row.name} />
        ) : (
          row.name
        )}
      </Box>
      <Box sx={{ textAlign: "right", whiteSpace: "nowrap" }}>
        {open && mayApply && (
          <Button
            onClick={carry}
            sx={{ px: 0.5, py: 0, minWidth: 0, mr: 1 }}
            aria-label={`Apply ${row.name}`}
          >
            Apply…
          </Button>
        )}
        {open && row.left ? (
          <>
            <Amount of={row.left} sx={{ fontWeight: 700 }} />
            {row.left.amount !== row.amount.amount && (
              <Box component="span" sx={{ color: "text.secondary", fontSize: 12 }}>
                {" "}
                of <Amount of={row.amount} />
              </Box>
            )}
          </>
        ) : (
          !isZero(row.amount) && <Amount of={row.amount} />
        )}
      </Box>
    </Box>
  );
}

function PaidRow({
  row,
  withOwner,
  lit,
  point,
  asked,
  button,
  take,
  drop,
}: {
  row: Paid;
  withOwner: boolean;
  lit: boolean;
  point: () => void;
  asked: boolean;
  button: React.RefObject<HTMLButtonElement | null> | undefined;
  take: () => void;
  drop: (key: string) => void;
}) {
  const [over, setOver] = useState(false);
  const open = minor(row.open) > 0;
  return (
    <Box
      role="listitem"
      aria-label={row.number}
      onMouseEnter={point}
      onDragOver={(event) => {
        if (open && event.dataTransfer.types.includes(CREDIT_DRAGGED)) {
          event.preventDefault();
          setOver(true);
        }
      }}
      onDragLeave={() => setOver(false)}
      onDrop={(event) => {
        event.preventDefault();
        setOver(false);
        drop(event.dataTransfer.getData(CREDIT_DRAGGED));
      }}
      sx={{
        height: ROW,
        display: "grid",
        gridTemplateColumns: "1fr 96px 150px",
        gap: 1,
        alignItems: "center",
        px: 0.75,
        border: 1,
        borderStyle: open ? "dashed" : "solid",
        borderColor: over ? "primary.main" : "divider",
        bgcolor: over || lit ? "chosenTint" : undefined,
        fontSize: 13.5,
      }}
    >
      <Box sx={{ overflow: "hidden", textOverflow: "ellipsis", whiteSpace: "nowrap" }}>
        <ItemLink id={row.itemId} number={row.number} />
        {withOwner && (
          <Box component="span" sx={{ color: "text.secondary", fontSize: 12 }}>
            {" "}
            {row.customerName}
          </Box>
        )}
      </Box>
      <Box component="span" sx={{ color: "text.secondary", whiteSpace: "nowrap" }}>
        due {onDay(row.dueOn)}
      </Box>
      <Box sx={{ textAlign: "right", whiteSpace: "nowrap" }}>
        {asked && (
          <Button
            ref={button}
            onClick={take}
            sx={{ px: 0.5, py: 0, minWidth: 0, mr: 1 }}
            aria-label={`To ${row.number}`}
          >
            Here
          </Button>
        )}
        {open ? (
          <>
            <Amount of={row.open} sx={{ fontWeight: 700 }} />
            <Box component="span" sx={{ color: "text.secondary", fontSize: 12 }}>
              {" open"}
            </Box>
          </>
        ) : (
          <Amount of={row.total} />
        )}
      </Box>
    </Box>
  );
}

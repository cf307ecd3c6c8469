import { Box, Button, Chip, Link, Typography } from "@mui/material";
import { useState } from "react";
import { Link as RouterLink, useSearchParams } from "react-router";
import { AskWords } from "../desk/AskWords";
import { ITEM } from "../settle/words";
import { Amount } from "../shared/Amount";
import { ColumnHead, ColumnLine } from "../shared/Columns";
import { count, onDayOfYear } from "../shared/dates";
import { isZero } from "../shared/money";
import { PagedList } from "../shared/PagedList";
import { LineField } from "./LineField";
import { useForgetSearch, useFound, useSavedSearches, useSaveSearch, type Found, type What } from "./queries";

const COLUMNS =
  "104px minmax(150px, 1fr) minmax(120px, 170px) minmax(110px, 1fr) 112px 112px minmax(150px, 1fr)";

const WHAT: [What, string][] = [
  ["ENTRIES", "Bank entries"],
  ["OPEN", "Open items"],
  ["SETTLED", "Settled items"],
];

const BECAME: Record<NonNullable<Found["status"]>, string> = {
  WAITING: "waits",
  SETTLED: "settled",
  SHELVED: "on the shelf",
  DEBIT: "from us",
  PAID: "from us, explained",
  PENDING: "announced",
  RETURNED: "taken back by the bank",
  BANKED: "a deposit",
  SOLD: "a sale on the spot",
  WITHDRAWN: "withdrawn",
};

/** Finds entries, open items and settled ones of any age by one line; both line and choice are in the address. */
export default function FindView() {
  const [params, setParams] = useSearchParams();
  const q = params.get("q") ?? "";
  const what = (WHAT.find(([key]) => key === params.get("what"))?.[0] ?? "ENTRIES") as What;
  const [saving, setSaving] = useState(false);
  const found = {
    ENTRIES: useFound("ENTRIES", q, what === "ENTRIES"),
    OPEN: useFound("OPEN", q, what === "OPEN"),
    SETTLED: useFound("SETTLED", q, what === "SETTLED"),
  };
  const saved = useSavedSearches();
  const save = useSaveSearch();
  const forget = useForgetSearch();
  const ask = (line: string, which: What) => setParams({ q: line, what: which }, { replace: true });
  const shown = found[what];
  const problems = shown.data?.pages[0]?.problems ?? [];
  const near = (shown.data?.pages[0]?.rows ?? []).some((row) => row.gap);

  return (
    <Box sx={{ height: "100%", display: "flex", flexDirection: "column" }}>
      <Box sx={{ px: 3, pt: 2 }}>
        <Box sx={{ display: "flex", gap: 1.5, alignItems: "center", flexWrap: "wrap" }}>
          <LineField
            label="words, amounts, days…"
            q={q}
            search={(line) => ask(line, what)}
            width={520}
            autoFocus
          />
          <Button color="inherit" disabled={q.trim() === ""} onClick={() => setSaving(true)}>
            Save…
          </Button>
          {saved.data?.map((one) => (
            <Chip
              key={one.id}
              variant="outlined"
              size="small"
              label={one.name}
              title={one.line}
              onClick={() => ask(one.line, what)}
              onDelete={() => forget.mutate(one.id)}
            />
          ))}
        </Box>
        {problems.map((problem) => (
          <Typography key={problem} role="status" variant="body2" color="error" sx={{ mt: 0.5 }}>
            {problem}
          </Typography>
        ))}
        <Typography variant="body2" color="textSecondary" sx={{ mt: 0.75, fontSize: 12.5 }}>
          <span className="figure">oskar -lane</span> words · <span className="figure">612.30</span> ·{" "}
          <span className="figure">600..700</span> · <span className="figure">gap:231.90</span> nearest first
          · <span className="figure">may</span>, <span className="figure">before:2026-05-10</span> ·{" "}
          <span className="figure">payer:</span> <span className="figure">ref:</span>{" "}
          <span className="figure">method:cheque</span>
        </Typography>
        <Box sx={{ display: "flex", mt: 1 }}>
          <Box role="tablist" aria-label="What to find" sx={{ display: "flex", gap: 0.5, ml: -1 }}>
            {WHAT.map(([key, name]) => (
              <Button
                key={key}
                role="tab"
                aria-selected={key === what}
                color={key === what ? "primary" : "inherit"}
                onClick={() => ask(q, key)}
                sx={{ fontWeight: key === what ? 700 : 400, px: 1 }}
              >
                {name}{" "}
                <Box component="span" sx={{ ml: 0.75, color: "text.secondary", fontWeight: 400 }}>
                  {found[key].data?.pages[0]?.sums.reduce((n, sum) => n + sum.count, 0).toLocaleString() ??
                    "…"}
                </Box>
              </Button>
            ))}
          </Box>
          <Box role="status" sx={{ ml: "auto", alignSelf: "center", fontSize: 13 }}>
            {shown.data?.pages[0]?.sums.map((sum) => (
              <Box component="span" key={sum.amount.currency} sx={{ ml: 2 }}>
                {count(sum.count, "line")}, <Amount of={sum.amount} /> {sum.amount.currency}
              </Box>
            ))}
          </Box>
        </Box>
      </Box>
      <Box
        sx={{ flex: 1, minHeight: 0 }}
        role="tabpanel"
        aria-label={WHAT.find(([key]) => key === what)?.[1]}
      >
        <PagedList
          label="Found"
          head={<Head what={what} near={near} />}
          rows={shown.data?.pages.flatMap((page) => page.rows)}
          rowKey={(row) => row.id}
          estimate={34}
          error={shown.error}
          retry={() => void shown.refetch()}
          hasMore={shown.hasNextPage}
          loading={shown.isFetchingNextPage}
          loadMore={() => void shown.fetchNextPage()}
          empty={q ? "Nothing fits this line" : "Nothing is here yet"}
          row={(row) => <Line row={row} what={what} near={near} />}
        />
      </Box>
      {saving && (
        <AskWords
          title="Save this search"
          explains={`“${q.trim()}” stands beside the line from now on, for you alone.`}
          label="Name"
          doing="Save"
          needed
          act={(name) => save.mutate({ name: name.slice(0, 100), line: q.trim() })}
          close={() => setSaving(false)}
        />
      )}
    </Box>
  );
}

function Head({ what, near }: { what: What; near: boolean }) {
  return (
    <ColumnHead columns={COLUMNS}>
      <span>{what === "ENTRIES" ? "Booked" : "Issued"}</span>
      <span>{what === "ENTRIES" ? "Payer" : "Customer"}</span>
      <span>{what === "ENTRIES" ? "Cheque" : "Item"}</span>
      <span>{what === "ENTRIES" ? "Text" : "Order"}</span>
      <Box sx={{ textAlign: "right" }}>{what === "ENTRIES" ? "Amount" : "Total"}</Box>
      <Box sx={{ textAlign: "right" }}>{near ? "Gap" : what === "ENTRIES" ? "" : "Open"}</Box>
      <span>What became of it</span>
    </ColumnHead>
  );
}

function Line({ row, what, near }: { row: Found; what: What; near: boolean }) {
  const cut = { overflow: "hidden", textOverflow: "ellipsis", whiteSpace: "nowrap" };
  const side = near ? row.gap : row.open;
  return (
    <ColumnLine columns={COLUMNS}>
      <span>{onDayOfYear(row.on)}</span>
      <Box sx={cut} title={row.name}>
        {row.customerId ? (
          <Link
            component={RouterLink}
            to={`/posted/customers/${row.customerId}`}
            color="inherit"
            underline="hover"
          >
            {row.name}
          </Link>
        ) : (
          row.name
        )}
      </Box>
      <Box className="figure" sx={cut}>
        {what === "ENTRIES" ? (
          row.number
        ) : (
          <Link component={RouterLink} to={`/posted/items/${row.id}`} color="inherit" underline="hover">
            {row.number}
          </Link>
        )}
      </Box>
      <Box sx={{ ...cut, color: "text.secondary" }} title={row.text}>
        {row.text}
      </Box>
      <Box sx={{ textAlign: "right" }}>
        <Amount of={row.amount} />
      </Box>
      <Box sx={{ textAlign: "right" }}>{side && !(isZero(side) && !near) && <Amount of={side} />}</Box>
      <Box sx={cut}>
        <Became row={row} />
      </Box>
    </ColumnLine>
  );
}

function Became({ row }: { row: Found }) {
  if (row.settled) {
    return (
      <Link component={RouterLink} to={`/posted/settlements/${row.settled.settlementId}`}>
        settled {onDayOfYear(row.settled.on)}
        {row.settled.payer && ` by ${row.settled.payer}`}
      </Link>
    );
  }
  if (row.status === "WAITING") {
    return (
      <Link component={RouterLink} to={`/waiting/desk/${row.id}`}>
        waits at the desk
      </Link>
    );
  }
  if (row.status === "DEBIT") {
    return (
      <Link component={RouterLink} to={`/waiting/from-us/${row.id}`} color="inherit" underline="hover">
        from us
      </Link>
    );
  }
  if (row.status === "SHELVED") {
    return (
      <Link component={RouterLink} to="/waiting/shelved">
        on the shelf
      </Link>
    );
  }
  return <>{row.status ? BECAME[row.status] : row.kind && row.kind !== "INVOICE" ? ITEM[row.kind] : ""}</>;
}

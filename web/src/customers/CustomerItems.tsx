import { Box, Checkbox, FormControlLabel, Link, Typography } from "@mui/material";
import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link as RouterLink } from "react-router";
import { api, data, type Schemas } from "../api/client";
import { LineField } from "../find/LineField";
import { ItemLink } from "../settle/SettlementStrip";
import { Amount } from "../shared/Amount";
import { ColumnLine } from "../shared/Columns";
import { count, onDayOfYear } from "../shared/dates";
import { Failed, Loading } from "../shared/States";
import { ItemTable } from "./ItemTable";

type Account = Schemas["CustomerAccount"];

/** What is open on an account, and what was settled where that is asked for; narrowed by a search line. */
export function CustomerItems({ account }: { account: Account }) {
  const [q, setQ] = useState("");
  const [withSettled, setWithSettled] = useState(false);
  const line = q.trim();
  const open = useQuery({
    queryKey: ["customer", account.id, "items", line],
    enabled: line !== "",
    placeholderData: keepPreviousData,
    queryFn: async () =>
      data(await api.GET("/api/open-items", { params: { query: { customer: account.id, q: line } } })).rows,
  });
  const items = line === "" ? account.openItems : (open.data ?? []);
  return (
    <>
      <Box sx={{ display: "flex", alignItems: "center", gap: 2, mb: 1 }}>
        <LineField label="number, amount, day…" q={q} search={setQ} />
        <FormControlLabel
          control={
            <Checkbox
              size="small"
              checked={withSettled}
              onChange={(event) => setWithSettled(event.target.checked)}
            />
          }
          label="Settled ones too"
        />
      </Box>
      <Typography variant="h2">Open · {count(items.length, "item")}</Typography>
      {open.error && <Failed error={open.error} />}
      {items.length === 0 ? (
        <Typography color="textSecondary">
          {line ? "Nothing open fits this line." : "Nothing is open."}
        </Typography>
      ) : (
        <ItemTable items={items} withOwner={account.branches.length > 0} />
      )}
      {withSettled && <Settled account={account} line={line} />}
    </>
  );
}

function Settled({ account, line }: { account: Account; line: string }) {
  const settled = useQuery({
    queryKey: ["found", "settled of", account.id, line],
    placeholderData: keepPreviousData,
    queryFn: async () =>
      data(
        await api.GET("/api/found", {
          params: { query: { what: "SETTLED", customer: account.id, q: line, limit: 200 } },
        }),
      ),
  });
  if (settled.error && !settled.data) {
    return <Failed error={settled.error} retry={() => void settled.refetch()} />;
  }
  if (!settled.data) {
    return <Loading rows={4} />;
  }
  const { rows, sums } = settled.data;
  return (
    <>
      <Typography variant="h2" sx={{ mt: 3, mb: 0.5 }}>
        Settled ·{" "}
        {count(
          sums.reduce((n, sum) => n + sum.count, 0),
          "item",
        )}
      </Typography>
      {rows.length === 0 && <Typography color="textSecondary">Nothing settled fits this line.</Typography>}
      {rows.map((row) => (
        <ColumnLine key={row.id} columns="170px 120px 120px 1fr">
          <ItemLink id={row.id} number={row.number} />
          <span>{onDayOfYear(row.on)}</span>
          <Box sx={{ textAlign: "right" }}>
            <Amount of={row.amount} />
          </Box>
          <span>
            {row.settled && (
              <Link component={RouterLink} to={`/posted/settlements/${row.settled.settlementId}`}>
                settled {onDayOfYear(row.settled.on)}
                {row.settled.payer && ` by ${row.settled.payer}`}
              </Link>
            )}
          </span>
        </ColumnLine>
      ))}
      {rows.length === 200 && (
        <Typography variant="body2" color="textSecondary" sx={{ mt: 1 }}>
          The latest 200; narrow them by a line such as before:2026-01.
        </Typography>
      )}
    </>
  );
}

import {
  Alert,
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
import { useState } from "react";
import { Link as RouterLink, useSearchParams } from "react-router";
import { useBooks, useSession } from "../access/session";
import { Files } from "../books/Files";
import { fileAt } from "../books/queries";
import { atMoment, count, onDayOfYear } from "../shared/dates";
import { Empty, Failed, Loading } from "../shared/States";
import { useFetchRates, useRatePairs, useRateRows } from "./queries";
import { TypeRate } from "./TypeRate";
import { WhatCounts } from "./WhatCounts";
import { ORIGIN } from "./words";

/** Exchange rates: what is known of which pair, where it comes from, and which counts on a day. */
export function RatesTab() {
  const { mayPost } = useBooks();
  const today = useSession().data?.businessDate ?? "";
  const [params, setParams] = useSearchParams();
  const [typing, setTyping] = useState(false);
  const pairs = useRatePairs();
  const fetching = useFetchRates();
  const chosen = params.get("pair")?.split("-") ?? [];
  const pair: [string, string] | null = chosen[0] && chosen[1] ? [chosen[0], chosen[1]] : null;
  if (pairs.error) {
    return <Failed error={pairs.error} retry={() => void pairs.refetch()} />;
  }
  if (!pairs.data) {
    return <Loading rows={10} />;
  }
  const { service, longestDays } = pairs.data;
  const newest =
    pairs.data.pairs
      .map((p) => p.latestOn)
      .sort()
      .at(-1) ?? today;
  const fetched = fetching.data;
  return (
    <Box sx={{ maxWidth: 1160 }}>
      <Box sx={{ display: "flex", alignItems: "center", gap: 1.5, mb: 1.5 }}>
        {mayPost && service !== "" && (
          <Button
            variant="contained"
            disabled={fetching.isPending}
            onClick={() => fetching.mutate({ from: newest < today ? newest : today, until: today })}
          >
            Get the rates up to today
          </Button>
        )}
        {mayPost && (
          <Button variant="outlined" onClick={() => setTyping(true)}>
            Type a rate…
          </Button>
        )}
        <Typography variant="body2" color="textSecondary" sx={{ maxWidth: 520 }}>
          {service === "" ? "No rate service is connected. " : `${service} publishes on working days. `}
          Where a day has none, the last one counts for {count(longestDays, "day")}.{" "}
          <Link component={RouterLink} to="/arrived/intake" underline="always">
            A file
          </Link>{" "}
          needs the columns rate_date, from, to, rate.
        </Typography>
        <Files
          name={pair ? `Rates from ${pair[0]} to ${pair[1]}` : "All rates"}
          of={[["csv", fileAt("/api/rates/file", pair ? { from: pair[0], to: pair[1] } : {})]]}
        />
      </Box>
      {fetching.error && (
        <Alert severity="error" variant="outlined" sx={{ mb: 1.5 }}>
          {fetching.error.message}
        </Alert>
      )}
      {fetched && (
        <Alert
          severity={fetched.problems.length > 0 ? "warning" : "success"}
          variant="outlined"
          sx={{ mb: 1.5 }}
        >
          {count(fetched.fresh, "rate")} new, {fetched.known} known.
          {fetched.empty.length > 0 && ` None for ${fetched.empty.map(onDayOfYear).join(", ")}.`}
          {fetched.problems.map((problem) => (
            <div key={problem}>{problem}</div>
          ))}
        </Alert>
      )}
      {pairs.data.pairs.length === 0 ? (
        <Empty title="No rate is known yet">
          Get them from the service, take a file in, or type the one you need.
        </Empty>
      ) : (
        <>
          <WhatCounts
            key={`${pair?.join() ?? ""} ${today}`}
            from={pair?.[0] ?? "EUR"}
            to={pair?.[1] ?? "USD"}
            today={today}
          />
          <Box sx={{ display: "flex", gap: 4, alignItems: "flex-start" }}>
            <Pairs
              of={pairs.data.pairs}
              chosen={pair}
              choose={(next) => setParams(next ? { pair: next.join("-") } : {}, { replace: true })}
            />
            <Days pair={pair} />
          </Box>
        </>
      )}
      {typing && (
        <TypeRate
          from={pair?.[0] ?? ""}
          to={pair?.[1] ?? ""}
          on={today}
          today={today}
          close={() => setTyping(false)}
        />
      )}
    </Box>
  );
}

interface PairsProps {
  of: { from: string; to: string; days: number; latestOn: string; latestRate: string }[];
  chosen: [string, string] | null;
  choose: (pair: [string, string] | null) => void;
}

function Pairs({ of, chosen, choose }: PairsProps) {
  return (
    <Table size="small" aria-label="Pairs of currencies" sx={{ width: 400, flexShrink: 0 }}>
      <TableHead>
        <TableRow>
          <TableCell>Pair</TableCell>
          <TableCell align="right">Latest</TableCell>
          <TableCell>Of</TableCell>
          <TableCell align="right">Days</TableCell>
        </TableRow>
      </TableHead>
      <TableBody>
        {of.map((p) => {
          const isChosen = chosen?.[0] === p.from && chosen[1] === p.to;
          return (
            <TableRow key={p.from + p.to} hover selected={isChosen}>
              <TableCell sx={{ py: 0 }}>
                <Button
                  size="small"
                  aria-pressed={isChosen}
                  onClick={() => choose(isChosen ? null : [p.from, p.to])}
                  sx={{ px: 0.5, minWidth: 0, fontWeight: isChosen ? 700 : 400 }}
                >
                  {p.from} to {p.to}
                </Button>
              </TableCell>
              <TableCell align="right" className="figure">
                {p.latestRate}
              </TableCell>
              <TableCell>{onDayOfYear(p.latestOn)}</TableCell>
              <TableCell align="right">{p.days}</TableCell>
            </TableRow>
          );
        })}
      </TableBody>
    </Table>
  );
}

/** The days of a pair, those that were replaced too. */
function Days({ pair }: { pair: [string, string] | null }) {
  const rows = useRateRows(pair);
  if (rows.error) {
    return <Failed error={rows.error} retry={() => void rows.refetch()} />;
  }
  if (!rows.data) {
    return <Loading rows={8} />;
  }
  const all = rows.data.pages.flatMap((page) => page.rows);
  return (
    <Box sx={{ flex: 1, minWidth: 0 }}>
      <Table size="small" aria-label={pair ? `Rates from ${pair[0]} to ${pair[1]}` : "Rates"}>
        <TableHead>
          <TableRow>
            <TableCell>Day</TableCell>
            {!pair && <TableCell>Pair</TableCell>}
            <TableCell align="right">Rate</TableCell>
            <TableCell>From where</TableCell>
          </TableRow>
        </TableHead>
        <TableBody>
          {all.map((row) => (
            <TableRow key={row.id} hover sx={{ color: row.replaced ? "text.secondary" : undefined }}>
              <TableCell sx={{ whiteSpace: "nowrap", color: "inherit" }}>{onDayOfYear(row.on)}</TableCell>
              {!pair && (
                <TableCell sx={{ whiteSpace: "nowrap", color: "inherit" }}>
                  {row.from} to {row.to}
                </TableCell>
              )}
              <TableCell
                align="right"
                className="figure"
                sx={{ color: "inherit", textDecoration: row.replaced ? "line-through" : undefined }}
              >
                {row.rate}
              </TableCell>
              <TableCell sx={{ color: "inherit", overflowWrap: "anywhere" }}>
                {ORIGIN[row.origin]}
                {row.fileName !== "" && ` ${row.fileName}`}, {row.recordedBy}, {atMoment(row.recordedAt)}
                {row.reason !== "" && <Box sx={{ fontSize: 12.5 }}>{row.reason}</Box>}
                {row.replaced && <Box sx={{ fontSize: 12.5 }}>replaced since</Box>}
              </TableCell>
            </TableRow>
          ))}
        </TableBody>
      </Table>
      {rows.hasNextPage && (
        <Button onClick={() => void rows.fetchNextPage()} disabled={rows.isFetchingNextPage} sx={{ mt: 1 }}>
          Earlier ones
        </Button>
      )}
    </Box>
  );
}

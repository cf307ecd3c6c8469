import { Box, Link, Typography } from "@mui/material";
import { keepPreviousData, useInfiniteQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link as RouterLink } from "react-router";
import { api, data, type Schemas } from "../api/client";
import { useBooks } from "../access/session";
import { atMoment, onDay } from "../shared/dates";
import { watched } from "../shared/live";
import { PagedList } from "../shared/PagedList";
import { JournalLines } from "./JournalLines";

/** The way back to what the entry was written of. */
function Source({ of }: { of: Schemas["JournalSource"] }) {
  const ways: [string, string][] = [];
  if (of.settlementId) {
    ways.push([`/posted/settlements/${of.settlementId}`, `settlement ${of.settlementId}`]);
  }
  if (of.depositId) {
    ways.push([`/pouch/deposits/${of.depositId}`, "the deposit"]);
  }
  if (of.payoutId) {
    ways.push([`/waiting/payouts/${of.payoutId}`, "the payout"]);
  }
  if (of.lockboxBatchId) {
    ways.push(
      of.entryId
        ? [`/waiting/lockbox/${of.lockboxBatchId}/${of.entryId}`, "the cheque in its batch"]
        : [`/waiting/lockbox/${of.lockboxBatchId}`, "the lockbox batch"],
    );
  }
  return (
    <Box sx={{ fontSize: 12.5, display: "flex", gap: 1.5 }}>
      {ways.map(([to, words]) => (
        <Link key={to} component={RouterLink} to={to}>
          {words}
        </Link>
      ))}
    </Box>
  );
}

/** The journal, newest first: every entry balanced, nothing ever changed. */
export default function JournalView() {
  const books = useBooks();
  const [q, setQ] = useState("");
  const journal = useInfiniteQuery({
    queryKey: ["journal", books.company, q],
    refetchInterval: watched,
    placeholderData: keepPreviousData,
    initialPageParam: undefined as string | undefined,
    queryFn: async ({ pageParam }) =>
      data(
        await api.GET("/api/journal-entries", {
          params: { query: { company: books.company, q, cursor: pageParam, limit: 40 } },
        }),
      ),
    getNextPageParam: (page) => page.next ?? undefined,
  });
  return (
    <PagedList
      label="Journal"
      q={q}
      search={setQ}
      searchHint="a word of the entry's text…"
      head={<Box sx={{ borderBottom: 1, borderColor: "divider" }} />}
      rows={journal.data?.pages.flatMap((page) => page.rows)}
      rowKey={(e) => e.id}
      estimate={110}
      error={journal.error}
      retry={() => void journal.refetch()}
      hasMore={journal.hasNextPage}
      loading={journal.isFetchingNextPage}
      loadMore={() => void journal.fetchNextPage()}
      empty={q ? "No entry has this in its text" : "The journal is empty"}
      row={(entry) => (
        <Box
          sx={{
            display: "grid",
            gridTemplateColumns: "64px 360px minmax(420px, 620px)",
            columnGap: 2,
            py: 1,
            borderBottom: 1,
            borderColor: "divider",
          }}
        >
          <Box className="figure" sx={{ color: "text.secondary" }}>
            {entry.id}
          </Box>
          <Box>
            <Box sx={{ overflowWrap: "anywhere" }}>{entry.text}</Box>
            <Typography variant="body2" color="textSecondary" sx={{ fontSize: 12 }}>
              for {onDay(entry.bookedOn)}
              {entry.ofDay && ` (of ${onDay(entry.ofDay)}, which is closed)`}, written{" "}
              {atMoment(entry.writtenAt)} by {entry.writtenBy}
              {entry.reverses && ` · takes back entry ${entry.reverses}`}
            </Typography>
            {entry.source && <Source of={entry.source} />}
          </Box>
          <JournalLines lines={entry.lines} />
        </Box>
      )}
    />
  );
}

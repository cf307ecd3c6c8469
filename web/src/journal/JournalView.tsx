import { Box, Link, Typography } from "@mui/material";
import { keepPreviousData, useInfiniteQuery, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link as RouterLink, useParams } from "react-router";
import { api, data, type Schemas } from "../api/client";
import { useBooks } from "../access/session";
import { atMoment, onDay } from "../shared/dates";
import { watched } from "../shared/live";
import { PagedList } from "../shared/PagedList";
import { Failed, Loading } from "../shared/States";
import { Ways } from "../books/Ways";
import { JournalLines } from "./JournalLines";

/** The journal, newest first: every entry balanced, nothing ever changed. */
export default function JournalView() {
  const { entryId } = useParams();
  return entryId === undefined ? <Journal /> : <OneEntry id={Number(entryId)} />;
}

function Journal() {
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
      row={(entry) => <EntryLine of={entry} />}
    />
  );
}

/** One entry: what it says, when and by whom, of what it was written, and its lines. */
function EntryLine({ of: entry }: { of: Schemas["JournalEntryView"] }) {
  return (
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
          {entry.ofDay && ` (of ${onDay(entry.ofDay)}, which is closed)`}, written {atMoment(entry.writtenAt)}{" "}
          by {entry.writtenBy}
          {entry.reverses && ` · takes back entry ${entry.reverses}`}
        </Typography>
        {entry.source && <Ways of={entry.source} />}
      </Box>
      <JournalLines lines={entry.lines} />
    </Box>
  );
}

/** One entry by its number, for whoever comes from a search. */
function OneEntry({ id }: { id: number }) {
  const entry = useQuery({
    queryKey: ["journal", "entry", id],
    queryFn: async () => data(await api.GET("/api/journal-entries/{id}", { params: { path: { id } } })),
  });
  if (entry.error) {
    return <Failed error={entry.error} retry={() => void entry.refetch()} />;
  }
  return (
    <Box sx={{ px: 3, pt: 2 }}>
      <Typography variant="h1">Journal entry {id}</Typography>
      <Link component={RouterLink} to="/posted/journal" sx={{ fontSize: 13 }}>
        the whole journal
      </Link>
      {entry.data ? <EntryLine of={entry.data} /> : <Loading rows={4} />}
    </Box>
  );
}

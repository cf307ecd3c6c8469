import { Box } from "@mui/material";
import { keepPreviousData, useInfiniteQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api, data } from "../api/client";
import { useBooks } from "../access/session";
import { LineField } from "../find/LineField";
import { PagedList } from "../shared/PagedList";
import { SettlementStrip } from "./SettlementStrip";
import { watched } from "../shared/live";

/** Everything that was posted, newest first. */
export default function SettlementsView() {
  const books = useBooks();
  const [q, setQ] = useState("");
  const settlements = useInfiniteQuery({
    queryKey: ["settlements", books.company, q],
    refetchInterval: watched,
    placeholderData: keepPreviousData,
    initialPageParam: undefined as string | undefined,
    queryFn: async ({ pageParam }) =>
      data(
        await api.GET("/api/settlements", {
          params: { query: { company: books.company, q, cursor: pageParam, limit: 60 } },
        }),
      ),
    getNextPageParam: (page) => page.next ?? undefined,
  });
  return (
    <PagedList
      label="Settlements"
      aside={<LineField label="payer, text or item number…" q={q} search={setQ} />}
      head={<Box sx={{ borderBottom: 1, borderColor: "divider" }} />}
      rows={settlements.data?.pages.flatMap((page) => page.rows)}
      rowKey={(s) => s.id}
      estimate={56}
      error={settlements.error}
      retry={() => void settlements.refetch()}
      hasMore={settlements.hasNextPage}
      loading={settlements.isFetchingNextPage}
      loadMore={() => void settlements.fetchNextPage()}
      empty={q ? "No settlement fits this search" : "Nothing is posted yet"}
      row={(s) => <SettlementStrip settlement={s} />}
    />
  );
}

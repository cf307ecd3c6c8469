import { Box, Link } from "@mui/material";
import { keepPreviousData, useInfiniteQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link as RouterLink } from "react-router";
import { api, data } from "../api/client";
import { useBooks } from "../access/session";
import { Amount } from "../shared/Amount";
import { ColumnHead, ColumnLine } from "../shared/Columns";
import { PagedList } from "../shared/PagedList";
import { watched } from "../shared/live";

const COLUMNS = "90px minmax(220px, 1fr) 120px 180px";

/** The customers by name, with what they owe. */
export default function CustomersView() {
  const books = useBooks();
  const [q, setQ] = useState("");
  const customers = useInfiniteQuery({
    queryKey: ["customers", books.company, q],
    refetchInterval: watched,
    placeholderData: keepPreviousData,
    initialPageParam: undefined as string | undefined,
    queryFn: async ({ pageParam }) =>
      data(
        await api.GET("/api/customers", {
          params: { query: { company: books.company, q, cursor: pageParam, limit: 100 } },
        }),
      ),
    getNextPageParam: (page) => page.next ?? undefined,
  });
  return (
    <PagedList
      label="Customers"
      q={q}
      search={setQ}
      searchHint="name or number…"
      head={
        <ColumnHead columns={COLUMNS} sx={{ maxWidth: 900 }}>
          <span>Number</span>
          <span>Customer</span>
          <Box sx={{ textAlign: "right" }}>Open items</Box>
          <Box sx={{ textAlign: "right" }}>Owes</Box>
        </ColumnHead>
      }
      rows={customers.data?.pages.flatMap((page) => page.rows)}
      rowKey={(c) => c.id}
      estimate={35}
      error={customers.error}
      retry={() => void customers.refetch()}
      hasMore={customers.hasNextPage}
      loading={customers.isFetchingNextPage}
      loadMore={() => void customers.fetchNextPage()}
      empty={q ? "No customer by that name or number" : "No customers yet"}
      row={(c) => (
        <ColumnLine columns={COLUMNS} sx={{ maxWidth: 900 }}>
          <span className="figure">{c.number}</span>
          <Link component={RouterLink} to={`/posted/customers/${c.id}`} underline="hover">
            {c.name}
          </Link>
          <Box className="figure" sx={{ textAlign: "right" }}>
            {c.openItems.toLocaleString()}
          </Box>
          <Box sx={{ textAlign: "right" }}>
            {c.owes.map((owed) => (
              <Box key={owed.currency}>
                <Amount of={owed} />{" "}
                <Box component="span" sx={{ color: "text.secondary", fontSize: 12 }}>
                  {owed.currency}
                </Box>
              </Box>
            ))}
          </Box>
        </ColumnLine>
      )}
    />
  );
}

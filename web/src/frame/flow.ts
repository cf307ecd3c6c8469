import { useQuery } from "@tanstack/react-query";
import { useBooks } from "../access/session";
import { api, data } from "../api/client";

/** The tiles of the day; asked for more often while many entries that came are thought about. */
export function useFlow() {
  const books = useBooks();
  return useQuery({
    queryKey: ["flow", books.company, books.currency],
    refetchInterval: (query) => (query.state.data?.thinking ? 700 : 4_000),
    queryFn: async () =>
      data(
        await api.GET("/api/flow", {
          params: { query: { company: books.company, currency: books.currency } },
        }),
      ),
  });
}

import {
  keepPreviousData,
  useInfiniteQuery,
  useMutation,
  useQuery,
  useQueryClient,
} from "@tanstack/react-query";
import { api, data, type Money, type Schemas } from "../api/client";
import { useBooks } from "../access/session";
import { lookedAt } from "../shared/live";

export type Found = Schemas["SearchRow"];
export type What = "ENTRIES" | "OPEN" | "SETTLED";

/** What fits a search line, page by page. */
export function useFound(what: What, q: string, inSight = true) {
  const books = useBooks();
  return useInfiniteQuery({
    queryKey: ["found", books.company, what, q],
    // a search over everything is no small thing: only what is looked at is kept current, and not page after page
    refetchInterval: inSight ? lookedAt : false,
    placeholderData: keepPreviousData,
    initialPageParam: undefined as string | undefined,
    queryFn: async ({ pageParam }) =>
      data(
        await api.GET("/api/found", {
          params: { query: { company: books.company, what, q, cursor: pageParam, limit: 100 } },
        }),
      ),
    getNextPageParam: (page) => page.next ?? undefined,
  });
}

/** All open items that fit, to be taken at once, with how far they are from what arrived. */
export function useFitting(q: string, received: Money | undefined) {
  const books = useBooks();
  return useQuery({
    queryKey: ["found", books.company, "fitting", q, received],
    enabled: q.length > 1 && received !== undefined,
    placeholderData: keepPreviousData,
    queryFn: async () =>
      data(
        await api.GET("/api/found/open-items", {
          params: {
            query: {
              company: books.company,
              currency: received?.currency ?? "",
              against: received?.amount,
              q,
            },
          },
        }),
      ),
  });
}

export function useSuggestions(q: string, wanted: boolean) {
  const books = useBooks();
  return useQuery({
    queryKey: ["suggestions", books.company, q],
    enabled: wanted && q.trim().length > 1,
    placeholderData: keepPreviousData,
    staleTime: 30_000,
    queryFn: async () =>
      data(await api.GET("/api/search-suggestions", { params: { query: { company: books.company, q } } })),
  });
}

export function useSavedSearches() {
  return useQuery({
    queryKey: ["searches"],
    queryFn: async () => data(await api.GET("/api/searches")),
  });
}

export function useSaveSearch() {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: async (body: Schemas["SaveSearch"]) => data(await api.POST("/api/searches", { body })),
    onSuccess: () => void queries.invalidateQueries({ queryKey: ["searches"] }),
  });
}

export function useForgetSearch() {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: async (id: number) => {
      await api.DELETE("/api/searches/{id}", { params: { path: { id } } });
    },
    onSuccess: () => void queries.invalidateQueries({ queryKey: ["searches"] }),
  });
}

import { useInfiniteQuery, useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, data, type Schemas } from "../api/client";

export type Counting = Schemas["CountingView"];

/** Which pairs have rates, and where more come from. */
export function useRatePairs() {
  return useQuery({
    queryKey: ["rates", "pairs"],
    queryFn: async () => data(await api.GET("/api/rates/pairs")),
  });
}

/** The rates of a pair, or of all, the latest first. */
export function useRateRows(pair: [string, string] | null) {
  return useInfiniteQuery({
    queryKey: ["rates", "rows", pair],
    initialPageParam: undefined as string | undefined,
    queryFn: async ({ pageParam }) =>
      data(
        await api.GET("/api/rates", {
          params: {
            query: { from: pair?.[0], to: pair?.[1], cursor: pageParam, limit: 30 },
          },
        }),
      ),
    getNextPageParam: (page) => page.next ?? undefined,
  });
}

/** The rate that counts between two currencies on a day; null where there is none. */
export function useCountingRate(from: string, to: string, on: string) {
  return useQuery({
    queryKey: ["rates", "counting", from, to, on],
    enabled: /^[A-Z]{3}$/.test(from) && /^[A-Z]{3}$/.test(to) && from !== to && on !== "",
    queryFn: async (): Promise<Counting | null> =>
      data(await api.GET("/api/rates/counting", { params: { query: { from, to, on } } })).rate ?? null,
  });
}

/** Asks the service for the days between two. */
export function useFetchRates() {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: async (days: Schemas["FetchRates"]) =>
      data(await api.POST("/api/rates/fetch", { body: days })),
    // a draft may have waited for them
    onSuccess: () => queries.invalidateQueries(),
  });
}

/** Keeps a rate that was typed. */
export function useTypeRate() {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: async (typed: Schemas["TypedRate"]) => data(await api.POST("/api/rates", { body: typed })),
    onSuccess: () => queries.invalidateQueries(),
  });
}

import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useBooks } from "../access/session";
import { api, data } from "../api/client";
import type { Figure } from "./words";

const ANEW = 10_000;

/** The sheet of a day; empty for today's, which is kept current. */
export function useDaySheet(on: string) {
  const { company, currency } = useBooks();
  return useQuery({
    queryKey: ["day-sheet", company, currency, on],
    refetchInterval: ANEW,
    placeholderData: keepPreviousData,
    queryFn: async () =>
      data(
        await api.GET("/api/day-sheet", {
          params: { query: { company, currency, on: on === "" ? undefined : on } },
        }),
      ),
  });
}

/** What a figure is made of. */
export function useBehind(of: Figure | null, on: string) {
  const { company, currency } = useBooks();
  const query = {
    company,
    currency,
    on: of?.on ?? (on === "" ? undefined : on),
    figure: of?.figure ?? ("ARRIVED" as const),
    hour: of?.hour,
    key: of?.key,
  };
  return useQuery({
    queryKey: ["day-sheet", "behind", query],
    enabled: of !== null,
    queryFn: async () => data(await api.GET("/api/day-sheet/behind", { params: { query } })),
  });
}

import { useQuery } from "@tanstack/react-query";
import { useBooks } from "../access/session";
import { api, data } from "../api/client";
import { REASON } from "./words";

/** The reasons that a company offers when a claim is made, in its own words. */
export function useOfferedReasons(): [string, string][] {
  const { company } = useBooks();
  const reasons = useQuery({
    queryKey: ["settings", "reasons", company],
    staleTime: 60_000,
    queryFn: async () => data(await api.GET("/api/claim-reasons", { params: { query: { company } } })),
  });
  return Array.isArray(reasons.data)
    ? reasons.data.filter((r) => r.offered).map((r): [string, string] => [r.reason, r.words])
    : Object.entries(REASON);
}

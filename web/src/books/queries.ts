import { keepPreviousData, useInfiniteQuery, useQuery } from "@tanstack/react-query";
import { useBooks } from "../access/session";
import { api, data } from "../api/client";
import { lookedAt } from "../shared/live";

const ANEW = 10_000;

/** Two days, each empty where there is none. */
export interface Period {
  from: string;
  until: string;
}

function day(text: string): string | undefined {
  return text === "" ? undefined : text;
}

export function useTrialBalance({ from, until }: Period) {
  const { company } = useBooks();
  return useQuery({
    queryKey: ["trial", company, from, until],
    refetchInterval: ANEW,
    placeholderData: keepPreviousData,
    queryFn: async () =>
      data(
        await api.GET("/api/trial-balance", {
          params: { query: { company, from: day(from), until: day(until) } },
        }),
      ),
  });
}

export function useLedgerSheet(accountId: number, currency: string, { from, until }: Period) {
  const { company } = useBooks();
  return useInfiniteQuery({
    queryKey: ["ledger", company, accountId, currency, from, until],
    refetchInterval: lookedAt,
    placeholderData: keepPreviousData,
    initialPageParam: undefined as string | undefined,
    queryFn: async ({ pageParam }) =>
      data(
        await api.GET("/api/ledger-accounts/{id}/movements", {
          params: {
            path: { id: accountId },
            query: { company, currency, from: day(from), until: day(until), cursor: pageParam, limit: 100 },
          },
        }),
      ),
    getNextPageParam: (page) => page.next ?? undefined,
  });
}

export function useAgeing(on: string) {
  const { company, currency } = useBooks();
  return useQuery({
    queryKey: ["books", "ageing", company, currency, on],
    refetchInterval: ANEW,
    placeholderData: keepPreviousData,
    queryFn: async () =>
      data(await api.GET("/api/books/ageing", { params: { query: { company, currency, on: day(on) } } })),
  });
}

export function useAgreement(on: string) {
  const { company, currency } = useBooks();
  return useQuery({
    queryKey: ["books", "agreement", company, currency, on],
    refetchInterval: ANEW,
    placeholderData: keepPreviousData,
    queryFn: async () =>
      data(await api.GET("/api/books/agreement", { params: { query: { company, currency, on: day(on) } } })),
  });
}

export function useUnapplied() {
  const { company, currency } = useBooks();
  return useQuery({
    queryKey: ["books", "unapplied", company, currency],
    refetchInterval: ANEW,
    queryFn: async () =>
      data(await api.GET("/api/books/unapplied", { params: { query: { company, currency } } })),
  });
}

export function useUnrealised(on: string) {
  const { company } = useBooks();
  return useQuery({
    queryKey: ["books", "unrealised", company, on],
    placeholderData: keepPreviousData,
    queryFn: async () =>
      data(await api.GET("/api/books/unrealised", { params: { query: { company, on: day(on) } } })),
  });
}

export function useClaims() {
  const { company, currency } = useBooks();
  return useQuery({
    queryKey: ["books", "claims", company, currency],
    refetchInterval: ANEW,
    queryFn: async () =>
      data(await api.GET("/api/books/claims", { params: { query: { company, currency } } })),
  });
}

export function useDifferences({ from, until }: Period) {
  const { company, currency } = useBooks();
  return useQuery({
    queryKey: ["books", "differences", company, currency, from, until],
    refetchInterval: ANEW,
    placeholderData: keepPreviousData,
    queryFn: async () =>
      data(
        await api.GET("/api/books/differences", {
          params: { query: { company, currency, from: day(from), until: day(until) } },
        }),
      ),
  });
}

export type Whom = "OPEN" | "OWING" | "OVERDUE";

export function useStatementsOf(whom: Whom) {
  const { company, currency } = useBooks();
  return useQuery({
    queryKey: ["books", "statements", company, currency, whom],
    placeholderData: keepPreviousData,
    queryFn: async () =>
      data(await api.GET("/api/customer-statements", { params: { query: { company, currency, whom } } })),
  });
}

/** The address of a file with these parameters; those that are empty are left out. */
export function fileAt(path: string, parameters: Record<string, string | number>): string {
  const given = Object.entries(parameters)
    .filter(([, value]) => value !== "")
    .map(([key, value]): [string, string] => [key, String(value)]);
  return `${path}?${new URLSearchParams(given).toString()}`;
}

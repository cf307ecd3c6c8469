import {
  keepPreviousData,
  skipToken,
  useInfiniteQuery,
  useMutation,
  useQuery,
  useQueryClient,
} from "@tanstack/react-query";
import { useRef } from "react";
import { api, data, type Schemas } from "../api/client";
import { useBooks } from "../access/session";
import type { Standing } from "../tally/StandingGlyph";
import type { Reason } from "../settle/words";
import type { Draft, Entry } from "./drafts";
import { watched } from "../shared/live";

export type Treat = Schemas["OptionView"]["kind"];

/** How often what colleagues may have changed is asked for, in milliseconds. */
const OTHERS_WORK = 5_000;

/** The waiting entries that stand so, page by page. */
export function useQueue(q: string, standing: Standing[]) {
  const books = useBooks();
  return useInfiniteQuery({
    queryKey: ["entries", books.company, q, standing],
    refetchInterval: watched,
    placeholderData: keepPreviousData,
    initialPageParam: undefined as string | undefined,
    queryFn: async ({ pageParam }) =>
      data(
        await api.GET("/api/entries", {
          params: { query: { company: books.company, standing, q, cursor: pageParam, limit: 100 } },
        }),
      ),
    getNextPageParam: (page) => page.next ?? undefined,
  });
}

export function useEntry(id: number | undefined) {
  return useQuery({
    queryKey: ["entry", id],
    enabled: id !== undefined,
    refetchInterval: OTHERS_WORK,
    queryFn: async () => data(await api.GET("/api/entries/{id}", { params: { path: { id: id ?? 0 } } })),
  });
}

export function useCustomer(id: number | undefined | null) {
  return useQuery({
    queryKey: ["customer", id],
    enabled: id !== undefined && id !== null,
    refetchInterval: OTHERS_WORK,
    queryFn: async () => data(await api.GET("/api/customers/{id}", { params: { path: { id: id ?? 0 } } })),
  });
}

/** Customers and open items that fit what is typed. */
export function useLookup(q: string) {
  const books = useBooks();
  return useQuery({
    queryKey: ["lookup", books.company, q],
    enabled: q.length > 1,
    placeholderData: keepPreviousData,
    queryFn: async () => {
      const [customers, items] = await Promise.all([
        api.GET("/api/customers", { params: { query: { company: books.company, q, limit: 6 } } }),
        api.GET("/api/open-items", { params: { query: { company: books.company, q, limit: 8 } } }),
      ]);
      return { customers: data(customers).rows, items: data(items).rows };
    },
  });
}

/** What the draft comes to; the server counts. */
export function usePreview(draft: Draft | undefined) {
  return useQuery({
    queryKey: ["preview", draft],
    enabled: draft !== undefined,
    retry: false,
    refetchInterval: OTHERS_WORK,
    placeholderData: keepPreviousData,
    queryFn: async () => data(await api.POST("/api/settlements/preview", { body: draft as Draft })),
  });
}

export async function treated(draft: Draft, treat: Treat, reason?: Reason) {
  return data(
    await api.POST("/api/settlements/preview", { params: { query: { treat, reason } }, body: draft }),
  );
}

/** All drafts that are not posted, by who holds them. */
export function useDrafts() {
  const books = useBooks();
  return useQuery({
    queryKey: ["drafts", books.company],
    refetchInterval: OTHERS_WORK,
    queryFn: async () =>
      data(await api.GET("/api/drafts", { params: { query: { company: books.company } } })),
  });
}

/** Customers whose money on account could be applied. */
export function useApplicable() {
  const books = useBooks();
  return useQuery({
    queryKey: ["applicable", books.company],
    refetchInterval: 15_000,
    queryFn: async () =>
      data(await api.GET("/api/applicable", { params: { query: { company: books.company } } })),
  });
}

/** The draft that somebody has begun of an entry or an account, if there is one. */
export function useHeld(subject: string | undefined) {
  return useQuery({
    queryKey: ["held", subject],
    enabled: subject !== undefined,
    refetchInterval: OTHERS_WORK,
    queryFn: async () =>
      data(await api.GET("/api/drafts/{subject}", { params: { path: { subject: subject ?? "" } } })),
  });
}

/** The accounts a hand may book to, and the taxes an amount can contain. */
export function useChart(wanted: boolean) {
  const books = useBooks();
  return useQuery({
    queryKey: ["chart", books.company],
    enabled: wanted,
    staleTime: 60_000,
    queryFn: async () => {
      const query = { query: { company: books.company } };
      const [accounts, taxes] = await Promise.all([
        api.GET("/api/ledger-accounts", { params: query }),
        api.GET("/api/tax-codes", { params: query }),
      ]);
      return { accounts: data(accounts), taxes: data(taxes) };
    },
  });
}

/** The taxes to choose from, after the word for none. */
export function taxOptions(chart: ReturnType<typeof useChart>["data"], none: string): [string, string][] {
  const taxed = chart?.taxes.filter((t) => t.percent > 0) ?? [];
  return [["", none], ...taxed.map((t): [string, string] => [t.code, t.name])];
}

/** What an entry may pay in other currencies or for other companies. */
export function useElsewhere(entry: Entry | undefined) {
  return useQuery({
    queryKey: ["entry", "elsewhere", entry?.id, entry?.version],
    queryFn: entry
      ? async () => data(await api.GET("/api/entries/{id}/elsewhere", { params: { path: { id: entry.id } } }))
      : skipToken,
    // thought anew of the same entry, what it was stands until the answer is here
    placeholderData: (before, query) => (query?.queryKey[2] === entry?.id ? before : undefined),
  });
}

/** Everything that a posting or a reversal may have changed. */
export function useRefresh() {
  const queries = useQueryClient();
  return () =>
    Promise.all(
      [
        "entries",
        "entry",
        "held",
        "drafts",
        "applicable",
        "shelved",
        "remittances",
        "customer",
        "customers",
        "lookup",
        "found",
        "flow",
        "intake",
        "intake-records",
        "settlements",
        "intakes",
        "statements",
        "corrections",
        "item-updates",
        "left-out",
        "inbox",
        "outside",
        "journal",
        "trial",
        "trail",
        "runs",
        "run",
        "lockbox",
        "payouts",
      ].map((key) => queries.invalidateQueries({ queryKey: [key] })),
    );
}

/** Posts a draft; the same draft sent twice is posted once. */
export function usePost() {
  const refresh = useRefresh();
  const call = useRef({ draft: "", key: "" });
  return useMutation({
    mutationFn: async (draft: Draft) => {
      const text = JSON.stringify(draft);
      if (call.current.draft !== text) {
        call.current = { draft: text, key: crypto.randomUUID() };
      }
      return data(
        await api.POST("/api/settlements", {
          params: { header: { "Idempotency-Key": call.current.key } },
          body: draft,
        }),
      );
    },
    onSuccess: () => {
      call.current = { draft: "", key: "" };
      // what was posted is told at once; the lists follow
      void refresh();
    },
  });
}

export function useReverse() {
  const refresh = useRefresh();
  return useMutation({
    mutationFn: async ({ id, reason }: { id: number; reason: string }) =>
      data(await api.POST("/api/settlements/{id}/reversal", { params: { path: { id } }, body: { reason } })),
    onSuccess: refresh,
  });
}

import { useMutation, useQuery } from "@tanstack/react-query";
import { useQueryClient } from "@tanstack/react-query";
import { api, data, type Schemas } from "../api/client";
import { useBooks } from "../access/session";
import { useRefresh } from "../desk/queries";

const OTHERS_WORK = 5_000;

/** What is in the pouch; others record there too. */
export function usePouch() {
  const books = useBooks();
  return useQuery({
    queryKey: ["pouch", books.company, books.currency],
    refetchInterval: OTHERS_WORK,
    queryFn: async () =>
      data(
        await api.GET("/api/receipts", {
          params: { query: { company: books.company, currency: books.currency } },
        }),
      ),
  });
}

export function useDeposits(tied: boolean) {
  const books = useBooks();
  return useQuery({
    queryKey: ["deposits", books.company, books.currency, tied],
    refetchInterval: OTHERS_WORK,
    queryFn: async () =>
      data(
        await api.GET("/api/deposits", {
          params: { query: { company: books.company, currency: books.currency, tied } },
        }),
      ),
  });
}

export function useDeposit(id: number | undefined) {
  return useQuery({
    queryKey: ["deposit", id],
    enabled: id !== undefined,
    refetchInterval: OTHERS_WORK,
    queryFn: async () => data(await api.GET("/api/deposits/{id}", { params: { path: { id: id ?? 0 } } })),
  });
}

/** Entries of the bank that may show a deposit. */
export function useAtTheBank(id: number, made: boolean) {
  return useQuery({
    queryKey: ["deposit-matches", id],
    enabled: made,
    refetchInterval: OTHERS_WORK,
    queryFn: async () => data(await api.GET("/api/deposits/{id}/matches", { params: { path: { id } } })),
  });
}

/** Deposits, and receipts in the pouch, that may explain an entry of the bank. */
export function useDepositsOf(entryId: number, version: number) {
  return useQuery({
    queryKey: ["entry-deposits", entryId, version],
    queryFn: async () =>
      data(await api.GET("/api/entries/{id}/deposit-matches", { params: { path: { id: entryId } } })),
  });
}

/** What numbers name while somebody records a receipt. */
export function useLookup(words: string, on: string) {
  const books = useBooks();
  return useQuery({
    queryKey: ["receipt-lookup", books.company, books.currency, words, on],
    enabled: words.trim() !== "" && on !== "",
    queryFn: async () =>
      data(
        await api.GET("/api/receipts/lookup", {
          params: { query: { company: books.company, currency: books.currency, words, on } },
        }),
      ),
  });
}

/** What was recorded of an entry of the pouch. */
export function useReceiptOf(entryId: number, recorded: boolean) {
  return useQuery({
    queryKey: ["receipt-of", entryId],
    enabled: recorded,
    queryFn: async () =>
      data(await api.GET("/api/entries/{id}/receipt", { params: { path: { id: entryId } } })),
  });
}

/** What a receipt that is being recorded would pay; asked once who paid and how much is there. */
export function useWouldPay(
  about: { amount: string; on: string; from: string; drawerAccount: string } | null,
) {
  const books = useBooks();
  return useQuery({
    queryKey: ["would-pay", books.company, books.currency, about],
    enabled: about !== null,
    queryFn: async () =>
      data(
        await api.GET("/api/receipts/proposals", {
          params: {
            query: {
              company: books.company,
              currency: books.currency,
              amount: about?.amount ?? "",
              on: about?.on ?? "",
              from: about?.from,
              drawerAccount: about?.drawerAccount,
            },
          },
        }),
      ),
  });
}

/** What was sold on the spot, the latest first. */
export function useTakings() {
  const books = useBooks();
  return useQuery({
    queryKey: ["takings", books.company, books.currency],
    refetchInterval: OTHERS_WORK,
    queryFn: async () =>
      data(
        await api.GET("/api/takings", {
          params: { query: { company: books.company, currency: books.currency } },
        }),
      ),
  });
}

/** What takings would write into the books, or why they cannot be booked. */
export function useTakingsPreview(call: Schemas["RecordTakings"] | null) {
  const books = useBooks();
  return useQuery({
    queryKey: ["takings-preview", books.company, call],
    enabled: call !== null,
    retry: false,
    queryFn: async () =>
      data(
        await api.POST("/api/takings/preview", {
          params: { query: { company: books.company } },
          body: call as Schemas["RecordTakings"],
        }),
      ),
  });
}

/** Everything that a receipt or a deposit changes is asked for again. */
export function usePouchRefresh() {
  const queries = useQueryClient();
  const refresh = useRefresh();
  return () =>
    Promise.all([
      refresh(),
      ...[
        "pouch",
        "deposits",
        "deposit",
        "deposit-matches",
        "entry-deposits",
        "takings",
        "receipt-lookup",
        "would-pay",
      ].map((key) => queries.invalidateQueries({ queryKey: [key] })),
    ]);
}

export function useTie() {
  const refresh = usePouchRefresh();
  return useMutation({
    mutationFn: async (body: {
      depositIds: number[];
      entryIds: number[];
      lines: { kind: Schemas["DepositLineView"]["kind"]; amount: Schemas["MoneyView"]; words?: string }[];
    }) => data(await api.POST("/api/deposit-ties", { body })),
    onSuccess: () => void refresh(),
  });
}

import { keepPreviousData, useInfiniteQuery, useMutation, useQuery } from "@tanstack/react-query";
import { useBooks } from "../access/session";
import { api, data, type Schemas } from "../api/client";
import { useRefresh } from "../desk/queries";
import { watched } from "../shared/live";

export type Payout = Schemas["PayoutView"];
export type Item = Schemas["PayoutItemView"];
export type Proof = Schemas["ClearingProof"];
export type Cost = Schemas["CostRow"];
export type ItemType = Item["type"];
export type Kind = Schemas["JoinView"]["kind"];

/** Which items are shown; all where nothing is asked for. */
export interface Shown {
  types: ItemType[];
  joins: Kind[];
  withFee: boolean;
}

/** How often what colleagues may have changed is asked for, in milliseconds. */
const OTHERS_WORK = 10_000;

/** So many items are fetched at a time. */
const PAGE = 100;

/** The payouts of the company, or those that one intake brought; the latest first. */
export function usePayouts(intake?: number) {
  const books = useBooks();
  return useInfiniteQuery({
    queryKey: ["payouts", "all", books.company, intake],
    refetchInterval: watched,
    initialPageParam: undefined as string | undefined,
    queryFn: async ({ pageParam }) =>
      data(
        await api.GET("/api/payouts", {
          params: { query: { company: books.company, intake, cursor: pageParam, limit: 50 } },
        }),
      ),
    getNextPageParam: (page) => page.next ?? undefined,
  });
}

/** How often is asked how far a payout is that is booked or taken back just now, in milliseconds. */
const AT_WORK = 500;

export function usePayout(id: number) {
  return useQuery({
    queryKey: ["payouts", "one", id],
    refetchInterval: (query) => (atWork(query.state.data) ? AT_WORK : OTHERS_WORK),
    queryFn: async () => data(await api.GET("/api/payouts/{id}", { params: { path: { id } } })),
  });
}

/** Whether it is booked or taken back just now. */
export function atWork(payout?: Payout): boolean {
  return Boolean(payout?.job && !payout.job.refused);
}

/** What booking a payout writes, or wrote; anew whenever something of the payout has changed. */
export function useBooking(payout: Payout | undefined, eachSale: boolean) {
  const id = payout?.payout.id ?? 0;
  return useQuery({
    queryKey: ["payouts", "booking", id, payout?.payout.postedBy, payout?.joins, eachSale],
    enabled: payout !== undefined,
    placeholderData: keepPreviousData,
    queryFn: async () =>
      data(await api.GET("/api/payouts/{id}/booking", { params: { path: { id }, query: { eachSale } } })),
  });
}

/** The items of a payout, page by page, in the order of the file. */
export function useItems(id: number, shown: Shown) {
  return useInfiniteQuery({
    queryKey: ["payouts", "items", id, shown],
    placeholderData: keepPreviousData,
    initialPageParam: undefined as string | undefined,
    queryFn: async ({ pageParam }) =>
      data(
        await api.GET("/api/payouts/{id}/items", {
          params: {
            path: { id },
            query: {
              type: shown.types,
              join: shown.joins,
              withFee: shown.withFee,
              cursor: pageParam,
              limit: PAGE,
            },
          },
        }),
      ),
    getNextPageParam: (page) => page.next ?? undefined,
  });
}

/** The sales that items of a payout are about, each beside what was taken back of it. */
export function usePairs(id: number) {
  return useQuery({
    queryKey: ["payouts", "pairs", id],
    queryFn: async () => data(await api.GET("/api/payouts/{id}/pairs", { params: { path: { id } } })),
  });
}

/** What stands on each processor's clearing account, item by item. */
export function useClearing() {
  const books = useBooks();
  return useQuery({
    queryKey: ["payouts", "clearing", books.company],
    queryFn: async () =>
      data(await api.GET("/api/processors/clearing", { params: { query: { company: books.company } } })),
  });
}

/** Entries of the bank that wait and seem to be payouts. */
export function useAtTheBank() {
  const books = useBooks();
  return useQuery({
    queryKey: ["payouts", "at the bank", books.company],
    staleTime: OTHERS_WORK,
    queryFn: async () =>
      data(await api.GET("/api/processors/at-the-bank", { params: { query: { company: books.company } } })),
  });
}

/** What was changed into another currency, and the difference to a rate; null where nothing was. */
export function useExchange(id: number, rate?: string) {
  return useQuery({
    queryKey: ["payouts", "exchange", id, rate],
    placeholderData: keepPreviousData,
    retry: false,
    queryFn: async () =>
      data(
        await api.GET("/api/payouts/{id}/exchange", {
          params: { path: { id }, query: { rate: rate as unknown as number } },
        }),
      ) ?? null,
  });
}

/** Open items that fit what is typed; none before anything is. */
export function useOpenItems(wanted: string) {
  const books = useBooks();
  return useQuery({
    queryKey: ["payouts", "open items", books.company, wanted],
    enabled: wanted !== "",
    placeholderData: keepPreviousData,
    queryFn: async () =>
      data(
        await api.GET("/api/open-items", {
          params: { query: { company: books.company, q: wanted, limit: 30 } },
        }),
      ).rows,
  });
}

/** What payment cost, by month, processor and method. */
export function useCost() {
  const books = useBooks();
  return useQuery({
    queryKey: ["payouts", "cost", books.company],
    queryFn: async () =>
      data(await api.GET("/api/processors/cost", { params: { query: { company: books.company } } })),
  });
}

/** Says what an item belongs to. */
export function useBelongs(id: number) {
  const refresh = useRefresh();
  return useMutation({
    mutationFn: async ({ itemId, kind, target }: { itemId: number; kind: Kind; target?: number }) =>
      data(
        await api.PUT("/api/payouts/{id}/items/{itemId}/join", {
          params: { path: { id, itemId } },
          body: { kind, target },
        }),
      ),
    onSettled: refresh,
  });
}

/** Says what an item is whose type nobody knew. */
export function useIs(id: number) {
  const refresh = useRefresh();
  return useMutation({
    mutationFn: async ({ itemId, type }: { itemId: number; type: ItemType }) =>
      data(
        await api.PUT("/api/payouts/{id}/items/{itemId}/type", {
          params: { path: { id, itemId } },
          body: { type },
        }),
      ),
    onSettled: refresh,
  });
}

export function useLookAgain(id: number) {
  const refresh = useRefresh();
  return useMutation({
    mutationFn: async () => data(await api.POST("/api/payouts/{id}/joining", { params: { path: { id } } })),
    onSettled: refresh,
  });
}

export function useAcceptPayout(id: number) {
  const refresh = useRefresh();
  return useMutation({
    mutationFn: async (reason: string) =>
      data(await api.POST("/api/payouts/{id}/acceptance", { params: { path: { id } }, body: { reason } })),
    onSettled: refresh,
  });
}

export function useBook(id: number) {
  const refresh = useRefresh();
  return useMutation({
    mutationFn: async (body: { bankAccountId: number | undefined; eachSale: boolean }) =>
      data(await api.POST("/api/payouts/{id}/posting", { params: { path: { id } }, body })),
    onSettled: refresh,
  });
}

export function useReversePayout(id: number) {
  const refresh = useRefresh();
  return useMutation({
    mutationFn: async (reason: string) =>
      data(await api.POST("/api/payouts/{id}/reversal", { params: { path: { id } }, body: { reason } })),
    onSettled: refresh,
  });
}

import { keepPreviousData, useInfiniteQuery, useMutation, useQuery } from "@tanstack/react-query";
import { api, data, type Schemas } from "../api/client";
import { useBooks } from "../access/session";
import { useRefresh } from "../desk/queries";
import { watched } from "../shared/live";

export type Batch = Schemas["BatchView"];
export type Cheque = Schemas["ChequeRow"];
export type Show = "ALL" | "BALANCE_LEFT" | "UNEXPLAINED" | "BY_HAND";

/** How often what colleagues may have changed is asked for, in milliseconds. */
const OTHERS_WORK = 4_000;

/** So many cheques are fetched at a time. */
const PAGE = 100;

/** The batches of the company, or those that one intake brought; the latest first. */
export function useBatches(intake?: number) {
  const books = useBooks();
  return useInfiniteQuery({
    queryKey: ["lockbox", "batches", books.company, intake],
    refetchInterval: watched,
    initialPageParam: undefined as string | undefined,
    queryFn: async ({ pageParam }) =>
      data(
        await api.GET("/api/lockbox-batches", {
          params: { query: { company: books.company, intake, cursor: pageParam, limit: 50 } },
        }),
      ),
    getNextPageParam: (page) => page.next ?? undefined,
  });
}

export function useBatch(id: number) {
  return useQuery({
    queryKey: ["lockbox", "batch", id],
    refetchInterval: OTHERS_WORK,
    queryFn: async () => data(await api.GET("/api/lockbox-batches/{id}", { params: { path: { id } } })),
  });
}

/** The cheques of a batch, page by page, what is left to do first. */
export function useCheques(id: number, show: Show) {
  return useInfiniteQuery({
    queryKey: ["lockbox", "cheques", id, show],
    refetchInterval: watched,
    placeholderData: keepPreviousData,
    initialPageParam: undefined as string | undefined,
    queryFn: async ({ pageParam }) =>
      data(
        await api.GET("/api/lockbox-batches/{id}/cheques", {
          params: { path: { id }, query: { show, cursor: pageParam, limit: PAGE } },
        }),
      ),
    getNextPageParam: (page) => page.next ?? undefined,
  });
}

/** What was posted of a batch together, or waits to be. */
export function useBatchRuns(id: number) {
  return useQuery({
    queryKey: ["lockbox", "runs", id],
    refetchInterval: OTHERS_WORK,
    queryFn: async () => data(await api.GET("/api/lockbox-batches/{id}/runs", { params: { path: { id } } })),
  });
}

/** Which cheque of which batch an entry is; null where it is none. */
export function useChequeOf(entryId: number | undefined) {
  return useQuery({
    queryKey: ["lockbox", "cheque", entryId],
    enabled: entryId !== undefined,
    staleTime: 60_000,
    queryFn: async () =>
      data(await api.GET("/api/entries/{id}/lockbox-batch", { params: { path: { id: entryId ?? 0 } } }))
        .cheque ?? null,
  });
}

export function useAccept(id: number) {
  const refresh = useRefresh();
  return useMutation({
    mutationFn: async (reason: string) =>
      data(
        await api.POST("/api/lockbox-batches/{id}/acceptance", {
          params: { path: { id } },
          body: { reason },
        }),
      ),
    onSuccess: refresh,
  });
}

export function usePostBatch(id: number) {
  const refresh = useRefresh();
  return useMutation({
    mutationFn: async ({ key, notBefore }: { key: string; notBefore?: string }) =>
      data(
        await api.POST("/api/lockbox-batches/{id}/runs", {
          params: { path: { id }, header: { "Idempotency-Key": key } },
          body: { notBefore },
        }),
      ),
    onSettled: refresh,
  });
}

export function useReverseBatch(id: number) {
  const refresh = useRefresh();
  return useMutation({
    mutationFn: async (reason: string) =>
      data(
        await api.POST("/api/lockbox-batches/{id}/reversal", { params: { path: { id } }, body: { reason } }),
      ),
    onSettled: refresh,
  });
}

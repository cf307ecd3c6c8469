import { keepPreviousData, useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useBooks } from "../access/session";
import { api, data, type Money, type Schemas } from "../api/client";
import { useRefresh } from "../desk/queries";

export type Account = Schemas["AccountTieOut"];
export type Figures = Schemas["TieOutFigures"];
export type Way = Schemas["WayView"];
export type Closed = Schemas["ClosedView"];

export function useTieOuts() {
  const books = useBooks();
  return useQuery({
    queryKey: ["tie-outs", books.company],
    queryFn: async () =>
      data(await api.GET("/api/tie-outs", { params: { query: { company: books.company } } })),
  });
}

/** The tie-out of an account at the end of a day; with a typed balance where no statement says one. */
export function useTieOut(accountId: number, asOf: string | undefined, typed: Money | undefined) {
  return useQuery({
    queryKey: ["tie-outs", "look", accountId, asOf, typed?.amount],
    enabled: asOf !== undefined,
    placeholderData: keepPreviousData,
    staleTime: 0,
    retry: false,
    queryFn: async () =>
      data(
        await api.GET("/api/bank-accounts/{id}/tie-out", {
          params: { path: { id: accountId }, query: { asOf: asOf ?? "", balance: typed?.amount } },
        }),
      ),
  });
}

export function useClosedTieOut(id: number | undefined) {
  return useQuery({
    queryKey: ["tie-outs", "closed", id],
    enabled: id !== undefined,
    queryFn: async () => data(await api.GET("/api/tie-outs/{id}", { params: { path: { id: id ?? 0 } } })),
  });
}

/** Everything that a tie-out may have changed. */
function useChanged() {
  const refresh = useRefresh();
  const queries = useQueryClient();
  return () =>
    Promise.all([
      refresh(),
      queries.invalidateQueries({ queryKey: ["tie-outs"] }),
      queries.invalidateQueries({ queryKey: ["closed-periods"] }),
    ]);
}

export function useSayOpening(accountId: number) {
  const changed = useChanged();
  return useMutation({
    mutationFn: async (opening: Schemas["SayOpening"]) =>
      data(
        await api.POST("/api/bank-accounts/{id}/opening", {
          params: { path: { id: accountId } },
          body: opening,
        }),
      ),
    onSuccess: changed,
  });
}

export function useNoteError(accountId: number) {
  const changed = useChanged();
  return useMutation({
    mutationFn: async (error: Schemas["NoteError"]) =>
      data(
        await api.POST("/api/bank-accounts/{id}/tie-out/errors", {
          params: { path: { id: accountId } },
          body: error,
        }),
      ),
    onSuccess: changed,
  });
}

export function useRightError() {
  const changed = useChanged();
  return useMutation({
    mutationFn: async ({ id, since }: { id: number; since: string }) =>
      data(await api.POST("/api/tie-out-errors/{id}/right", { params: { path: { id } }, body: { since } })),
    onSuccess: changed,
  });
}

export function useCloseTieOut(accountId: number) {
  const changed = useChanged();
  return useMutation({
    mutationFn: async (closing: Schemas["CloseTieOut"]) =>
      data(
        await api.POST("/api/bank-accounts/{id}/tie-out/closing", {
          params: { path: { id: accountId } },
          body: closing,
        }),
      ),
    onSuccess: changed,
  });
}

export function useReopenTieOut() {
  const changed = useChanged();
  return useMutation({
    mutationFn: async ({ id, reason }: { id: number; reason: string }) =>
      data(await api.POST("/api/tie-outs/{id}/reopening", { params: { path: { id } }, body: { reason } })),
    onSuccess: changed,
  });
}

export function usePeriods() {
  const books = useBooks();
  return useQuery({
    queryKey: ["closed-periods", books.company],
    queryFn: async () =>
      data(await api.GET("/api/closed-periods", { params: { query: { company: books.company } } })),
  });
}

export function useNotTiedOut(until: string) {
  const books = useBooks();
  return useQuery({
    queryKey: ["closed-periods", "not-tied-out", books.company, until],
    enabled: until !== "",
    queryFn: async () =>
      data(
        await api.GET("/api/closed-periods/not-tied-out", {
          params: { query: { company: books.company, until } },
        }),
      ),
  });
}

export function useClosePeriod() {
  const books = useBooks();
  const changed = useChanged();
  return useMutation({
    mutationFn: async (until: string) =>
      data(
        await api.POST("/api/closed-periods", {
          params: { query: { company: books.company } },
          body: { until },
        }),
      ),
    onSuccess: changed,
  });
}

export function useReopenPeriod() {
  const changed = useChanged();
  return useMutation({
    mutationFn: async ({ id, reason }: { id: number; reason: string }) =>
      data(
        await api.POST("/api/closed-periods/{id}/reopening", { params: { path: { id } }, body: { reason } }),
      ),
    onSuccess: changed,
  });
}

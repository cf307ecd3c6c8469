import { useMutation, useQuery } from "@tanstack/react-query";
import { api, data, type Schemas } from "../api/client";
import { useRefresh } from "../desk/queries";

export type Settlement = Schemas["SettlementView"];

/** A correction that fetches anew whatever it may have changed. */
function useCorrection<In, Out>(call: (given: In) => Promise<Out>) {
  const refresh = useRefresh();
  return useMutation({ mutationFn: call, onSuccess: () => void refresh() });
}

export function useRedo(id: number) {
  return useCorrection(async (reason: string) =>
    data(await api.POST("/api/settlements/{id}/redoing", { params: { path: { id } }, body: { reason } })),
  );
}

export function useTakeBack(id: number) {
  return useCorrection(async ({ itemId, reason }: { itemId: number; reason: string }) =>
    data(
      await api.POST("/api/settlements/{id}/applications/{itemId}/taking-back", {
        params: { path: { id, itemId } },
        body: { reason },
      }),
    ),
  );
}

export function useMove(id: number) {
  return useCorrection(async (body: Schemas["Move"]) =>
    data(await api.POST("/api/settlements/{id}/moving", { params: { path: { id } }, body })),
  );
}

/** Debits that may be the return of a receipt; with a debit, those that may be the fee of that return. */
export function useReturnCandidates(entryId: number, debit: number | null | undefined) {
  return useQuery({
    queryKey: ["return-candidates", entryId, debit],
    enabled: debit !== null,
    queryFn: async () =>
      data(
        await api.GET("/api/entries/{id}/return-candidates", {
          params: { path: { id: entryId }, query: { debit: debit ?? undefined } },
        }),
      ),
  });
}

/** Receipts that a debit may have taken back, likeliest first. */
export function useTakenBack(debitId: number) {
  return useQuery({
    queryKey: ["taken-back", debitId],
    queryFn: async () =>
      data(await api.GET("/api/entries/{id}/taken-back", { params: { path: { id: debitId } } })),
  });
}

/** What a return by these debits would cost; the server counts. */
export function useReturnCost(entryId: number, debit: number | null, feeDebit: number) {
  return useQuery({
    queryKey: ["return-cost", entryId, debit, feeDebit],
    enabled: debit !== null,
    queryFn: async () =>
      data(
        await api.GET("/api/entries/{id}/return-cost", {
          params: {
            path: { id: entryId },
            query: { debit: debit ?? 0, feeDebit: feeDebit === 0 ? undefined : feeDebit },
          },
        }),
      ),
  });
}

export function useReturn(entryId: number) {
  return useCorrection(async (body: Schemas["Return"]) =>
    data(await api.POST("/api/entries/{id}/return", { params: { path: { id: entryId } }, body })),
  );
}

/** A journal entry as it was written; it never changes, so it is fetched once. */
export function useJournalEntry(id: number) {
  return useQuery({
    queryKey: ["journal-entry", id],
    staleTime: Infinity,
    queryFn: async () => data(await api.GET("/api/journal-entries/{id}", { params: { path: { id } } })),
  });
}

/** All that ever happened to an item. */
export function useItem(id: number) {
  return useQuery({
    queryKey: ["settlements", "item", id],
    refetchInterval: 5_000,
    queryFn: async () => {
      const path = { params: { path: { id } } };
      const [item, settlements] = await Promise.all([
        api.GET("/api/open-items/{id}", path),
        api.GET("/api/open-items/{id}/settlements", path),
      ]);
      return { item: data(item), settlements: data(settlements) };
    },
  });
}

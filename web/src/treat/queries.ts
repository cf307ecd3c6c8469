import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useBooks } from "../access/session";
import { api, csrfToken, data, refusalOf, type Schemas } from "../api/client";
import { useRefresh } from "../desk/queries";

export type Rule = Schemas["TreatmentView"];
export type RuleSent = Schemas["TreatmentSent"];
export type Ways = Schemas["EntryWays"];

/** What an entry may be that is no receipt. */
export function useWays(entryId: number) {
  return useQuery({
    queryKey: ["entry", entryId, "ways"],
    queryFn: async () => data(await api.GET("/api/entries/{id}/ways", { params: { path: { id: entryId } } })),
  });
}

/** Refunds that money from us may be. */
export function useRefundWays(entryId: number) {
  return useQuery({
    queryKey: ["entry", entryId, "refunds"],
    queryFn: async () =>
      data(await api.GET("/api/entries/{id}/refunds", { params: { path: { id: entryId } } })),
  });
}

export function useFollow(entryId: number) {
  const refresh = useRefresh();
  return useMutation({
    mutationFn: async ({ treatmentId, despite }: { treatmentId: number; despite?: string }) =>
      data(
        await api.POST("/api/entries/{id}/treatment", {
          params: { path: { id: entryId } },
          body: { treatmentId, despite },
        }),
      ),
    onSuccess: refresh,
  });
}

export function useTransfer(entryId: number) {
  const refresh = useRefresh();
  return useMutation({
    mutationFn: async (other: Schemas["Transfer"]) =>
      data(
        await api.POST("/api/entries/{id}/transfer", {
          params: { path: { id: entryId } },
          body: other,
        }),
      ),
    onSuccess: refresh,
  });
}

export function useBankCorrection(entryId: number) {
  const refresh = useRefresh();
  return useMutation({
    mutationFn: async (otherEntryId: number) =>
      data(
        await api.POST("/api/entries/{id}/bank-correction", {
          params: { path: { id: entryId } },
          body: { otherEntryId },
        }),
      ),
    onSuccess: refresh,
  });
}

export function useShownRefund(entryId: number) {
  const refresh = useRefresh();
  return useMutation({
    mutationFn: async (settlementId: number) =>
      data(
        await api.POST("/api/refunds/{settlementId}/shown", {
          params: { path: { settlementId } },
          body: { entryId },
        }),
      ),
    onSuccess: refresh,
  });
}

export function useSendRefund() {
  const refresh = useRefresh();
  return useMutation({
    mutationFn: async (refund: Schemas["SendRefund"]) =>
      data(await api.POST("/api/refunds", { body: refund })),
    onSuccess: refresh,
  });
}

/** Money from us that nobody has explained yet. */
export function useMoneyFromUs() {
  const books = useBooks();
  return useQuery({
    queryKey: ["entries", "from-us", books.company, books.currency],
    refetchInterval: 10_000,
    queryFn: async () =>
      data(
        await api.GET("/api/money-from-us", {
          params: { query: { company: books.company, currency: books.currency } },
        }),
      ),
  });
}

/** What house rules have ready, to be booked all at once. */
export function useReady() {
  const books = useBooks();
  return useQuery({
    queryKey: ["entries", "ready", books.company],
    refetchInterval: 15_000,
    queryFn: async () =>
      data(await api.GET("/api/ready-by-rule", { params: { query: { company: books.company } } })),
  });
}

export function useBookReady() {
  const books = useBooks();
  const refresh = useRefresh();
  return useMutation({
    mutationFn: async (entryIds: number[]) =>
      data(
        await api.POST("/api/ready-by-rule", {
          params: { query: { company: books.company } },
          body: { entryIds },
        }),
      ),
    onSuccess: refresh,
  });
}

export function useRules() {
  const books = useBooks();
  return useQuery({
    queryKey: ["house-rules", books.company],
    queryFn: async () =>
      data(await api.GET("/api/treatments", { params: { query: { company: books.company } } })),
  });
}

export function useAliases() {
  const books = useBooks();
  return useQuery({
    queryKey: ["house-rules", "aliases", books.company],
    queryFn: async () =>
      data(await api.GET("/api/house-rules/aliases", { params: { query: { company: books.company } } })),
  });
}

/** What a rule would have done in the last 90 days; asked for whenever the rule is complete. */
export function useTrial(rule: RuleSent | null) {
  const books = useBooks();
  return useQuery({
    queryKey: ["trial-of-rule", books.company, rule],
    enabled: rule !== null,
    placeholderData: (before) => before,
    staleTime: 0,
    queryFn: async () =>
      data(
        await api.POST("/api/treatments/trial", {
          params: { query: { company: books.company } },
          body: rule as RuleSent,
        }),
      ),
  });
}

/** Everything that a house rule may have posted is other, beside the rules themselves. */
function useRulesChanged() {
  const refresh = useRefresh();
  const queries = useQueryClient();
  return () => Promise.all([refresh(), queries.invalidateQueries({ queryKey: ["house-rules"] })]);
}

export function useKeepRule(id: number | undefined) {
  const books = useBooks();
  const changed = useRulesChanged();
  return useMutation({
    mutationFn: async (rule: RuleSent) =>
      id === undefined
        ? data(
            await api.POST("/api/treatments", {
              params: { query: { company: books.company } },
              body: rule,
            }),
          )
        : data(await api.PUT("/api/treatments/{id}", { params: { path: { id } }, body: rule })),
    onSuccess: changed,
  });
}

export function useEndRule() {
  const changed = useRulesChanged();
  return useMutation({
    mutationFn: async (id: number) =>
      data(await api.DELETE("/api/treatments/{id}", { params: { path: { id } } })),
    onSuccess: changed,
  });
}

export function useOrderRules() {
  const books = useBooks();
  const changed = useRulesChanged();
  return useMutation({
    mutationFn: async (ids: number[]) =>
      data(
        await api.PUT("/api/treatments/order", {
          params: { query: { company: books.company } },
          body: { ids },
        }),
      ),
    onSuccess: changed,
  });
}

export function useForgetAlias() {
  const changed = useRulesChanged();
  return useMutation({
    mutationFn: async (id: number) =>
      data(await api.DELETE("/api/payer-aliases/{id}", { params: { path: { id } } })),
    onSuccess: changed,
  });
}

/** Takes house rules in from a file. */
export function useTakeRules() {
  const books = useBooks();
  const changed = useRulesChanged();
  return useMutation({
    mutationFn: async (file: File) => {
      const form = new FormData();
      form.append("file", file);
      const answer = await fetch(`/api/house-rules/file?company=${books.company}`, {
        method: "POST",
        headers: { "X-XSRF-TOKEN": csrfToken() },
        body: form,
      });
      if (!answer.ok) {
        throw await refusalOf(answer);
      }
      return (await answer.json()) as Schemas["TakenRules"];
    },
    onSuccess: changed,
  });
}

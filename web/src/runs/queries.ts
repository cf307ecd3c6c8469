import { useInfiniteQuery, useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, data, type Schemas } from "../api/client";
import { useBooks } from "../access/session";
import { useRefresh } from "../desk/queries";

export type Run = Schemas["RunView"];
export type RunLine = Schemas["RunLineView"];
export type LineState = RunLine["state"];

/** How often a run that is at work is asked how far it is, in milliseconds. */
const AT_WORK = 700;

export function useRuns() {
  const books = useBooks();
  return useInfiniteQuery({
    queryKey: ["runs", books.company],
    refetchInterval: 4_000,
    initialPageParam: undefined as string | undefined,
    queryFn: async ({ pageParam }) =>
      data(
        await api.GET("/api/runs", {
          params: { query: { company: books.company, cursor: pageParam, limit: 100 } },
        }),
      ),
    getNextPageParam: (page) => page.next ?? undefined,
  });
}

export function useRun(id: number) {
  return useQuery({
    queryKey: ["run", id],
    refetchInterval: (query) => (query.state.data?.state === "RUNNING" ? AT_WORK : false),
    queryFn: async () => data(await api.GET("/api/runs/{id}", { params: { path: { id } } })),
  });
}

/** The lines of a run, of one kind or all. */
export function useRunLines(id: number, state: LineState | undefined, running: boolean) {
  return useInfiniteQuery({
    queryKey: ["run", id, "lines", state],
    refetchInterval: running ? 2 * AT_WORK : false,
    initialPageParam: undefined as string | undefined,
    queryFn: async ({ pageParam }) =>
      data(
        await api.GET("/api/runs/{id}/lines", {
          params: { path: { id }, query: { state, cursor: pageParam, limit: 200 } },
        }),
      ),
    getNextPageParam: (page) => page.next ?? undefined,
  });
}

/** What stands clear, page by page, for whoever chooses what to post. */
export function useClearEntries() {
  const books = useBooks();
  return useInfiniteQuery({
    queryKey: ["entries", books.company, "clear list"],
    initialPageParam: undefined as string | undefined,
    queryFn: async ({ pageParam }) =>
      data(
        await api.GET("/api/entries", {
          params: {
            query: { company: books.company, standing: ["CLEAR"], cursor: pageParam, limit: 500 },
          },
        }),
      ),
    getNextPageParam: (page) => page.next ?? undefined,
  });
}

/** One's own drafts that a run could post. */
export function useOwnDrafts() {
  const books = useBooks();
  return useQuery({
    queryKey: ["drafts", books.company, "own"],
    queryFn: async () =>
      data(await api.GET("/api/runs/drafts", { params: { query: { company: books.company } } })),
  });
}

export function useStartRun() {
  return useMutation({
    mutationFn: async ({ key, call }: { key: string; call: Schemas["StartRun"] }) =>
      data(await api.POST("/api/runs", { params: { header: { "Idempotency-Key": key } }, body: call })),
  });
}

const STEER = {
  stopping: (id: number) => api.POST("/api/runs/{id}/stopping", { params: { path: { id } } }),
  continuing: (id: number) => api.POST("/api/runs/{id}/continuing", { params: { path: { id } } }),
  release: (id: number) => api.POST("/api/runs/{id}/release", { params: { path: { id } } }),
  "calling-off": (id: number) => api.POST("/api/runs/{id}/calling-off", { params: { path: { id } } }),
};

/** Stops a run, continues it where it was, releases one that waits, or calls it off. */
export function useSteerRun(id: number) {
  const queries = useQueryClient();
  const refresh = useRefresh();
  return useMutation({
    mutationFn: async (to: keyof typeof STEER) => data(await STEER[to](id)),
    onSettled: () => {
      void queries.invalidateQueries({ queryKey: ["run", id] });
      void queries.invalidateQueries({ queryKey: ["runs"] });
      void refresh();
    },
  });
}

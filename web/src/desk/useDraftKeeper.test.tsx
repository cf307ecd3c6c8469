import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { renderHook, waitFor } from "@testing-library/react";
import type { ReactNode } from "react";
import { describe, expect, it, vi } from "vitest";
import { serverAnswers, usd } from "../testing";
import type { Draft } from "./drafts";
import { useDraftKeeper } from "./useDraftKeeper";

function draft(...amounts: string[]): Draft {
  return {
    entryId: 1,
    applications: amounts.map((amount, n) => ({ itemId: n + 1, amount: usd(amount), itemVersion: 0 })),
    adjustments: [],
  };
}

function keeper() {
  const queries = new QueryClient({ defaultOptions: { queries: { retry: false } } });
  const kept = vi.fn();
  const failed = vi.fn();
  const { result } = renderHook(() => useDraftKeeper(kept, failed), {
    wrapper: ({ children }: { children: ReactNode }) => (
      <QueryClientProvider client={queries}>{children}</QueryClientProvider>
    ),
  });
  return { keeper: result.current, kept, failed, queries };
}

function server(answer?: (seen: string | null) => { status?: number; body: unknown } | undefined) {
  const seen: (string | null)[] = [];
  const calls = serverAnswers({
    "PUT /api/drafts/entry-1": (request) => {
      seen.push(request.headers.get("If-Match"));
      return answer?.(seen.at(-1) ?? null) ?? { body: { held: { version: seen.length } } };
    },
  });
  return { calls, seen };
}

describe("keeping a draft while it grows", () => {
  it("sends what is not sent yet when the page goes", async () => {
    const { calls } = server();
    const { keeper: k, kept } = keeper();
    k.keep(draft("1.00"));
    window.dispatchEvent(new Event("pagehide"));
    await waitFor(() => expect(kept).toHaveBeenCalledTimes(1));
    expect(calls).toHaveLength(1);
    expect(calls[0]?.body).toEqual(draft("1.00"));
  });

  it("sends the latest of what follows closely, once", async () => {
    const { calls } = server();
    const { keeper: k, kept } = keeper();
    k.keep(draft("1.00"));
    k.keep(draft("1.00", "2.00"));
    await waitFor(() => expect(kept).toHaveBeenCalledTimes(1));
    expect(calls).toHaveLength(1);
    expect(calls[0]?.body).toEqual(draft("1.00", "2.00"));
  });

  it("says which version it saw, so that a colleague's is not overwritten", async () => {
    const { seen } = server();
    const { keeper: k } = keeper();
    k.keep(draft("1.00"));
    await k.settle("entry-1");
    k.keep(draft("2.00"));
    await k.settle("entry-1");
    expect(seen).toEqual([null, "1"]);
  });

  it("says why one was not kept and asks again who holds it", async () => {
    server(() => ({ status: 409, body: { code: "HELD", detail: "osric works on this." } }));
    const { keeper: k, kept, failed, queries } = keeper();
    const asked = vi.spyOn(queries, "invalidateQueries");
    k.keep(draft("1.00"));
    await k.settle("entry-1");
    expect(failed).toHaveBeenCalledWith("osric works on this.");
    expect(kept).not.toHaveBeenCalled();
    expect(asked).toHaveBeenCalledWith({ queryKey: ["held", "entry-1"] });
  });

  it("sends nothing after the draft was dropped", async () => {
    const { calls } = server();
    const { keeper: k } = keeper();
    k.keep(draft("1.00"));
    await k.drop("entry-1");
    await k.settle("entry-1");
    expect(calls).toHaveLength(0);
  });
});

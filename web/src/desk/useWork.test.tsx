import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { cleanup, act, renderHook, waitFor } from "@testing-library/react";
import type { ReactNode } from "react";
import { describe, expect, it, vi } from "vitest";
import { BooksContext } from "../access/session";
import { serverAnswers, usd } from "../testing";
import { leaving, type Draft, type Entry, type HeldDraft } from "./drafts";
import { useWork } from "./useWork";

const ENTRY = {
  id: 1,
  version: 9,
  payerId: 7,
  proposals: [11, 12].map((itemId) => ({
    customerId: 7,
    payerId: 7,
    applications: [
      { itemId, number: `LM-${itemId}`, amount: usd("90.00"), discount: usd("0.00"), itemVersion: 2 },
    ],
    adjustments: [],
    onAccount: usd("0.00"),
  })),
} as unknown as Entry;

function held(by: string, draft: Draft): HeldDraft {
  return {
    subject: "entry-1",
    by,
    state: "OPEN",
    note: "",
    since: "2026-05-29T08:00:00Z",
    version: 3,
    draft,
  };
}

/** Kept on account by the engine, for want of an item in the currency of the entry. */
const KEPT = {
  ...ENTRY,
  proposals: [{ customerId: 7, payerId: 7, applications: [], adjustments: [], onAccount: usd("90.00") }],
} as unknown as Entry;

/** What the text of the entry names, or what fits its amount, in other currencies. */
const there = (itemId: number, named: boolean) => ({
  named,
  why: "in euros",
  items: [{ itemId, number: "LX-1" }],
  draft: {
    entryId: 1,
    applications: [{ itemId, amount: { amount: "80.00", currency: "EUR" }, discount: usd("0.00") }],
    adjustments: [],
    onAccount: usd("0.00"),
  },
});

function work(by?: HeldDraft, more: Parameters<typeof serverAnswers>[0] = {}, entry = ENTRY) {
  const state = { held: by ?? null };
  const calls = serverAnswers({
    "GET /api/drafts/entry-1": () => ({ body: state }),
    "GET /api/drafts": () => ({ body: [] }),
    "POST /api/settlements/preview": () => ({ body: { tally: {}, options: [], lines: [] } }),
    "PUT /api/drafts/entry-1": async (request) => {
      state.held = held("maren", (await request.json()) as Draft);
      return { body: state };
    },
    "DELETE /api/drafts/entry-1": () => {
      state.held = null;
      return { body: null, status: 204 };
    },
    ...more,
  });
  const queries = new QueryClient({ defaultOptions: { queries: { retry: false } } });
  const say = vi.fn();
  const { result } = renderHook(() => useWork({ entry }, say), {
    wrapper: ({ children }: { children: ReactNode }) => (
      <QueryClientProvider client={queries}>
        <BooksContext
          value={{
            company: 1,
            companyName: "Larkstow",
            currency: "USD",
            mayPost: true,
            user: "maren",
            supervisor: false,
            group: [],
          }}
        >
          {children}
        </BooksContext>
      </QueryClientProvider>
    ),
  });
  return { result, calls, say };
}

const items = (draft: Draft | undefined) => draft?.applications.map((a) => a.itemId);

describe("the work on an entry", () => {
  it("begins with what the text names elsewhere rather than on account", async () => {
    const { result, calls } = work(
      undefined,
      { "GET /api/entries/1/elsewhere": () => ({ body: [there(31, false), there(32, true)] }) },
      KEPT,
    );
    await waitFor(() => expect(items(result.current.draft)).toEqual([32]));
    expect(result.current.named).toBe(true);
    expect(result.current.draft).toMatchObject({ entryVersion: 9 });
    expect(result.current.draft?.explanation).toBeUndefined();
    // the engine's own may still be chosen, and given up again
    act(() => result.current.chooseRank(1));
    expect(items(result.current.draft)).toEqual([]);
    expect(result.current.named).toBe(false);
    act(() => result.current.startOver());
    await waitFor(() => expect(items(result.current.draft)).toEqual([32]));
    expect(calls.filter((c) => c.name.startsWith("GET /api/entries/1/elsewhere"))).toHaveLength(1);
  });

  it("keeps on account what only an amount elsewhere fits, or of which nothing can be told", async () => {
    const fits = work(
      undefined,
      { "GET /api/entries/1/elsewhere": () => ({ body: [there(31, false)] }) },
      KEPT,
    );
    await waitFor(() => expect(fits.result.current.draft?.explanation).toBe(1));
    expect(fits.result.current.named).toBe(false);
    cleanup();
    const failed = work(
      undefined,
      { "GET /api/entries/1/elsewhere": () => ({ status: 500, body: { detail: "no" } }) },
      KEPT,
    );
    await waitFor(() => expect(failed.result.current.draft?.explanation).toBe(1));
  });

  it("shows the first explanation once it is known that nobody has begun a draft", async () => {
    const { result } = work();
    expect(result.current.draft).toBeUndefined();
    await waitFor(() => expect(items(result.current.draft)).toEqual([11]));
    expect(result.current.draft?.explanation).toBe(1);
    act(() => result.current.chooseRank(2));
    expect(items(result.current.draft)).toEqual([12]);
    act(() => result.current.chooseRank(5));
    expect(items(result.current.draft)).toEqual([12]);
  });

  it("keeps what a hand changes, and no longer asks for the engine's version of the entry", async () => {
    const { result, calls } = work();
    await waitFor(() => expect(result.current.draft).toBeDefined());
    act(() => result.current.change(leaving(result.current.draft as Draft, 11)));
    expect(items(result.current.draft)).toEqual([]);
    await waitFor(() => expect(calls.some((c) => c.name === "PUT /api/drafts/entry-1")).toBe(true));
    const sent = calls.find((c) => c.name === "PUT /api/drafts/entry-1")?.body as Draft;
    expect(sent.entryVersion).toBeUndefined();
    await waitFor(() => expect(result.current.held?.by).toBe("maren"));
    expect(items(result.current.draft)).toEqual([]);
  });

  it("shows a colleague's draft and changes nothing of it", async () => {
    const theirs = { entryId: 1, applications: [], adjustments: [] };
    const { result, calls } = work(held("osric", theirs));
    await waitFor(() => expect(result.current.draft).toEqual(theirs));
    expect(result.current.mayChange).toBe(false);
    act(() => result.current.change({ ...theirs, onAccount: usd("5.00") }));
    act(() => result.current.chooseRank(2));
    expect(result.current.draft).toEqual(theirs);
    expect(calls.some((c) => c.name.startsWith("PUT") || c.name.startsWith("DELETE"))).toBe(false);
  });

  it("throws one's own draft away for an explanation, or to start over", async () => {
    const mine = { entryId: 1, applications: [], adjustments: [] };
    const { result, calls } = work(held("maren", mine));
    await waitFor(() => expect(result.current.draft).toEqual(mine));
    act(() => result.current.chooseRank(2));
    expect(items(result.current.draft)).toEqual([12]);
    await waitFor(() => expect(calls.some((c) => c.name === "DELETE /api/drafts/entry-1")).toBe(true));
    await waitFor(() => expect(result.current.held).toBeUndefined());
    act(() => result.current.startOver());
    await waitFor(() => expect(items(result.current.draft)).toEqual([11]));
  });

  it("says why a treatment or a verdict was refused and leaves the draft as it was", async () => {
    const refusal = { status: 409, body: { code: "X", detail: "osric has just posted LM-11." } };
    const { result, say } = work(undefined, {
      "POST /api/drafts/entry-1/verdict": () => refusal,
      "POST /api/drafts/entry-1/holder": () => refusal,
    });
    await waitFor(() => expect(result.current.draft).toBeDefined());
    expect(await act(() => result.current.decide(true, ""))).toBe(false);
    act(() => result.current.takeOver());
    await waitFor(() => expect(say).toHaveBeenCalledTimes(2));
    expect(say).toHaveBeenLastCalledWith("osric has just posted LM-11.");
    expect(items(result.current.draft)).toEqual([11]);
  });
});

import { screen } from "@testing-library/react";
import { beforeEach, describe, expect, it } from "vitest";
import { serverAnswers, show, usd, withRoom } from "../testing";
import PrepareRunView from "./PrepareRunView";

beforeEach(withRoom);

function clear(id: number, payer: string, amount: string) {
  return {
    id,
    payer,
    amount: usd(amount),
    bookedOn: "2026-05-28",
    status: "WAITING",
    standing: "CLEAR",
    segments: [{ number: `LM-${id}`, amount: usd(amount), discount: usd("2.00") }],
    adjustments: [{ kind: "BANK_FEE", amount: usd("1.50") }],
    evidence: `LM-${id} stands in the text`,
  };
}

const DRAFTS = [
  { entryId: 8, payer: "Halloran", amount: usd("70.00"), pays: ["LM-8"], refusal: null },
  {
    entryId: 9,
    payer: "Quill",
    amount: usd("90.00"),
    pays: [],
    refusal: "Received 90.00, but 5.00 is left.",
  },
];

function answers(more?: object) {
  return {
    "GET /api/entries": (request: Request) =>
      request.url.includes("cursor=")
        ? new Promise<never>(() => {})
        : {
            body: {
              rows: [clear(1, "Bramble", "100.00"), clear(2, "Quarry", "40.00")],
              standings: [{ standing: "CLEAR", count: 2, amount: usd("140.00") }],
              problems: [],
              ...more,
            },
          },
    "GET /api/runs/drafts": () => ({ body: DRAFTS }),
  };
}

describe("what a run is to post", () => {
  it("lists what each pays and why, and posts what is ticked", async () => {
    const calls = serverAnswers({
      ...answers(),
      "POST /api/runs": () => ({ status: 202, body: { id: 3 } }),
    });
    const { user } = show(<PrepareRunView />);
    expect(await screen.findByRole("button", { name: "Post 3 · 210.00" })).toBeTruthy();
    expect(screen.getByText("LM-1 less 2.00 discount, bank fee 1.50")).toBeTruthy();
    expect(screen.getByText("LM-1 stands in the text")).toBeTruthy();
    expect(screen.getByText(/5\.00 is left/)).toBeTruthy();
    expect((screen.getByLabelText("Post 90.00 from Quill") as HTMLInputElement).disabled).toBe(true);
    await user.click(screen.getByLabelText("Post 40.00 from Quarry"));
    await user.click(screen.getByRole("button", { name: "Post 2 · 170.00" }));
    expect(calls.find((c) => c.name === "POST /api/runs")?.body).toEqual({
      company: 1,
      currency: "USD",
      allClear: true,
      except: [2],
      entryIds: [8],
    });
  });

  it("counts what is not fetched yet, and keeps the ticks where the server refuses", async () => {
    serverAnswers({
      ...answers({
        next: "0_2026-05-28_2",
        standings: [{ standing: "CLEAR", count: 900, amount: usd("50000.00") }],
      }),
      "POST /api/runs": () => ({ status: 400, body: { detail: "Nothing is chosen that could be posted." } }),
    });
    const { user } = show(<PrepareRunView />);
    await user.click(await screen.findByLabelText("Post 70.00 from Halloran"));
    await user.click(screen.getByRole("button", { name: "Post 900 · 50,000.00" }));
    expect(await screen.findByText("Nothing is chosen that could be posted.")).toBeTruthy();
    expect((screen.getByLabelText("Post 70.00 from Halloran") as HTMLInputElement).checked).toBe(false);
  });

  it("says where there is nothing to post", async () => {
    serverAnswers({
      "GET /api/entries": () => ({ body: { rows: [], standings: [], problems: [] } }),
      "GET /api/runs/drafts": () => ({ body: [] }),
    });
    show(<PrepareRunView />);
    expect(await screen.findByText("Nothing stands clear, and you have no draft to post")).toBeTruthy();
    expect((screen.getByRole("button", { name: "Post 0 · 0.00" }) as HTMLButtonElement).disabled).toBe(true);
  });
});

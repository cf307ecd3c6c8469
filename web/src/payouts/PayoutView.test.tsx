import { screen, within } from "@testing-library/react";
import { Route, Routes, Navigate } from "react-router";
import { beforeEach, describe, expect, it } from "vitest";
import { serverAnswers, show, usd, withRoom } from "../testing";
import PayoutView from "./PayoutView";

beforeEach(withRoom);

function payout(more: object = {}) {
  return {
    payout: {
      id: 4,
      processor: "Chipfold",
      number: "P-9",
      words: "payout P-9 of Chipfold",
      periodStart: "2026-05-22",
      periodEnd: "2026-05-28",
      paidOn: "2026-05-29",
      net: usd("90.00"),
      paidOut: usd("90.00"),
      items: 3,
      blocked: false,
    },
    intakeId: 9,
    steps: [
      { kind: "SALES", amount: usd("120.00"), items: 2, after: usd("120.00") },
      { kind: "REFUNDS", amount: usd("-26.00"), items: 1, after: usd("94.00") },
      { kind: "FEES", amount: usd("-4.00"), items: 2, after: usd("90.00") },
    ],
    carried: usd("0.00"),
    contradictions: [],
    joins: [
      { kind: "ASKED", items: 1, gross: usd("20.00") },
      { kind: "INVOICE", items: 1, gross: usd("100.00") },
    ],
    job: null,
    ...more,
  };
}

function item(id: number, type: string, more: object) {
  return {
    id,
    line: id,
    type,
    word: type.toLowerCase(),
    number: `n${id}`,
    reference: "",
    on: "2026-05-26",
    gross: usd("0.00"),
    fee: usd("0.00"),
    net: usd("0.00"),
    method: "",
    payer: "",
    words: "",
    join: { kind: "NOTHING", name: "" },
    candidates: [],
    asked: "",
    ...more,
  };
}

const ITEMS = [
  item(1, "SALE", {
    reference: "LM-1",
    gross: usd("100.00"),
    fee: usd("3.00"),
    net: usd("97.00"),
    join: { kind: "INVOICE", target: 71, name: "LM-1" },
  }),
  item(2, "SALE", {
    gross: usd("20.00"),
    fee: usd("1.00"),
    net: usd("19.00"),
    join: { kind: "ASKED", name: "" },
    asked: "A receipt of the same amount was recorded on 26 May 2026; it may be this sale.",
    candidates: [
      { kind: "RECEIPT", target: 55, name: "card slip 118" },
      { kind: "NEW", name: "" },
    ],
  }),
  item(3, "UNKNOWN", { word: "levy", gross: usd("-26.00"), net: usd("-26.00") }),
];

function answers(more: object = {}) {
  return {
    "GET /api/payouts/4": () => ({ body: payout(more) }),
    "GET /api/payouts/4/booking": () => ({
      body: {
        lines: [],
        refused: "It is not decided what the 20.00 of line 3 belong to: it may be recorded.",
      },
    }),
    "GET /api/payouts/4/items": (request: Request) => ({
      body: { rows: request.url.includes("type=REFUND") ? [] : ITEMS },
    }),
  };
}

function shown() {
  return show(
    <Routes>
      <Route path="/waiting/payouts/:payoutId" element={<PayoutView />} />
      <Route path="*" element={<Navigate to="/waiting/payouts/4" replace />} />
    </Routes>,
  );
}

describe("a payout", () => {
  it("is told in steps, and each leads to its items", async () => {
    serverAnswers(answers());
    const { user } = shown();
    const steps = await screen.findByRole("region", { name: "How it adds up" });
    expect(within(steps).getByText("−26.00")).toBeTruthy();
    expect(within(steps).getByText("Net").parentElement?.textContent).toContain("90.00");
    await user.click(within(steps).getByRole("button", { name: /^Refunds/ }));
    expect(await screen.findByText("No item of this payout is so")).toBeTruthy();
  });

  it("asks what is doubtful, and what a word means that nobody knows", async () => {
    const calls = serverAnswers({
      ...answers(),
      "PUT /api/payouts/4/items/2/join": () => ({ body: payout() }),
      "PUT /api/payouts/4/items/3/type": () => ({ body: payout() }),
    });
    const { user } = shown();
    expect(await screen.findByText(/it may be this sale/)).toBeTruthy();
    expect(screen.getByText(/It is not decided what the 20.00/)).toBeTruthy();
    await user.click(screen.getByRole("button", { name: "It is card slip 118, recorded already" }));
    expect(calls.find((c) => c.name.endsWith("/2/join"))?.body).toEqual({ kind: "RECEIPT", target: 55 });
    await user.selectOptions(screen.getByLabelText("What “levy” is"), "FEE");
    await user.click(screen.getByRole("button", { name: "It is that" }));
    expect(calls.find((c) => c.name.endsWith("/3/type"))?.body).toEqual({ type: "FEE" });
  });

  it("says what contradicts, and is not booked before somebody accepts it", async () => {
    serverAnswers(
      answers({
        payout: { ...payout().payout, blocked: true },
        contradictions: ["line 2: payout P-9 says it comes to 91.00"],
      }),
    );
    shown();
    expect(await screen.findByText("line 2: payout P-9 says it comes to 91.00")).toBeTruthy();
    expect(screen.getByText(/Nothing of it is booked until a supervisor accepts/)).toBeTruthy();
  });

  it("shows how far it is while it is booked behind the scenes, and why that came to nothing", async () => {
    let job: object = { doing: "BOOK", by: "maren", done: 2, items: 3, refused: null };
    serverAnswers({ ...answers(), "GET /api/payouts/4": () => ({ body: payout({ job }) }) });
    shown();
    expect(await screen.findByText("maren books it: 2 of 3 items")).toBeTruthy();
    expect(screen.getByRole("progressbar", { name: "Items booked" }).getAttribute("aria-valuenow")).toBe(
      "66",
    );
    job = { ...job, refused: "LM-1 is open with 90.00." };
    expect(
      await screen.findByText("It was not booked: LM-1 is open with 90.00.", {}, { timeout: 3000 }),
    ).toBeTruthy();
  });
});

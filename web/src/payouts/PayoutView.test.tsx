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
    "GET /api/payouts/4/exchange": () => ({ status: 204, body: undefined }),
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

  it("opens a chargeback's invoice again, or makes it a claim", async () => {
    const chargeback = item(5, "CHARGEBACK", {
      gross: usd("-40.00"),
      net: usd("-40.00"),
      join: { kind: "SALE", target: 31, name: "LM-1" },
      concerns: { kind: "INVOICE", target: 71, name: "LM-1" },
    });
    const calls = serverAnswers({
      ...answers(),
      "GET /api/payouts/4/items": () => ({ body: { rows: [chargeback] } }),
      "PUT /api/payouts/4/items/5/join": () => ({ body: payout() }),
    });
    const { user } = shown();
    await user.click(await screen.findByRole("button", { name: "Say otherwise of line 5" }));
    expect(screen.getByText("Its sale paid LM-1.")).toBeTruthy();
    await user.click(screen.getByRole("button", { name: "Open LM-1 again" }));
    expect(calls.find((c) => c.name.endsWith("/5/join"))?.body).toEqual({ kind: "REOPEN", target: 31 });
  });

  it("looks for an open item that a sale pays", async () => {
    const calls = serverAnswers({
      ...answers(),
      "GET /api/open-items": () => ({
        body: {
          rows: [
            { id: 9, kind: "INVOICE", number: "LM-9", customerName: "Piazza Forno", open: usd("20.00") },
            { id: 8, kind: "CREDIT_NOTE", number: "CN-8", customerName: "Piazza Forno", open: usd("-5.00") },
          ],
        },
      }),
      "PUT /api/payouts/4/items/1/join": () => ({ body: payout() }),
    });
    const { user } = shown();
    await user.click(await screen.findByRole("button", { name: "Say otherwise of line 1" }));
    await user.type(screen.getByLabelText("Number, customer or amount"), "piazza");
    await user.click(await screen.findByRole("button", { name: "LM-9, Piazza Forno, 20.00 open" }));
    expect(screen.queryByRole("button", { name: /CN-8/ })).toBeNull();
    expect(calls.find((c) => c.name.endsWith("/1/join"))?.body).toEqual({ kind: "INVOICE", target: 9 });
  });

  it("says what changing money cost at the rate of the books", async () => {
    const changed = { given: { amount: "42.24", currency: "EUR" }, got: usd("45.83"), perUnit: 1.084991 };
    serverAnswers({
      ...answers(),
      "GET /api/payouts/4/exchange": (request: Request) => ({
        body: { ...changed, difference: request.url.includes("rate=1.10") ? usd("-0.63") : null },
      }),
    });
    const { user } = shown();
    const section = await screen.findByRole("region", { name: "Money changed" });
    expect(section.textContent).toContain("42.24 EUR became 45.83 USD: 1.084991 USD for each EUR.");
    await user.type(within(section).getByLabelText("Rate at which the sales count"), "1.10");
    expect(await within(section).findByText("0.63 USD lost on exchange")).toBeTruthy();
  });
});

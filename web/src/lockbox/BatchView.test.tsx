import { screen, within } from "@testing-library/react";
import { Route, Routes, Navigate } from "react-router";
import { beforeEach, describe, expect, it } from "vitest";
import { serverAnswers, show, usd, withRoom } from "../testing";
import BatchView from "./BatchView";

beforeEach(withRoom);

function batch(blocked: boolean) {
  return {
    batch: {
      id: 7,
      number: "001",
      lockbox: "4410",
      bankAccount: "Lockbox USD",
      depositedOn: "2026-05-29",
      cheques: 2,
      total: usd("300.00"),
      blocked,
      posted: 0,
      waiting: usd("300.00"),
    },
    bankAccountId: 3,
    intakeId: 9,
    claimedCheques: 2,
    claimedTotal: usd(blocked ? "310.00" : "300.00"),
    contradictions: blocked ? ["line 4: batch 001 says it comes to 310.00"] : [],
    accepted: null,
    totals: {
      cheques: 2,
      control: usd("300.00"),
      items: 1,
      itemTotal: usd("200.00"),
      applied: usd("201.60"),
      onAccount: usd("0.00"),
      differences: usd("-1.60"),
      toAccounts: usd("0.00"),
      left: usd("100.00"),
    },
    groups: [
      { state: "UNEXPLAINED", cheques: 1, amount: usd("100.00") },
      { state: "BY_HAND", cheques: 1, amount: usd("200.00") },
    ],
    ready: { cheques: 1, amount: usd("200.00") },
    staying: { cheques: 1, amount: usd("100.00") },
    depositId: blocked ? null : 4,
    slip: "4410-001",
    shown: false,
    needsRelease: false,
  };
}

function cheque(id: number, state: string, amount: string, more: object) {
  return {
    entry: {
      id,
      bookedOn: "2026-05-29",
      payer: `Payer ${id}`,
      amount: usd(amount),
      status: "WAITING",
      standing: "BLANK",
      segments: [],
      adjustments: [],
      evidence: "",
    },
    item: String(id),
    chequeNumber: `88${id}`,
    state,
    explained: usd(amount),
    left: usd("0.00"),
    items: 0,
    beyondItems: usd("0.00"),
    byHand: false,
    by: "",
    settlementId: null,
    ...more,
  };
}

const CHEQUES = [
  cheque(1, "UNEXPLAINED", "100.00", {
    explained: usd("0.00"),
    left: usd("100.00"),
    items: 2,
    beyondItems: usd("-5.00"),
  }),
  cheque(2, "BY_HAND", "200.00", { byHand: true, by: "maren" }),
];

function answers(blocked: boolean) {
  return {
    "GET /api/lockbox-batches/7": () => ({ body: batch(blocked) }),
    "GET /api/lockbox-batches/7/cheques": (request: Request) => ({
      body: { rows: request.url.includes("show=BY_HAND") ? CHEQUES.slice(1) : CHEQUES, next: null },
    }),
    "GET /api/lockbox-batches/7/runs": () => ({ body: [] }),
  };
}

function page() {
  return (
    <Routes>
      <Route path="/waiting/lockbox/:batchId" element={<BatchView />} />
      <Route path="*" element={<Navigate to="/waiting/lockbox/7" />} />
    </Routes>
  );
}

describe("a lockbox batch", () => {
  it("shows what its control total is made of, and its cheques by what is left to do", async () => {
    serverAnswers(answers(false));
    const { user } = show(page());
    const totals = await screen.findByRole("region", { name: "Control totals" });
    expect(totals.textContent).toContain("2 cheques300.00=applied201.60+on account0.00+differences−1.60");
    expect(totals.textContent).toContain("left to explain100.00");
    const cheques = screen.getByRole("region", { name: "Cheques" });
    expect(
      within(cheques)
        .getAllByRole("heading")
        .map((h) => h.textContent),
    ).toEqual(["To explain", "Ready by hand"]);
    expect(cheques.textContent).toContain("1 · no. 881 · 2 items · 5.00 less than its slip");
    expect(screen.getByRole("link", { name: "deposit 4410-001" })).toBeTruthy();

    await user.click(screen.getByRole("button", { name: "Changed by hand" }));
    expect(await screen.findByText("2 · no. 882")).toBeTruthy();
    expect(screen.queryByText(/no\. 881/)).toBeNull();
  });

  it("says what contradicts, and leaves it to a supervisor to accept that", async () => {
    serverAnswers(answers(true));
    show(page());
    expect(await screen.findByText("line 4: batch 001 says it comes to 310.00")).toBeTruthy();
    expect(screen.getByText(/Nothing of this batch is posted until a supervisor accepts/)).toBeTruthy();
    expect(screen.queryByRole("button", { name: "Accept…" })).toBeNull();
    expect(screen.getByText(/not banked until it is accepted/)).toBeTruthy();
  });
});

import { screen } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { serverAnswers, show, usd } from "../testing";
import { Corrections } from "./Corrections";

const UPDATE = {
  id: 5,
  itemId: 70,
  number: "LM-1",
  customerId: 7,
  customerName: "Oskar & Daughters",
  fileName: "later.csv",
  status: "OPEN",
  before: { dueOn: "2026-05-20", open: usd("120.00") },
};

const CORRECTION = {
  id: 5,
  entryId: 2,
  fileName: "again.xml",
  bankAccount: "Operating USD",
  payer: "Wren",
  entryStatus: "WAITING",
  kind: "MISSING",
  before: { bookedOn: "2026-05-20", amount: usd("9.00") },
  status: "OPEN",
};

describe("differences to decide", () => {
  it("name both sides, and each goes to its own decision", async () => {
    const calls = serverAnswers({
      "GET /api/corrections": () => ({ body: [CORRECTION] }),
      "GET /api/item-updates": () => ({
        body: [
          { ...UPDATE, kind: "DUE_DATE", after: { dueOn: "2026-07-31", open: usd("120.00") } },
          { ...UPDATE, id: 6, kind: "CANCELLED", against: "LM-1 cannot be taken away: 50.00 is settled." },
          { ...UPDATE, id: 7, kind: "PAID_ELSEWHERE", after: { dueOn: "2026-05-20", open: usd("45.00") } },
        ],
      }),
      "POST /api/item-updates/5/decision": () => ({ body: null }),
      "POST /api/corrections/5/decision": () => ({
        status: 409,
        body: { code: "SETTLED", detail: "It is settled by now." },
      }),
    });
    const { user } = show(<Corrections />);
    expect(await screen.findByText("due Jul 31")).toBeTruthy();
    expect(screen.getByText("LM-1 cannot be taken away: 50.00 is settled.")).toBeTruthy();
    // what cannot be taken has no button for it, but may be refused
    expect(screen.queryByRole("button", { name: "Take it away" })).toBeNull();
    expect(screen.getByRole("button", { name: "Take its balance" })).toBeTruthy();
    await user.click(screen.getByRole("button", { name: "Take its due date" }));
    expect(calls.find((c) => c.name === "POST /api/item-updates/5/decision")?.body).toEqual({ accept: true });
    await user.click(screen.getByRole("button", { name: "Take it out" }));
    expect(await screen.findByText("It is settled by now.")).toBeTruthy();
  });

  it("are not there where nothing is told otherwise", async () => {
    serverAnswers({
      "GET /api/corrections": () => ({ body: [] }),
      "GET /api/item-updates": () => ({ body: [] }),
    });
    const { container } = show(<Corrections />);
    await new Promise((done) => setTimeout(done, 50));
    expect(container.textContent).toBe("");
  });
});

import { screen, within } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { serverAnswers, show, usd } from "../testing";
import ProcessorsView from "./ProcessorsView";

function proof(more: object) {
  return {
    processorId: 1,
    processor: "Chipfold",
    currency: "USD",
    books: usd("315.40"),
    explained: usd("315.40"),
    difference: usd("0.00"),
    items: [
      {
        why: "RECEIPT",
        id: 55,
        on: "2026-05-28",
        words: "Card slip 118 from Mill shop",
        amount: usd("315.40"),
      },
    ],
    reserve: usd("50.00"),
    reserveExplained: usd("50.00"),
    onItsWay: [],
    ...more,
  };
}

const SENT = { payoutId: 4, sentOn: "2026-05-29", number: "CF-9", bankAccount: "", left: usd("90.00") };

function like(entryId: number, more: object) {
  return {
    entryId,
    bookedOn: "2026-05-29",
    amount: usd("90.00"),
    processor: "",
    words: "",
    booked: false,
    whole: true,
    ...more,
  };
}

describe("what processors owe and cost", () => {
  it("stands item by item, with what was booked by hand said", async () => {
    serverAnswers({
      "GET /api/processors/at-the-bank": () => ({
        body: [
          like(7, { payoutId: null, says: "NEWFOLD WEEKLY PAYOUT" }),
          like(8, { payoutId: 4, says: "CHIPFOLD PAYOUTS" }),
        ],
      }),
      "GET /api/processors/clearing": () => ({
        body: [proof({ books: usd("320.40"), difference: usd("5.00"), onItsWay: [SENT] })],
      }),
      "GET /api/processors/cost": () => ({
        body: [
          {
            processor: "Chipfold",
            month: "2026-05",
            method: "card",
            sales: 7,
            sold: usd("1000.00"),
            kept: usd("33.30"),
            percent: 3.33,
          },
          {
            processor: "Chipfold",
            month: "2026-05",
            method: "",
            sales: 0,
            sold: usd("0.00"),
            kept: usd("12.72"),
            percent: null,
          },
        ],
      }),
    });
    show(<ProcessorsView />);
    expect(await screen.findByText("Card slip 118 from Mill shop")).toBeTruthy();
    expect(screen.getByText(/5.00 were booked there by hand/)).toBeTruthy();
    expect(screen.getByText(/payout CF-9/).closest("tr")?.textContent).toContain("which is not booked yet");
    // what a file tells of is no payout without a file
    expect((await screen.findByText("NEWFOLD WEEKLY PAYOUT")).getAttribute("href")).toBe("/waiting/desk/7");
    expect(screen.queryByText("CHIPFOLD PAYOUTS")).toBeNull();
    const rows = within(screen.getByRole("table", { name: /^What payment cost/ })).getAllByRole("row");
    expect(rows[1]?.textContent).toContain("3.33 %");
    expect(rows[2]?.textContent).toContain("of the period");
    expect(rows[2]?.textContent).not.toContain("%");
  });

  it("says so where there is none yet", async () => {
    serverAnswers({
      "GET /api/processors/at-the-bank": () => ({ body: [] }),
      "GET /api/processors/clearing": () => ({ body: [] }),
      "GET /api/processors/cost": () => ({ body: [] }),
    });
    show(<ProcessorsView />);
    expect(await screen.findByText("No processor yet")).toBeTruthy();
  });
});

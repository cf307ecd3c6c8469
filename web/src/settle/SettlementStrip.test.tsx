import { screen } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import type { Schemas } from "../api/client";
import { serverAnswers, show, usd } from "../testing";
import { SettlementStrip } from "./SettlementStrip";

const EXPORT = { id: 2, name: "Larkstow Export" };

/** 1,000.00 that Larkstow received, 700.00 of it for an item of Larkstow Export. */
function overTwo(more: object) {
  return {
    id: 40,
    status: "POSTED",
    origin: "HAND",
    receivedOn: "2026-05-28",
    payer: "SALTPAN",
    received: usd("1000.00"),
    applications: [],
    adjustments: [],
    rates: [
      { given: usd("700.00"), counted: usd("700.00"), from: "USD", to: "USD", words: "", company: EXPORT },
    ],
    onAccount: usd("0.00"),
    postedOn: "2026-05-29",
    postedAt: "2026-05-29T09:00:00Z",
    postedBy: "maren",
    ...more,
  } as unknown as Schemas["SettlementView"];
}

function applied(number: string, amount: string, company: typeof EXPORT | null) {
  return {
    itemId: 1,
    number,
    customerId: 7,
    customerName: "Saltpan",
    amount: usd(amount),
    discount: usd("0.00"),
    company,
  };
}

describe("a settlement over two companies", () => {
  it("shows whoever works where it was received what is owed to the other, and its own journal", async () => {
    const calls = serverAnswers({
      "GET /api/journal-entries/5": () => ({ body: { id: 5, lines: [] } }),
    });
    const { user } = show(
      <SettlementStrip
        settlement={overTwo({
          applications: [applied("GM-1", "300.00", null)],
          journalEntryId: 5,
          elsewhere: [{ company: EXPORT, journalEntryId: null }],
        })}
      />,
    );
    expect(screen.getByText(/counted for Larkstow Export and are owed to it/)).toBeTruthy();
    await user.click(screen.getByRole("button", { name: "Journal" }));
    expect(screen.getByText("and for Larkstow Export, in its own journal")).toBeTruthy();
    expect(calls.map((c) => c.name)).toEqual(["GET /api/journal-entries/5"]);
    expect((screen.getByRole("button", { name: "Reverse…" }) as HTMLButtonElement).disabled).toBe(false);
  });

  it("is taken back by whoever works where it was received", async () => {
    const calls = serverAnswers({
      "GET /api/journal-entries/6": () => ({ body: { id: 6, lines: [] } }),
    });
    const { user } = show(
      <SettlementStrip
        settlement={overTwo({
          applications: [applied("GX-1", "700.00", EXPORT)],
          journalEntryId: null,
          receivedBy: { id: 1, name: "Larkstow" },
          elsewhere: [{ company: EXPORT, journalEntryId: 6 }],
        })}
      />,
    );
    expect(screen.getByText("received by Larkstow; whoever works there takes it back")).toBeTruthy();
    expect((screen.getByRole("button", { name: "Reverse…" }) as HTMLButtonElement).disabled).toBe(true);
    expect(screen.queryByRole("button", { name: "Correct…" })).toBeNull();
    await user.click(screen.getByRole("button", { name: "Journal" }));
    expect(screen.getByText("for Larkstow Export")).toBeTruthy();
    expect(calls.map((c) => c.name)).toEqual(["GET /api/journal-entries/6"]);
  });
});

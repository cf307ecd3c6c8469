import { screen, within } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { serverAnswers, show, usd, withRoom } from "../testing";
import { AgreementTab } from "./AgreementTab";
import LedgerView from "./LedgerView";

function movement(
  lineId: number,
  on: string,
  side: "debit" | "credit",
  amount: string,
  balance: string,
  other: number,
) {
  return {
    lineId,
    entryId: lineId + 100,
    on,
    text: "Wire charge",
    writtenBy: "maren",
    [side]: usd(amount),
    balance: usd(balance),
    cancelledBy: { lineId: other, entryId: other + 100, on: "2026-05-28", knownBy: "SAME_AMOUNT" },
  };
}

const SHEET = {
  accountId: 16,
  code: "6100",
  account: "Bank fees",
  currencies: ["USD"],
  opening: usd("64.50"),
  debited: usd("31.00"),
  credited: usd("31.00"),
  closing: usd("64.50"),
  rows: [
    movement(1, "2026-05-21", "debit", "31.00", "95.50", 2),
    movement(2, "2026-05-28", "credit", "31.00", "64.50", 1),
  ],
};

describe("an account of the ledger", () => {
  it("runs up to its balance, and shows what cancels", async () => {
    withRoom();
    serverAnswers({ "GET /api/ledger-accounts/NaN/movements": () => ({ body: SHEET }) });
    const { user } = show(<LedgerView />);
    const lines = await screen.findAllByRole("listitem");
    expect(lines[0]?.textContent).toContain("95.50");
    expect(lines[1]?.textContent).toContain("64.50");
    const joined = within(lines[1] as HTMLElement).getByRole("button");
    expect(joined.textContent).toContain("same amount the other way");
    await user.click(joined);
    expect(screen.getAllByRole("button", { pressed: true })).toHaveLength(2);
    await user.click(joined);
    expect(screen.queryAllByRole("button", { pressed: true })).toHaveLength(0);
  });
});

describe("items and ledger", () => {
  it("name the customers of whom they differ", async () => {
    const line = {
      role: "RECEIVABLE",
      account: "1100 Accounts receivable",
      accountId: 6,
      items: usd("90.00"),
      books: usd("100.00"),
      difference: usd("10.00"),
    };
    serverAnswers({
      "GET /api/books/agreement": () => ({
        body: {
          currency: "USD",
          agrees: false,
          customers: 2,
          totals: [line],
          apart: [{ ...line, customerId: 7, customer: "Oskar & Daughters" }],
        },
      }),
    });
    show(<AgreementTab />);
    expect(
      await screen.findByText("Items and ledger differ for 1 account of customers, as of now."),
    ).toBeTruthy();
    const apart = screen.getByRole("table", { name: "Customers of whom items and ledger differ" });
    expect(apart.textContent).toContain("Oskar & Daughters");
    expect(apart.textContent).toContain("10.00");
  });
});

import { screen, waitFor, within } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { serverAnswers, show, usd } from "../testing";
import CentTrailView from "./CentTrailView";
import ClosedPeriodsView from "./ClosedPeriodsView";
import TieOutView from "./TieOutView";

const ACCOUNT = {
  bankAccountId: 5,
  name: "Operating USD",
  bank: "Copperbeck",
  number: "4410",
  currency: "USD",
  opening: { on: "2026-01-31", amount: usd("100.00") },
  balances: [{ on: "2026-05-29", amount: usd("519.06") }],
  closed: [],
};

function looked(statement: string, gap: string) {
  return {
    bankAccountId: 5,
    typed: false,
    figures: {
      asOf: "2026-05-29",
      statement: usd(statement),
      books: usd("500.00"),
      adjustedStatement: usd(statement),
      adjustedBooks: usd("519.06"),
      gap: usd(gap),
      sums: [],
      ways: [
        {
          kind: "UNEXPLAINED",
          side: "BOOKS",
          id: "entry-7",
          on: "2026-05-28",
          words: "FLOUR",
          amount: usd("24.06"),
        },
        {
          kind: "BANK_ERROR",
          side: "BANK",
          id: "error-2",
          on: "2026-05-28",
          words: "their mistake",
          amount: usd("-5.00"),
        },
      ],
    },
    leads:
      gap === "0.00"
        ? []
        : [{ slip: "TRANSPOSED", sentence: "The balance of the bank: 591.06 may be 519.06.", ids: [""] }],
  };
}

const ME = { body: { businessDate: "2026-05-29", companies: [{ id: 1, bankAccounts: [] }] } };

describe("the tie-out", () => {
  it("finds what was typed wrongly, and closes only what agrees", async () => {
    const calls = serverAnswers({
      "GET /api/me": () => ME,
      "GET /api/tie-outs": () => ({ body: [ACCOUNT] }),
      "GET /api/bank-accounts/5/tie-out": (request) => ({
        body: request.url.includes("591.06") ? looked("591.06", "72.00") : looked("519.06", "0.00"),
      }),
      "POST /api/bank-accounts/5/tie-out/closing": () => ({ status: 201, body: {} }),
    });
    const { user } = show(<TieOutView />, true, true);
    await screen.findByText("Bank and books agree to the cent");
    expect(screen.getByRole("link", { name: "FLOUR" }).getAttribute("href")).toBe("/waiting/desk/7");
    expect(screen.getByRole("button", { name: "It is right now…" })).toBeTruthy();
    await user.type(screen.getByLabelText("The bank shows"), "591.06");
    await screen.findByText("The bank shows 72.00 more than the books, and nothing explains it");
    expect(screen.getByText(/591.06 may be 519.06/)).toBeTruthy();
    const close = screen.getByRole("button", { name: /^Close May 29/ });
    expect((close as HTMLButtonElement).disabled).toBe(true);
    await user.clear(screen.getByLabelText("The bank shows"));
    await screen.findByText("Bank and books agree to the cent");
    await user.click(screen.getByRole("button", { name: /^Close May 29/ }));
    expect(screen.getByRole("dialog").textContent).toContain(
      "2 things between them go on into the next one.",
    );
    await user.click(screen.getByRole("button", { name: "Close it" }));
    await waitFor(() =>
      expect(calls.find((c) => c.name === "POST /api/bank-accounts/5/tie-out/closing")?.body).toEqual({
        asOf: "2026-05-29",
      }),
    );
  });

  it("asks first what stood on the account when the books began", async () => {
    const calls = serverAnswers({
      "GET /api/me": () => ME,
      "GET /api/tie-outs": () => ({
        body: [
          {
            ...ACCOUNT,
            opening: null,
            openingSuggested: { on: "2026-02-08", amount: usd("109.69") },
          },
        ],
      }),
      "POST /api/bank-accounts/5/opening": () => ({ status: 204, body: null }),
    });
    const { user } = show(<TieOutView />, true, true);
    expect(await screen.findByText(/By its first statement it was 109.69/)).toBeTruthy();
    await user.click(screen.getByRole("button", { name: "Begin with it" }));
    await waitFor(() =>
      expect(calls.find((c) => c.name === "POST /api/bank-accounts/5/opening")?.body).toEqual({
        on: "2026-02-08",
        balance: usd("109.69"),
      }),
    );
  });
});

describe("closed periods", () => {
  it("says which accounts are not tied out before a period is closed", async () => {
    const calls = serverAnswers({
      "GET /api/closed-periods": () => ({ body: { closedUntil: null, periods: [] } }),
      "GET /api/closed-periods/not-tied-out": () => ({ body: { accounts: ["Lockbox USD"] } }),
      "POST /api/closed-periods": () => ({ status: 201, body: {} }),
    });
    const { user } = show(<ClosedPeriodsView />, true, true);
    await user.click(await screen.findByRole("button", { name: "Close a period…" }));
    await user.type(screen.getByLabelText("The last closed day"), "2026-04-30");
    expect(await screen.findByText(/Not tied out up to that day: Lockbox USD/)).toBeTruthy();
    await user.click(screen.getByRole("button", { name: /Close up to Apr 30, 2026/ }));
    await waitFor(() =>
      expect(calls.find((c) => c.name === "POST /api/closed-periods")?.body).toEqual({ until: "2026-04-30" }),
    );
  });
});

describe("a broken cent trail", () => {
  it("names where it breaks, and links to it", async () => {
    const zero = usd("0.00");
    const trail = {
      arrived: usd("10.00"),
      applied: usd("8.75"),
      onAccount: zero,
      toAccounts: zero,
      shelved: zero,
      returned: zero,
      banked: zero,
      waiting: zero,
      gap: usd("1.25"),
    };
    serverAnswers({
      "GET /api/cent-trail": () => ({
        body: {
          whole: false,
          totals: [trail],
          intakes: [
            { intakeId: 3, fileName: "may.ofx", takenAt: "2026-05-29T10:00:00Z", currency: "USD", trail },
          ],
          accounts: [{ bankAccountId: 5, name: "Operating USD", currency: "USD", trail }],
          breaks: [
            {
              entryId: 7,
              intakeId: 3,
              intake: "may.ofx",
              bankAccount: "Operating USD",
              on: "2026-05-28",
              words: "QUINCE CAFE FLOUR",
              told: usd("10.00"),
              found: usd("8.75"),
              gap: usd("1.25"),
            },
          ],
        },
      }),
    });
    const { user } = show(<CentTrailView />);
    const breaks = await screen.findByLabelText("Where the trail breaks");
    expect(breaks.textContent).toContain("It breaks in 1 place");
    expect(breaks.textContent).toContain("it came with 10.00, and 8.75 of it is somewhere");
    expect(within(breaks).getByRole("link").getAttribute("href")).toBe("/waiting/desk/7");
    await user.click(screen.getByRole("tab", { name: "By account" }));
    expect(screen.getByRole("row", { name: /Operating USD/ }).textContent).toContain("1.25");
  });
});

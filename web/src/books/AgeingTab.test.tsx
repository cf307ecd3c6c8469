import { screen, within } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { serverAnswers, show, usd } from "../testing";
import { AgeingTab } from "./AgeingTab";

function eur(amount: string) {
  return { amount, currency: "EUR" };
}

function report(words: string, total: string | null) {
  const none = eur("0.00");
  const amounts = {
    NOT_DUE: eur("100.00"),
    DAYS_1_TO_30: none,
    DAYS_31_TO_60: none,
    DAYS_61_TO_90: none,
    OVER_90: none,
  };
  return {
    on: "2026-05-29",
    currency: "EUR",
    lines: [{ customerId: 7, number: "C7", customer: "Moulin", amounts, total: eur("100.00") }],
    amounts,
    total: eur("100.00"),
    inBooks: {
      currency: "USD",
      ratesOn: "2026-05-29",
      words,
      amounts: total ? { NOT_DUE: usd(total) } : null,
      total: total ? usd(total) : null,
    },
  };
}

describe("an ageing in another currency than that of the books", () => {
  it("has its totals in that too, with the rate, and so have its tables", async () => {
    serverAnswers({
      "GET /api/books/ageing": () => ({ body: report("1 EUR = 1.0854 USD of 28 May 2026", "108.54") }),
    });
    show(<AgeingTab />);
    const row = (await screen.findByText("1 EUR = 1.0854 USD of 28 May 2026")).closest("tr");
    expect(row?.textContent).toContain("All, in USD");
    expect(within(row as HTMLElement).getAllByText("108.54")).toHaveLength(2);
    const file = (ending: string) =>
      screen.getByRole("link", { name: `Ageing as ${ending}` }).getAttribute("href");
    expect(file("CSV")).toContain("inBooks=true");
    expect(file("PDF")).toContain("inBooks=true");
  });

  it("asks for a rate where none counts", async () => {
    serverAnswers({ "GET /api/books/ageing": () => ({ body: report("", null) }) });
    show(<AgeingTab />);
    expect(await screen.findByRole("link", { name: /^no rate counts on .*; type one$/ })).toBeTruthy();
    expect(screen.getByRole("link", { name: "Ageing as CSV" }).getAttribute("href")).not.toContain("inBooks");
  });
});

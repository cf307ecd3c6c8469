import { screen } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { serverAnswers, show, usd } from "../testing";
import { UnrealisedTab } from "./UnrealisedTab";

const ME = { body: { businessDate: "2026-05-29", companies: [] } };

function eur(amount: string) {
  return { amount, currency: "EUR" };
}

describe("the unrealised difference", () => {
  it("is what is open at the rate of the day, less what it stands in the books with", async () => {
    serverAnswers({
      "GET /api/me": () => ME,
      "GET /api/books/unrealised": () => ({
        body: {
          on: "2026-05-29",
          books: "USD",
          lines: [
            {
              currency: "EUR",
              items: 3,
              open: eur("1000.00"),
              inBooks: usd("1100.00"),
              missing: 1,
              rate: "1.0854",
              words: "1 EUR = 1.0854 USD of 28 May 2026",
              atRate: usd("1085.40"),
              difference: usd("-14.60"),
            },
            {
              currency: "GBP",
              items: 1,
              open: { amount: "50.00", currency: "GBP" },
              inBooks: usd("63.00"),
              missing: 0,
              rate: null,
              words: "",
              atRate: null,
              difference: null,
            },
          ],
          difference: usd("-14.60"),
        },
      }),
    });
    show(<UnrealisedTab />);
    const euros = (await screen.findByText(/1 item more wait/)).closest("tr");
    expect(euros?.textContent).toContain("1,085.40");
    expect(euros?.textContent).toContain("loss");
    expect(screen.getByRole("link", { name: "none counts; type one" })).toBeTruthy();
    expect(screen.getByText("Together, USD").closest("tr")?.textContent).toContain("14.60");
  });

  it("is nothing where all is in the currency of the books", async () => {
    serverAnswers({
      "GET /api/me": () => ME,
      "GET /api/books/unrealised": () => ({
        body: { on: "2026-05-29", books: "USD", lines: [], difference: usd("0.00") },
      }),
    });
    show(<UnrealisedTab />);
    expect(await screen.findByText("Nothing is open in another currency")).toBeTruthy();
  });
});

import { screen } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { serverAnswers, show, usd } from "../testing";
import { StatementsTab } from "./StatementsTab";

/** The company keeps its books in this currency; one works in dollars. */
function answers(books: string, rate: object | null = null) {
  serverAnswers({
    "GET /api/rates/counting": () => ({ body: { rate } }),
    "GET /api/me": () => ({ body: { businessDate: "2026-05-29", companies: [{ id: 1, currency: books }] } }),
    "GET /api/customer-statements": () => ({
      body: [{ customerId: 7, customer: "Moulin", number: "C7", owes: usd("10.00"), overdue: usd("0.00") }],
    }),
  });
}

function file() {
  return screen.getByRole("link", { name: "1 statement as PDF" }).getAttribute("href") ?? "";
}

describe("statements in one go", () => {
  it("have their closing balances in the currency of the books where one asks for it", async () => {
    answers("GBP", {
      from: "USD",
      to: "GBP",
      rate: "0.79",
      how: "QUOTED",
      on: "2026-05-28",
      by: "",
      quotes: [],
    });
    const { user } = show(<StatementsTab />);
    const box = await screen.findByRole("checkbox", { name: "closing balances in GBP too" });
    expect(file()).not.toContain("inBooks");
    await user.click(box);
    expect(await screen.findByText(/^At 1 USD = 0.79 GBP, quoted so on/)).toBeTruthy();
    expect(file()).toContain("inBooks=true&ratesOn=2026-05-29");
    expect(screen.getByLabelText<HTMLInputElement>("Rate of").value).toBe("2026-05-29");
  });

  it("ask for a rate where none counts, and are had without it", async () => {
    answers("GBP");
    const { user } = show(<StatementsTab />);
    await user.click(await screen.findByRole("checkbox", { name: "closing balances in GBP too" }));
    expect(await screen.findByRole("link", { name: /^no rate counts on .*; type one$/ })).toBeTruthy();
    expect(file()).not.toContain("inBooks");
  });

  it("have nothing to restate in the currency of the books", async () => {
    answers("USD");
    show(<StatementsTab />);
    expect(await screen.findByText("Moulin")).toBeTruthy();
    expect(screen.queryByRole("checkbox")).toBeNull();
  });
});

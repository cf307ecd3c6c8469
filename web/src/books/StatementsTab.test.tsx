import { screen } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { serverAnswers, show, usd } from "../testing";
import { StatementsTab } from "./StatementsTab";

/** The company keeps its books in this currency; one works in dollars. */
function answers(books: string) {
  serverAnswers({
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
    answers("GBP");
    const { user } = show(<StatementsTab />);
    const box = await screen.findByRole("checkbox", { name: "closing balances in GBP too" });
    expect(file()).not.toContain("inBooks");
    await user.click(box);
    expect(file()).toContain("inBooks=true");
    expect(screen.getByLabelText<HTMLInputElement>("Rate of").value).toBe("2026-05-29");
  });

  it("have nothing to restate in the currency of the books", async () => {
    answers("USD");
    show(<StatementsTab />);
    expect(await screen.findByText("Moulin")).toBeTruthy();
    expect(screen.queryByRole("checkbox")).toBeNull();
  });
});

import { screen, within } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { GROUP, serverAnswers, show, usd } from "../testing";
import { TogetherTab } from "./TogetherTab";

function eur(amount: string) {
  return { amount, currency: "EUR" };
}

const MEASURES = ["BANKS", "OWED", "NOT_DUE", "OVER_90"] as const;

function report(rate: string | null) {
  return {
    on: "2026-05-29",
    ratesOn: "2026-05-28",
    currency: "USD",
    columns: [
      {
        company: GROUP[0],
        currency: "EUR",
        rate,
        words: rate ? "1 EUR = 1.0854 USD of 28 May 2026" : "",
      },
      { company: GROUP[0], currency: "USD", rate: null, words: "" },
    ],
    rows: MEASURES.map((measure) => ({
      measure,
      amounts: [eur("100.00"), usd("0.00")],
      total: rate ? usd("108.54") : null,
    })),
  };
}

const ME = {
  body: {
    businessDate: "2026-05-29",
    companies: [{ id: 1, name: "Larkstow", currencies: ["EUR", "USD"], bankAccounts: [] }],
  },
};

describe("all currencies", () => {
  it("stand side by side, each in its own, with the total at the stated rate", async () => {
    const asked: string[] = [];
    serverAnswers({
      "GET /api/me": () => ME,
      "GET /api/together": (request) => {
        asked.push(new URL(request.url).search);
        return { body: report("1.0854") };
      },
    });
    const { user } = show(<TogetherTab />, true, false, GROUP);
    const table = await screen.findByRole("table", { name: "All currencies" });
    expect(within(table).getByText("1 EUR = 1.0854 USD of 28 May 2026")).toBeTruthy();
    const owed = within(table).getByText("Customers owe").closest("tr");
    expect(owed?.textContent).toBe("Customers owe100.00–108.54");
    expect(within(table).getByText("Not due")).toBeTruthy();
    await user.click(screen.getByLabelText("All companies"));
    await screen.findByRole("table", { name: "All currencies" });
    expect(asked.at(-1)).toContain("group=true");
    await user.selectOptions(screen.getByLabelText("Totals in"), "EUR");
    await screen.findByRole("table", { name: "All currencies" });
    expect(asked.at(-1)).toContain("currency=EUR");
    expect(screen.getByRole("link", { name: "All currencies as CSV" }).getAttribute("href")).toBe(
      "/api/together.csv?company=1&group=true&currency=EUR",
    );
  });

  it("say that a rate is missing, and guess none", async () => {
    serverAnswers({
      "GET /api/me": () => ME,
      "GET /api/together": () => ({ body: report(null) }),
    });
    show(<TogetherTab />);
    expect(await screen.findAllByText("a rate is missing")).toHaveLength(MEASURES.length);
    expect(screen.getByRole("link", { name: "no rate counts; type one" })).toBeTruthy();
    expect(screen.queryByLabelText("All companies")).toBeNull();
  });

  it("say what went wrong", async () => {
    serverAnswers({
      "GET /api/me": () => ME,
      "GET /api/together": () => ({ status: 500, body: { detail: "The books are being moved." } }),
    });
    show(<TogetherTab />);
    expect(await screen.findByText("The books are being moved.")).toBeTruthy();
  });
});

import { screen, waitFor, within } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { serverAnswers, show } from "../testing";
import { RatesTab } from "./RatesTab";

const PAIRS = {
  pairs: [{ from: "EUR", to: "USD", days: 2, latestOn: "2026-05-28", latestRate: "1.0854" }],
  service: "The simulated rate service",
  longestDays: 5,
};

const ROW = {
  id: 1,
  on: "2026-05-28",
  from: "EUR",
  to: "USD",
  rate: "1.0854",
  origin: "HAND",
  reason: "told by the bank",
  fileName: "",
  recordedBy: "maren",
  recordedAt: "2026-05-28T09:00:00Z",
  replaced: false,
};

const ME = { body: { businessDate: "2026-05-29", companies: [], role: "CLERK" } };

function answers(more = {}) {
  return serverAnswers({
    "GET /api/me": () => ME,
    "GET /api/rates/pairs": () => ({ body: PAIRS }),
    "GET /api/rates": () => ({
      body: { rows: [ROW, { ...ROW, id: 2, rate: "1.2", reason: "", replaced: true }], next: null },
    }),
    "GET /api/rates/counting": () => ({
      body: {
        rate: {
          from: "USD",
          to: "EUR",
          rate: "0.92132",
          on: "2026-05-28",
          how: "INVERSE",
          by: "",
          quotes: [{ on: "2026-05-28", from: "EUR", to: "USD", rate: "1.0854" }],
        },
      },
    }),
    ...more,
  });
}

describe("rates", () => {
  it("says which rate counts and how it came about, and where each day's is from", async () => {
    answers();
    show(<RatesTab />, true);
    await screen.findByText(/the other way round: 1 EUR = 1.0854 USD of /);
    const days = await screen.findByRole("table", { name: "Rates" });
    expect(within(days).getByText("told by the bank")).toBeTruthy();
    expect(within(days).getByText("replaced since")).toBeTruthy();
  });

  it("says that there is none instead of guessing", async () => {
    answers({ "GET /api/rates/counting": () => ({ body: { rate: null } }) });
    show(<RatesTab />, true);
    await screen.findByText(/No rate counts on this day/);
  });

  it("asks whether a typed rate far from the last is right", async () => {
    const calls = answers({
      "POST /api/rates": async (request: Request) =>
        ((await request.clone().json()) as { sure: boolean }).sure
          ? { status: 201, body: { id: 9 } }
          : { status: 409, body: { code: "FAR_FROM_THE_LAST", detail: "more than a tenth away" } },
    });
    const { user } = show(<RatesTab />, true);
    await user.click(await screen.findByRole("button", { name: "Type a rate…" }));
    await user.type(screen.getByLabelText("From currency"), "eur");
    await user.type(screen.getByLabelText("To currency"), "usd");
    await user.type(screen.getByLabelText("Rate"), "1.3");
    await user.type(screen.getByLabelText("Who gave it, or why"), "the bank");
    await user.click(screen.getByRole("button", { name: "Keep it" }));
    await screen.findByText("more than a tenth away");
    const keep = screen.getByRole("button", { name: "Keep it" });
    expect((keep as HTMLButtonElement).disabled).toBe(true);
    await user.click(screen.getByLabelText("It is right as it stands"));
    await user.click(keep);
    await waitFor(() => expect(screen.queryByRole("dialog")).toBeNull());
    expect(calls.filter((c) => c.name === "POST /api/rates").map((c) => c.body)).toMatchObject([
      { from: "EUR", to: "USD", rate: "1.3", sure: false },
      { from: "EUR", to: "USD", rate: "1.3", sure: true },
    ]);
  });
});

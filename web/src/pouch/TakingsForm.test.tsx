import { screen, waitFor } from "@testing-library/react";
import { describe, expect, it, vi } from "vitest";
import { serverAnswers, show, usd } from "../testing";
import { TakingsForm } from "./TakingsForm";

const LINES = [
  { code: "1050", account: "Receipts on hand", debit: usd("530.60"), credit: null },
  { code: "4000", account: "Sales", debit: null, credit: usd("530.60") },
];

function field(name: string) {
  return screen.getByLabelText(name);
}

describe("a till’s day", () => {
  it("shows what it writes, says what is short, and books it by keyboard", async () => {
    const calls = serverAnswers({
      "GET /api/ledger-accounts": () => ({ body: [] }),
      "GET /api/tax-codes": () => ({ body: [{ code: "SALES6", name: "Sales tax 6 %", percent: 6 }] }),
      "POST /api/takings/preview": () => ({ body: LINES }),
      "POST /api/takings": () => ({ status: 201, body: { id: 3, sold: usd("848.00") } }),
    });
    const booked = vi.fn();
    const { user } = show(<TakingsForm today="2026-05-29" booked={booked} />);
    await user.type(field("Sold, tax included"), "848");
    await screen.findByRole("option", { name: "Sales tax 6 %" });
    await user.selectOptions(field("Tax in it"), "SALES6");
    await user.type(field("By the till"), "412.60");
    await user.type(field("Counted"), "410.60");
    expect(screen.getByText("2.00 short")).toBeTruthy();
    await user.type(field("Cheque number 1"), "7781");
    await user.type(field("Cheque amount 1"), "120");
    // a line for the next cheque has come
    expect(field("Cheque number 2")).toBeTruthy();
    await user.type(field("Card batch 1"), "12");
    await user.type(field("Card batch amount 1"), "315.40");
    expect(await screen.findByText("Receipts on hand")).toBeTruthy();
    await waitFor(() =>
      expect(screen.getByRole("button", { name: /Book the day/ }).hasAttribute("disabled")).toBe(false),
    );
    await user.keyboard("{Control>}{Enter}{/Control}");
    await waitFor(() => expect(booked).toHaveBeenCalled());
    expect(calls.find((c) => c.name === "POST /api/takings")?.body).toEqual({
      on: "2026-05-29",
      name: "Till 1",
      sales: [{ amount: usd("848.00"), taxCode: "SALES6" }],
      tillCash: usd("412.60"),
      paid: [
        { method: "CASH", amount: usd("410.60") },
        { method: "CHEQUE", amount: usd("120.00"), reference: "7781", from: "" },
        { method: "CARD", amount: usd("315.40"), reference: "12", from: "" },
      ],
    });
    expect((field("Sold, tax included") as HTMLInputElement).value).toBe("");
  });

  it("says by how much the figures contradict each other and books nothing", async () => {
    const calls = serverAnswers({
      "GET /api/ledger-accounts": () => ({ body: [] }),
      "GET /api/tax-codes": () => ({ body: [] }),
      "POST /api/takings/preview": () => ({
        status: 422,
        body: { code: "DOES_NOT_AGREE", detail: "Sales of 50.00 and what was paid differ by 10.00." },
      }),
    });
    const { user } = show(<TakingsForm today="2026-05-29" booked={vi.fn()} />);
    await user.type(field("Sold, tax included"), "50");
    await user.type(field("By the till"), "40");
    expect(await screen.findByText("Sales of 50.00 and what was paid differ by 10.00.")).toBeTruthy();
    await user.keyboard("{Control>}{Enter}{/Control}");
    expect(calls.some((c) => c.name === "POST /api/takings")).toBe(false);
    expect((field("By the till") as HTMLInputElement).value).toBe("40");
  });
});

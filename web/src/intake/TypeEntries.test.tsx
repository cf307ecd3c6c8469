import { screen } from "@testing-library/react";
import { describe, expect, it, vi } from "vitest";
import { serverAnswers, show } from "../testing";
import { TypeEntries } from "./TypeEntries";

const ACCOUNTS = [
  { id: 3, name: "Operating USD", bank: "Copperbeck", number: "44", currency: "USD" },
  { id: 4, name: "Halage EUR", bank: "Halage", number: "45", currency: "EUR" },
];

describe("typing entries from paper", () => {
  it("sends the rows with an amount, in the account's currency", async () => {
    const calls = serverAnswers({
      "POST /api/bank-accounts/3/typed-entries": () => ({ status: 201, body: { id: 31 } }),
    });
    const done = vi.fn();
    const { user } = show(<TypeEntries accounts={ACCOUNTS} day="2026-05-28" done={done} close={() => {}} />);
    await user.type(screen.getByLabelText("Amount, USD"), "1,200.5");
    await user.type(screen.getByLabelText("Payer"), "Wren");
    await user.click(screen.getByRole("button", { name: "Another one" }));
    await user.click(screen.getByRole("button", { name: "Take 1 entry in" }));
    expect(calls[0]?.body).toEqual({
      entries: [
        {
          bookedOn: "2026-05-28",
          amount: { amount: "1200.50", currency: "USD" },
          payerName: "Wren",
          payerAccount: "",
          text: "",
        },
      ],
    });
    expect(done).toHaveBeenCalledWith(31);
  });

  it("waits while an amount is none", async () => {
    serverAnswers({});
    const { user } = show(
      <TypeEntries accounts={ACCOUNTS} day="2026-05-28" done={() => {}} close={() => {}} />,
    );
    await user.type(screen.getByLabelText("Amount, USD"), "12x");
    expect(screen.getByRole("button", { name: "Take 1 entry in" }).hasAttribute("disabled")).toBe(true);
  });
});

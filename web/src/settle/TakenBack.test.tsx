import { screen, waitFor } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { serverAnswers, show, usd } from "../testing";
import { TakenBack } from "./TakenBack";

const DEBIT = {
  id: 70,
  bookedOn: "2026-05-29",
  amount: usd("-333.30"),
  text: "RETURNED CHEQUE 5521",
  payer: "Copperbeck",
};

describe("money from us", () => {
  it("names the receipt it may take back, and notes the return by this very debit", async () => {
    const calls = serverAnswers({
      "GET /api/entries/70/taken-back": () => ({
        body: [
          {
            entryId: 12,
            payer: "QBack Cafe",
            receivedOn: "2026-05-27",
            amount: usd("318.30"),
            checkNumber: "5521",
            owners: [{ customerId: 7, name: "QBack Cafe" }],
          },
        ],
      }),
      "GET /api/entries/12": () => ({ body: { id: 12, recorded: true } }),
      "GET /api/entries/12/return-candidates": (request) => ({
        body: request.url.includes("debit=")
          ? []
          : [{ id: 70, bookedOn: "2026-05-29", amount: usd("-333.30"), text: "RETURNED CHEQUE 5521" }],
      }),
      "GET /api/entries/12/return-cost": () => ({ body: usd("15.00") }),
      "POST /api/entries/12/return": () => ({ body: { received: usd("318.30"), fee: usd("15.00") } }),
    });
    const { user } = show(<TakenBack debit={DEBIT} />);
    expect(await screen.findByText(/from QBack Cafe/)).toBeTruthy();
    await user.click(screen.getByRole("button", { name: "It came back…" }));
    await user.click(await screen.findByLabelText("charge it to QBack Cafe"));
    await user.type(screen.getByLabelText("Why"), "no cover");
    await user.click(screen.getByRole("button", { name: "Note the return" }));
    await waitFor(() => expect(calls.some((c) => c.name === "POST /api/entries/12/return")).toBe(true));
    expect(calls.find((c) => c.name === "POST /api/entries/12/return")?.body).toMatchObject({
      debitId: 70,
      chargeFeeTo: 7,
      backInPouch: true,
      reason: "no cover",
    });
  });
});

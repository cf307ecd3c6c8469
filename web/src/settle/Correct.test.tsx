import { screen } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import type { Schemas } from "../api/client";
import { serverAnswers, show, usd } from "../testing";
import { SettlementStrip } from "./SettlementStrip";

function settlement(more: object = {}) {
  return {
    id: 40,
    status: "POSTED",
    origin: "HAND",
    entryId: 12,
    receivedOn: "2026-05-28",
    payer: "OSKAR",
    received: usd("300.00"),
    applications: [
      {
        itemId: 1,
        number: "LM-1",
        customerId: 7,
        customerName: "Oskar",
        amount: usd("100.00"),
        discount: usd("0.00"),
      },
      {
        itemId: 2,
        number: "LM-2",
        customerId: 7,
        customerName: "Oskar",
        amount: usd("200.00"),
        discount: usd("0.00"),
      },
    ],
    adjustments: [],
    rates: [],
    elsewhere: [],
    onAccount: usd("0.00"),
    postedOn: "2026-05-29",
    postedAt: "2026-05-29T09:00:00Z",
    postedBy: "maren",
    journalEntryId: 5,
    ...more,
  } as unknown as Schemas["SettlementView"];
}

describe("what is posted and wrong", () => {
  it("is taken back one by one, with the reason", async () => {
    let refuse = true;
    const calls = serverAnswers({
      "POST /api/settlements/40/applications/2/taking-back": () =>
        refuse
          ? { status: 422, body: { detail: "50.00 of the 200.00 kept on account has been applied since." } }
          : { body: settlement({ id: 41 }) },
    });
    const { user } = show(<SettlementStrip settlement={settlement()} />);
    await user.click(screen.getByRole("button", { name: "Correct…" }));
    await user.click(screen.getByRole("menuitem", { name: "Take one of 2 back" }));
    await user.click(screen.getByRole("radio", { name: /LM-2/ }));
    await user.type(screen.getByLabelText("Why"), "in dispute{Enter}");
    expect(await screen.findByText(/has been applied since/)).toBeTruthy();
    expect((screen.getByLabelText("Why") as HTMLInputElement).value).toBe("in dispute");
    refuse = false;
    await user.click(screen.getByRole("button", { name: "Take LM-2 back" }));
    expect(calls.at(-1)).toEqual({
      name: "POST /api/settlements/40/applications/2/taking-back",
      body: { reason: "in dispute" },
    });
  });

  it("is moved to whoever really paid", async () => {
    const calls = serverAnswers({
      "GET /api/customers": () => ({ body: { rows: [{ id: 9, name: "Halloran", number: "C9" }] } }),
      "POST /api/settlements/40/moving": () => ({ body: settlement({ id: 41 }) }),
    });
    const { user } = show(<SettlementStrip settlement={settlement()} />);
    await user.click(screen.getByRole("button", { name: "Correct…" }));
    await user.click(screen.getByRole("menuitem", { name: "Move to another customer" }));
    await user.type(screen.getByLabelText("To which customer"), "hall");
    await user.click(await screen.findByRole("option", { name: "Halloran" }));
    await user.type(screen.getByLabelText("Why"), "his cheque");
    await user.click(screen.getByRole("button", { name: "Move to Halloran" }));
    expect(calls.find((c) => c.name.endsWith("/moving"))?.body).toEqual({
      customerId: 9,
      reason: "his cheque",
    });
  });

  it("came back from the bank: the server says what that cost, and somebody bears it", async () => {
    const calls = serverAnswers({
      "GET /api/entries/12/return-candidates": (request) => ({
        body: request.url.includes("debit=")
          ? [{ id: 22, bookedOn: "2026-05-29", amount: usd("-12.00"), text: "RETURN FEE" }]
          : [{ id: 21, bookedOn: "2026-05-29", amount: usd("-300.00"), text: "RETURNED CHEQUE" }],
      }),
      "GET /api/entries/12/return-cost": (request) => ({
        body: request.url.includes("feeDebit=22") ? usd("12.00") : usd("0.00"),
      }),
      "POST /api/entries/12/return": () => ({ body: { received: usd("300.00"), fee: usd("12.00") } }),
    });
    const { user } = show(<SettlementStrip settlement={settlement()} />);
    await user.click(screen.getByRole("button", { name: "Correct…" }));
    await user.click(screen.getByRole("menuitem", { name: "Returned by the bank" }));
    await user.click(await screen.findByRole("radio", { name: /RETURNED CHEQUE/ }));
    await user.click(await screen.findByRole("radio", { name: /RETURN FEE/ }));
    expect(await screen.findByText("Who bears 12.00")).toBeTruthy();
    await user.click(screen.getByRole("radio", { name: "charge it to Oskar" }));
    await user.type(screen.getByLabelText("Why"), "no cover");
    await user.click(screen.getByRole("button", { name: "Note the return" }));
    expect(calls.find((c) => c.name === "POST /api/entries/12/return")?.body).toEqual({
      debitId: 21,
      feeDebitId: 22,
      chargeFeeTo: 7,
      reason: "no cover",
    });
  });

  it("puts a cheque of the office in the pouch again, unless it is not to be presented once more", async () => {
    const calls = serverAnswers({
      "GET /api/entries/12": () => ({ body: { id: 12, recorded: true } }),
      "GET /api/entries/12/return-candidates": (request) => ({
        body: request.url.includes("debit=")
          ? []
          : [{ id: 21, bookedOn: "2026-05-29", amount: usd("-300.00"), text: "RETURNED CHEQUE" }],
      }),
      "GET /api/entries/12/return-cost": () => ({ body: usd("0.00") }),
      "POST /api/entries/12/return": () => ({ body: { received: usd("300.00"), fee: usd("0.00") } }),
    });
    const { user } = show(<SettlementStrip settlement={settlement()} />);
    await user.click(screen.getByRole("button", { name: "Correct…" }));
    await user.click(screen.getByRole("menuitem", { name: "Returned by the bank" }));
    await user.click(await screen.findByRole("radio", { name: /RETURNED CHEQUE/ }));
    const again = await screen.findByLabelText("Put it in the pouch again, to be presented once more");
    expect((again as HTMLInputElement).checked).toBe(true);
    await user.click(again);
    await user.type(screen.getByLabelText("Why"), "no cover");
    await user.click(screen.getByRole("button", { name: "Note the return" }));
    expect(calls.find((c) => c.name === "POST /api/entries/12/return")?.body).toEqual({
      debitId: 21,
      backInPouch: false,
      reason: "no cover",
    });
  });

  it("says so where no debit can be its return", async () => {
    serverAnswers({ "GET /api/entries/12/return-candidates": () => ({ body: [] }) });
    const { user } = show(<SettlementStrip settlement={settlement()} />);
    await user.click(screen.getByRole("button", { name: "Correct…" }));
    await user.click(screen.getByRole("menuitem", { name: "Returned by the bank" }));
    expect(await screen.findByText(/No debit of 300.00 or a little more/)).toBeTruthy();
  });

  it("shows its chain", () => {
    serverAnswers({});
    show(
      <SettlementStrip
        settlement={settlement({
          status: "REVERSED",
          replaces: 38,
          replacedBy: 41,
          reversal: { by: "maren", at: "2026-05-29T10:00:00Z", reason: "wrong one" },
          returned: {
            debitId: 21,
            on: "2026-05-29",
            fee: usd("12.00"),
            feeItemId: 77,
            by: "maren",
            reason: "no cover",
          },
        })}
      />,
    );
    expect(screen.getByRole("link", { name: "settlement 38" })).toBeTruthy();
    expect(screen.getByRole("link", { name: "settlement 41" })).toBeTruthy();
    expect(screen.getByRole("link", { name: "charged on" }).getAttribute("href")).toBe("/posted/items/77");
    expect(screen.queryByRole("button", { name: "Correct…" })).toBeNull();
  });
});

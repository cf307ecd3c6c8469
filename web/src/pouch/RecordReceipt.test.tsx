import { screen, waitFor } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { serverAnswers, show, usd } from "../testing";
import { RecordReceipt } from "./RecordReceipt";

const FOUND = {
  items: [
    {
      itemId: 11,
      number: "LM-7",
      customerId: 3,
      customerName: "Vale Bread Co",
      open: usd("100.00"),
      discount: usd("2.00"),
    },
  ],
  payer: { customerId: 3, name: "Vale Bread Co" },
  unknown: [],
  open: usd("100.00"),
  net: usd("98.00"),
};
const HELD = {
  id: 40,
  name: "Cheque 58",
  from: "Vale Bread Co",
  amount: usd("98.00"),
  settlementId: 9,
  pays: ["LM-7"],
};

/** What the lists ask for that follow a change; nothing is shown of it here. */
function bodies(calls: { name: string; body: unknown }[]) {
  return calls.filter((c) => c.name === "POST /api/receipts").map((c) => c.body as Record<string, unknown>);
}

describe("recording a receipt", () => {
  it("takes amount and payer from the invoices, also where Enter comes before they are known", async () => {
    let answer: (found: unknown) => void = () => {};
    const calls = serverAnswers({
      "GET /api/receipts/lookup": async () => ({ body: await new Promise((done) => (answer = done)) }),
      "POST /api/receipts": () => ({ status: 201, body: { receipt: HELD, left: null } }),
    });
    const { user } = show(<RecordReceipt today="2026-05-29" />);
    await user.type(screen.getByLabelText("Cheque number"), "58");
    await user.tab();
    await user.paste("LM-7");
    await user.keyboard("{Enter}");
    expect(bodies(calls)).toHaveLength(0);
    await waitFor(() => expect(calls.some((c) => c.name === "GET /api/receipts/lookup")).toBe(true));
    answer(FOUND);
    expect(
      await screen.findByText(/Recorded: Cheque 58 of 98.00 from Vale Bread Co, pays LM-7/),
    ).toBeTruthy();
    expect(bodies(calls)).toHaveLength(1);
    expect(bodies(calls)[0]).toMatchObject({
      method: "CHEQUE",
      receivedOn: "2026-05-29",
      amount: usd("98.00"),
      customerId: 3,
      reference: "58",
      itemIds: [11],
    });
    // ready for the next one
    expect((screen.getByLabelText("Cheque number") as HTMLInputElement).value).toBe("");
    expect(document.activeElement).toBe(screen.getByLabelText("Cheque number"));
  });

  it("says what a typed amount does not come to, and keeps what was typed when it is refused", async () => {
    let again = false;
    const calls = serverAnswers({
      "GET /api/receipts/lookup": () => ({ body: { ...FOUND, unknown: ["nix"] } }),
      "POST /api/receipts": () =>
        again
          ? {
              status: 201,
              body: { receipt: { ...HELD, amount: usd("90.00"), settlementId: null }, left: "It waits." },
            }
          : { status: 409, body: { code: "RECORDED_ALREADY", detail: "Cheque 58 was recorded on 28 May." } },
    });
    const { user } = show(<RecordReceipt today="2026-05-29" />);
    await user.type(screen.getByLabelText("Cheque number"), "58");
    await user.tab();
    await user.paste("LM-7 nix");
    expect(await screen.findByText(/nix names nothing that is open/)).toBeTruthy();
    await user.type(screen.getByLabelText("Amount"), "90");
    expect(screen.getByText(/90.00 is not that; it will wait on the desk/)).toBeTruthy();
    await user.keyboard("{Enter}");
    expect(await screen.findByText("Cheque 58 was recorded on 28 May.")).toBeTruthy();
    expect((screen.getByLabelText("Amount") as HTMLInputElement).value).toBe("90");
    again = true;
    await user.click(screen.getByRole("button", { name: "It is another one" }));
    expect(await screen.findByText(/waits on the desk\. It waits\./)).toBeTruthy();
    expect(bodies(calls).at(-1)).toMatchObject({ again: true, amount: usd("90.00") });
  });

  it("proposes what payer and amount may pay, and takes the numbers that are pressed", async () => {
    const calls = serverAnswers({
      "GET /api/receipts/proposals": () => ({
        body: [
          { numbers: ["LM-7"], odds: "about 94 in 100", says: "the amount is the open balance", whole: true },
          { numbers: ["LM-8", "LM-9"], odds: "about 5 in 100", says: "", whole: false },
        ],
      }),
      "GET /api/receipts/lookup": () => ({ body: FOUND }),
      "POST /api/receipts": () => ({ status: 201, body: { receipt: HELD, left: null } }),
    });
    const { user } = show(<RecordReceipt today="2026-05-29" />);
    await user.type(screen.getByLabelText("From"), "Vale Bread");
    expect(calls.some((c) => c.name === "GET /api/receipts/proposals")).toBe(false);
    await user.type(screen.getByLabelText("Amount"), "98");
    await user.click(await screen.findByRole("button", { name: "It pays LM-7" }));
    expect((screen.getByLabelText("Invoices it pays") as HTMLInputElement).value).toBe("LM-7");
    expect(screen.queryByRole("group", { name: "What it may pay" })).toBeNull();
    await screen.findByText(/100.00 less discount/);
    await user.click(screen.getByRole("button", { name: "Record" }));
    await screen.findByText(/Recorded: Cheque 58/);
    expect(bodies(calls)[0]).toMatchObject({ from: "Vale Bread", itemIds: [11] });
  });

  it("books a sale on the spot as sale and receipt in one", async () => {
    const calls = serverAnswers({
      "GET /api/ledger-accounts": () => ({ body: [] }),
      "GET /api/tax-codes": () => ({ body: [{ code: "SALES6", name: "Sales tax 6 %", percent: 6 }] }),
      "POST /api/takings": () => ({
        status: 201,
        body: { id: 1, name: "Two sacks", sold: usd("53.00"), tax: usd("3.00"), paid: [] },
      }),
    });
    const { user } = show(<RecordReceipt today="2026-05-29" />);
    await user.selectOptions(screen.getByLabelText("Method"), "CASH");
    await user.click(screen.getByRole("button", { name: "A sale on the spot…" }));
    await user.type(screen.getByLabelText("What was sold"), "Two sacks");
    await user.type(screen.getByLabelText("Amount"), "53");
    await screen.findByRole("option", { name: "Sales tax 6 %" });
    await user.selectOptions(screen.getByLabelText("Tax in the sale"), "SALES6");
    await user.click(screen.getByRole("button", { name: "Record" }));
    expect(await screen.findByText("Booked as sold: 53.00, Two sacks, 3.00 tax in it.")).toBeTruthy();
    expect(calls.find((c) => c.name === "POST /api/takings")?.body).toEqual({
      on: "2026-05-29",
      name: "Two sacks",
      sales: [{ amount: usd("53.00"), taxCode: "SALES6" }],
      paid: [{ method: "CASH", amount: usd("53.00"), reference: "", from: "" }],
    });
    expect(bodies(calls)).toHaveLength(0);
  });
});

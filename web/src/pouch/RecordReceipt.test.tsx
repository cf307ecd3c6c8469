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
});

import { screen, within } from "@testing-library/react";
import { describe, expect, it, vi } from "vitest";
import { show, usd } from "../testing";
import { ReceiptTable } from "./ReceiptTable";
import type { Held } from "./words";

function held(id: number, name: string, receivedOn: string, days: number, amount: string, more = {}): Held {
  return {
    id,
    name,
    from: "Vale Bread Co",
    method: "CHEQUE",
    reference: name,
    receivedOn,
    days,
    amount: usd(amount),
    status: "SETTLED",
    settlementId: 9,
    pays: ["LM-7", "LM-8"],
    recordedBy: "maren",
    ...more,
  } as Held;
}

const RECEIPTS = [
  held(1, "Cheque 11", "2026-05-27", 2, "100.00"),
  held(2, "Cheque 12", "2026-05-27", 2, "25.50", { heldUntil: "2026-06-04" }),
  held(3, "Cash", "2026-05-29", 0, "40.00", { settlementId: null, status: "SOLD", takingsId: 4 }),
];

const DAYS = [
  { receivedOn: "2026-05-27", days: 2, receipts: 2, amount: usd("125.50") },
  { receivedOn: "2026-05-29", days: 0, receipts: 1, amount: usd("40.00") },
];

describe("receipts", () => {
  it("stand under their days with age and sum, and a day is taken by its heading", async () => {
    const taken = vi.fn();
    const { user } = show(
      <ReceiptTable
        label="In the pouch"
        receipts={RECEIPTS}
        tick={() => {}}
        ticked={new Set()}
        byDay={{ days: DAYS, press: taken }}
      />,
    );
    const rows = within(screen.getByRole("table", { name: "In the pouch" })).getAllByRole("row");
    expect(rows.map((row) => row.textContent)).toEqual([
      expect.stringContaining("Receipt"),
      expect.stringMatching(/May 27.*2 days ago.*2 receipts.*125\.50/),
      expect.stringContaining("Cheque 11"),
      expect.stringContaining("held until Jun 4"),
      expect.stringMatching(/May 29.*today.*1 receipt.*40\.00/),
      expect.stringContaining("a sale on the spot"),
    ]);
    await user.click(screen.getByRole("button", { name: /May 27/ }));
    expect(taken).toHaveBeenCalledWith("2026-05-27");
  });

  it("say when each came where they stand in a deposit", () => {
    show(<ReceiptTable label="In this deposit" receipts={RECEIPTS} />);
    expect(screen.getByText(/2 days ago/)).toBeTruthy();
    expect(screen.getAllByText("LM-7, 1 more")).toHaveLength(2);
    expect(screen.queryByRole("button")).toBeNull();
  });
});

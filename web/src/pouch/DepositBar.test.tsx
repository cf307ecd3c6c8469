import { screen } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { show, showStyled, usd } from "../testing";
import { DepositBar } from "./DepositBar";

const RECEIPTS = [
  { id: 1, name: "Cheque 371", method: "CHEQUE" as const, amount: usd("640.00") },
  { id: 2, name: "Cash", method: "CASH" as const, amount: usd("360.00") },
];

describe("the bar of a deposit", () => {
  it("names its segments, what is kept back and what the bank shows", () => {
    show(
      <DepositBar
        receipts={RECEIPTS}
        lines={[{ kind: "KEPT_BACK", amount: usd("-50.00") }]}
        shown={{ amount: usd("860.00"), gap: usd("-90.00") }}
      />,
    );
    expect(screen.getByRole("group", { name: "Cheque 371 640.00, Cash 360.00" })).toBeTruthy();
    expect(screen.getByText("50.00 taken out · the bank shows 860.00, 90.00 less")).toBeTruthy();
  });

  it("is as long as what it holds, and longer where the bank shows more", () => {
    const { container, again } = showStyled(<DepositBar receipts={RECEIPTS} lines={[]} />);
    const widths = () =>
      [...container.querySelectorAll("[title]")].map((e) => parseFloat(getComputedStyle(e).width));
    expect(widths()).toEqual([64, 36]);
    again(
      <DepositBar receipts={RECEIPTS} lines={[]} shown={{ amount: usd("1250.00"), gap: usd("250.00") }} />,
    );
    expect(widths()).toEqual([51.2, 28.8]);
    expect(screen.getByText("the bank shows 1,250.00, 250.00 more")).toBeTruthy();
  });

  it("says so where nothing is chosen", () => {
    show(<DepositBar receipts={[]} lines={[]} />);
    expect(screen.getByRole("group", { name: "nothing is chosen" })).toBeTruthy();
  });
});

import { screen } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import type { Schemas } from "../api/client";
import { serverAnswers, show, usd } from "../testing";
import { Advice, compared } from "./Advice";
import type { Entry } from "./drafts";

type One = Schemas["AdviceView"];

function line(reference: string, amount: string, more: Partial<One["items"][number]> = {}) {
  return {
    reference,
    amount: usd(amount),
    discount: usd("0.00"),
    adjustment: usd("0.00"),
    reason: "",
    ...more,
  };
}

const advice: One = {
  id: 5,
  intakeId: 3,
  trace: "TR-88",
  paidOn: "2026-05-28",
  payerName: "Wrenhouse",
  total: usd("300.00"),
  sum: usd("300.00"),
  unlisted: usd("0.00"),
  items: [line("LM-1", "250.00", { adjustment: usd("-10.00"), reason: "torn" }), line("LM-2", "50.00")],
  tiedBy: "TRACE",
};

function entry(amount: string, said?: One, more?: string) {
  return {
    id: 9,
    payer: "Wrenhouse",
    amount: usd(amount),
    advice: said,
    arrivedMore: more && usd(more),
  } as Entry;
}

describe("what the payer says", () => {
  it("stands line by line, with his sum against the money", async () => {
    const calls = serverAnswers({
      "DELETE /api/remittances/5/entry": () => ({ body: null }),
    });
    const { user } = show(<Advice entry={entry("285.00", advice, "-15.00")} readOnly={false} />);
    expect(screen.getByText("LM-1")).toBeTruthy();
    expect(screen.getByText(/torn/)).toBeTruthy();
    expect(screen.getByText("2 lines: 300.00; 15.00 less arrived")).toBeTruthy();
    expect(screen.getByText(/its trace number stands in what the bank says/)).toBeTruthy();
    await user.click(screen.getByRole("button", { name: "Not this money" }));
    expect(calls.map((c) => c.name)).toContain("DELETE /api/remittances/5/entry");
  });

  it("says where the lines and the claimed payment differ", () => {
    expect(compared({ ...advice, total: usd("310.00"), unlisted: usd("10.00") }, usd("10.00"))).toBe(
      "2 lines: 300.00, though it says 310.00 is paid; 10.00 more arrived",
    );
    expect(compared(advice, usd("0.00"))).toBe("2 lines: 300.00, which is what arrived");
  });

  it("may be chosen among those that wait for their money", async () => {
    const calls = serverAnswers({
      "GET /api/remittances": () => ({
        body: [
          { ...advice, tiedBy: undefined },
          { ...advice, id: 6, total: { amount: "1.00", currency: "EUR" } },
        ],
      }),
      "PUT /api/remittances/5/entry": () => ({ body: null }),
    });
    const { user } = show(<Advice entry={entry("285.00")} readOnly={false} />);
    await user.click(await screen.findByRole("button", { name: "Is one about this?…" }));
    // the one in euros is not offered
    expect(screen.getAllByRole("radio")).toHaveLength(1);
    await user.click(screen.getByRole("radio"));
    await user.click(screen.getByRole("button", { name: "It is this one" }));
    expect(calls.find((c) => c.name.startsWith("PUT"))?.body).toEqual({ entryId: 9 });
  });

  it("is nothing to decide for who may only read", () => {
    show(<Advice entry={entry("285.00", advice)} readOnly />);
    expect(screen.queryByRole("button")).toBeNull();
  });
});

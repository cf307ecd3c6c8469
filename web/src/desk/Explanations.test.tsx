import { screen, within } from "@testing-library/react";
import { describe, expect, it, vi } from "vitest";
import type { Schemas } from "../api/client";
import { show, showStyled, usd } from "../testing";
import type { Entry } from "./drafts";
import { Explanations } from "./Explanations";

function application(itemId: number, number: string, amount: string): Schemas["ProposedApplication"] {
  return {
    itemId,
    number,
    customerId: 7,
    customerName: "Oskar & Daughters",
    amount: usd(amount),
    discount: usd("0.00"),
    itemVersion: 0,
  } as Schemas["ProposedApplication"];
}

function proposal(rank: number, applications: Schemas["ProposedApplication"][], why: string) {
  return {
    rank,
    odds: "about 48 in 100",
    applications,
    adjustments: [],
    onAccount: usd("0.00"),
    customerId: 7,
    payerId: 7,
    evidence: [{ code: "amount.exact", text: why }],
  } as unknown as Schemas["ProposalView"];
}

function entry(proposals: Schemas["ProposalView"][], more: Partial<Entry> = {}): Entry {
  return {
    id: 1,
    status: "WAITING",
    standing: "TORN",
    exhaustive: true,
    notes: [],
    proposals,
    ...more,
  } as unknown as Entry;
}

describe("the explanations", () => {
  const one = proposal(1, [application(1, "A-1", "100.00"), application(2, "A-2", "200.00")], "two add up");
  const two = proposal(2, [application(1, "A-1", "100.00"), application(3, "A-3", "200.00")], "so do these");

  it("stand side by side with their reasons, and what tells them apart is bold", () => {
    showStyled(<Explanations entry={entry([one, two])} chosen={1} choose={() => {}} />);
    const strips = screen.getAllByRole("button");
    expect(strips).toHaveLength(2);
    expect(strips[0]?.textContent).toContain("A-1 100.00 and A-2 200.00");
    expect(strips[1]?.textContent).toContain("so do these");
    const weight = (number: string) =>
      getComputedStyle(within(strips[0] as HTMLElement).getByText(number)).fontWeight;
    expect(weight("A-1")).toBe("400");
    expect(weight("A-2")).toBe("700");
  });

  it("are chosen by a press, and say which one is", async () => {
    const choose = vi.fn();
    const { user } = show(<Explanations entry={entry([one, two])} chosen={1} choose={choose} />);
    const [first, second] = screen.getAllByRole("button");
    expect(first?.getAttribute("aria-pressed")).toBe("true");
    await user.click(second as HTMLElement);
    expect(choose).toHaveBeenCalledWith(2);
  });

  it("say whether there can be another one", () => {
    const { again } = show(<Explanations entry={entry([one])} chosen={1} choose={() => {}} />);
    expect(screen.getByText("There is no other explanation.")).toBeTruthy();
    again(<Explanations entry={entry([one], { exhaustive: false })} chosen={1} choose={() => {}} />);
    expect(screen.getByText("No other explanation was found within reach.")).toBeTruthy();
  });

  it("say so where nothing explains the money, and what was noticed all the same", () => {
    const notes = [{ code: "reference.settled", text: "A-9 in the text was settled already on 4 May" }];
    show(
      <Explanations entry={entry([], { notes } as Partial<Entry>)} chosen={undefined} choose={() => {}} />,
    );
    expect(screen.getByText(/Nothing we know explains this money/)).toBeTruthy();
    expect(screen.getByText(/settled already on 4 May/)).toBeTruthy();
  });
});

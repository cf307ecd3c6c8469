import { screen, within } from "@testing-library/react";
import { describe, expect, it, vi } from "vitest";
import { show } from "../testing";
import { Counts } from "./Counts";
import { tallyOf, type Draft, type Preview } from "./drafts";

function eur(amount: string) {
  return { amount, currency: "EUR" };
}

function usd(amount: string) {
  return { amount, currency: "USD" };
}

const DRAFT: Draft = {
  entryId: 1,
  applications: [{ itemId: 3, amount: usd("1000.00") }],
  adjustments: [],
};

function preview(given: string, shortage: string): Preview {
  return {
    exchanges: [
      {
        given: eur(given),
        counted: usd("1000.00"),
        rate: "0.9217",
        source: "TABLE",
        words: "1 EUR = 1.085 USD of 28 May 2026",
        shortage: eur(shortage),
        items: [3],
      },
    ],
  } as unknown as Preview;
}

function counts(given: string, shortage: string) {
  const change = vi.fn();
  const shown = show(
    <Counts
      draft={DRAFT}
      preview={preview(given, shortage)}
      numberOf={() => "LX-03401"}
      change={change}
      drop={() => undefined}
      readOnly={false}
    />,
  );
  return { change, ...shown };
}

describe("what counts for another company", () => {
  it("says for whom, and divides what is that company's there and not above", () => {
    const draft: Draft = {
      entryId: 1,
      applications: [
        { itemId: 3, amount: usd("700.00") },
        { itemId: 4, amount: usd("300.00") },
      ],
      adjustments: [{ kind: "WRITE_OFF", amount: usd("0.02"), companyId: 2 }],
    };
    const there = {
      company: { id: 2, name: "Larkstow Export" },
      given: usd("699.98"),
      counted: usd("699.98"),
      words: "",
      shortage: usd("0.00"),
      items: [3],
    } as unknown as Preview["exchanges"][number];
    const numbers = (id: number) => (id === 3 ? "LX-1" : "LM-1");
    show(
      <Counts
        draft={draft}
        preview={{ exchanges: [there] } as unknown as Preview}
        numberOf={numbers}
        change={vi.fn()}
        drop={() => undefined}
        readOnly={false}
      />,
    );
    const section = screen.getByRole("region", { name: "Counts for Larkstow Export" });
    expect(section.textContent).toContain("699.98 USD count for Larkstow Export and are owed to it");
    expect(within(section).getByText("LX-1")).toBeTruthy();
    expect(within(section).queryByText("LM-1")).toBeNull();
    expect(within(section).queryByLabelText(/Of the receipt/)).toBeNull();
    const labels = (bar: ReturnType<typeof tallyOf>) => [...bar.pieces, ...bar.beyond].map((p) => p.label);
    expect(labels(tallyOf(usd("1000.00"), draft, numbers, [there]))).toEqual(
      expect.arrayContaining(["LM-1", "for Larkstow Export"]),
    );
    expect(labels(tallyOf(usd("1000.00"), draft, numbers, [there]))).not.toContain("LX-1");
  });
});

describe("what counts in another currency", () => {
  it("says how much of the receipt it is, at which rate, and how it divides there", () => {
    counts("921.70", "0.00");
    const section = screen.getByRole("region", { name: "Counts in USD" });
    expect(section.textContent).toContain("EUR count as 1,000.00 USD");
    expect(section.textContent).toContain("at 1 EUR = 1.085 USD of 28 May 2026");
    expect(within(section).getByText("LX-03401")).toBeTruthy();
    expect(within(section).queryByRole("button", { name: "Take it at the rate" })).toBeNull();
  });

  it("says what it is off the rate, and takes it back to the rate", async () => {
    const { change, user } = counts("900.00", "21.70");
    expect(screen.getByText(/held against 1 EUR/).textContent).toContain("21.70 less");
    await user.click(screen.getByRole("button", { name: "Take it at the rate" }));
    expect(change.mock.lastCall?.[0]).toMatchObject({ exchanges: [{ currency: "USD", given: undefined }] });
  });

  it("takes another part of the receipt for it", async () => {
    const { change, user } = counts("921.70", "0.00");
    const field = screen.getByLabelText("Of the receipt for USD");
    await user.clear(field);
    await user.type(field, "906.7{Enter}");
    expect(change.mock.lastCall?.[0]).toMatchObject({
      exchanges: [{ currency: "USD", given: eur("906.70") }],
    });
  });
});

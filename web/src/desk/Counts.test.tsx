import { screen, within } from "@testing-library/react";
import { describe, expect, it, vi } from "vitest";
import { show } from "../testing";
import { Counts } from "./Counts";
import type { Draft, Preview } from "./drafts";

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

import { screen } from "@testing-library/react";
import { describe, expect, it, vi } from "vitest";
import { serverAnswers, show, usd } from "../testing";
import type { Draft, Entry, Preview } from "./drafts";
import { RememberPayer } from "./RememberPayer";

const DRAFT: Draft = { entryId: 3, applications: [], adjustments: [] };
const PREVIEW = { customers: [{ customerId: 7, name: "Oskar & Daughters", taken: usd("80.00") }] } as Preview;

function entry(code: string): Entry {
  return {
    id: 3,
    proposals: [{ customerId: 7, payerId: 7, evidence: [{ code, text: "", weight: 2 }] }],
  } as unknown as Entry;
}

const SERVER = {
  "GET /api/entries/3/alias-offers": () => ({
    body: [
      {
        what: "TEXT",
        written: "VEXMOOR TRUST",
        explainsNow: 4,
        clearNow: 3,
        rightBefore: 6,
        wrongBefore: 1,
      },
    ],
  }),
};

describe("remembering a payer", () => {
  it("is offered with what it would explain, and goes with the draft", async () => {
    serverAnswers(SERVER);
    const change = vi.fn();
    const { user } = show(
      <RememberPayer
        entry={entry("amount.exact")}
        draft={DRAFT}
        preview={PREVIEW}
        change={change}
        readOnly={false}
      />,
    );
    const always = await screen.findByRole("radio", { name: /^Always, for the name “VEXMOOR TRUST”/ });
    expect(always.closest("label")?.textContent).toContain(
      "· also explains 4 more that wait, 3 of them clear; of the last 90 days right for 6, wrong for 1 receipt",
    );
    expect(screen.getByRole<HTMLInputElement>("radio", { name: "Only this once" }).checked).toBe(true);
    await user.click(always);
    expect(change).toHaveBeenCalledWith({ ...DRAFT, remember: "TEXT" });
  });

  it("is not offered where something told already who paid", async () => {
    const calls = serverAnswers(SERVER);
    show(
      <RememberPayer
        entry={entry("payer.name")}
        draft={DRAFT}
        preview={PREVIEW}
        change={() => {}}
        readOnly={false}
      />,
    );
    await new Promise((resolve) => setTimeout(resolve));
    expect(screen.queryByRole("radio")).toBeNull();
    expect(calls).toHaveLength(0);
  });
});

import { describe, expect, it } from "vitest";
import {
  forPayer,
  fromExplanation,
  ofAccount,
  subjectOf,
  takingAll,
  leaving,
  taking,
  takingAmount,
  tallyOf,
  type Entry,
  type Item,
} from "./drafts";

const usd = (amount: string) => ({ amount, currency: "USD" });

const entry = {
  id: 7,
  version: 3,
  payerId: 2,
  amount: usd("1000.00"),
  proposals: [
    {
      rank: 1,
      customerId: 2,
      applications: [{ itemId: 11, amount: usd("1000.00"), discount: usd("0.00"), itemVersion: 4 }],
      adjustments: [{ kind: "WRITE_OFF", amount: usd("0.00") }],
      onAccount: usd("0.00"),
    },
  ],
} as unknown as Entry;

const item = { id: 12, open: usd("600.00"), version: 1 } as unknown as Item;

describe("a draft", () => {
  it("starts as the first explanation, with what was seen of entry and items", () => {
    expect(fromExplanation(entry, 1)).toMatchObject({
      entryId: 7,
      entryVersion: 3,
      explanation: 1,
      applications: [{ itemId: 11, itemVersion: 4 }],
    });
  });

  it("is made by hand once an item is added, left or given another amount", () => {
    const taken = taking(fromExplanation(entry, 1), item);
    expect(taken.explanation).toBeUndefined();
    expect(taken.adjustments).toEqual([]);
    expect(taken.applications.map((a) => a.itemId)).toEqual([11, 12]);
    expect(leaving(taken, 11).applications.map((a) => a.itemId)).toEqual([12]);
    expect(takingAmount(taken, 12, usd("400.00")).applications[1]?.amount).toEqual(usd("400.00"));
    expect(forPayer(taken, 9).onAccountCustomerId).toBe(9);
  });

  it("keeps who owes a proposed claim, and why it is made", () => {
    const claim = { kind: "CLAIM", amount: usd("20.00"), customerId: 2, reason: "DAMAGED" };
    const claimed = { ...entry, proposals: [{ ...entry.proposals[0], adjustments: [claim] }] } as Entry;
    expect(fromExplanation(claimed, 1).adjustments).toEqual([claim]);
  });

  it("is empty where there is no explanation", () => {
    const blank = { ...entry, proposals: [] } as Entry;
    expect(fromExplanation(blank, 1).applications).toEqual([]);
  });

  it("shows in its bar what is too much", () => {
    const taken = taking(fromExplanation(entry, 1), item);
    expect(tallyOf(entry.amount, taken, (id) => `LM-${id}`)).toMatchObject({
      beyond: [{ kind: "tooMuch", amount: 60000 }],
    });
  });

  it("shows money to an account and refunds as pieces of what came", () => {
    const draft = {
      ...fromExplanation({ ...entry, proposals: [] } as Entry, 1),
      adjustments: [
        { kind: "TO_ACCOUNT" as const, amount: usd("-900.00"), accountId: 4 },
        { kind: "REFUND" as const, amount: usd("-100.00"), customerId: 2 },
      ],
    };
    const bar = tallyOf(entry.amount, draft, String);
    expect(bar.pieces.map((p) => [p.label, p.amount])).toEqual([
      ["to an account", 90000],
      ["refund promised", 10000],
    ]);
    expect(bar.left).toBe(0);
  });

  it("keeps money to an account when the items change, and drops what was said about the rest", () => {
    const draft = {
      ...fromExplanation(entry, 1),
      adjustments: [
        { kind: "TO_ACCOUNT" as const, amount: usd("-5.00"), accountId: 4 },
        { kind: "WRITE_OFF" as const, amount: usd("0.40") },
      ],
    };
    expect(taking(draft, item).adjustments.map((a) => a.kind)).toEqual(["TO_ACCOUNT"]);
  });

  it("takes a whole list at once, each item once", () => {
    const parts = [
      { itemId: 11, amount: usd("300.00") },
      { itemId: 13, amount: usd("700.00") },
    ];
    expect(takingAll(fromExplanation(entry, 1), parts).applications).toEqual(parts);
  });

  it("is about an entry or about an account", () => {
    expect(subjectOf(fromExplanation(entry, 1))).toBe("entry-7");
    expect(subjectOf(ofAccount(45))).toBe("account-45");
  });
});

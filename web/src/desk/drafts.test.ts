import { describe, expect, it } from "vitest";
import { draftOf, forPayer, leaving, taking, takingAmount, tallyOf, type Entry, type Item } from "./drafts";

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
    expect(draftOf(entry, undefined)).toMatchObject({
      entryId: 7,
      entryVersion: 3,
      explanation: 1,
      applications: [{ itemId: 11, itemVersion: 4 }],
    });
  });

  it("is made by hand once an item is added, left or given another amount", () => {
    const taken = taking(draftOf(entry, undefined), item);
    expect(taken.explanation).toBeUndefined();
    expect(taken.adjustments).toEqual([]);
    expect(taken.applications.map((a) => a.itemId)).toEqual([11, 12]);
    expect(leaving(taken, 11).applications.map((a) => a.itemId)).toEqual([12]);
    expect(takingAmount(taken, 12, usd("400.00")).applications[1]?.amount).toEqual(usd("400.00"));
    expect(forPayer(taken, 9).onAccountCustomerId).toBe(9);
  });

  it("is empty where there is no explanation", () => {
    const blank = { ...entry, proposals: [] } as Entry;
    expect(draftOf(blank, undefined).applications).toEqual([]);
  });

  it("shows in its bar what is too much", () => {
    const taken = taking(draftOf(entry, undefined), item);
    expect(tallyOf(entry, taken, (id) => `LM-${id}`)).toMatchObject({ tooMuch: 60000 });
  });
});

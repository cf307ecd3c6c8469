import type { Money, Schemas } from "../api/client";
import { minor } from "../shared/money";
import { layOut, type TallyLayout } from "../tally/layout";

export type Entry = Schemas["EntryDetail"];
export type Draft = Schemas["PostSettlement"];
export type Item = Schemas["OpenItemView"];
export type Preview = Schemas["DraftView"];

/** What one sees of a waiting entry's draft: an explanation as it stands, or what a hand made of it. */
export type Choice = { rank: number } | { hand: Draft };

function nothing(entry: Entry): Draft {
  return {
    entryId: entry.id,
    entryVersion: entry.version,
    applications: [],
    adjustments: [],
    onAccountCustomerId: entry.payerId,
  };
}

/** The draft that an explanation comes to. */
export function fromExplanation(entry: Entry, rank: number): Draft {
  const proposal = entry.proposals[rank - 1];
  if (!proposal) {
    return nothing(entry);
  }
  return {
    entryId: entry.id,
    entryVersion: entry.version,
    applications: proposal.applications.map((a) => ({
      itemId: a.itemId,
      amount: a.amount,
      discount: a.discount,
      itemVersion: a.itemVersion,
    })),
    adjustments: proposal.adjustments.map((a) => ({ kind: a.kind, amount: a.amount })),
    onAccount: proposal.onAccount,
    onAccountCustomerId: proposal.payerId ?? proposal.customerId,
    explanation: rank,
  };
}

export function draftOf(entry: Entry, choice: Choice | undefined): Draft {
  return choice && "hand" in choice ? choice.hand : fromExplanation(entry, choice?.rank ?? 1);
}

function byHand(draft: Draft, change: Partial<Draft>): Draft {
  // what was said about a rest no longer fits once the items change
  return { ...draft, adjustments: [], onAccount: undefined, explanation: undefined, ...change };
}

/** The draft with one more item, taken whole. */
export function taking(draft: Draft, item: Item): Draft {
  return byHand(draft, {
    applications: [...draft.applications, { itemId: item.id, amount: item.open, itemVersion: item.version }],
  });
}

export function leaving(draft: Draft, itemId: number): Draft {
  return byHand(draft, { applications: draft.applications.filter((a) => a.itemId !== itemId) });
}

export function takingAmount(draft: Draft, itemId: number, amount: Money): Draft {
  return byHand(draft, {
    applications: draft.applications.map((a) =>
      a.itemId === itemId ? { itemId, amount, itemVersion: a.itemVersion } : a,
    ),
  });
}

export function forPayer(draft: Draft, customerId: number): Draft {
  return { ...draft, onAccountCustomerId: customerId, explanation: undefined };
}

/** The tally bar of a draft; numbers come from wherever the items are known. */
export function tallyOf(entry: Entry, draft: Draft, numberOf: (itemId: number) => string): TallyLayout {
  return layOut(
    minor(entry.amount),
    draft.applications.map((a) => ({
      label: numberOf(a.itemId),
      amount: minor(a.amount),
      discount: a.discount ? minor(a.discount) : 0,
    })),
    draft.adjustments.reduce((sum, a) => sum + minor(a.amount), 0),
    draft.onAccount ? minor(draft.onAccount) : 0,
  );
}

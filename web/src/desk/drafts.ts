import type { Money, Schemas } from "../api/client";
import { KEPT } from "../settle/words";
import { isZero, minor } from "../shared/money";
import { layOut, type TallyLayout } from "../tally/layout";

export type Entry = Schemas["EntryDetail"];
export type Draft = Schemas["PostSettlement"];
export type Item = Schemas["OpenItemView"];
export type Preview = Schemas["DraftView"];

/** What of a receipt counts elsewhere. */
export type Counted = Preview["exchanges"][number];

export type Difference = Schemas["Difference"];
export type HeldDraft = Schemas["HeldDraft"];

/** What one sees of a waiting entry's draft: an explanation as it stands, or what a hand made of it. */
export type Choice = { rank: number } | { hand: Draft };

export function subjectOf(draft: Draft): string {
  return draft.entryId ? `entry-${draft.entryId}` : `account-${draft.accountOf ?? 0}`;
}

function nothing(entry: Entry): Draft {
  return {
    entryId: entry.id,
    entryVersion: entry.version,
    applications: [],
    adjustments: [],
    onAccountCustomerId: entry.payerId,
  };
}

/** The draft of an entry before anything is said of it. */
export function emptyDraft(entryId: number): Draft {
  return { entryId, applications: [], adjustments: [] };
}

/** The draft of a customer's account before anything is applied. */
export function ofAccount(customerId: number): Draft {
  return { accountOf: customerId, applications: [], adjustments: [], onAccountCustomerId: customerId };
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
    adjustments: proposal.adjustments,
    onAccount: proposal.onAccount,
    onAccountCustomerId: proposal.onAccountCustomerId,
    explanation: rank,
  };
}

/** Whether the engine, which knows the entry's own currency and company only, accounts for all of it. */
export function accountedFor(entry: Entry): boolean {
  const first = entry.proposals[0];
  return first !== undefined && isZero(first.onAccount);
}

/** What the text of an entry names in other currencies or of other companies, as a draft. */
export function fromText(entry: Entry, elsewhere: Schemas["ElsewhereView"][]): Draft | undefined {
  const named = elsewhere.find((one) => one.named);
  return named && { ...named.draft, entryVersion: entry.version };
}

function byHand(draft: Draft, change: Partial<Draft>): Draft {
  // what was said about a rest no longer fits once the items change
  return {
    ...draft,
    adjustments: draft.adjustments.filter((a) => a.kind === "TO_ACCOUNT"),
    onAccount: undefined,
    exchanges: undefined,
    explanation: undefined,
    ...change,
  };
}

/** The draft with one more item, taken whole. */
export function taking(draft: Draft, item: Pick<Item, "id" | "open" | "version">): Draft {
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

/** The draft with so much of the receipt for what is settled elsewhere; without an amount as the rate says. */
export function counting(draft: Draft, there: Counted, given: Money | undefined): Draft {
  const { currency } = there.counted;
  const companyId = there.company?.id;
  const others = (draft.exchanges ?? []).filter(
    (c) => c.currency !== currency || (c.companyId ?? undefined) !== companyId,
  );
  return { ...draft, exchanges: [...others, { currency, given, companyId }], explanation: undefined };
}

/** Where something of a receipt counts, in words: in another currency, for another company, or both. */
export function placeOf(there: Pick<Counted, "company" | "counted" | "given">): string {
  const foreign = there.counted.currency !== there.given.currency ? there.counted.currency : undefined;
  const company = there.company?.name;
  return company && foreign ? `${company} in ${foreign}` : (company ?? foreign ?? "");
}

export function forPayer(draft: Draft, customerId: number): Draft {
  return { ...draft, onAccountCustomerId: customerId, explanation: undefined };
}

/** Several more items at once, each with how much of it. */
export function takingAll(draft: Draft, parts: Draft["applications"]): Draft {
  const taken = new Set(parts.map((p) => p.itemId));
  return byHand(draft, {
    applications: [...draft.applications.filter((a) => !taken.has(a.itemId)), ...parts],
  });
}

/** The draft with its differences as a hand has changed them. */
export function withDifferences(draft: Draft, adjustments: Difference[]): Draft {
  return { ...draft, adjustments, explanation: undefined };
}

/** The tally bar of a draft; numbers come from wherever the items are known. */
export function tallyOf(
  received: Money,
  draft: Draft,
  numberOf: (itemId: number) => string,
  exchanges: Preview["exchanges"] = [],
): TallyLayout {
  const elsewhere = new Set(exchanges.flatMap((e) => e.items));
  return laidOut(
    received,
    {
      applications: draft.applications.filter((a) => !elsewhere.has(a.itemId)),
      adjustments: draft.adjustments.filter((a) => !a.companyId),
    },
    numberOf,
    exchanges.map((e) => ({ label: `for ${placeOf(e)}`, amount: -minor(e.given) })),
    draft.onAccount ? minor(draft.onAccount) : 0,
  );
}

/** The tally bar of what counts elsewhere. */
export function tallyIn(there: Counted, draft: Draft, numberOf: (itemId: number) => string): TallyLayout {
  const settled = new Set(there.items);
  return laidOut(
    there.counted,
    {
      applications: draft.applications.filter((a) => settled.has(a.itemId)),
      adjustments: draft.adjustments.filter((a) => (a.companyId ?? undefined) === there.company?.id),
    },
    numberOf,
    [],
    0,
  );
}

function laidOut(
  received: Money,
  draft: Pick<Draft, "applications" | "adjustments">,
  numberOf: (itemId: number) => string,
  elsewhere: { label: string; amount: number }[],
  onAccount: number,
): TallyLayout {
  const here = (amount: Money) => amount.currency === received.currency;
  return layOut(
    minor(received),
    draft.applications
      .filter((a) => here(a.amount))
      .map((a) => ({
        label: numberOf(a.itemId),
        itemId: a.itemId,
        amount: minor(a.amount),
        discount: a.discount ? minor(a.discount) : 0,
      })),
    [
      ...draft.adjustments
        .filter((a) => here(a.amount))
        .map((a) => ({ label: KEPT[a.kind], amount: minor(a.amount) })),
      ...elsewhere,
    ],
    onAccount,
  );
}

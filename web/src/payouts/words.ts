import type { Schemas } from "../api/client";
import type { Item, ItemType, Kind } from "./queries";

export type StepKind = Schemas["StepView"]["kind"];

export const STEP: Record<StepKind, string> = {
  PREVIOUS_BALANCE: "Left of the payout before",
  SALES: "Sales",
  REFUNDS: "Refunds",
  FEES: "Fees",
  ADJUSTMENTS: "Adjustments",
  CONVERSIONS: "Conversions",
  CHARGEBACKS: "Chargebacks",
  RESERVE_HELD: "Reserve held",
  RESERVE_RELEASED: "Reserve released",
  UNKNOWN: "Not known what",
};

export const TYPE: Record<ItemType, string> = {
  SALE: "sale",
  REFUND: "refund",
  FEE: "fee",
  FEE_REFUND: "fee refund",
  CHARGEBACK: "chargeback",
  CHARGEBACK_REVERSAL: "chargeback won",
  RESERVE_HELD: "reserve held",
  RESERVE_RELEASED: "reserve released",
  ADJUSTMENT: "adjustment",
  CONVERSION: "conversion",
  TRANSFER: "transfer",
  UNKNOWN: "not known",
};

/** The types of items that a step comes from; a fee may be part of any of them. */
export const ITEMS_OF: Record<StepKind, ItemType[]> = {
  PREVIOUS_BALANCE: [],
  SALES: ["SALE"],
  REFUNDS: ["REFUND"],
  FEES: [],
  ADJUSTMENTS: ["ADJUSTMENT"],
  CONVERSIONS: ["CONVERSION"],
  CHARGEBACKS: ["CHARGEBACK", "CHARGEBACK_REVERSAL"],
  RESERVE_HELD: ["RESERVE_HELD"],
  RESERVE_RELEASED: ["RESERVE_RELEASED"],
  UNKNOWN: ["UNKNOWN"],
};

/** What items belong to, as a filter. */
export const JOINED: Record<Kind, string> = {
  ASKED: "To decide",
  INVOICE: "Pay invoices",
  RECEIPT: "Recorded already",
  NEW: "New sales",
  SALE: "About a sale",
  REOPEN: "Open an invoice again",
  LOOSE: "Of no known sale",
  NOTHING: "Of the payout itself",
};

/** What an item belongs to, or may, said of it. */
export function belongs({ join, concerns }: Pick<Item, "join" | "concerns">): string {
  switch (join.kind) {
    case "INVOICE":
      return join.name;
    case "RECEIPT":
      return `recorded: ${join.name}`;
    case "REOPEN":
      return `opens ${concerns?.name ?? join.name} again`;
    case "SALE":
      return `of ${join.name}`;
    case "NEW":
      return "a new sale";
    case "LOOSE":
      return "of no known sale";
    case "ASKED":
      return "to decide";
    case "NOTHING":
      return "";
  }
}

/** What an item is about; where nothing is told of it, what the file calls it. */
export function about(item: Item): string {
  const told = [item.reference, item.payer, item.words].filter((part) => part !== "").join(" · ");
  return told || (plain(item.word) === TYPE[item.type] ? "" : `“${item.word}”`);
}

function plain(word: string): string {
  return word.toLowerCase().replaceAll("_", " ");
}

import type { Schemas } from "../api/client";

export type Kind = Schemas["Difference"]["kind"];
export type Reason = NonNullable<Schemas["Difference"]["reason"]>;

/** What an adjustment is called in a sentence. */
export const KEPT: Record<Kind, string> = {
  BANK_FEE: "bank fee",
  PROCESSING_FEE: "processing fee",
  UNEARNED_DISCOUNT: "late discount granted",
  WRITE_OFF: "written off",
  CLAIM: "claim",
  ROUNDING: "rounding",
  REFUND: "refund promised",
  TO_ACCOUNT: "to an account",
};

/** Why something is claimed. */
export const REASON: Record<Reason, string> = {
  SHORT_DELIVERY: "short delivery",
  DAMAGED: "damaged goods",
  PRICE: "price in dispute",
  RETURNED: "goods returned",
  FREIGHT: "freight charged back",
  UNEARNED_DISCOUNT: "unearned discount",
  CHARGEBACK: "chargeback",
  OTHER: "another reason",
};

/** What an open item is called. */
export const ITEM: Record<Schemas["OpenItemView"]["kind"], string> = {
  INVOICE: "invoice",
  CREDIT_NOTE: "credit note",
  ON_ACCOUNT: "on account",
  CLAIM: "claim",
  REFUND: "refund due",
};

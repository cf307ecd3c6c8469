import type { Schemas } from "../api/client";

export type Bucket = keyof Schemas["AgeingReport"]["amounts"] & string;
export type DifferenceKind = Schemas["CostLine"]["kind"];

/** The columns of an ageing. */
export const BUCKETS: [Bucket, string][] = [
  ["NOT_DUE", "Not due"],
  ["DAYS_1_TO_30", "1–30 days"],
  ["DAYS_31_TO_60", "31–60"],
  ["DAYS_61_TO_90", "61–90"],
  ["OVER_90", "Over 90"],
];

/** What a difference is called. */
export const DIFFERENCE: Record<DifferenceKind, string> = {
  EARLY_DISCOUNT: "Early-payment discount",
  UNEARNED_DISCOUNT: "Late discount granted",
  BANK_FEE: "Bank fee",
  PROCESSING_FEE: "Processing fee",
  WRITE_OFF: "Written off",
  ROUNDING: "Rounding",
  CLAIM: "Claim, still wanted",
};

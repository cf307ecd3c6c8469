import type { Schemas } from "../api/client";

export type Held = Schemas["HeldView"];
export type DaySum = Schemas["DaySum"];
export type Method = Held["method"];
export type LineKind = Schemas["DepositLineView"]["kind"];

export const METHODS: [Method, string][] = [
  ["CHEQUE", "cheque"],
  ["CASH", "cash"],
  ["CARD", "card slip"],
  ["TRANSFER", "transfer"],
];

/** One receipt of a method. */
export const ONE: Record<Method, string> = {
  CHEQUE: "1 cheque",
  CASH: "cash",
  CARD: "1 card slip",
  TRANSFER: "1 transfer",
};

/** Several receipts of a method. */
export const MANY: Record<Method, string> = {
  CHEQUE: "cheques",
  CASH: "cash",
  CARD: "card slips",
  TRANSFER: "transfers",
};

export const LINES: Record<LineKind, string> = {
  LOOSE_CASH: "loose cash",
  KEPT_BACK: "cash kept back",
  TO_ACCOUNT: "to an account",
  BANK_FEE: "fee of the bank",
  PROCESSING_FEE: "fee of the acquirer",
  CASH_DIFFERENCE: "cash counted otherwise",
};

export const STATUS: Record<Schemas["DepositBrief"]["status"], string> = {
  OPEN: "open again",
  MADE: "not seen at the bank yet",
  TIED: "tied",
  GIVEN_UP: "given up",
};

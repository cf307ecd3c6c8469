import type { Schemas } from "../api/client";

export type ProfileDocument = Schemas["ProfileDocument"];

/** Our fields as people call them. */
const FIELDS: Record<string, string> = {
  entry_id: "Bank's id of the entry",
  booking_date: "Booking date",
  value_date: "Value date",
  amount: "Amount",
  debit: "Debit, money from us",
  credit: "Credit, money to us",
  direction: "Debit or credit, as a word",
  currency: "Currency",
  payer_name: "Payer",
  payer_account: "Payer's account",
  remittance: "Text",
  bank_reference: "Bank's reference",
  check_number: "Cheque number",
  balance: "Balance after it",
  account: "Account",
  status: "Status",
  number: "Number",
  kind: "Invoice or credit note",
  customer_id: "Customer's number",
  customer_name: "Customer's name",
  issue_date: "Issue date",
  due_date: "Due date",
  total: "Total",
  open: "Open balance",
  order_ref: "Order reference",
  creditor_ref: "Creditor reference",
  terms: "Terms",
  oldest_first: "Oldest first",
  reference: "Document",
  discount: "Discount taken",
  adjustment: "More or less",
  reason: "Why more or less",
  trace: "Trace number",
  payment_date: "Payment date",
  name: "Name",
  parent_id: "Paid by customer",
  lockbox: "Lockbox",
  batch: "Batch",
  deposit_date: "Deposited on",
  item: "Number of the item",
  routing: "Routing number",
  check_amount: "Cheque's amount",
  check_date: "Cheque's date",
  item_amount: "Paid of the document",
  batch_total: "Batch's own total",
  batch_count: "Batch's own count",
  processor: "Processor",
  payout: "Payout",
  period_start: "Period from",
  period_end: "Period to",
  payout_date: "Sent on",
  type: "Type of the item",
  related: "Belongs to item",
  rate_date: "Day of the rate",
  from: "One unit of",
  to: "Is worth in",
  rate: "Rate",
  date: "Day of the item",
  gross: "Gross",
  fee: "Fee",
  tax: "Tax in the gross",
  fee_tax: "Tax in the fee",
  net: "Net",
  method: "Paid with",
  text: "Text",
  previous_balance: "Previous balance",
  payout_net: "Amount of the payout",
};

export function fieldWord(field: string): string {
  return FIELDS[field] ?? field;
}

export const SUBJECTS: [string, string][] = [
  ["statement", "a bank's statement"],
  ["invoices", "invoices and credit notes"],
  ["customers", "customers"],
  ["remittance", "remittance advice"],
  ["lockbox", "a lockbox's cheques"],
  ["payout", "a processor's payout"],
];

export const SEPARATORS: [string, string][] = [
  [",", "comma"],
  [";", "semicolon"],
  ["\t", "tab"],
  ["|", "upright bar"],
];

export const CHARACTER_SETS: [string, string][] = [
  ["UTF-8", "UTF-8"],
  ["windows-1252", "Windows-1252 (Latin 1)"],
  ["ISO-8859-15", "ISO 8859-15 (Latin 9)"],
  ["UTF-16LE", "UTF-16, little end first"],
  ["UTF-16BE", "UTF-16, big end first"],
  ["IBM850", "Code page 850"],
];

export const ORDERS: [string, string][] = [
  ["day-month-year", "day, month, year"],
  ["month-day-year", "month, day, year"],
  ["year-month-day", "year, month, day"],
];

export const MARKS: [string, string][] = [
  [".", "1,234.50"],
  [",", "1.234,50"],
];

/** What an item of a payout may be, as a profile says it. */
export const TYPES: [string, string][] = [
  ["sale", "sale"],
  ["refund", "refund"],
  ["fee", "fee"],
  ["fee_refund", "fee that comes back"],
  ["chargeback", "chargeback"],
  ["chargeback_reversal", "chargeback won"],
  ["reserve_held", "reserve held"],
  ["reserve_released", "reserve released"],
  ["adjustment", "adjustment"],
  ["conversion", "money changed"],
  ["transfer", "sent to the bank"],
];

/** The time zones that the browser knows. */
export const ZONES: [string, string][] = ["UTC", ...Intl.supportedValuesOf("timeZone")].map((zone) => [
  zone,
  zone.replaceAll("_", " "),
]);

/** Fields that may be the same in every row, where no column holds them. */
export const CONSTANTS = ["currency", "account", "kind", "processor"];

/**
 * What a person said of a file of one shape, carried over to a file of nearly the same: columns are
 * found again by their headings.
 */
export function carriedOver(known: ProfileDocument, headings: string[]): ProfileDocument {
  const columns: Record<string, number[]> = {};
  for (const [field, at] of Object.entries(known.columns ?? {})) {
    const here = at.flatMap((column) => {
      const found = headings.indexOf(known.headings?.[column - 1] ?? "");
      return found < 0 ? [] : [found + 1];
    });
    if (here.length > 0) {
      columns[field] = here;
    }
  }
  return {
    name: known.name,
    subject: known.subject,
    columns,
    constants: known.constants,
    dates: Object.fromEntries(Object.entries(known.dates ?? {}).filter(([field]) => columns[field])),
    decimalMark: known.decimalMark,
    signsReversed: known.signsReversed,
    debitWords: known.debitWords,
    typeWords: known.typeWords,
    zone: known.zone,
    passOverIncomplete: known.passOverIncomplete,
  };
}

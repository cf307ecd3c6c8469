import type { Schemas } from "../api/client";

export type AuditRecord = Schemas["AuditRecordView"];

/** What kinds of things are in the trail, in the order in which they are offered. */
export const WHAT: Record<string, string> = {
  settlement: "settlement",
  open_item: "item",
  bank_entry: "entry",
  customer: "customer",
  payer_alias: "known payer",
  note: "note",
  attachment: "attached file",
  intake: "intake",
  correction: "correction of a statement",
  item_update: "update of an item",
  held_receipt: "receipt in the pouch",
  takings: "till’s day",
  deposit: "deposit",
  lockbox_batch: "lockbox batch",
  payout: "payout",
  processor: "processor",
  posting_run: "run",
  returned_receipt: "returned receipt",
  treatment: "house rule",
  unattended_rule: "rule for what is posted without a hand",
  tie_out: "tie-out",
  tie_out_error: "error in a tie-out",
  closed_period: "closed period",
  journal_export: "export of the journal",
  journal_export_taken: "file taken of an export",
  company: "company",
  bank_account: "bank account",
  ledger_account: "ledger account",
  tax_code: "tax code",
  policy: "policy",
  app_user: "user",
  profile: "profile",
  exchange_rate: "exchange rate",
};

const PLACES: Record<string, string> = {
  settlement: "/posted/settlements/",
  open_item: "/posted/items/",
  bank_entry: "/waiting/desk/",
  customer: "/posted/customers/",
  intake: "/arrived/intake/",
  deposit: "/pouch/deposits/",
  lockbox_batch: "/waiting/lockbox/",
  payout: "/waiting/payouts/",
  posting_run: "/posted/runs/",
};

/** Where a thing is shown; null where it has no address of its own. */
export function placeOf({ what, thing, kind }: AuditRecord): string | null {
  const place = PLACES[what];
  return place === undefined || kind === "REMOVED" ? null : place + thing;
}

export const KIND: Record<AuditRecord["kind"], string> = {
  MADE: "new",
  CHANGED: "changed",
  REMOVED: "removed",
};

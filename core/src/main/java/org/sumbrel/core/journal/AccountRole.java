package org.sumbrel.core.journal;

/**
 * What a ledger account is for; the chart of accounts of a company names one account for each role.
 */
public enum AccountRole {
  BANK,
  RECEIVABLE,
  RECEIPTS_ON_HAND,
  /**
   * Receipts that were recorded in the office and are not settled yet: what stands on hand or in
   * clearing, and is nobody's payment so far.
   */
  RECEIPTS_TO_APPLY,
  CASH_ON_HAND,
  /** What has left one bank account of ours and not come to the other yet. */
  OWN_TRANSFERS,
  PROCESSOR_CLEARING,
  CLAIMS,
  /**
   * Money of customers that is not applied yet: a contra account of the receivables, kept for each
   * customer.
   */
  UNAPPLIED_RECEIPTS,
  /** What we have promised to pay back, kept for each customer. */
  REFUNDS_DUE,
  TAX,
  OPENING_BALANCES,
  SALES,
  /** What was given back of sales without a credit note. */
  SALES_REFUNDS,
  DISCOUNTS_ALLOWED,
  BANK_FEES,
  PROCESSING_FEES,
  /** Sales that the payer's bank took back, where no customer is known who owes them. */
  CHARGEBACKS,
  SMALL_WRITE_OFFS,
  /** Cash counted more or less than there should be. */
  CASH_DIFFERENCES,
  ROUNDING_DIFFERENCES,
  EXCHANGE_DIFFERENCES,
  /**
   * Through which an amount passes from one currency into another; in the currency of the books it
   * stands at zero.
   */
  CURRENCY_CONVERSION,
  /**
   * What another company of the group owes for what we paid for it, or is owed for what we took for
   * it: one account for each, which mirrors the one that it keeps for us.
   */
  GROUP_COMPANY,
  SUSPENSE,
  /** An account without a part in any rule; there may be many. */
  OTHER;

  /** Whether the account is kept for each customer. */
  public boolean byCustomer() {
    return this == RECEIVABLE
        || this == UNAPPLIED_RECEIPTS
        || this == CLAIMS
        || this == REFUNDS_DUE;
  }

  /**
   * Whether a hand may book to the account. Not where its balance is proved by records of its own:
   * by open items, by bank entries, by the pouch, by transfers, by another company's books.
   */
  public boolean bookable() {
    return !byCustomer()
        && this != BANK
        && this != RECEIPTS_ON_HAND
        && this != RECEIPTS_TO_APPLY
        && this != OWN_TRANSFERS
        && this != CURRENCY_CONVERSION
        && this != GROUP_COMPANY
        && this != OPENING_BALANCES;
  }
}

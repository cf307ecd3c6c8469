package org.sumbrel.core.journal;

/**
 * What a ledger account is for; the chart of accounts of a company names one account for each role.
 */
public enum AccountRole {
  BANK,
  RECEIVABLE,
  RECEIPTS_ON_HAND,
  CASH_ON_HAND,
  PROCESSOR_CLEARING,
  CLAIMS,
  /**
   * Money of customers that is not applied yet: a contra account of the receivables, kept for each
   * customer.
   */
  UNAPPLIED_RECEIPTS,
  TAX,
  OPENING_BALANCES,
  SALES,
  DISCOUNTS_ALLOWED,
  BANK_FEES,
  PROCESSING_FEES,
  SMALL_WRITE_OFFS,
  EXCHANGE_DIFFERENCES,
  SUSPENSE;

  /** Whether the account is kept for each customer. */
  public boolean byCustomer() {
    return this == RECEIVABLE || this == UNAPPLIED_RECEIPTS;
  }
}

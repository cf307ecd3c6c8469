package org.sumbrel.core.receivables;

import org.joda.money.Money;

/**
 * One line of a remittance advice: what is paid of one document.
 *
 * @param reference the document's number as the payer has it; a text where an adjustment is for
 *     none
 * @param amount what is paid of it, less discount and adjustment; negative where a credit note is
 *     set off; zero where an adjustment is for no document
 * @param discount what the payer took for paying early, not negative
 * @param adjustment what is paid more (positive) or less (negative) for another reason
 * @param reason of the adjustment, as the payer gives it
 */
public record RemittanceItem(
    String reference, Money amount, Money discount, Money adjustment, String reason) {

  /** Whether it is for no document. */
  public boolean standsAlone() {
    return amount.isZero() && !adjustment.isZero();
  }

  /** What it is of the payment. */
  public Money counts() {
    return standsAlone() ? adjustment : amount;
  }
}

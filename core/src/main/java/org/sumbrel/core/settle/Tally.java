package org.sumbrel.core.settle;

import org.joda.money.Money;

/**
 * How a draft adds up: {@code received = applied − discount − adjustments + onAccount + refund +
 * toAccounts + exchanged + forOthers + left}.
 *
 * @param received the receipt's amount
 * @param applied what the items' balances fall by, together
 * @param discount early-payment discounts granted, together
 * @param adjustments what others kept from us, together
 * @param onAccount what stays on the customer's account
 * @param refund what is promised back
 * @param toAccounts what goes to accounts of the ledger
 * @param exchanged what counts in other currencies
 * @param forOthers what counts in the same currency for other companies of the group
 * @param left what is not yet explained; negative where more is explained than was received
 */
public record Tally(
    Money received,
    Money applied,
    Money discount,
    Money adjustments,
    Money onAccount,
    Money refund,
    Money toAccounts,
    Money exchanged,
    Money forOthers,
    Money left) {

  /** What counts elsewhere, in other currencies or for other companies. */
  public Money elsewhere() {
    return exchanged.plus(forOthers);
  }
}

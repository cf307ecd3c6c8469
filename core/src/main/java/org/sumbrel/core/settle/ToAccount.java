package org.sumbrel.core.settle;

import org.joda.money.Money;

/**
 * Money that is no customer's: it goes to an account of the ledger.
 *
 * @param amount negative for money that is booked to the account's credit, positive for a charge
 *     that was kept from the receipt; never zero; its tax included
 * @param accountId the ledger account
 * @param tax the tax contained in it, in its sign
 * @param text what it is, in the clerk's words
 */
public record ToAccount(Money amount, String accountId, Money tax, String text)
    implements Adjustment {

  public ToAccount {
    if (amount.isZero()) {
      throw new IllegalArgumentException("zero to an account explains nothing");
    }
    if (tax.getAmount().signum() * amount.getAmount().signum() < 0
        || !tax.abs().isLessThan(amount.abs())) {
      throw new IllegalArgumentException(
          "a tax of " + tax.getAmount() + " is not contained in " + amount.getAmount());
    }
  }
}

package org.sumbrel.core.settle;

import org.joda.money.Money;

/**
 * A fee that a bank or a processor kept from the payment; the invoice is settled in full all the
 * same.
 *
 * @param amount positive
 * @param keptBy who kept it, which decides the account it goes to
 */
public record FeeWithheld(Money amount, KeptBy keptBy) implements Adjustment {

  /** Who kept the fee. */
  public enum KeptBy {
    BANK,
    PROCESSOR
  }

  public FeeWithheld {
    if (!amount.isPositive()) {
      throw new IllegalArgumentException(
          "a fee withheld of " + amount.getAmount() + " is not above zero");
    }
  }
}

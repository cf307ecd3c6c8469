package org.sumbrel.core.settle;

import org.joda.money.Money;

/**
 * A fee that a bank or a processor kept from the payment; the invoice is settled in full all the
 * same.
 *
 * @param amount positive, its tax included
 * @param keptBy who kept it, which decides the account it goes to
 * @param tax the tax contained in it, from zero to less than {@code amount}
 */
public record FeeWithheld(Money amount, KeptBy keptBy, Money tax) implements Adjustment {

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
    if (tax.isNegative() || !tax.isLessThan(amount)) {
      throw new IllegalArgumentException(
          "a tax of " + tax.getAmount() + " is not contained in a fee of " + amount.getAmount());
    }
  }

  /** A fee without tax. */
  public static FeeWithheld of(Money amount, KeptBy keptBy) {
    return new FeeWithheld(amount, keptBy, Money.zero(amount.getCurrencyUnit()));
  }
}

package org.sumbrel.core.settle;

import org.joda.money.Money;

/**
 * An early-payment discount that was taken too late and is granted all the same.
 *
 * @param amount positive
 */
public record UnearnedDiscount(Money amount) implements Adjustment {

  public UnearnedDiscount {
    if (!amount.isPositive()) {
      throw new IllegalArgumentException(
          "a discount of " + amount.getAmount() + " is not above zero");
    }
  }
}

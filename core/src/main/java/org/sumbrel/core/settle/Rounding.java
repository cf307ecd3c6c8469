package org.sumbrel.core.settle;

import org.joda.money.Money;

/**
 * A payment rounded to the smallest coin in use.
 *
 * @param amount positive where the payer rounded down, negative where up; never zero
 */
public record Rounding(Money amount) implements Adjustment {

  public Rounding {
    if (amount.isZero()) {
      throw new IllegalArgumentException("a rounding of zero explains nothing");
    }
  }
}

package org.sumbrel.core.settle;

import org.joda.money.Money;

/**
 * A small difference that is not worth asking for.
 *
 * @param amount positive where the payer paid too little, negative where too much; never zero
 * @param reason in the clerk's words, or empty
 */
public record SmallWriteOff(Money amount, String reason) implements Adjustment {

  public SmallWriteOff {
    if (amount.isZero()) {
      throw new IllegalArgumentException("a write-off of zero explains nothing");
    }
  }

  public static SmallWriteOff of(Money amount) {
    return new SmallWriteOff(amount, "");
  }
}

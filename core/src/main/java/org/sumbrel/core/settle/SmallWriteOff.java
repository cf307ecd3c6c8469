package org.sumbrel.core.settle;

import org.joda.money.Money;

/**
 * A small difference that is not worth asking for.
 *
 * @param amount positive where the payer paid too little, negative where too much; never zero
 */
public record SmallWriteOff(Money amount) implements Adjustment {

  public SmallWriteOff {
    if (amount.isZero()) {
      throw new IllegalArgumentException("a write-off of zero explains nothing");
    }
  }
}

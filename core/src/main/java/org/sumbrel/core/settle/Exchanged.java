package org.sumbrel.core.settle;

import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.sumbrel.core.exchange.RateUsed;

/**
 * A part of a receipt that counts in another currency.
 *
 * @param given what of the receipt it is, in the receipt's currency and sign
 * @param counted what it counts for, in the currency of what it settles; of the same sign
 * @param reference the rate against which it is held, from the currency of {@code counted} to that
 *     of {@code given}
 */
public record Exchanged(Money given, Money counted, RateUsed reference) {

  public Exchanged {
    var rate = reference.rate();
    if (!rate.from().equals(counted.getCurrencyUnit())
        || !rate.to().equals(given.getCurrencyUnit())) {
      throw new IllegalArgumentException(
          "a rate from " + rate.from() + " to " + rate.to() + " is not one of " + counted);
    }
    if (given.getAmount().signum() * counted.getAmount().signum() < 0) {
      throw new IllegalArgumentException(
          "what counts otherwise has one sign: " + given + ", " + counted);
    }
  }

  /** At the reference rate, rounded half-even to the digits of the receipt's currency. */
  public static Exchanged atRate(Money counted, RateUsed reference) {
    return new Exchanged(reference.rate().of(counted), counted, reference);
  }

  /** The currency in which it counts. */
  public CurrencyUnit currency() {
    return counted.getCurrencyUnit();
  }

  /** What it falls short of the reference rate, in the receipt's currency; negative beyond it. */
  public Money shortage() {
    return reference.rate().of(counted).minus(given);
  }
}

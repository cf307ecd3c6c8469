package org.sumbrel.core.exchange;

import java.util.Collection;
import java.util.Optional;
import java.util.function.Function;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;

/** Amounts of several currencies as they are in one, for a total of what is not booked in it. */
public final class Restated {

  private Restated() {}

  /**
   * The amounts together: each at its rate and rounded half-even to the digits of that currency, so
   * that the total is what the rounded amounts come to.
   *
   * @param rates the rate from a currency to {@code into}; not asked for {@code into} itself, nor
   *     for what is zero
   * @return empty where a rate is not known
   */
  public static Optional<Money> sum(
      Collection<Money> amounts, CurrencyUnit into, Function<CurrencyUnit, Optional<Rate>> rates) {
    var sum = Money.zero(into);
    for (var amount : amounts) {
      var unit = amount.getCurrencyUnit();
      if (unit.equals(into)) {
        sum = sum.plus(amount);
      } else if (!amount.isZero()) {
        var rate = rates.apply(unit);
        if (rate.isEmpty()) {
          return Optional.empty();
        }
        sum = sum.plus(rate.get().of(amount));
      }
    }
    return Optional.of(sum);
  }
}

package org.sumbrel.core.money;

import java.util.Collection;
import java.util.function.Function;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;

/** Sums of amounts of one currency; the sum of nothing is zero. */
public final class MoneySum {

  private MoneySum() {}

  /**
   * The sum of an amount of each element.
   *
   * @throws org.joda.money.CurrencyMismatchException where one of the amounts is in another
   *     currency
   */
  public static <T> Money of(
      CurrencyUnit currency, Collection<T> elements, Function<T, Money> amount) {
    var sum = Money.zero(currency);
    for (T element : elements) {
      sum = sum.plus(amount.apply(element));
    }
    return sum;
  }
}

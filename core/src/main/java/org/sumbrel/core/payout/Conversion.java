package org.sumbrel.core.payout;

import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import org.joda.money.Money;
import org.sumbrel.core.exchange.Rate;
import org.sumbrel.core.money.MoneySum;

/**
 * What a processor changed from one currency into another.
 *
 * @param given positive
 * @param got positive, in another currency
 */
public record Conversion(Money given, Money got) {

  /**
   * What was changed within one statement, where that can be told: one currency gave, and one got.
   *
   * @param parts the payouts of the statement, one for each currency
   */
  public static Optional<Conversion> within(Collection<Payout> parts) {
    List<Money> given = new ArrayList<>();
    List<Money> got = new ArrayList<>();
    for (var part : parts) {
      var changed =
          MoneySum.of(
              part.currency(),
              part.items().stream().filter(i -> i.type() == PayoutItemType.CONVERSION).toList(),
              PayoutItem::net);
      if (changed.isNegative()) {
        given.add(changed.negated());
      } else if (changed.isPositive()) {
        got.add(changed);
      }
    }
    return given.size() == 1 && got.size() == 1
        ? Optional.of(new Conversion(given.get(0), got.get(0)))
        : Optional.empty();
  }

  /** At what rate. */
  public Rate rate() {
    return Rate.between(given, got);
  }
}

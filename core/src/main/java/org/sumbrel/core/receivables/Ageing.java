package org.sumbrel.core.receivables;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.Collection;
import java.util.Collections;
import java.util.EnumMap;
import java.util.Map;
import java.util.function.UnaryOperator;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;

/** How old a customer's debt is on a day, by due date. */
public record Ageing(LocalDate asOf, Map<Bucket, Money> amounts) {

  /** Days past due on the day of the ageing. */
  public enum Bucket {
    NOT_DUE,
    DAYS_1_TO_30,
    DAYS_31_TO_60,
    DAYS_61_TO_90,
    OVER_90;

    /** The bucket of what was due on a day. */
    public static Bucket of(LocalDate dueOn, LocalDate asOf) {
      var days = ChronoUnit.DAYS.between(dueOn, asOf);
      if (days <= 0) {
        return NOT_DUE;
      }
      return days <= 30
          ? DAYS_1_TO_30
          : days <= 60 ? DAYS_31_TO_60 : days <= 90 ? DAYS_61_TO_90 : OVER_90;
    }
  }

  public Ageing {
    amounts = Collections.unmodifiableMap(new EnumMap<>(amounts));
  }

  /** Sorts the balances of {@code items} into buckets; credit lowers the bucket of its own date. */
  public static Ageing of(CurrencyUnit currency, Collection<? extends Aged> items, LocalDate asOf) {
    var amounts = new EnumMap<Bucket, Money>(Bucket.class);
    for (var bucket : Bucket.values()) {
      amounts.put(bucket, Money.zero(currency));
    }
    for (var item : items) {
      amounts.merge(Bucket.of(item.dueOn(), asOf), item.open(), Money::plus);
    }
    return new Ageing(asOf, amounts);
  }

  /**
   * The same in another currency.
   *
   * @param rate each age at the rate, rounded; what is owed is then what these come to
   */
  public Ageing restated(UnaryOperator<Money> rate) {
    var restated = new EnumMap<Bucket, Money>(Bucket.class);
    amounts.forEach((bucket, sum) -> restated.put(bucket, rate.apply(sum)));
    return new Ageing(asOf, restated);
  }

  /** All that is owed, of any age. */
  public Money total() {
    return amounts.values().stream().reduce(Money::plus).orElseThrow();
  }

  /** What of it is past due; credit that is past its date lowers it. */
  public Money overdue() {
    return total().minus(amounts.get(Bucket.NOT_DUE));
  }
}

package org.sumbrel.core.receivables;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.LocalDate;
import java.time.YearMonth;
import java.time.temporal.ChronoUnit;
import java.util.Map;
import java.util.Optional;
import org.joda.money.Money;

/** How many days of sales stand open: how long customers take to pay, on the whole. */
public final class DaysSalesOutstanding {

  private static final int DIGITS = 1;

  private DaysSalesOutstanding() {}

  /**
   * Receivables over the sales of a time, times its days: {@code receivables / (sales / days)}, as
   * textbooks of financial management give it. To one decimal, half-even.
   *
   * @param receivables what stands open at the end of the time
   * @param sales on credit within it
   * @return empty where nothing was sold
   */
  public static Optional<BigDecimal> of(Money receivables, Money sales, int days) {
    if (!sales.isPositive()) {
      return Optional.empty();
    }
    return Optional.of(
        receivables
            .getAmount()
            .multiply(BigDecimal.valueOf(days))
            .divide(sales.getAmount(), DIGITS, RoundingMode.HALF_EVEN));
  }

  /**
   * Counted back: the latest month's sales are taken off what is open, then those of the month
   * before, and so on; each month that is used up counts with its days, the last one in proportion.
   * Tells nothing false where sales rise and fall by season. Common practice of the trade, no
   * source.
   *
   * @param on the last day; of its month the days up to it count
   * @param sales by month
   * @return empty where more stands open than was sold in the months given
   */
  public static Optional<BigDecimal> countedBack(
      Money receivables, LocalDate on, Map<YearMonth, Money> sales) {
    var left = receivables;
    var days = BigDecimal.ZERO;
    if (!left.isPositive()) {
      return Optional.of(BigDecimal.ZERO.setScale(DIGITS));
    }
    var month = YearMonth.from(on);
    for (var n = 0; n < sales.size(); n++) {
      var of = month.minusMonths(n);
      var sold = sales.get(of);
      if (sold == null) {
        return Optional.empty();
      }
      var length =
          n == 0
              ? on.getDayOfMonth()
              : ChronoUnit.DAYS.between(of.atDay(1), of.plusMonths(1).atDay(1));
      if (sold.isGreaterThan(left) || sold.isEqual(left)) {
        return Optional.of(
            days.add(
                    left.getAmount()
                        .multiply(BigDecimal.valueOf(length))
                        .divide(sold.getAmount(), DIGITS, RoundingMode.HALF_EVEN))
                .setScale(DIGITS));
      }
      if (sold.isPositive()) {
        left = left.minus(sold);
      }
      days = days.add(BigDecimal.valueOf(length));
    }
    return Optional.empty();
  }
}

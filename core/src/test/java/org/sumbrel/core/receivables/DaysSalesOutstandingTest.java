package org.sumbrel.core.receivables;

import static org.assertj.core.api.Assertions.assertThat;
import static org.sumbrel.core.Books.usd;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.HashMap;
import java.util.Map;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.joda.money.Money;
import org.junit.jupiter.api.Test;

class DaysSalesOutstandingTest {

  private static final LocalDate END = LocalDate.of(2026, 5, 31);

  /**
   * Source: Brigham and Houston, Fundamentals of Financial Management, Allied Food Products:
   * receivables of 375 on sales of 3,000 (millions) are 45.625 days, which the book rounds to 46.
   * Recalled from memory.
   */
  @Test
  void isAsInTheTextbookOfAlliedFoodProducts() {
    assertThat(DaysSalesOutstanding.of(usd("375.00"), usd("3000.00"), 365))
        .contains(new BigDecimal("45.6"));
  }

  /**
   * Source: Ross, Westerfield and Jordan, Fundamentals of Corporate Finance, Prufrock Corporation:
   * receivables of 188 on sales of 2,311 are turned over 12.3 times, 30 days (29.7). Recalled from
   * memory.
   */
  @Test
  void isAsInTheTextbookOfPrufrock() {
    assertThat(DaysSalesOutstanding.of(usd("188.00"), usd("2311.00"), 365))
        .contains(new BigDecimal("29.7"));
  }

  @Test
  void withoutSalesThereAreNoDaysOfThem() {
    assertThat(DaysSalesOutstanding.of(usd("10.00"), usd("0.00"), 30)).isEmpty();
  }

  /** Common practice, no source: all of May (31 days) and half of April's sales are open. */
  @Test
  void countsBackMonthByMonth() {
    var sales =
        Map.of(
            YearMonth.of(2026, 5), usd("300.00"),
            YearMonth.of(2026, 4), usd("400.00"));

    assertThat(DaysSalesOutstanding.countedBack(usd("500.00"), END, sales))
        .contains(new BigDecimal("46.0"));
    assertThat(DaysSalesOutstanding.countedBack(usd("150.00"), END, sales))
        .contains(new BigDecimal("15.5"));
    assertThat(DaysSalesOutstanding.countedBack(usd("0.00"), END, sales))
        .contains(new BigDecimal("0.0"));
    assertThat(DaysSalesOutstanding.countedBack(usd("700.01"), END, sales)).isEmpty();
  }

  /** With the same sales every day both ways of counting say the same, to their rounding. */
  @Property
  void bothWaysAgreeWhereSalesAreEven(
      @ForAll @IntRange(min = 1, max = 5_000) int perDay,
      @ForAll @IntRange(min = 1, max = 300) int days) {
    var sales = new HashMap<YearMonth, Money>();
    var all = usd("0.00");
    for (var n = 0; n < 12; n++) {
      var month = YearMonth.from(END).minusMonths(n);
      sales.put(month, usd("1.00").multipliedBy((long) perDay * month.lengthOfMonth()));
      all = all.plus(sales.get(month));
    }
    var open = usd("1.00").multipliedBy((long) perDay * days);

    var simple = DaysSalesOutstanding.of(open, all, 365).orElseThrow();
    var counted = DaysSalesOutstanding.countedBack(open, END, sales).orElseThrow();

    assertThat(simple).isEqualByComparingTo(BigDecimal.valueOf(days));
    assertThat(counted).isEqualByComparingTo(BigDecimal.valueOf(days));
  }
}

package org.sumbrel.formats.ageing;

import java.time.LocalDate;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.sumbrel.core.money.MoneySum;
import org.sumbrel.core.receivables.Ageing;
import org.sumbrel.core.receivables.Ageing.Bucket;

/**
 * What the customers of a company owe in one currency on a day, by age.
 *
 * @param lines by customer
 */
public record AgeingSheet(String company, CurrencyUnit currency, LocalDate asOf, List<Line> lines) {

  private static final Map<Bucket, String> WORDS =
      Map.of(
          Bucket.NOT_DUE, "Not due",
          Bucket.DAYS_1_TO_30, "1–30 days",
          Bucket.DAYS_31_TO_60, "31–60 days",
          Bucket.DAYS_61_TO_90, "61–90 days",
          Bucket.OVER_90, "Over 90 days");

  public AgeingSheet {
    lines = List.copyOf(lines);
  }

  /** How a column is called. */
  public static String words(Bucket bucket) {
    return WORDS.get(bucket);
  }

  /**
   * What all of them owe in the currency of the books.
   *
   * @param words at which rate, of which day
   */
  public record InBooks(Ageing ageing, String words) {}

  /** What one customer owes. */
  public record Line(String number, String customer, Ageing ageing) {

    public Money of(Bucket bucket) {
      return ageing.amounts().get(bucket);
    }

    /** All that he owes, of any age. */
    public Money total() {
      return ageing.total();
    }
  }

  /** All customers together. */
  public Line total() {
    var sums = new EnumMap<Bucket, Money>(Bucket.class);
    for (var bucket : Bucket.values()) {
      sums.put(bucket, MoneySum.of(currency, lines, line -> line.of(bucket)));
    }
    return new Line("", "All", new Ageing(asOf, sums));
  }
}

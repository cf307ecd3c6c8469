package org.sumbrel.server.daysheet;

import java.time.LocalDate;
import java.util.Collection;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.springframework.stereotype.Component;

/** The money of a day in one company and currency, as its sheet has it. */
@Component
public class DaySums {

  private final DayRows rows;

  DaySums(DayRows rows) {
    this.rows = rows;
  }

  /**
   * The sums.
   *
   * @param waiting at the end of the day, or now where it is not over
   */
  public record OfDay(Money arrived, Money settled, Money waiting) {}

  /** Those of a day; {@code past} where it is over. */
  public OfDay of(Long company, CurrencyUnit currency, LocalDate on, boolean past) {
    var of = new DayRows.Of(company, currency);
    return new OfDay(
        sum(of, rows.arrived(of, on, on)),
        sum(of, rows.settled(of, on, on)),
        of.money(rows.waiting(of, on, past).minor()));
  }

  private static Money sum(DayRows.Of of, Collection<DayRows.Sum> sums) {
    return of.money(sums.stream().mapToLong(DayRows.Sum::minor).sum());
  }
}

package org.sumbrel.server.api;

import java.time.LocalDate;

/**
 * Two days and all between them.
 *
 * @param from null where there is no first day
 * @param until null where there is no last day
 */
public record Period(LocalDate from, LocalDate until) {

  private static final LocalDate EVER = LocalDate.of(1, 1, 1);
  private static final LocalDate FOREVER = LocalDate.of(9999, 12, 31);

  /**
   * @throws BadRequest where it would end before it begins
   */
  public Period {
    if (from != null && until != null && from.isAfter(until)) {
      throw new BadRequest("A period from " + from + " cannot end before, on " + until + ".");
    }
  }

  /**
   * What was asked for. Where nothing was, it ends today, and begins on the first of the month so
   * many months before its end.
   */
  public static Period asked(LocalDate from, LocalDate until, LocalDate today, int monthsBack) {
    var last = until == null ? today : until;
    return new Period(from == null ? last.minusMonths(monthsBack).withDayOfMonth(1) : from, last);
  }

  public LocalDate first() {
    return from == null ? EVER : from;
  }

  public LocalDate last() {
    return until == null ? FOREVER : until;
  }
}

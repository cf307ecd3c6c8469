package org.sumbrel.core.journal;

import java.time.LocalDate;
import java.util.Optional;

/**
 * The days in which nothing may be posted any more.
 *
 * @param until the last of them; empty where none is closed
 */
public record ClosedPeriod(Optional<LocalDate> until) {

  public static final ClosedPeriod NONE = new ClosedPeriod(Optional.empty());

  public static ClosedPeriod until(LocalDate day) {
    return new ClosedPeriod(Optional.of(day));
  }

  public boolean has(LocalDate day) {
    return until.filter(last -> !day.isAfter(last)).isPresent();
  }

  /** The day on which something of a day is posted: the day itself, or the first that is open. */
  public LocalDate openDayFor(LocalDate day) {
    return has(day) ? until.orElseThrow().plusDays(1) : day;
  }

  /** The days that are closed in either. */
  public ClosedPeriod and(ClosedPeriod other) {
    if (until.isEmpty()) {
      return other;
    }
    return other.until.isPresent() && other.until.get().isAfter(until.get()) ? other : this;
  }
}

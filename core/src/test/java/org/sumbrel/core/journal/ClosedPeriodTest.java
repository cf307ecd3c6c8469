package org.sumbrel.core.journal;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;

class ClosedPeriodTest {

  private static final LocalDate DAY = LocalDate.of(2026, 4, 30);

  /** Whatever is posted, for whatever day: no closed day ever changes. */
  @Property
  void nothingIsPostedInIt(
      @ForAll @IntRange(min = -400, max = 400) int closed,
      @ForAll @IntRange(min = -400, max = 400) int other,
      @ForAll @IntRange(min = -400, max = 400) int day) {
    var period =
        ClosedPeriod.until(DAY.plusDays(closed)).and(ClosedPeriod.until(DAY.plusDays(other)));
    var asked = DAY.plusDays(day);
    var posted = period.openDayFor(asked);
    assertThat(period.has(posted)).isFalse();
    assertThat(posted).isAfter(DAY.plusDays(Math.max(closed, other)));
    // what is of an open day stays on it
    assertThat(posted.equals(asked)).isEqualTo(!period.has(asked));
    assertThat(ClosedPeriod.NONE.openDayFor(asked)).isEqualTo(asked);
    assertThat(ClosedPeriod.NONE.and(period)).isEqualTo(period);
    assertThat(period.and(ClosedPeriod.NONE)).isEqualTo(period);
  }
}

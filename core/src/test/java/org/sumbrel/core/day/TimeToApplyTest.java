package org.sumbrel.core.day;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.sumbrel.core.Books.TODAY;

import java.math.BigDecimal;
import java.util.List;
import java.util.stream.Stream;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import net.jqwik.api.constraints.Size;
import org.junit.jupiter.api.Test;
import org.sumbrel.core.day.TimeToApply.Wait;
import org.sumbrel.core.day.TimeToApply.Waited;

class TimeToApplyTest {

  private static TimeToApply waited(Integer... days) {
    return TimeToApply.of(Stream.of(days).map(d -> new Waited(TODAY.minusDays(d), TODAY)).toList());
  }

  @Test
  void sortsReceiptsByHowLongTheyWaited() {
    var times = waited(0, 0, 1, 3, 4, 7, 8);

    assertThat(times.receipts()).isEqualTo(7);
    assertThat(times.counts())
        .containsEntry(Wait.SAME_DAY, 2)
        .containsEntry(Wait.NEXT_DAY, 1)
        .containsEntry(Wait.DAYS_2_TO_3, 1)
        .containsEntry(Wait.DAYS_4_TO_7, 2)
        .containsEntry(Wait.LONGER, 1);
    assertThat(times.median()).contains(new BigDecimal("3.0"));
  }

  @Test
  void theMedianOfAnEvenNumberLiesBetweenTheTwoInTheMiddle() {
    assertThat(waited(9, 1, 2, 0).median()).contains(new BigDecimal("1.5"));
    assertThat(waited().median()).isEmpty();
  }

  @Test
  void whatWasSettledBeforeItArrivedDidNotWait() {
    assertThat(TimeToApply.of(List.of(new Waited(TODAY, TODAY.minusDays(3)))).median())
        .contains(new BigDecimal("0.0"));
  }

  @Property
  void everyReceiptIsCountedOnce(@ForAll @Size(max = 60) List<@IntRange(max = 40) Integer> days) {
    var times = waited(days.toArray(Integer[]::new));

    assertThat(times.counts().values().stream().mapToInt(n -> n).sum()).isEqualTo(days.size());
    times
        .median()
        .ifPresent(
            median ->
                assertThat(days.stream().filter(d -> BigDecimal.valueOf(d).compareTo(median) <= 0))
                    .hasSizeGreaterThanOrEqualTo((days.size() + 1) / 2));
  }

  @Test
  void aShareIsInPerCentToOneDecimal() {
    assertThat(new Share(1, 3).percent()).contains(new BigDecimal("33.3"));
    assertThat(new Share(0, 0).percent()).isEmpty();
    assertThatThrownBy(() -> new Share(4, 3)).hasMessageContaining("4 of 3");
  }
}

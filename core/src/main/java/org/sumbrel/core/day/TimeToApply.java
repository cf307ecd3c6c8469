package org.sumbrel.core.day;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.Collection;
import java.util.Collections;
import java.util.EnumMap;
import java.util.Map;
import java.util.Optional;

/**
 * How long receipts waited from the day on which they arrived to the day on which they were
 * settled, in calendar days.
 *
 * @param receipts how many there were
 * @param median half of them waited no longer; empty where there were none
 * @param counts by how long they waited
 */
public record TimeToApply(int receipts, Optional<BigDecimal> median, Map<Wait, Integer> counts) {

  /** How long a receipt waited. */
  public enum Wait {
    SAME_DAY(0),
    NEXT_DAY(1),
    DAYS_2_TO_3(3),
    DAYS_4_TO_7(7),
    LONGER(Long.MAX_VALUE);

    private final long most;

    Wait(long most) {
      this.most = most;
    }

    /** How long it is between two days. */
    public static Wait between(LocalDate arrived, LocalDate settled) {
      var days = days(arrived, settled);
      for (var wait : values()) {
        if (days <= wait.most) {
          return wait;
        }
      }
      return LONGER;
    }
  }

  /** One receipt that was settled. */
  public record Waited(LocalDate arrived, LocalDate settled) {}

  public TimeToApply {
    counts = Collections.unmodifiableMap(new EnumMap<>(counts));
  }

  /** Counts how long receipts waited; one that was settled before it arrived did not wait. */
  public static TimeToApply of(Collection<Waited> receipts) {
    var counts = new EnumMap<Wait, Integer>(Wait.class);
    for (var wait : Wait.values()) {
      counts.put(wait, 0);
    }
    receipts.forEach(r -> counts.merge(Wait.between(r.arrived(), r.settled()), 1, Integer::sum));
    var days = receipts.stream().mapToLong(r -> days(r.arrived(), r.settled())).sorted().toArray();
    return new TimeToApply(receipts.size(), median(days), counts);
  }

  private static long days(LocalDate arrived, LocalDate settled) {
    return Math.max(0, ChronoUnit.DAYS.between(arrived, settled));
  }

  /** The middle one, or the mean of the two in the middle, to one decimal. */
  private static Optional<BigDecimal> median(long[] sorted) {
    if (sorted.length == 0) {
      return Optional.empty();
    }
    var upper = sorted[sorted.length / 2];
    var lower = sorted[(sorted.length - 1) / 2];
    return Optional.of(
        BigDecimal.valueOf(lower + upper).divide(BigDecimal.valueOf(2), 1, RoundingMode.HALF_EVEN));
  }
}

package org.sumbrel.core.find;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.function.Predicate;

/**
 * Whether one of the amounts lies between two figures, both included and each may be null. The
 * figures are turned into minor units once for each number of digits, rounded inwards, so that a
 * figure finer than a currency is met by no amount of it.
 */
final class SizeBetween implements Predicate<Findable> {

  private static final int MOST_DIGITS = 4;
  private static final BigDecimal LARGEST = BigDecimal.valueOf(Long.MAX_VALUE);

  private final long[] from = new long[MOST_DIGITS + 1];
  private final long[] until = new long[MOST_DIGITS + 1];

  SizeBetween(BigDecimal from, BigDecimal until) {
    for (var digits = 0; digits <= MOST_DIGITS; digits++) {
      this.from[digits] = from == null ? 0 : minor(from, digits, RoundingMode.CEILING);
      this.until[digits] =
          until == null ? Long.MAX_VALUE : minor(until, digits, RoundingMode.FLOOR);
    }
  }

  private static long minor(BigDecimal figure, int digits, RoundingMode inwards) {
    return figure.movePointRight(digits).setScale(0, inwards).min(LARGEST).longValueExact();
  }

  /** Whether one of amounts between these can lie between the figures. */
  boolean mayHold(long smallest, long largest, int digits) {
    return largest >= from[digits] && smallest <= until[digits];
  }

  @Override
  public boolean test(Findable one) {
    for (var size : one.sizes()) {
      if (size >= from[one.digits()] && size <= until[one.digits()]) {
        return true;
      }
    }
    return false;
  }
}

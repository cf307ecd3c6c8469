package org.sumbrel.core.day;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.Optional;

/**
 * How many of all; the share that went without a hand, for one.
 *
 * @param of never more than all
 */
public record Share(long of, long all) {

  private static final BigDecimal HUNDRED = BigDecimal.valueOf(100);

  public Share {
    if (of < 0 || of > all) {
      throw new IllegalArgumentException(of + " of " + all + " is no share");
    }
  }

  /** In per cent to one decimal, half-even; empty of nothing. */
  public Optional<BigDecimal> percent() {
    return all == 0
        ? Optional.empty()
        : Optional.of(
            BigDecimal.valueOf(of)
                .multiply(HUNDRED)
                .divide(BigDecimal.valueOf(all), 1, RoundingMode.HALF_EVEN));
  }
}

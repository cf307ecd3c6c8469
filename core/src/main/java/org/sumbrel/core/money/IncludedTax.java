package org.sumbrel.core.money;

import java.math.BigDecimal;
import java.math.MathContext;
import java.math.RoundingMode;
import org.joda.money.Money;

/** The tax that is contained in an amount. */
public final class IncludedTax {

  private static final BigDecimal HUNDRED = BigDecimal.valueOf(100);

  private IncludedTax() {}

  /**
   * The tax in {@code gross} at {@code percent}: gross × p ÷ (100 + p), rounded half-up to the
   * currency's digits, in the sign of {@code gross}.
   *
   * @param percent zero or positive
   */
  public static Money in(Money gross, BigDecimal percent) {
    if (percent.signum() < 0) {
      throw new IllegalArgumentException("a tax of " + percent + " % is below zero");
    }
    var share = percent.divide(HUNDRED.add(percent), MathContext.DECIMAL64);
    return gross.multipliedBy(share, RoundingMode.HALF_UP);
  }
}

package org.sumbrel.core.money;

import java.math.MathContext;
import java.math.RoundingMode;
import org.joda.money.Money;

/** What falls to a part of something. */
public final class MoneyShare {

  private MoneyShare() {}

  /**
   * What of {@code whole} falls to {@code part} of {@code all}, rounded half-even to its currency's
   * digits; the whole of it where the part is all.
   *
   * @param part in the currency of {@code all}, which may be another one than that of {@code whole}
   * @param all not zero
   */
  public static Money of(Money whole, Money part, Money all) {
    return part.equals(all)
        ? whole
        : Money.of(
            whole.getCurrencyUnit(),
            whole
                .getAmount()
                .multiply(part.getAmount())
                .divide(all.getAmount(), MathContext.DECIMAL128),
            RoundingMode.HALF_EVEN);
  }
}

package org.sumbrel.core.exchange;

import java.math.BigDecimal;
import java.math.MathContext;
import java.math.RoundingMode;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;

/**
 * What one unit of a currency is worth in another.
 *
 * @param perUnit units of {@code to} for one of {@code from}, above zero
 */
public record Rate(CurrencyUnit from, CurrencyUnit to, BigDecimal perUnit) {

  /** Figures of a rate that is reckoned from two amounts. */
  private static final int DIGITS = 6;

  private static final BigDecimal FAR = new BigDecimal("0.10");

  public Rate {
    if (perUnit.signum() <= 0) {
      throw new IllegalArgumentException(
          "a rate of " + perUnit.toPlainString() + " is not above 0");
    }
    if (from.equals(to)) {
      throw new IllegalArgumentException("a rate from " + from + " to itself");
    }
  }

  /** The rate at which an amount was changed, to six decimals, half-even. */
  public static Rate between(Money given, Money got) {
    return new Rate(
        given.getCurrencyUnit(),
        got.getCurrencyUnit(),
        got.getAmount().abs().divide(given.getAmount().abs(), DIGITS, RoundingMode.HALF_EVEN));
  }

  /** The same the other way round, to so many figures that it leads back to the cent. */
  public Rate inverse() {
    return new Rate(to, from, BigDecimal.ONE.divide(perUnit, MathContext.DECIMAL64));
  }

  /** Whether it is more than a tenth away from another of the same pair: it may be a slip. */
  public boolean isFarFrom(Rate last) {
    var share = perUnit.divide(last.perUnit, MathContext.DECIMAL64).subtract(BigDecimal.ONE).abs();
    return share.compareTo(FAR) > 0;
  }

  /** An amount at this rate, rounded half-even to the digits of the other currency. */
  public Money of(Money amount) {
    if (!amount.getCurrencyUnit().equals(from)) {
      throw new IllegalArgumentException("a rate of " + from + " is not one of " + amount);
    }
    return Money.of(to, amount.getAmount().multiply(perUnit), RoundingMode.HALF_EVEN);
  }

  /**
   * The realised exchange difference (IAS 21.28): what came in for an amount, less what it stood in
   * the books with at this rate. Positive for a gain, negative for a loss.
   *
   * @param amount what was settled, in its own currency
   * @param received what came in for it
   */
  public Money realisedOn(Money amount, Money received) {
    return received.minus(of(amount));
  }
}

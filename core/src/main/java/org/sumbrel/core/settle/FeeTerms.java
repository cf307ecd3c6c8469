package org.sumbrel.core.settle;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.regex.Pattern;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.sumbrel.core.money.MoneyText;

/**
 * How a fee is reckoned: a percentage of the payment, a fixed amount, or both.
 *
 * @param percent of what the payer paid, zero or positive, below 100
 * @param fixed zero or positive
 */
public record FeeTerms(BigDecimal percent, Money fixed) {

  private static final Pattern WRITTEN =
      Pattern.compile("(?:(\\d{1,2}(?:\\.\\d{1,4})?)\\s*%)?\\s*\\+?\\s*(\\d+(?:\\.\\d+)?)?");

  public FeeTerms {
    if (percent.signum() < 0 || percent.compareTo(BigDecimal.valueOf(100)) >= 0) {
      throw new IllegalArgumentException("a fee of " + percent + " % is not between 0 and 100");
    }
    if (fixed.isNegative()) {
      throw new IllegalArgumentException("a fixed fee of " + fixed.getAmount() + " is below zero");
    }
  }

  /**
   * Reads {@code 18.00}, {@code 2.9 %} or {@code 2.9 % + 0.30}.
   *
   * @throws IllegalArgumentException where the text is none of these
   */
  public static FeeTerms parse(String text, CurrencyUnit currency) {
    var parts = WRITTEN.matcher(text.strip());
    if (text.isBlank() || !parts.matches()) {
      throw new IllegalArgumentException(
          "\"" + text + "\" is not written like 18.00 or 2.9 % + 0.30");
    }
    return new FeeTerms(
        parts.group(1) == null ? BigDecimal.ZERO : new BigDecimal(parts.group(1)),
        parts.group(2) == null ? Money.zero(currency) : MoneyText.parse(parts.group(2), currency));
  }

  /** The fee on a payment of {@code gross}, rounded half-up to the currency's digits. */
  public Money of(Money gross) {
    return gross.multipliedBy(percent.movePointLeft(2), RoundingMode.HALF_UP).plus(fixed);
  }

  /** As it is written, such as {@code 2.9 % + 0.30}. */
  @Override
  public String toString() {
    var share = percent.signum() == 0 ? "" : percent.stripTrailingZeros().toPlainString() + " %";
    if (fixed.isZero() && !share.isEmpty()) {
      return share;
    }
    return (share.isEmpty() ? "" : share + " + ") + MoneyText.plain(fixed);
  }
}

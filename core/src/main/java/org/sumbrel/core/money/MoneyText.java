package org.sumbrel.core.money;

import java.math.BigDecimal;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;

/** Amounts as text: plain for files and the API, grouped for the sentences a clerk reads. */
public final class MoneyText {

  /** Before the decimal mark. */
  private static final int MOST_DIGITS = 15;

  private static final int LONGEST_SHOWN = 40;

  private MoneyText() {}

  /**
   * The amount as a plain decimal in the currency's own number of digits, such as {@code -1204.50}.
   */
  public static String plain(Money money) {
    return money.getAmount().toPlainString();
  }

  /** The amount with thousands grouped and without its currency, such as {@code 1,204.50}. */
  public static String grouped(Money money) {
    var text = new StringBuilder(plain(money));
    var first = money.isNegative() ? 1 : 0;
    var point = text.indexOf(".");
    for (var at = (point < 0 ? text.length() : point) - 3; at > first; at -= 3) {
      text.insert(at, ',');
    }
    return text.toString();
  }

  /**
   * Reads a plain decimal, such as {@code -1204.50}, with a point as its mark and no grouping.
   *
   * @throws IllegalArgumentException naming the text, where it is no such number or has more digits
   *     than the currency
   */
  public static Money parse(String text, CurrencyUnit currency) {
    BigDecimal value;
    try {
      value = new BigDecimal(text.strip());
    } catch (NumberFormatException e) {
      throw new IllegalArgumentException("\"" + text + "\" is not an amount such as 1204.50", e);
    }
    return exact(value, currency);
  }

  /**
   * The value as money, without rounding.
   *
   * @throws IllegalArgumentException where the value has more digits than the currency or is beyond
   *     what can be kept
   */
  public static Money exact(BigDecimal value, CurrencyUnit currency) {
    // numbers such as 1e999999999 would take all memory as soon as they are written out
    if (Math.abs((long) value.scale()) > 1_000 || value.precision() > 1_000) {
      throw new IllegalArgumentException("the number has too many digits to be an amount");
    }
    var stripped = value.stripTrailingZeros();
    if (stripped.scale() > currency.getDecimalPlaces()) {
      throw new IllegalArgumentException(
          value.toPlainString()
              + " has more than the "
              + currency.getDecimalPlaces()
              + " decimal digits of "
              + currency.getCode());
    }
    var digits = stripped.precision() - stripped.scale();
    if (digits > MOST_DIGITS) {
      throw new IllegalArgumentException(
          shortened(value.toPlainString())
              + " has "
              + digits
              + " digits before the decimal mark; at most "
              + MOST_DIGITS
              + " can be kept");
    }
    return Money.of(currency, value.setScale(currency.getDecimalPlaces()));
  }

  private static String shortened(String digits) {
    return digits.length() <= LONGEST_SHOWN ? digits : digits.substring(0, LONGEST_SHOWN) + "…";
  }
}

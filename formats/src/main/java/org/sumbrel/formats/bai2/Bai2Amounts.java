package org.sumbrel.formats.bai2;

import java.math.BigDecimal;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.sumbrel.core.money.MoneyText;

/** Amounts without a decimal mark, in the smallest unit of the currency, perhaps with a sign. */
final class Bai2Amounts {

  private static final int LONGEST = 18;

  private Bai2Amounts() {}

  /** The number, or empty where it is none. */
  static Optional<BigDecimal> minor(String text) {
    return text.length() <= LONGEST && text.matches("[+-]?\\d+")
        ? Optional.of(new BigDecimal(text))
        : Optional.empty();
  }

  /**
   * The amount as money.
   *
   * @throws IllegalArgumentException where it is beyond what can be kept
   */
  static Money money(BigDecimal minor, CurrencyUnit currency) {
    return MoneyText.exact(minor.movePointLeft(currency.getDecimalPlaces()), currency);
  }
}

package org.sumbrel.formats;

import java.math.BigDecimal;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.sumbrel.core.money.MoneyText;

/** Amounts as files write them: digits with one decimal mark, never an exponent. */
public final class FileAmount {

  private static final int LONGEST = 40;

  private FileAmount() {}

  /**
   * Reads an amount whose decimal mark is a point or a comma, with or without a sign.
   *
   * @throws IllegalArgumentException naming the text, where it is no such amount, has more digits
   *     than the currency, or is beyond what can be kept
   */
  public static Money parse(String text, CurrencyUnit currency) {
    return MoneyText.exact(decimal(text), currency);
  }

  /** The same for a number that is no amount, such as a rate. */
  public static BigDecimal decimal(String text) {
    var stripped = text.strip();
    if (stripped.length() > LONGEST || !written(stripped)) {
      throw new IllegalArgumentException(
          "\"" + shortened(stripped) + "\" is not an amount such as 1204.50");
    }
    return new BigDecimal(stripped.replace(',', '.'));
  }

  /** The text, cut to what fits into a sentence. */
  public static String shortened(String text) {
    return text.length() <= LONGEST ? text : text.substring(0, LONGEST - 1) + "…";
  }

  private static boolean written(String text) {
    var digits = 0;
    var marks = 0;
    for (var i = 0; i < text.length(); i++) {
      var c = text.charAt(i);
      if (c >= '0' && c <= '9') {
        digits++;
      } else if (c == '.' || c == ',') {
        marks++;
      } else if (i > 0 || (c != '-' && c != '+')) {
        return false;
      }
    }
    return digits > 0 && marks <= 1;
  }
}

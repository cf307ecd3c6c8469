package org.sumbrel.server.outside;

import org.joda.money.Money;

/** An amount as it is written out on a cheque: {@code Four hundred twelve and 30/100}. */
final class AmountInWords {

  private static final String[] SMALL = {
    "zero",
    "one",
    "two",
    "three",
    "four",
    "five",
    "six",
    "seven",
    "eight",
    "nine",
    "ten",
    "eleven",
    "twelve",
    "thirteen",
    "fourteen",
    "fifteen",
    "sixteen",
    "seventeen",
    "eighteen",
    "nineteen"
  };
  private static final String[] TENS = {
    "", "", "twenty", "thirty", "forty", "fifty", "sixty", "seventy", "eighty", "ninety"
  };
  private static final int THOUSAND = 1_000;
  private static final int MILLION = 1_000_000;

  private AmountInWords() {}

  /**
   * Writes it out.
   *
   * @param amount positive, below a thousand million, in a currency of hundredths
   */
  static String of(Money amount) {
    var minor = amount.getAmountMinorLong();
    var words = number((int) (minor / 100));
    return words.substring(0, 1).toUpperCase(java.util.Locale.ROOT)
        + words.substring(1)
        + " and %02d/100".formatted(minor % 100);
  }

  private static String number(int n) {
    if (n >= MILLION) {
      return number(n / MILLION) + " million" + rest(n % MILLION);
    }
    if (n >= THOUSAND) {
      return number(n / THOUSAND) + " thousand" + rest(n % THOUSAND);
    }
    if (n >= 100) {
      return SMALL[n / 100] + " hundred" + rest(n % 100);
    }
    if (n >= 20) {
      return TENS[n / 10] + (n % 10 == 0 ? "" : "-" + SMALL[n % 10]);
    }
    return SMALL[n];
  }

  private static String rest(int n) {
    return n == 0 ? "" : " " + number(n);
  }
}

package org.sumbrel.core.receivables;

/**
 * The check digits of payment references, account and card numbers. Each takes digits only and
 * gives what is to stand behind them.
 */
public final class CheckDigit {

  private static final int[] RECURSIVE = {0, 9, 4, 6, 8, 2, 7, 1, 3, 5};
  private static final int[] ABA = {3, 7, 1};
  private static final int[] FINNISH = {7, 3, 1};

  private CheckDigit() {}

  /**
   * Modulo 10 recursive, of Swiss payment references. Source: SIX, Swiss Implementation Guidelines
   * for the QR-bill, annex B.
   */
  public static int mod10Recursive(CharSequence digits) {
    var carry = 0;
    for (var i = 0; i < digits.length(); i++) {
      carry = RECURSIVE[(carry + digit(digits, i)) % 10];
    }
    return (10 - carry) % 10;
  }

  /**
   * 7-3-1 from the right, of Finnish reference numbers. Source: Finance Finland, Forming a Finnish
   * reference number.
   */
  public static int finnish731(CharSequence digits) {
    var sum = 0;
    for (var i = 0; i < digits.length(); i++) {
      sum += digit(digits, digits.length() - 1 - i) * FINNISH[i % 3];
    }
    return (10 - sum % 10) % 10;
  }

  /**
   * Luhn's, of card numbers (ISO/IEC 7812-1, annex B) and, as modulo 10, of Norwegian customer
   * identifications (KID).
   */
  public static int luhn(CharSequence digits) {
    var sum = 0;
    for (var i = 0; i < digits.length(); i++) {
      var value = digit(digits, digits.length() - 1 - i) * (i % 2 == 0 ? 2 : 1);
      sum += value > 9 ? value - 9 : value;
    }
    return (10 - sum % 10) % 10;
  }

  /**
   * Modulo 11 with weights 2 to 7 from the right, the other check of Norwegian customer
   * identifications; 10 where the check is written as a dash. Source: Bits, KID specification.
   */
  public static int kidMod11(CharSequence digits) {
    var sum = 0;
    for (var i = 0; i < digits.length(); i++) {
      sum += digit(digits, digits.length() - 1 - i) * (2 + i % 6);
    }
    return (11 - sum % 11) % 11;
  }

  /**
   * The last two digits of a Belgian structured communication: the first ten modulo 97, 97 in place
   * of 0. Source: Febelfin, structured communication.
   */
  public static int belgian97(CharSequence tenDigits) {
    var remainder = Mod97.remainder(tenDigits);
    return remainder == 0 ? 97 : remainder;
  }

  /**
   * The ninth digit of an American routing number, weights 3-7-1. Source: American Bankers
   * Association, routing number policy; ANSI X9.100-160.
   */
  public static int aba(CharSequence eightDigits) {
    var sum = 0;
    for (var i = 0; i < eightDigits.length(); i++) {
      sum += digit(eightDigits, i) * ABA[i % 3];
    }
    return (10 - sum % 10) % 10;
  }

  private static int digit(CharSequence digits, int at) {
    var value = digits.charAt(at) - '0';
    if (value < 0 || value > 9) {
      throw new IllegalArgumentException("\"" + digits + "\" has more than digits in it");
    }
    return value;
  }
}

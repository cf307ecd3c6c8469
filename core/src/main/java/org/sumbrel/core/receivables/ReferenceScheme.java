package org.sumbrel.core.receivables;

import java.util.Arrays;
import java.util.function.Predicate;
import java.util.regex.Pattern;

/** The structured payment references that carry a check, by the standard that makes them. */
public enum ReferenceScheme {
  /** ISO 11649, RF and two check digits. */
  ISO_11649("RF\\d{2}[0-9A-Z]{1,21}", text -> CreditorReference.parse(text).isPresent()),
  /** Swiss QR reference and its forerunner: 27 digits. */
  SWISS("\\d{27}", text -> ends(text, 1, CheckDigit.mod10Recursive(body(text, 1)))),
  /** Belgian structured communication: 12 digits. */
  BELGIAN("\\d{12}", text -> ends(text, 2, CheckDigit.belgian97(body(text, 2)))),
  /** Finnish reference number: 4 to 20 digits. */
  FINNISH("\\d{4,20}", text -> ends(text, 1, CheckDigit.finnish731(body(text, 1)))),
  /** Norwegian customer identification with modulo 10: 2 to 25 digits. */
  KID_MOD10("\\d{2,25}", text -> ends(text, 1, CheckDigit.luhn(body(text, 1)))),
  /** Norwegian customer identification with modulo 11. */
  KID_MOD11("\\d{2,25}", text -> ends(text, 1, CheckDigit.kidMod11(body(text, 1))));

  private final Pattern shape;
  private final Predicate<String> check;

  ReferenceScheme(String shape, Predicate<String> check) {
    this.shape = Pattern.compile(shape);
    this.check = check;
  }

  /** Whether a reference, without blanks and in capitals, has this shape and its check holds. */
  public boolean holds(String compact) {
    return shape.matcher(compact).matches() && check.test(compact);
  }

  /** Whether the check of any scheme holds. */
  public static boolean anyHolds(String compact) {
    return Arrays.stream(values()).anyMatch(scheme -> scheme.holds(compact));
  }

  private static String body(String text, int check) {
    return text.substring(0, text.length() - check);
  }

  private static boolean ends(String text, int digits, int check) {
    return Integer.parseInt(text.substring(text.length() - digits)) == check;
  }
}

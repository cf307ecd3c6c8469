package org.sumbrel.core.intake;

import java.util.Locale;
import java.util.regex.Pattern;

/** Numbers of bank accounts as banks write them: in groups, with bank code or currency, padded. */
public final class AccountNumber {

  private static final Pattern OTHERS = Pattern.compile("[^A-Z0-9]");
  private static final Pattern CURRENCY = Pattern.compile("(?<=\\d)[A-Z]{3}$");
  private static final Pattern ZEROS = Pattern.compile("^0+(?=.)");
  private static final int SHORTEST_TAIL = 7;

  private AccountNumber() {}

  /**
   * Whether two writings are of the same account: without blanks and leading zeros, without the
   * currency behind the number, and without the bank's code before a slash or inside an IBAN, of
   * which then at least seven figures must agree.
   */
  public static boolean same(String one, String other) {
    var a = plain(one);
    var b = plain(other);
    if (a.isEmpty() || b.isEmpty()) {
      return false;
    }
    return a.equals(b) || endsWith(a, b) || endsWith(b, a);
  }

  private static boolean endsWith(String longer, String shorter) {
    return longer.length() > shorter.length()
        && shorter.length() >= SHORTEST_TAIL
        && Character.isLetter(longer.charAt(0))
        && longer.endsWith(shorter);
  }

  private static String plain(String written) {
    var capitals = written.toUpperCase(Locale.ROOT).strip();
    var afterSlash = capitals.substring(capitals.lastIndexOf('/') + 1);
    var compact = OTHERS.matcher(afterSlash).replaceAll("");
    return ZEROS.matcher(CURRENCY.matcher(compact).replaceAll("")).replaceAll("");
  }
}

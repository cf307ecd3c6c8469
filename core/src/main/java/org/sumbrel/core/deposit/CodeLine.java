package org.sumbrel.core.deposit;

import java.util.Optional;
import java.util.regex.Pattern;
import org.sumbrel.core.receivables.CheckDigit;

/**
 * The code line at the foot of an American cheque, as a reader gives it.
 *
 * <p>The fields and where they stand are those of ANSI X9.100-160: the routing number between
 * transit symbols; to its right, up to the on-us symbol, the account, with the cheque number of a
 * personal cheque behind or before it; to its left, between on-us symbols, the number of a business
 * cheque. Readers give the four symbols as themselves (Unicode U+2446 to U+2449) or, by common
 * practice, as letters: {@code T} transit, {@code U} on-us, {@code $} amount, {@code -} dash.
 *
 * @param routing nine digits, the last of which checks the others
 * @param account the drawer's account, digits only; empty where it cannot be told
 * @param chequeNumber without leading zeros; empty where it cannot be told
 */
public record CodeLine(String routing, String account, String chequeNumber) {

  private static final Pattern ROUTING = Pattern.compile("T\\s*([\\d -]+?)\\s*T");
  private static final Pattern AUXILIARY = Pattern.compile("U\\s*([\\d-]+)\\s*U");
  private static final int DIGITS = 9;

  /** A code line that is none, with the sentence for the clerk. */
  public static final class Unreadable extends RuntimeException {

    private static final long serialVersionUID = 1L;

    Unreadable(String sentence) {
      super(sentence);
    }
  }

  /**
   * Reads a code line.
   *
   * @throws Unreadable where no routing number can be told, or its check digit fails
   */
  public static CodeLine parse(String text) {
    var line = plain(text);
    var routing = ROUTING.matcher(line);
    if (!routing.find()) {
      throw new Unreadable(
          "\"" + text.strip() + "\" has no routing number between two transit symbols.");
    }
    var number = routing.group(1).replaceAll("\\D", "");
    requireRouting(number);
    var business = AUXILIARY.matcher(line.substring(0, routing.start()));
    var right = line.substring(routing.end()).replaceAll("\\$.*", "");
    if (business.find()) {
      return new CodeLine(number, digits(right), number(business.group(1)));
    }
    var onUs = right.split("U", 2);
    var before = onUs[0].strip();
    var behind = onUs.length > 1 ? onUs[1].strip() : "";
    if (!digits(behind).isEmpty()) {
      return new CodeLine(number, digits(before), number(behind));
    }
    // some banks put the cheque's number before the account, set apart by blanks
    var parts = before.split("\\s{2,}|\\s(?=\\d{5,})", 2);
    return parts.length == 2 && digits(parts[0]).length() <= 6
        ? new CodeLine(number, digits(parts[1]), number(parts[0]))
        : new CodeLine(number, digits(before), "");
  }

  /**
   * Holds a routing number against its check digit.
   *
   * @throws Unreadable with the digit that it should end with
   */
  public static void requireRouting(String number) {
    if (number.length() != DIGITS || !number.chars().allMatch(c -> c >= '0' && c <= '9')) {
      throw new Unreadable(
          "A routing number has nine digits; \"" + number + "\" has " + number.length() + ".");
    }
    var check = CheckDigit.aba(number.substring(0, DIGITS - 1));
    if (check != number.charAt(DIGITS - 1) - '0') {
      throw new Unreadable(
          "The routing number "
              + number
              + " would have to end with "
              + check
              + "; a digit was misread.");
    }
  }

  /** How a payer's account of this bank is called elsewhere; empty where it has none. */
  public Optional<String> payerAccount() {
    return account.isEmpty() ? Optional.empty() : Optional.of(account);
  }

  private static String plain(String text) {
    return text.toUpperCase(java.util.Locale.ROOT)
        .replace('⑆', 'T')
        .replace('⑇', '$')
        .replace('⑈', 'U')
        .replace('⑉', '-');
  }

  private static String digits(String text) {
    return text.replaceAll("\\D", "");
  }

  private static String number(String text) {
    var digits = digits(text).replaceFirst("^0+", "");
    return digits;
  }
}

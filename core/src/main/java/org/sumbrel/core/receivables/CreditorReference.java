package org.sumbrel.core.receivables;

import java.util.Locale;
import java.util.Optional;
import java.util.regex.Pattern;

/**
 * A structured creditor reference of ISO 11649: RF, two check digits, up to 21 letters and digits.
 *
 * @param value without blanks, in capitals; its check digits hold
 */
public record CreditorReference(String value) {

  private static final Pattern SHAPE = Pattern.compile("RF\\d{2}[0-9A-Z]{1,21}");

  public CreditorReference {
    if (!SHAPE.matcher(value).matches()
        || Mod97.remainder(value.substring(4) + value.substring(0, 4)) != 1) {
      throw new IllegalArgumentException(
          "\"" + value + "\" is not a creditor reference whose check digits hold");
    }
  }

  /**
   * Reads a reference as printed, in groups of four or not; empty where it is none or its check
   * digits fail.
   */
  public static Optional<CreditorReference> parse(String printed) {
    var compact = printed.replaceAll("\\s", "").toUpperCase(Locale.ROOT);
    try {
      return Optional.of(new CreditorReference(compact));
    } catch (IllegalArgumentException e) {
      return Optional.empty();
    }
  }

  /** Makes the reference with the right check digits for a text of up to 21 letters and digits. */
  public static CreditorReference around(String text) {
    var body = text.replaceAll("[^0-9A-Za-z]", "").toUpperCase(Locale.ROOT);
    var check = 98 - Mod97.remainder(body + "RF00");
    return new CreditorReference("RF" + (check < 10 ? "0" : "") + check + body);
  }
}

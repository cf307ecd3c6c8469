package org.sumbrel.core.receivables;

import java.util.Locale;
import java.util.Optional;
import java.util.regex.Pattern;

/**
 * An international bank account number (ISO 13616). The check digits are verified, the length by
 * country is not.
 *
 * @param value without blanks, in capitals; its check digits hold
 */
public record Iban(String value) {

  private static final Pattern SHAPE = Pattern.compile("[A-Z]{2}\\d{2}[0-9A-Z]{11,30}");

  public Iban {
    if (!SHAPE.matcher(value).matches()
        || Mod97.remainder(value.substring(4) + value.substring(0, 4)) != 1) {
      throw new IllegalArgumentException(
          "\"" + value + "\" is not an account number whose check digits hold");
    }
  }

  /**
   * Reads an account number as printed, in groups of four or not; empty where it is none or its
   * check digits fail.
   */
  public static Optional<Iban> parse(String printed) {
    var compact = printed.replaceAll("\\s", "").toUpperCase(Locale.ROOT);
    try {
      return Optional.of(new Iban(compact));
    } catch (IllegalArgumentException e) {
      return Optional.empty();
    }
  }
}

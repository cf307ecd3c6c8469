package org.sumbrel.formats.table;

import java.text.Normalizer;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Pattern;
import org.joda.money.CurrencyUnit;
import org.sumbrel.formats.table.TableField.Kind;

/** What the words above a column say. */
final class Headings {

  private static final Pattern MARKS = Pattern.compile("\\p{M}+");
  private static final Pattern OTHERS = Pattern.compile("[^a-z0-9]+");
  private static final Pattern CURRENCY_AT_END = Pattern.compile("^(.+?) (?:in )?([a-z]{3})$");

  private Headings() {}

  /** The heading in small plain letters and figures, single blanks between. */
  static String plain(String heading) {
    var letters =
        MARKS
            .matcher(Normalizer.normalize(heading.replace("ß", "ss"), Normalizer.Form.NFD))
            .replaceAll("")
            .toLowerCase(Locale.ROOT);
    return OTHERS.matcher(letters).replaceAll(" ").strip();
  }

  /** What the column under a plain heading holds, where one of these says so. */
  static Optional<TableField> meaning(String plain, Map<String, TableField> byHeading) {
    var found = byHeading.get(plain);
    return found == null ? withCurrency(plain, byHeading) : Optional.of(found);
  }

  /** {@code Amount (USD)}, {@code Betrag in EUR}. */
  private static Optional<TableField> withCurrency(
      String plain, Map<String, TableField> byHeading) {
    var matcher = CURRENCY_AT_END.matcher(plain);
    return matcher.matches()
        ? Optional.ofNullable(byHeading.get(matcher.group(1).strip()))
            .filter(f -> f.kind() == Kind.AMOUNT && !currencyIn(plain).isEmpty())
        : Optional.empty();
  }

  /** The currency code that a heading ends with, or empty. */
  static String currencyIn(String heading) {
    var matcher = CURRENCY_AT_END.matcher(plain(heading));
    if (!matcher.matches()) {
      return "";
    }
    var code = matcher.group(2).toUpperCase(Locale.ROOT);
    return CurrencyUnit.registeredCurrencies().stream().anyMatch(c -> c.getCode().equals(code))
        ? code
        : "";
  }
}

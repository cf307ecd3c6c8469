package org.sumbrel.formats.table;

import java.time.Instant;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.StringJoiner;
import java.util.regex.Pattern;
import org.joda.money.CurrencyUnit;
import org.joda.money.IllegalCurrencyException;
import org.joda.money.Money;
import org.sumbrel.core.receivables.EarlyPaymentTerms;
import org.sumbrel.formats.FileAmount;
import org.sumbrel.formats.Reading;
import org.sumbrel.formats.table.TableField.Kind;

/** One row read by a profile; what cannot be read of it is told as wrong with its line. */
final class ProfiledRow {

  private static final Set<String> YES = Set.of("yes", "y", "true", "1", "x", "ja", "oui", "si");
  private static final Set<String> NO = Set.of("no", "n", "false", "0", "nein", "non");

  /** Days to pay without anything for paying early; the due date says the same. */
  private static final Pattern NO_DISCOUNT =
      Pattern.compile("(?i)(?:net|n/)?\\s*\\d{1,3}(?:\\s*days?)?(?:\\s*net)?");

  private final TableProfile profile;
  private final TableRow row;
  private final Reading reading;
  private final int wrongsBefore;

  ProfiledRow(TableProfile profile, TableRow row, Reading reading) {
    this.profile = profile;
    this.row = row;
    this.reading = reading;
    this.wrongsBefore = reading.wrongs();
  }

  int line() {
    return row.line();
  }

  /** Whether everything asked of the row so far could be read. */
  boolean sound() {
    return reading.wrongs() == wrongsBefore;
  }

  void wrong(String message) {
    reading.wrong(row.line(), message);
  }

  /** The cell, or where no column holds the field what it always is, or empty. */
  String text(TableField field) {
    if (!profile.has(field)) {
      return profile.constants().getOrDefault(field, "");
    }
    var text = new StringJoiner(" ");
    for (var column : profile.columns().get(field)) {
      var cell = row.cell(column);
      if (!cell.isEmpty()) {
        text.add(cell);
      }
    }
    return text.toString();
  }

  String required(TableField field) {
    var text = text(field);
    if (text.isEmpty()) {
      wrong(profile.heading(field) + " is empty");
    }
    return text;
  }

  /** The texts of every column that holds the field, apart. */
  List<String> texts(TableField field) {
    var texts = new ArrayList<String>();
    for (var column : profile.columns().getOrDefault(field, List.of())) {
      if (!row.cell(column).isEmpty()) {
        texts.add(row.cell(column));
      }
    }
    return texts;
  }

  /** The day; empty where the cell is, and where it holds none, which is told. */
  Optional<LocalDate> date(TableField field) {
    var cell = text(field);
    if (cell.isEmpty()) {
      return Optional.empty();
    }
    var order = profile.dates().getOrDefault(field, DateOrder.YEAR_MONTH_DAY);
    var read = DateOrder.read(cell, order);
    if (read.isEmpty()) {
      wrong(
          profile.heading(field)
              + " \""
              + FileAmount.shortened(cell)
              + "\" is not a date such as 2026-05-29, or not written like the others");
    }
    return read;
  }

  /**
   * The day of a time: where it is told with its offset, the day it was in the profile's time zone.
   */
  Optional<LocalDate> day(TableField field) {
    var moment = profile.zone().isPresent() ? moment(text(field)) : Optional.<Instant>empty();
    return moment.isPresent()
        ? moment.map(m -> m.atZone(profile.zone().orElseThrow()).toLocalDate())
        : date(field);
  }

  private static Optional<Instant> moment(String cell) {
    try {
      return Optional.of(OffsetDateTime.parse(cell.replace(' ', 'T')).toInstant());
    } catch (DateTimeParseException e) {
      return Optional.empty();
    }
  }

  /** What is taken off for paying early; empty where nothing is. */
  Optional<EarlyPaymentTerms> terms(TableField field) {
    var written = text(field);
    try {
      return written.isEmpty() || NO_DISCOUNT.matcher(written).matches()
          ? Optional.empty()
          : Optional.of(EarlyPaymentTerms.parse(written));
    } catch (IllegalArgumentException e) {
      wrong(e.getMessage());
      return Optional.empty();
    }
  }

  /** A yes or a no; empty where the cell is. */
  Optional<Boolean> yes(TableField field) {
    var word = Headings.plain(text(field));
    if (word.isEmpty()) {
      return Optional.empty();
    }
    if (!YES.contains(word) && !NO.contains(word)) {
      wrong(profile.heading(field) + " \"" + text(field) + "\" is neither yes nor no");
    }
    return Optional.of(YES.contains(word));
  }

  /**
   * The amount as it is written.
   *
   * @throws IllegalArgumentException where the cell holds none
   */
  Money amount(TableField field, CurrencyUnit currency) {
    return AmountWriting.with(profile.decimalMark()).read(text(field), currency);
  }

  /** Its currency: the column's, the constant, the amount's, the heading's, the account's. */
  Optional<CurrencyUnit> currency(TableField field, List<TableField> amounts) {
    var code = text(field);
    if (code.isEmpty() && profile.has(field)) {
      wrong(profile.heading(field) + " is empty");
      return Optional.empty();
    }
    if (code.isEmpty()) {
      code =
          amounts.stream()
              .map(a -> AmountWriting.currency(text(a)))
              .filter(c -> !c.isEmpty())
              .findFirst()
              .orElseGet(() -> currencyOfHeading(amounts));
    }
    if (code.isEmpty()) {
      if (reading.currency().isEmpty()) {
        reading.wrong(
            Math.max(1, profile.headingLine()),
            "no column, heading or amount names the currency; guessed were " + guessed());
      }
      return reading.currency();
    }
    try {
      return Optional.of(CurrencyUnit.of(code.toUpperCase(Locale.ROOT)));
    } catch (IllegalCurrencyException e) {
      wrong(
          profile.heading(field)
              + " \""
              + FileAmount.shortened(code)
              + "\" is not a currency code such as USD");
      return Optional.empty();
    }
  }

  private String currencyOfHeading(List<TableField> amounts) {
    for (var field : amounts) {
      if (profile.has(field)) {
        var code = Headings.currencyIn(profile.heading(field));
        if (!code.isEmpty()) {
          return code;
        }
      }
    }
    return "";
  }

  private String guessed() {
    var guessed = new StringJoiner(", ");
    for (var field : profile.columns().keySet()) {
      if (field.kind() != Kind.TEXTS || !profile.columns().get(field).isEmpty()) {
        guessed.add(field.said() + " = " + profile.heading(field));
      }
    }
    return guessed.toString();
  }
}

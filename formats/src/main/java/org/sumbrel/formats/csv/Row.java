package org.sumbrel.formats.csv;

import de.siegmar.fastcsv.reader.NamedCsvRecord;
import java.time.LocalDate;
import java.time.format.DateTimeParseException;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import org.joda.money.CurrencyUnit;
import org.joda.money.IllegalCurrencyException;
import org.joda.money.Money;
import org.sumbrel.core.money.MoneyText;
import org.sumbrel.formats.Problem;

/** One row under its header; what cannot be read of it is collected as problems. */
final class Row {

  private final NamedCsvRecord fields;
  private final List<Problem> problems;
  private boolean sound = true;

  Row(NamedCsvRecord fields, List<Problem> problems) {
    this.fields = fields;
    this.problems = problems;
  }

  int line() {
    return (int) fields.getStartingLineNumber();
  }

  /** Whether everything asked of the row so far could be read. */
  boolean sound() {
    return sound;
  }

  String text(String column) {
    return fields.findField(column).orElse("").strip();
  }

  String required(String column) {
    var text = text(column);
    if (text.isEmpty()) {
      wrong(column + " is empty");
    }
    return text;
  }

  LocalDate date(String column) {
    return read(column, LocalDate::parse, "an ISO date such as 2026-05-29").orElse(LocalDate.EPOCH);
  }

  CurrencyUnit currency(String column) {
    return read(column, CurrencyUnit::of, "a currency code such as USD").orElse(CurrencyUnit.USD);
  }

  Money money(String column, CurrencyUnit currency) {
    var text = required(column);
    try {
      return text.isEmpty() ? Money.zero(currency) : MoneyText.parse(text, currency);
    } catch (IllegalArgumentException e) {
      wrong(column + ": " + e.getMessage());
      return Money.zero(currency);
    }
  }

  void wrong(String message) {
    sound = false;
    problems.add(new Problem(line(), message));
  }

  private <T> Optional<T> read(String column, Function<String, T> reader, String expected) {
    var text = required(column);
    if (text.isEmpty()) {
      return Optional.empty();
    }
    try {
      return Optional.of(reader.apply(text));
    } catch (DateTimeParseException | IllegalCurrencyException e) {
      wrong(column + " \"" + text + "\" is not " + expected);
      return Optional.empty();
    }
  }
}

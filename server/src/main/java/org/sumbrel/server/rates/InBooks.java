package org.sumbrel.server.rates;

import java.io.IOException;
import java.time.LocalDate;
import java.util.Map;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.springframework.stereotype.Component;
import org.sumbrel.core.exchange.RateTable.Counting;
import org.sumbrel.core.receivables.DayText;
import org.sumbrel.formats.sheet.RestatingSheet;
import org.sumbrel.formats.sheet.SheetWriter;
import org.sumbrel.server.api.Conflict;

/** Reports in the currency of the books, at the rate of a stated day. */
@Component
public class InBooks {

  private final Rates rates;

  InBooks(Rates rates) {
    this.rates = rates;
  }

  /** The rate of a day; empty where it is the same currency, or where none counts. */
  public Optional<Counting> rate(CurrencyUnit from, CurrencyUnit books, LocalDate day) {
    return from.equals(books) ? Optional.empty() : rates.on(from, books, day);
  }

  /**
   * The rate of a day.
   *
   * @throws Conflict {@code RATE_MISSING} where none counts
   */
  public Counting required(CurrencyUnit from, CurrencyUnit books, LocalDate day) {
    return rates
        .on(from, books, day)
        .orElseThrow(
            () ->
                new Conflict(
                    "RATE_MISSING",
                    "There is no rate from "
                        + from
                        + " to "
                        + books
                        + " that counts on "
                        + DayText.of(day)
                        + ". Type it or take it in first.",
                    Map.of("from", from.getCode(), "to", books.getCode(), "on", day.toString())));
  }

  /** Writes a table. */
  public interface Table {
    void write(SheetWriter out) throws IOException;
  }

  /**
   * A table with one of its amounts in the currency of the books as well, where that is asked for
   * and is another one.
   *
   * @param column the amount's
   * @throws Conflict {@code RATE_MISSING} where no rate counts
   */
  public Table of(
      Table plain,
      boolean asked,
      String column,
      CurrencyUnit from,
      CurrencyUnit books,
      LocalDate day) {
    if (!asked || from.equals(books)) {
      return plain;
    }
    var rate = required(from, books, day).rate();
    var at = new RestatingSheet.AtRate(books, rate::of, rate.perUnit().toPlainString(), day);
    return out -> plain.write(new RestatingSheet(out, column, at));
  }
}

package org.sumbrel.formats.sheet;

import java.io.IOException;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import java.util.function.UnaryOperator;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;

/**
 * Writes a table with one of its amounts in the currency of the books as well: behind its columns
 * stand {@code in_books}, {@code books}, {@code rate} and {@code rates_on}. The total of a file is
 * what its rounded amounts come to.
 */
public final class RestatingSheet implements SheetWriter {

  private final SheetWriter out;
  private final String column;
  private final AtRate at;
  private int place = -1;

  /**
   * At what the amounts are restated.
   *
   * @param books the currency of the books
   * @param inBooks an amount in it, rounded to its digits
   * @param rate units of the books for one, as it is written
   * @param ratesOn the day whose rate it is
   */
  public record AtRate(
      CurrencyUnit books, UnaryOperator<Money> inBooks, String rate, LocalDate ratesOn) {}

  /** Which column's amount is restated. */
  public RestatingSheet(SheetWriter out, String column, AtRate at) {
    this.out = out;
    this.column = column;
    this.at = at;
  }

  @Override
  public void head(String... names) throws IOException {
    place = List.of(names).indexOf(column);
    if (place < 0) {
      throw new IllegalArgumentException("there is no column " + column);
    }
    var more = Arrays.copyOf(names, names.length + 4);
    more[names.length] = "in_books";
    more[names.length + 1] = "books";
    more[names.length + 2] = "rate";
    more[names.length + 3] = "rates_on";
    out.head(more);
  }

  @Override
  public void row(Object... cells) throws IOException {
    var more = Arrays.copyOf(cells, cells.length + 4);
    more[cells.length] = at.inBooks().apply((Money) cells[place]);
    more[cells.length + 1] = at.books().getCode();
    more[cells.length + 2] = at.rate();
    more[cells.length + 3] = at.ratesOn();
    out.row(more);
  }

  @Override
  public void close() throws IOException {
    out.close();
  }
}

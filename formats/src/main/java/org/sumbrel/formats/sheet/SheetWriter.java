package org.sumbrel.formats.sheet;

import java.io.Closeable;
import java.io.IOException;
import java.io.OutputStream;
import java.time.LocalDate;
import org.joda.money.Money;

/**
 * Writes a table row by row, whatever the file is. Texts that a spreadsheet would take for a
 * formula get an apostrophe; an amount stands without its currency, which has a column of its own.
 */
public interface SheetWriter extends Closeable {

  /** CSV as RFC 4180 has it, UTF-8. Closing it leaves the stream open. */
  static SheetWriter csv(OutputStream out) {
    return new CsvSheet(out);
  }

  /**
   * An XLSX workbook with one sheet. Closing it leaves the stream open.
   *
   * @param name of the sheet, at most 31 characters
   */
  static SheetWriter xlsx(OutputStream out, String name) {
    return new XlsxSheet(out, name);
  }

  /** The names of the columns, before any row. */
  void head(String... names) throws IOException;

  /**
   * One row.
   *
   * @param cells each a text, an amount ({@link Money}), a day ({@link LocalDate}), a number or
   *     null for an empty cell
   * @throws IOException where the stream takes no more
   */
  void row(Object... cells) throws IOException;
}

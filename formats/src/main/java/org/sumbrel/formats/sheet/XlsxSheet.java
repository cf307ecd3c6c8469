package org.sumbrel.formats.sheet;

import java.io.FilterOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.time.LocalDate;
import org.dhatim.fastexcel.Workbook;
import org.dhatim.fastexcel.Worksheet;
import org.joda.money.Money;
import org.sumbrel.formats.table.HarmlessCell;

/** A table as a workbook, of which only some rows are held in memory. */
final class XlsxSheet implements SheetWriter {

  private static final int ROWS_HELD = 500;

  /** What a worksheet can hold. */
  private static final int MOST_ROWS = 1_048_576;

  private final Workbook book;
  private final Worksheet sheet;
  private int row;

  XlsxSheet(OutputStream out, String name) {
    this.book = new Workbook(new LeftOpen(out), "Sumbrel", "1.0");
    this.sheet = book.newWorksheet(name);
  }

  @Override
  public void head(String... names) {
    for (var n = 0; n < names.length; n++) {
      sheet.value(row, n, names[n]);
    }
    sheet.range(row, 0, row, names.length - 1).style().bold().set();
    sheet.freezePane(0, 1);
    row++;
  }

  @Override
  public void row(Object... cells) throws IOException {
    if (row == MOST_ROWS) {
      throw new IOException("a worksheet has no more than " + MOST_ROWS + " rows; take CSV");
    }
    for (var n = 0; n < cells.length; n++) {
      cell(n, cells[n]);
    }
    row++;
    if (row % ROWS_HELD == 0) {
      sheet.flush();
    }
  }

  private void cell(int column, Object cell) {
    if (cell instanceof Money money) {
      var digits = money.getCurrencyUnit().getDecimalPlaces();
      sheet.value(row, column, money.getAmount());
      sheet.style(row, column).format(digits == 0 ? "#,##0" : "#,##0." + "0".repeat(digits)).set();
    } else if (cell instanceof LocalDate day) {
      sheet.value(row, column, day);
      sheet.style(row, column).format("yyyy-mm-dd").set();
    } else if (cell instanceof Number number) {
      sheet.value(row, column, number);
    } else if (cell != null) {
      sheet.value(row, column, HarmlessCell.of(cell.toString()));
    }
  }

  @Override
  public void close() throws IOException {
    book.finish();
  }

  /** The workbook closes what it writes to; whoever gave the stream closes it himself. */
  private static final class LeftOpen extends FilterOutputStream {
    LeftOpen(OutputStream out) {
      super(out);
    }

    @Override
    public void write(byte[] bytes, int from, int length) throws IOException {
      out.write(bytes, from, length);
    }

    @Override
    public void close() throws IOException {
      flush();
    }
  }
}

package org.sumbrel.formats.sheet;

import de.siegmar.fastcsv.writer.CsvWriter;
import java.io.IOException;
import java.io.OutputStream;
import java.io.OutputStreamWriter;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import org.joda.money.Money;
import org.sumbrel.core.money.MoneyText;
import org.sumbrel.formats.table.HarmlessCell;

/** A table as CSV. */
final class CsvSheet implements SheetWriter {

  private final CsvWriter csv;

  CsvSheet(OutputStream out) {
    this.csv = CsvWriter.builder().build(new OutputStreamWriter(out, StandardCharsets.UTF_8));
  }

  @Override
  public void head(String... names) {
    csv.writeRecord(names);
  }

  @Override
  public void row(Object... cells) {
    csv.writeRecord(Arrays.stream(cells).map(CsvSheet::text).toList());
  }

  private static String text(Object cell) {
    if (cell == null) {
      return "";
    }
    if (cell instanceof Money money) {
      return MoneyText.plain(money);
    }
    return cell instanceof String text ? HarmlessCell.of(text) : cell.toString();
  }

  @Override
  public void close() throws IOException {
    csv.flush();
  }
}

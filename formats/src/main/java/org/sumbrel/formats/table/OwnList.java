package org.sumbrel.formats.table;

import java.io.IOException;
import java.io.StringWriter;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;

/**
 * What somebody typed, as a list under our own headings (RFC 4180, UTF-8), so that it comes in and
 * is kept like any file.
 */
public final class OwnList {

  private final List<String> headings;
  private final StringWriter text = new StringWriter();
  private final de.siegmar.fastcsv.writer.CsvWriter csv =
      de.siegmar.fastcsv.writer.CsvWriter.builder().build(text);

  private OwnList(List<String> headings) {
    this.headings = headings;
    if (!headings.isEmpty()) {
      csv.writeRecord(headings);
    }
  }

  /** A list with these columns. */
  public static OwnList of(String... headings) {
    return new OwnList(List.of(headings));
  }

  /** Rows as they stood in a file, under its headings; they are read by its profile. */
  public static byte[] asItStood(List<String> headings, List<List<String>> rows) {
    var list = new OwnList(headings);
    rows.forEach(list.csv::writeRecord);
    return list.bytes();
  }

  /** One more row, a cell for each heading; figures stay figures, texts are no formulas. */
  public OwnList row(String... cells) {
    if (cells.length != headings.size()) {
      throw new IllegalArgumentException(
          cells.length + " cells under " + headings.size() + " headings");
    }
    csv.writeRecord(
        List.of(cells).stream()
            .map(c -> c.matches("-?\\d+(\\.\\d+)?") ? c : Cells.harmless(c))
            .toList());
    return this;
  }

  public byte[] bytes() {
    try {
      csv.flush();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return text.toString().getBytes(StandardCharsets.UTF_8);
  }
}

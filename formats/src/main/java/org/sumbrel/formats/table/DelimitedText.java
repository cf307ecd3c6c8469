package org.sumbrel.formats.table;

import de.siegmar.fastcsv.reader.CsvParseException;
import de.siegmar.fastcsv.reader.CsvReader;
import de.siegmar.fastcsv.reader.FieldMismatchStrategy;
import java.io.IOException;
import java.nio.charset.Charset;
import java.util.ArrayList;
import java.util.List;
import org.sumbrel.formats.BrokenFile;
import org.sumbrel.formats.Reading;
import org.sumbrel.formats.TextOf;

/** A text whose lines are rows and in which one character separates the cells (RFC 4180). */
final class DelimitedText implements TableSource {

  static final char[] SEPARATORS = {',', ';', '\t', '|'};

  /** No heading is longer; what is longer is not looked into for one. */
  private static final int LONGEST_HEADING = 10_000;

  private final String text;
  private final char separator;
  private final Charset charset;

  DelimitedText(String text, char separator, Charset charset) {
    this.text = TextOf.withLineFeeds(text);
    this.separator = separator;
    this.charset = charset;
  }

  @Override
  public Dialect dialect() {
    return Dialect.text(separator, charset);
  }

  @Override
  public List<TableRow> head(int lines) {
    var head = new ArrayList<TableRow>();
    var line = 1;
    for (var from = 0; from < text.length() && line <= lines; line++) {
      var end = text.indexOf('\n', from);
      var until = end < 0 ? text.length() : end;
      head.add(
          new TableRow(
              until - from <= LONGEST_HEADING
                  ? cells(text.substring(from, until), separator)
                  : List.of(),
              line));
      from = until + 1;
    }
    return head;
  }

  private static List<String> cells(String line, char separator) {
    if (line.indexOf(separator) < 0) {
      return List.of(line.strip());
    }
    try {
      return CsvReader.builder().fieldSeparator(separator).ofCsvRecord(line).stream()
          .findFirst()
          .map(r -> r.getFields().stream().map(String::strip).toList())
          .orElse(List.of());
    } catch (CsvParseException e) {
      return List.of();
    }
  }

  @Override
  public void reportDoubts(Reading reading) {
    TextOf.reportDoubts(text, charset, 1, reading);
  }

  @Override
  public boolean quoteOpenFrom(int line) {
    var row = line == 0 ? "" : text.substring(start(line - 1));
    var opened = row.startsWith("\"") || row.contains(separator + "\"");
    return opened && (row.chars().filter(c -> c == '"').count() & 1) == 1;
  }

  @Override
  public void rows(int afterLine, Visit visit) throws BrokenFile {
    var body = text.substring(start(afterLine));
    try (var reader =
        CsvReader.builder()
            .fieldSeparator(separator)
            .skipEmptyLines(true)
            .missingFieldStrategy(FieldMismatchStrategy.IGNORE)
            .extraFieldStrategy(FieldMismatchStrategy.IGNORE)
            .ofCsvRecord(body)) {
      for (var row : reader) {
        visit.visit(new TableRow(row.getFields(), afterLine + (int) row.getStartingLineNumber()));
      }
    } catch (CsvParseException e) {
      var cause = e.getCause() == null ? e : e.getCause();
      throw new BrokenFile(0, "not a table: " + cause.getMessage());
    } catch (IOException e) {
      throw new BrokenFile(0, "cannot be read: " + e.getMessage());
    }
  }

  /** Where the line behind so many begins. */
  private int start(int lines) {
    var at = 0;
    for (var n = 0; n < lines && at < text.length(); n++) {
      var end = text.indexOf('\n', at);
      at = end < 0 ? text.length() : end + 1;
    }
    return at;
  }
}

package org.sumbrel.formats.csv;

import de.siegmar.fastcsv.reader.CsvParseException;
import de.siegmar.fastcsv.reader.CsvReader;
import de.siegmar.fastcsv.reader.CsvRecord;
import java.io.IOException;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.sumbrel.formats.BrokenFile;

/**
 * A delimited text whose lines are entries of a statement: which character separates, on which line
 * the headings stand, and which column holds what.
 */
final class CsvTable {

  private static final char[] SEPARATORS = {',', ';', '\t', '|'};

  /** Banks put some lines about the account before the headings. */
  private static final int DEEPEST_HEADING = 30;

  private static final int LONGEST_HEADING = 10_000;

  private static final int FEWEST_FIGURES = 5;

  private final String text;
  private final char separator;
  private final int headingLine;
  private final List<String> headings;

  /** The columns of each role, the best first. */
  private final Map<Role, List<Integer>> columns;

  private CsvTable(String text, char separator, int headingLine, List<String> headings) {
    this.text = text;
    this.separator = separator;
    this.headingLine = headingLine;
    this.headings = headings;
    this.columns = columns(headings);
  }

  private static Map<Role, List<Integer>> columns(List<String> headings) {
    var columns = new EnumMap<Role, List<Integer>>(Role.class);
    for (var n = 0; n < headings.size(); n++) {
      var at = n;
      Role.of(headings.get(n))
          .ifPresent(role -> columns.computeIfAbsent(role, r -> new ArrayList<>()).add(at));
    }
    columns.forEach(
        (role, found) ->
            found.sort(
                (a, b) -> {
                  var by = Integer.compare(role.rank(headings.get(a)), role.rank(headings.get(b)));
                  return role == Role.TEXT || by == 0 ? Integer.compare(a, b) : by;
                }));
    return columns;
  }

  /** The text as a table, where one of its first lines names a date and an amount. */
  static Optional<CsvTable> in(String text) {
    CsvTable best = null;
    var line = 1;
    for (var from = 0; from < text.length() && line <= DEEPEST_HEADING; line++) {
      var end = text.indexOf('\n', from);
      var until = end < 0 ? text.length() : end;
      if (until - from <= LONGEST_HEADING) {
        for (var separator : SEPARATORS) {
          var headings = cells(text.substring(from, until), separator);
          var table = new CsvTable(text, separator, line, headings);
          if (table.fits() && (best == null || table.columns.size() > best.columns.size())) {
            best = table;
          }
        }
      }
      from = until + 1;
    }
    return Optional.ofNullable(best);
  }

  /** What the likeliest headings of a text that is no statement seem to hold, or empty. */
  static Optional<String> closest(String text) {
    String best = null;
    var most = 0;
    var line = 1;
    for (var from = 0; from < text.length() && line <= DEEPEST_HEADING; line++) {
      var end = text.indexOf('\n', from);
      var until = end < 0 ? text.length() : end;
      if (until - from <= LONGEST_HEADING) {
        for (var separator : SEPARATORS) {
          var table =
              new CsvTable(text, separator, line, cells(text.substring(from, until), separator));
          if (table.headings.size() > 1 && table.columns.size() > most) {
            most = table.columns.size();
            best = table.guessed();
          }
        }
      }
      from = until + 1;
    }
    return Optional.ofNullable(best);
  }

  private String guessed() {
    return columns.entrySet().stream()
        .map(
            e ->
                e.getKey().name().toLowerCase(Locale.ROOT).replace('_', ' ')
                    + " = "
                    + headings.get(e.getValue().get(0)))
        .collect(Collectors.joining(", ", "", " (line " + headingLine + ")"));
  }

  private boolean fits() {
    return has(Role.BOOKED) && (has(Role.AMOUNT) || has(Role.DEBIT) && has(Role.CREDIT));
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

  boolean has(Role role) {
    return columns.containsKey(role);
  }

  /** The columns of the role, the best first; empty where there is none. */
  List<Integer> of(Role role) {
    return columns.getOrDefault(role, List.of());
  }

  String heading(int column) {
    return headings.get(column);
  }

  int width() {
    return headings.size();
  }

  int headingLine() {
    return headingLine;
  }

  /** What stands before the headings. */
  String preamble() {
    return text.substring(0, bodyStart(headingLine - 1));
  }

  /** What stands behind the word for an account before the headings, or empty. */
  String accountNamedBefore() {
    for (var line : preamble().split("\n")) {
      var cells = cells(line.strip(), separator);
      for (var n = 0; n + 1 < cells.size(); n++) {
        var figures = cells.get(n + 1).chars().filter(Character::isDigit).count();
        if (Role.of(cells.get(n)).filter(r -> r == Role.ACCOUNT).isPresent()
            && figures >= FEWEST_FIGURES) {
          return cells.get(n + 1);
        }
      }
    }
    return "";
  }

  private int bodyStart(int lines) {
    var at = 0;
    for (var n = 0; n < lines; n++) {
      var end = text.indexOf('\n', at);
      at = end < 0 ? text.length() : end + 1;
    }
    return at;
  }

  /**
   * Whether the last row, which begins on this line, has a quote at a field's start without its
   * end.
   */
  boolean quoteOpenFrom(int line) {
    var row = line == 0 ? "" : text.substring(bodyStart(line - 1));
    var opened = row.startsWith("\"") || row.contains(separator + "\"");
    return opened && (row.chars().filter(c -> c == '"').count() & 1) == 1;
  }

  /** What is done with each row. */
  @FunctionalInterface
  interface Visit {
    void visit(CsvRecord row, int line) throws BrokenFile;
  }

  /**
   * Visits the rows below the headings.
   *
   * @throws BrokenFile where the text is no table
   */
  void rows(Visit visit) throws BrokenFile {
    var body = text.substring(bodyStart(headingLine));
    try (var reader =
        CsvReader.builder().fieldSeparator(separator).skipEmptyLines(true).ofCsvRecord(body)) {
      for (var row : reader) {
        visit.visit(row, headingLine + (int) row.getStartingLineNumber());
      }
    } catch (CsvParseException e) {
      var cause = e.getCause() == null ? e : e.getCause();
      throw new BrokenFile(0, "not a table: " + cause.getMessage());
    } catch (IOException e) {
      throw new BrokenFile(0, "cannot be read: " + e.getMessage());
    }
  }
}

package org.sumbrel.formats.table;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.sumbrel.formats.BrokenFile;
import org.sumbrel.formats.Reading;

/**
 * The rows of a table that are records; what else stands between and behind them is told or
 * refused.
 */
final class TableRows {

  private final Subject subject;
  private final List<String> headings;
  private final int width;
  private final int fewest;
  private final Map<TableField, List<Integer>> columns;
  private final boolean passOverIncomplete;
  private final Reading reading;
  private final List<TableRow> records = new ArrayList<>();
  private int lastLine;

  private TableRows(
      Subject subject,
      List<String> headings,
      int fewest,
      Map<TableField, List<Integer>> columns,
      boolean passOverIncomplete,
      Reading reading) {
    this.subject = subject;
    this.headings = headings;
    this.width = headings.size();
    this.fewest = fewest;
    this.columns = columns;
    this.passOverIncomplete = passOverIncomplete;
    this.reading = reading;
  }

  /**
   * The records behind a line.
   *
   * @param headings of the columns; empty where there are none
   * @throws BrokenFile where the text is no table or there are too many
   */
  static List<TableRow> of(
      TableSource source,
      int afterLine,
      Subject subject,
      List<String> headings,
      Map<TableField, List<Integer>> columns,
      boolean passOverIncomplete,
      Reading reading)
      throws BrokenFile {
    var width = headings.size();
    // a workbook does not keep empty cells at the end of a row, and a separator there is no column
    var fewest = source.dialect().isSheet() ? 0 : width;
    while (fewest > 0 && headings.get(fewest - 1).isBlank()) {
      fewest--;
    }
    var rows = new TableRows(subject, headings, fewest, columns, passOverIncomplete, reading);
    source.rows(afterLine, rows::keep);
    rows.requireOneWidth();
    if (source.quoteOpenFrom(rows.lastLine)) {
      reading.wrong(
          rows.lastLine,
          "a quote is opened here and never closed; what follows cannot be told apart");
    }
    return rows.records;
  }

  private void keep(TableRow row) throws BrokenFile {
    reading.record(row.line());
    lastLine = row.line();
    if (row.blank() || reading.leavesOut(row.line(), headings, row.cells())) {
      return;
    }
    for (var n = width; width > 0 && n < row.cells().size(); n++) {
      if (!row.cells().get(n).isBlank()) {
        reading.wrong(
            row.line(),
            "the line has "
                + row.cells().size()
                + " fields, the headings "
                + width
                + "; a text with a separator in it has no quotes around");
        return;
      }
    }
    var missing =
        subject.record().stream()
            .filter(n -> n.fields().stream().noneMatch(f -> filled(row, f)))
            .toList();
    if (missing.isEmpty() && row.cells().size() < fewest) {
      reading.wrong(
          row.line(),
          "the line has "
              + row.cells().size()
              + " fields, the headings "
              + width
              + "; it was cut off: "
              + row.shown());
    } else if (missing.isEmpty()) {
      records.add(row);
    } else if (missing.size() == subject.record().size()) {
      reading.odd(row.line(), "this line is no entry and was passed over: " + row.shown());
    } else if (passOverIncomplete) {
      reading.odd(
          row.line(),
          "this line has no " + missing.get(0).name() + " and was passed over: " + row.shown());
    } else {
      reading.wrong(row.line(), "the line has no " + missing.get(0).name() + ": " + row.shown());
    }
  }

  /**
   * A separator at the end of every line is no field; one line with more fields than the others has
   * a text with a separator in it, and what follows that is in the wrong columns.
   */
  private void requireOneWidth() {
    var longer = records.stream().filter(r -> width > 0 && r.cells().size() > width).toList();
    if (longer.isEmpty() || longer.size() == records.size()) {
      return;
    }
    for (var row : longer) {
      reading.wrong(
          row.line(),
          "the line has "
              + row.cells().size()
              + " fields, others "
              + width
              + "; a text with a separator in it has no quotes around");
    }
  }

  private boolean filled(TableRow row, TableField field) {
    return columns.containsKey(field) && !row.cell(columns.get(field).get(0)).isEmpty();
  }
}

package org.sumbrel.formats.table;

import java.util.List;
import java.util.stream.Collectors;
import org.sumbrel.formats.FileAmount;

/**
 * One row of a table.
 *
 * @param line on which it begins, from 1
 */
record TableRow(List<String> cells, int line) {

  boolean blank() {
    return cells.stream().allMatch(String::isBlank);
  }

  /** The cell without blanks around it; empty where the row is shorter. */
  String cell(int column) {
    var cell = column < cells.size() ? cells.get(column).strip() : "";
    return Cells.written(cell);
  }

  /** Its beginning, for a sentence. */
  String shown() {
    return FileAmount.shortened(
        cells.stream()
            .filter(f -> !f.isBlank())
            .map(String::strip)
            .collect(Collectors.joining(" ")));
  }
}

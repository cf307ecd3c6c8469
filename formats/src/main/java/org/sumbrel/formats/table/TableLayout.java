package org.sumbrel.formats.table;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.sumbrel.formats.table.TableField.Kind;

/**
 * Where the headings of a table stand and what its columns hold, as far as the headings tell.
 *
 * @param headingLine on which they stand, from 1
 * @param columns of each field, counted from 0, the best first
 */
record TableLayout(
    TableSource source,
    Subject subject,
    int headingLine,
    List<String> headings,
    Map<TableField, List<Integer>> columns) {

  /** Banks put some lines about the account before the headings. */
  static final int DEEPEST_HEADING = 50;

  private static final int LONGEST_HEADING = 120;

  /** The best of what fits: with the most columns that are understood. */
  static Optional<TableLayout> in(Collection<TableSource> sources) {
    return most(sources, true);
  }

  /** The likeliest headings of a file in which none are enough. */
  static Optional<TableLayout> closest(Collection<TableSource> sources) {
    return most(sources, false);
  }

  private static Optional<TableLayout> most(Collection<TableSource> sources, boolean enough) {
    TableLayout best = null;
    for (var source : sources) {
      for (var row : source.head(DEEPEST_HEADING)) {
        var found = enough ? fitting(source, row) : likeliest(source, row);
        if (found.isPresent()
            && (best == null || found.get().columns.size() > best.columns.size())) {
          best = found.get();
        }
      }
    }
    return Optional.ofNullable(best);
  }

  private static Optional<TableLayout> fitting(TableSource source, TableRow row) {
    var plain = plain(row);
    for (var subject : Subject.values()) {
      var layout = of(source, subject, row, plain);
      if (subject.enough(layout.columns.keySet())) {
        return Optional.of(layout);
      }
    }
    return Optional.empty();
  }

  private static Optional<TableLayout> likeliest(TableSource source, TableRow row) {
    var layout = of(source, Subject.STATEMENT, row, plain(row));
    return layout.headings.size() > 1 && !layout.columns.isEmpty()
        ? Optional.of(layout)
        : Optional.empty();
  }

  /**
   * The likeliest table of a file whose headings say nothing that is understood: under the first of
   * the fullest lines.
   */
  static TableLayout blind(Collection<TableSource> sources) {
    TableLayout best = null;
    var most = -1L;
    for (var source : sources) {
      var head = source.head(DEEPEST_HEADING);
      var fullest = head.stream().mapToInt(TableLayout::filled).max().orElse(0);
      var rows = head.stream().filter(r -> filled(r) > 1).count();
      if (rows * fullest > most) {
        most = rows * fullest;
        var headings =
            head.stream()
                .filter(r -> filled(r) == fullest)
                .findFirst()
                .orElse(new TableRow(List.of(), 1));
        best = of(source, Subject.STATEMENT, headings);
      }
    }
    return best;
  }

  private static int filled(TableRow row) {
    return (int) row.cells().stream().filter(c -> !c.isBlank()).count();
  }

  private static List<String> plain(TableRow row) {
    return row.cells().stream()
        .map(c -> c.length() > LONGEST_HEADING ? "" : Headings.plain(c))
        .toList();
  }

  /** This row taken as the headings of a table about this. */
  static TableLayout of(TableSource source, Subject subject, TableRow row) {
    return of(source, subject, row, plain(row));
  }

  private static TableLayout of(
      TableSource source, Subject subject, TableRow row, List<String> plain) {
    var found = new HashMap<TableField, List<Integer>>();
    for (var n = 0; n < plain.size(); n++) {
      var column = n;
      subject
          .meaning(plain.get(n))
          .ifPresent(f -> found.computeIfAbsent(f, k -> new ArrayList<>()).add(column));
    }
    var headings = row.cells().stream().map(String::strip).toList();
    var columns = new LinkedHashMap<TableField, List<Integer>>();
    // in the order of the fields, which is the order people hear of them in
    for (var field : subject.fields()) {
      if (found.containsKey(field)) {
        columns.put(field, bestFirst(field, found.get(field), headings));
      }
    }
    return new TableLayout(source, subject, row.line(), headings, columns);
  }

  private static List<Integer> bestFirst(
      TableField field, List<Integer> columns, List<String> headings) {
    return field.kind() == Kind.TEXTS
        ? columns
        : columns.stream()
            .sorted(
                Comparator.<Integer>comparingInt(c -> field.rank(headings.get(c)))
                    .thenComparing(Comparator.naturalOrder()))
            .toList();
  }

  /** The same headings, taken for a table about something else. */
  TableLayout about(Subject other) {
    return of(source, other, new TableRow(headings, headingLine));
  }

  /** What was understood of the headings, for a sentence. */
  String guessed() {
    return columns.entrySet().stream()
        .map(e -> e.getKey().said() + " = " + headings.get(e.getValue().get(0)))
        .collect(Collectors.joining(", ", "", " (line " + headingLine + ")"));
  }
}

package org.sumbrel.formats.table;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.sumbrel.formats.BrokenFile;
import org.sumbrel.formats.Reading;
import org.sumbrel.formats.table.TableField.Kind;

/**
 * The profile of a table that nobody described: what the headings and all its cells together tell.
 * What they leave open is told as wrong, and the likelier of the two stands in the profile.
 */
final class ProfileGuess {

  private final TableLayout layout;
  private final Reading reading;
  private final Map<TableField, List<Integer>> columns;
  private final Set<TableField> openDates = new LinkedHashSet<>();
  private boolean openMark;

  ProfileGuess(TableLayout layout, Reading reading) {
    this.layout = layout;
    this.reading = reading;
    this.columns = chosen();
  }

  /** Where somebody said which column holds what. */
  ProfileGuess(TableLayout layout, Map<TableField, List<Integer>> columns, Reading reading) {
    this.layout = layout;
    this.reading = reading;
    this.columns = columns;
  }

  /** The records below the headings. */
  List<TableRow> rows(boolean passOverIncomplete, Reading told) throws BrokenFile {
    return TableRows.of(
        layout.source(),
        layout.headingLine(),
        layout.subject(),
        layout.headings(),
        columns,
        passOverIncomplete,
        told);
  }

  /** What the rows tell. */
  TableProfile profile(List<TableRow> rows, boolean passOverIncomplete) {
    return profile(rows, passOverIncomplete, Map.of(), Optional.empty());
  }

  /** What the rows tell of what is not known already. */
  TableProfile profile(
      List<TableRow> rows,
      boolean passOverIncomplete,
      Map<TableField, DateOrder> orders,
      Optional<Character> mark) {
    return new TableProfile(
        "",
        layout.subject(),
        layout.source().dialect(),
        layout.headingLine(),
        layout.headings(),
        columns,
        Map.of(),
        dates(rows, orders),
        mark.orElseGet(() -> decimalMark(rows)),
        false,
        Set.of(),
        Map.of(),
        Optional.empty(),
        passOverIncomplete);
  }

  /** Of the dates in the profile, those whose order the rows leave open. */
  Set<TableField> openDates() {
    return openDates;
  }

  /** Whether the rows leave open which mark stands before the decimals. */
  boolean openMark() {
    return openMark;
  }

  /** One column for each field but texts; two amounts that are equally good are a doubt. */
  private Map<TableField, List<Integer>> chosen() {
    var chosen = new LinkedHashMap<TableField, List<Integer>>();
    layout
        .columns()
        .forEach(
            (field, found) -> {
              chosen.put(field, field.kind() == Kind.TEXTS ? found : List.of(found.get(0)));
              if (found.size() > 1
                  && layout.subject() == Subject.STATEMENT
                  && field.kind() == Kind.AMOUNT
                  && field != StatementFields.BALANCE) {
                reading.wrong(
                    layout.headingLine(),
                    "several columns may hold the "
                        + field.said()
                        + ": "
                        + found.stream()
                            .map(layout.headings()::get)
                            .collect(Collectors.joining(", ")));
              }
            });
    if (chosen.containsKey(StatementFields.AMOUNT)
        && chosen.containsKey(StatementFields.DEBIT)
        && chosen.containsKey(StatementFields.CREDIT)) {
      reading.wrong(
          layout.headingLine(),
          "the file has an amount and a debit and a credit as well: "
              + heading(chosen, StatementFields.AMOUNT)
              + ", "
              + heading(chosen, StatementFields.DEBIT)
              + ", "
              + heading(chosen, StatementFields.CREDIT));
    }
    // a name that is only a value date where a booking date stands too
    var dated = layout.columns().getOrDefault(StatementFields.BOOKED, List.of());
    if (!chosen.containsKey(StatementFields.VALUE) && dated.size() > 1) {
      chosen.put(StatementFields.VALUE, List.of(dated.get(1)));
    }
    return chosen;
  }

  private String heading(Map<TableField, List<Integer>> chosen, TableField field) {
    var column = chosen.get(field).get(0);
    return column < layout.headings().size() ? layout.headings().get(column) : field.said();
  }

  private Map<TableField, DateOrder> dates(List<TableRow> rows, Map<TableField, DateOrder> orders) {
    var dates = new LinkedHashMap<TableField, DateOrder>();
    columns.forEach(
        (field, found) -> {
          if (field.kind() == Kind.DATE) {
            dates.put(
                field,
                orders.containsKey(field)
                    ? orders.get(field)
                    : order(field, cells(rows, found.get(0))));
          }
        });
    return dates;
  }

  private static List<String> cells(List<TableRow> rows, int column) {
    return rows.stream().map(r -> r.cell(column)).filter(c -> !c.isEmpty()).toList();
  }

  private DateOrder order(TableField field, List<String> cells) {
    var orders = List.copyOf(DateOrder.possible(cells));
    if (orders.isEmpty()) {
      // named line by line where only some are no dates
      return Arrays.stream(DateOrder.values())
          .max(
              Comparator.comparingLong(
                  o -> cells.stream().filter(c -> DateOrder.read(c, o).isPresent()).count()))
          .orElseThrow();
    }
    if (orders.size() > 1 && !DateOrder.agree(cells, orders.get(0), orders.get(1))) {
      openDates.add(field);
      reading.wrong(
          layout.headingLine(),
          "the order of day and month in "
              + heading(columns, field)
              + " is open: "
              + DateOrder.some(cells)
              + " can be read both ways");
    }
    return orders.get(0);
  }

  private char decimalMark(List<TableRow> rows) {
    var amounts =
        columns.entrySet().stream()
            .filter(e -> e.getKey().kind() == Kind.AMOUNT)
            .map(e -> e.getValue().get(0))
            .toList();
    var cells = new ArrayList<String>();
    for (var row : rows) {
      amounts.forEach(column -> cells.add(row.cell(column)));
    }
    try {
      return AmountWriting.of(cells).mark().orElse('.');
    } catch (AmountWriting.Open e) {
      openMark = true;
      var line =
          rows.stream()
              .filter(r -> r.cells().stream().anyMatch(c -> c.strip().equals(e.cell())))
              .mapToInt(TableRow::line)
              .findFirst()
              .orElse(layout.headingLine());
      reading.wrong(line, e.getMessage());
      return e.cell().toLowerCase(Locale.ROOT).indexOf(',') < 0 ? ',' : '.';
    }
  }
}

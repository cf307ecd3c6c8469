package org.sumbrel.formats.table;

import java.nio.charset.StandardCharsets;
import java.time.ZoneId;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.sumbrel.core.payout.PayoutItemType;

/**
 * The shape of a table, told once: how it is written, where its headings stand, which column holds
 * what, and how dates, amounts and debits are written.
 *
 * @param name by which people know it
 * @param headingLine on which the headings stood in the sample, from 1; 0 where there are none
 * @param headings as they stood there; by them the next file of this shape is recognised, wherever
 *     in it they stand
 * @param columns which columns hold a field, counted from 0
 * @param constants what a field is in every row where no column holds it
 * @param dates the order of day and month, for each field that is a date
 * @param decimalMark before the decimals: a point or a comma
 * @param signsReversed whether money to us is written as negative
 * @param debitWords in the column of the direction, small letters; where empty, the usual ones
 * @param typeWords what words in the column of types mean, by the word in plain letters; where
 *     empty, the usual ones
 * @param zone in which the days count where a file tells times with their offset; empty where the
 *     day counts as it is written
 * @param passOverIncomplete whether lines that have an amount and no date, such as totals, are
 *     passed over and told, instead of being wrong
 */
public record TableProfile(
    String name,
    Subject subject,
    Dialect dialect,
    int headingLine,
    List<String> headings,
    Map<TableField, List<Integer>> columns,
    Map<TableField, String> constants,
    Map<TableField, DateOrder> dates,
    char decimalMark,
    boolean signsReversed,
    Set<String> debitWords,
    Map<String, PayoutItemType> typeWords,
    Optional<ZoneId> zone,
    boolean passOverIncomplete) {

  /** More columns than any table has. */
  private static final int MOST_COLUMNS = 1_000;

  /**
   * @throws IllegalArgumentException where it contradicts itself or is not enough to read by
   */
  public TableProfile {
    headings = List.copyOf(headings);
    columns = Collections.unmodifiableMap(new LinkedHashMap<>(columns));
    constants = Collections.unmodifiableMap(new LinkedHashMap<>(constants));
    dates = Collections.unmodifiableMap(new LinkedHashMap<>(dates));
    debitWords = Collections.unmodifiableSet(new TreeSet<>(debitWords));
    typeWords = Collections.unmodifiableMap(new TreeMap<>(typeWords));
    if (decimalMark != '.' && decimalMark != ',') {
      throw new IllegalArgumentException(
          "the decimal mark is \"" + decimalMark + "\", expected a point or a comma");
    }
    if (headingLine < 0) {
      throw new IllegalArgumentException("the headings stand on line " + headingLine);
    }
    for (var entry : columns.entrySet()) {
      for (var column : entry.getValue()) {
        if (column < 0 || column >= (headings.isEmpty() ? MOST_COLUMNS : headings.size())) {
          throw new IllegalArgumentException(
              entry.getKey().said()
                  + " is column "
                  + (column + 1)
                  + " of "
                  + (headings.isEmpty() ? "a table without headings" : headings.size() + ""));
        }
      }
    }
  }

  /**
   * @throws IllegalArgumentException where a field that is needed has no column
   */
  public TableProfile requireEnough() {
    if (!subject.enough(columns.keySet())) {
      throw new IllegalArgumentException(
          "a column is missing: a list of " + subject.word() + " needs " + subject.needs());
    }
    return this;
  }

  /** The same under another name. */
  public TableProfile named(String other) {
    return new TableProfile(
        other,
        subject,
        dialect,
        headingLine,
        headings,
        columns,
        constants,
        dates,
        decimalMark,
        signsReversed,
        debitWords,
        typeWords,
        zone,
        passOverIncomplete);
  }

  /**
   * The same, without a name, for rows that stand alone in a comma-separated text under the same
   * headings.
   */
  public TableProfile forRows() {
    return new TableProfile(
        "",
        subject,
        Dialect.text(',', StandardCharsets.UTF_8),
        headings.isEmpty() ? 0 : 1,
        headings,
        columns,
        constants,
        dates,
        decimalMark,
        signsReversed,
        debitWords,
        typeWords,
        zone,
        passOverIncomplete);
  }

  boolean has(TableField field) {
    return columns.containsKey(field);
  }

  /**
   * The headings of the columns that hold no field and are not read; empty where there are none.
   */
  Optional<List<String>> unreadHeadings() {
    var read = columns.values().stream().flatMap(List::stream).collect(Collectors.toSet());
    var unread =
        IntStream.range(0, headings.size())
            .filter(n -> !read.contains(n) && !headings.get(n).isBlank())
            .mapToObj(headings::get)
            .toList();
    return unread.isEmpty() ? Optional.empty() : Optional.of(unread);
  }

  /** The first column of the field. */
  int column(TableField field) {
    return columns.get(field).get(0);
  }

  /** What stands above the field's column, or its own name where nothing does. */
  String heading(TableField field) {
    return has(field) && column(field) < headings.size()
        ? headings.get(column(field))
        : field.said();
  }
}

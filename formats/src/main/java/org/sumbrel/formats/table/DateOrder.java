package org.sumbrel.formats.table;

import java.time.DateTimeException;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.sumbrel.formats.FileDate;

/**
 * The order of year, month and day in a column, found from all its cells together. Where the cells
 * leave it open, it stays open.
 */
public enum DateOrder {
  YEAR_MONTH_DAY("year-month-day"),
  DAY_MONTH_YEAR("day-month-year"),
  MONTH_DAY_YEAR("month-day-year");

  private static final Pattern THREE_NUMBERS =
      Pattern.compile("(\\d{1,4})([./ -])(\\d{1,2})\\2(\\d{2,4})\\.?(?:[ T].*)?");
  private static final Pattern EIGHT_FIGURES =
      Pattern.compile("(\\d{4})(\\d{2})(\\d{2})(?:\\d{6})?");
  private static final Pattern NAMED =
      Pattern.compile("(\\d{1,2})[. -]+([\\p{L}]{3,12})\\.?[, -]+(\\d{2,4})(?:[ T].*)?");
  private static final Pattern NAMED_FIRST =
      Pattern.compile("([\\p{L}]{3,12})\\.?[ -]+(\\d{1,2})[, -]+(\\d{2,4})(?:[ T].*)?");
  private static final List<String> MONTHS =
      List.of("jan", "feb", "mar", "apr", "may", "jun", "jul", "aug", "sep", "oct", "nov", "dec");

  private final String word;

  DateOrder(String word) {
    this.word = word;
  }

  /** Its name in profiles and in the API. */
  public String word() {
    return word;
  }

  public static Optional<DateOrder> of(String word) {
    return Arrays.stream(values()).filter(o -> o.word.equals(word)).findFirst();
  }

  /** The orders in which every cell is a date; several where the cells leave it open. */
  static Set<DateOrder> possible(List<String> cells) {
    var orders = new LinkedHashSet<DateOrder>();
    for (var order : values()) {
      if (cells.stream().allMatch(cell -> read(cell, order).isPresent())) {
        orders.add(order);
      }
    }
    return orders;
  }

  /** Whether two orders give the same day for every cell, so that it does not matter which. */
  static boolean agree(List<String> cells, DateOrder a, DateOrder b) {
    return cells.stream().allMatch(cell -> read(cell, a).equals(read(cell, b)));
  }

  static Optional<LocalDate> read(String cell, DateOrder order) {
    try {
      return Optional.ofNullable(day(cell.strip(), order));
    } catch (DateTimeException e) {
      return Optional.empty();
    }
  }

  private static LocalDate day(String cell, DateOrder order) {
    if (cell.length() > 40) {
      return null;
    }
    var eight = EIGHT_FIGURES.matcher(cell);
    if (eight.matches()) {
      return of(eight.group(1), eight.group(2), eight.group(3));
    }
    var named = NAMED.matcher(cell);
    if (named.matches()) {
      return named(named.group(3), named.group(2), named.group(1));
    }
    var first = NAMED_FIRST.matcher(cell);
    if (first.matches()) {
      return named(first.group(3), first.group(1), first.group(2));
    }
    var numbers = THREE_NUMBERS.matcher(cell);
    return numbers.matches() ? ordered(numbers, order) : null;
  }

  private static LocalDate ordered(Matcher numbers, DateOrder order) {
    var a = numbers.group(1);
    var b = numbers.group(3);
    var c = numbers.group(4);
    if (a.length() == 4) {
      return order == YEAR_MONTH_DAY && c.length() == 2 ? of(a, b, c) : null;
    }
    if (a.length() > 2 || order == YEAR_MONTH_DAY || c.length() == 3) {
      return null;
    }
    if (order == DAY_MONTH_YEAR) {
      return of(c, b, a);
    }
    // nobody writes the month first between points; common practice, no source
    return numbers.group(2).equals(".") ? null : of(c, a, b);
  }

  private static LocalDate named(String year, String month, String day) {
    var number = MONTHS.indexOf(month.toLowerCase(Locale.ROOT).substring(0, 3)) + 1;
    return number == 0 ? null : of(year, Integer.toString(number), day);
  }

  private static LocalDate of(String year, String month, String day) {
    var y = Integer.parseInt(year);
    var full = year.length() > 2 ? y : y + (y >= 80 ? 1900 : 2000);
    return FileDate.of(full, Integer.parseInt(month), Integer.parseInt(day));
  }

  /** Some cells, for a sentence. */
  static String some(List<String> cells) {
    var some = new ArrayList<String>();
    cells.stream().distinct().limit(3).forEach(some::add);
    return String.join(", ", some);
  }
}

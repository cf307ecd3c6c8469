package org.sumbrel.core.receivables;

import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.Locale;

/** Days as they stand in the sentences a clerk reads, such as {@code 2 June 2026}. */
public final class DayText {

  private static final DateTimeFormatter DAY =
      DateTimeFormatter.ofPattern("d MMMM yyyy", Locale.ENGLISH);

  private DayText() {}

  public static String of(LocalDate day) {
    return DAY.format(day);
  }
}

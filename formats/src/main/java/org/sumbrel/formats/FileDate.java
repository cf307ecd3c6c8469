package org.sumbrel.formats;

import java.time.DateTimeException;
import java.time.LocalDate;
import java.time.Month;
import java.time.Year;
import java.time.temporal.ChronoUnit;

/** Dates as files write them. */
public final class FileDate {

  private static final int FIRST_YEAR = 1900;
  private static final int LAST_YEAR = 2199;

  private FileDate() {}

  /**
   * A date or a moment of ISO 8601, extended form; the day counts as it is written, whatever the
   * time of day and the zone.
   *
   * @throws DateTimeException where it is none
   */
  public static LocalDate iso(String text) {
    if (text.length() < 10) {
      throw new DateTimeException("\"" + text + "\" is not a date such as 2026-05-29");
    }
    return plausible(LocalDate.parse(text.substring(0, 10)));
  }

  /**
   * {@code YYYYMMDD} and whatever follows.
   *
   * @throws DateTimeException where it is none
   */
  public static LocalDate basic(String text) {
    if (text.length() < 8 || !digits(text, 8)) {
      throw new DateTimeException(
          "\"" + FileAmount.shortened(text) + "\" is not a date such as 20260529");
    }
    return of(number(text, 0, 4), number(text, 4, 6), number(text, 6, 8));
  }

  /**
   * {@code YYMMDD}; years from 80 on are of the last century, as SWIFT and the common practice of
   * banks have it.
   *
   * @throws DateTimeException where it is none
   */
  public static LocalDate sixDigits(String text) {
    if (text.length() != 6 || !digits(text, 6)) {
      throw new DateTimeException(
          "\"" + FileAmount.shortened(text) + "\" is not a date such as 260529");
    }
    var year = number(text, 0, 2);
    return of(year + (year >= 80 ? 1900 : 2000), number(text, 2, 4), number(text, 4, 6));
  }

  /**
   * {@code MMDD} of the year that brings it nearest to another day.
   *
   * @throws DateTimeException where it is none
   */
  public static LocalDate near(String monthAndDay, LocalDate other) {
    if (monthAndDay.length() != 4 || !digits(monthAndDay, 4)) {
      throw new DateTimeException(
          "\"" + FileAmount.shortened(monthAndDay) + "\" is not a month and a day such as 0529");
    }
    var month = Month.of(number(monthAndDay, 0, 2));
    var day = number(monthAndDay, 2, 4);
    LocalDate nearest = null;
    for (var year = other.getYear() - 1; year <= other.getYear() + 1; year++) {
      if (day > 0 && day <= month.length(Year.isLeap(year))) {
        var candidate = LocalDate.of(year, month, day);
        if (nearest == null || distance(candidate, other) < distance(nearest, other)) {
          nearest = candidate;
        }
      }
    }
    if (nearest == null) {
      throw new DateTimeException("there is no day " + monthAndDay);
    }
    return nearest;
  }

  private static long distance(LocalDate a, LocalDate b) {
    return Math.abs(ChronoUnit.DAYS.between(a, b));
  }

  /**
   * The day, where it can be one of a bank entry.
   *
   * @throws DateTimeException else
   */
  public static LocalDate of(int year, int month, int day) {
    return plausible(LocalDate.of(year, month, day));
  }

  private static LocalDate plausible(LocalDate date) {
    if (date.getYear() < FIRST_YEAR || date.getYear() > LAST_YEAR) {
      throw new DateTimeException(
          "the year " + date.getYear() + " is not between " + FIRST_YEAR + " and " + LAST_YEAR);
    }
    return date;
  }

  private static boolean digits(String text, int count) {
    for (var i = 0; i < count; i++) {
      if (text.charAt(i) < '0' || text.charAt(i) > '9') {
        return false;
      }
    }
    return true;
  }

  private static int number(String text, int from, int to) {
    return Integer.parseInt(text, from, to, 10);
  }
}

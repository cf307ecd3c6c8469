package org.sumbrel.formats.journal;

import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.joda.money.Money;

/**
 * A journal entry as it goes out.
 *
 * @param bookedOn the day for which it is booked
 * @param ofDay the day that it is of, where that was closed already
 * @param reverses the entry it takes back, if any
 * @param lines balanced in each currency
 */
public record ExportedEntry(
    long id,
    LocalDate bookedOn,
    Optional<LocalDate> ofDay,
    String text,
    String writtenBy,
    Instant writtenAt,
    Optional<Long> reverses,
    List<Line> lines) {

  public ExportedEntry {
    lines = List.copyOf(lines);
  }

  /** The same entry with these lines. */
  public ExportedEntry with(List<Line> others) {
    return new ExportedEntry(id, bookedOn, ofDay, text, writtenBy, writtenAt, reverses, others);
  }

  /**
   * One line.
   *
   * @param customer number and name, where the account is kept for each customer; else empty
   * @param amount debit positive
   * @param worth what it is worth in the currency of the books, debit positive; empty where no rate
   *     of its day is known
   */
  public record Line(
      String code,
      String account,
      String customerNumber,
      String customer,
      Money amount,
      Optional<Money> worth) {}
}

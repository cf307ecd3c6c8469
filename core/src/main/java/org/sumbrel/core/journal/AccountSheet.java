package org.sumbrel.core.journal;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import org.joda.money.Money;
import org.sumbrel.core.money.MoneySum;

/**
 * What moved on one account of the ledger, with the balance after each movement: {@code opening + Σ
 * amounts = closing}.
 *
 * @param opening the balance before the first line; debit positive
 * @param lines in the order in which they are given
 */
public record AccountSheet(Money opening, List<Line> lines) {

  /**
   * One line of a journal entry on the account.
   *
   * @param lineId by which it is told from others of the account
   * @param entryId the journal entry it is of
   * @param reverses the journal entry that this one takes back, if any
   * @param on the day for which it is booked
   * @param amount debit positive, never zero
   */
  public record Movement(
      long lineId, long entryId, Optional<Long> reverses, LocalDate on, Money amount) {}

  /** A movement with the balance after it; debit positive. */
  public record Line(Movement movement, Money balance) {}

  public AccountSheet {
    lines = List.copyOf(lines);
  }

  /**
   * The sheet of movements.
   *
   * @param opening the balance before the first of them
   * @param movements by day, those of one day as they were written
   */
  public static AccountSheet of(Money opening, Collection<Movement> movements) {
    var balance = opening;
    var lines = new ArrayList<Line>();
    for (var movement : movements) {
      balance = balance.plus(movement.amount());
      lines.add(new Line(movement, balance));
    }
    return new AccountSheet(opening, lines);
  }

  /** The balance after the last line. */
  public Money closing() {
    return opening.plus(
        MoneySum.of(opening.getCurrencyUnit(), lines, line -> line.movement().amount()));
  }
}

package org.sumbrel.formats.statement;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;

/**
 * What a bank reports of one account.
 *
 * @param account as the file names it; empty where the file does not say
 * @param number what the bank calls this statement, or empty
 * @param sequence the running number of the account's statements, where there is one
 * @param from the first day it covers, where the file says so
 * @param until the last day it covers, where the file says so
 * @param whole whether it holds all movements of its days, as a statement does and a report of the
 *     day so far does not
 * @param opening balance before the first entry, where the file has one
 * @param closing balance after the last entry, where the file has one
 */
public record AccountStatement(
    String account,
    CurrencyUnit currency,
    String number,
    Optional<Integer> sequence,
    Optional<LocalDate> from,
    Optional<LocalDate> until,
    boolean whole,
    Optional<Balance> opening,
    Optional<Balance> closing,
    List<StatementEntry> entries) {

  /** A balance at the end of a day, money of ours positive. */
  public record Balance(LocalDate date, Money amount) {}

  public AccountStatement {
    entries = List.copyOf(entries);
  }

  /** What the booked entries come to. */
  public Money movements() {
    var sum = Money.zero(currency);
    for (var entry : entries) {
      if (entry.booked()) {
        sum = sum.plus(entry.amount());
      }
    }
    return sum;
  }
}

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
 * @param opening balance before the first entry, where the file has one
 * @param closing balance after the last entry, where the file has one
 */
public record AccountStatement(
    String account,
    CurrencyUnit currency,
    Optional<Balance> opening,
    Optional<Balance> closing,
    List<StatementEntry> entries) {

  /** A balance at the end of a day, money of ours positive. */
  public record Balance(LocalDate date, Money amount) {}

  public AccountStatement {
    entries = List.copyOf(entries);
  }
}

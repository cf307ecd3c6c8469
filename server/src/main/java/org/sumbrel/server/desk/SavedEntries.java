package org.sumbrel.server.desk;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.formats.statement.AccountStatement;
import org.sumbrel.formats.statement.EntryStatus;
import org.sumbrel.formats.statement.StatementEntry;
import org.sumbrel.server.companies.BankAccountEntity;

/** The booked entries of an account as a statement that a file can hold. */
@Service
@Transactional(readOnly = true)
public class SavedEntries {

  private final BankEntryRepository entries;

  SavedEntries(BankEntryRepository entries) {
    this.entries = entries;
  }

  /** What was booked on these days, in the order of days. */
  public AccountStatement of(BankAccountEntity account, LocalDate from, LocalDate until) {
    var booked =
        entries.booked(account.id(), from, until).stream().map(SavedEntries::entry).toList();
    return new AccountStatement(
        account.number(),
        CurrencyUnit.of(account.currency()),
        "",
        Optional.empty(),
        Optional.of(from),
        Optional.of(until),
        true,
        Optional.empty(),
        Optional.empty(),
        booked);
  }

  private static StatementEntry entry(BankEntryEntity entry) {
    return new StatementEntry(
        entry.entryKey().substring(entry.entryKey().indexOf(':') + 1),
        entry.bookedOn(),
        entry.valueOn(),
        entry.amount(),
        entry.payerName(),
        entry.payerAccount(),
        entry.remittance(),
        entry.bankReference(),
        entry.checkNumber(),
        entry.bankText(),
        EntryStatus.BOOKED,
        entry.told().reversal(),
        Money.zero(entry.amount().getCurrencyUnit()),
        List.of(),
        0);
  }
}

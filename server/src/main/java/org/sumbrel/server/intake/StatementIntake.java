package org.sumbrel.server.intake;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import org.sumbrel.core.money.MoneyText;
import org.sumbrel.formats.BrokenFile;
import org.sumbrel.formats.Problem;
import org.sumbrel.formats.statement.AccountStatement;
import org.sumbrel.formats.statement.StatementEntry;
import org.sumbrel.server.companies.BankAccountEntity;
import org.sumbrel.server.companies.Companies;
import org.sumbrel.server.companies.CompanyEntity;
import org.sumbrel.server.desk.BankEntryEntity;
import org.sumbrel.server.desk.Entries;

/** Takes the entries of statements in: those that are new, each once. */
@Component
class StatementIntake {

  private static final int CHUNK = 500;
  private static final int LONGEST_TEXT = 4_000;
  private static final int LONGEST_NAME = 300;
  private static final int LONGEST_ACCOUNT = 64;

  private final Companies companies;
  private final Entries entries;
  private final StatementRepository statements;

  StatementIntake(Companies companies, Entries entries, StatementRepository statements) {
    this.companies = companies;
    this.entries = entries;
    this.statements = statements;
  }

  /**
   * Takes in what is new.
   *
   * @param asked the bank account the clerk named, or null
   * @throws BrokenFile where a statement is for no account of the company, or an entry cannot be
   *     kept whole
   */
  Outcome take(CompanyEntity company, Long intakeId, List<AccountStatement> all, Long asked)
      throws BrokenFile {
    var outcome = Outcome.none();
    for (var statement : all) {
      outcome =
          outcome.plus(take(company, intakeId, statement, accountOf(company, statement, asked)));
    }
    return outcome;
  }

  private BankAccountEntity accountOf(CompanyEntity company, AccountStatement statement, Long asked)
      throws BrokenFile {
    if (!statement.account().isEmpty()) {
      var found = companies.bankAccountNumbered(company.id(), statement.account());
      if (found.isEmpty()) {
        throw new BrokenFile(
            0, "the statement is for account " + statement.account() + notOurs(company, statement));
      }
      if (asked != null && !asked.equals(found.get().id())) {
        throw new BrokenFile(
            0,
            "the statement is for account "
                + statement.account()
                + ", not for "
                + companies.bankAccount(asked).number());
      }
      return fitting(found.get(), statement);
    }
    if (asked != null) {
      return fitting(companies.bankAccount(asked), statement);
    }
    var fit =
        companies.accountsOf(company.id()).stream()
            .filter(a -> a.currency().equals(statement.currency().getCode()))
            .toList();
    if (fit.size() != 1) {
      throw new BrokenFile(
          0,
          "the file does not say which bank account it is for, and "
              + company.name()
              + " has "
              + fit.size()
              + " in "
              + statement.currency()
              + "; choose one");
    }
    return fit.get(0);
  }

  private static BankAccountEntity fitting(BankAccountEntity account, AccountStatement statement)
      throws BrokenFile {
    if (!account.currency().equals(statement.currency().getCode())) {
      throw new BrokenFile(
          0,
          "the statement is in "
              + statement.currency()
              + ", "
              + account.name()
              + " in "
              + account.currency());
    }
    return account;
  }

  /** Which accounts are known, or whose it is, so that the clerk can choose the right company. */
  private String notOurs(CompanyEntity company, AccountStatement statement) {
    for (var other : companies.all()) {
      if (other.bankAccounts().stream().anyMatch(a -> a.number().equals(statement.account()))) {
        return ", which belongs to " + other.name() + ", not to " + company.name();
      }
    }
    var known =
        companies.accountsOf(company.id()).stream()
            .map(BankAccountEntity::number)
            .collect(Collectors.joining(", "));
    return ", which is none of " + company.name() + "'s (" + known + ")";
  }

  private Outcome take(
      CompanyEntity company, Long intakeId, AccountStatement statement, BankAccountEntity account)
      throws BrokenFile {
    requireRoom(statement);
    var row = new StatementEntity(intakeId, account.id(), statement);
    var problems = new ArrayList<String>();
    var fresh = new ArrayList<BankEntryEntity>();
    var passedOver = 0;
    var known = 0;
    var before = known(account, statement);
    for (var entry : statement.entries()) {
      if (!entry.booked() || entry.amount().isZero()) {
        passedOver++;
        continue;
      }
      row.counts(entry.amount().getAmountMinorLong());
      var twin = before.get(entry.entryId());
      if (twin == null) {
        fresh.add(new BankEntryEntity(company.id(), account.id(), intakeId, entry));
      } else {
        known++;
        row.knew(entry.amount().getAmountMinorLong());
        contradiction(twin, entry).ifPresent(problems::add);
      }
    }
    if (passedOver > 0) {
      problems.add(passedOver + " entries are pending or of no amount and were not taken in");
    }
    statements.save(row);
    entries.addAll(fresh);
    return new Outcome(statement.entries().size(), fresh.size(), known, passedOver, problems);
  }

  private Map<String, BankEntryEntity> known(
      BankAccountEntity account, AccountStatement statement) {
    var keys = statement.entries().stream().map(StatementEntry::entryId).toList();
    var found = new HashMap<String, BankEntryEntity>();
    for (var from = 0; from < keys.size(); from += CHUNK) {
      var chunk = keys.subList(from, Math.min(keys.size(), from + CHUNK));
      entries.known(account.id(), chunk).forEach(e -> found.put(e.entryKey(), e));
    }
    return found;
  }

  private static Optional<String> contradiction(BankEntryEntity twin, StatementEntry entry) {
    if (twin.amount().equals(entry.amount()) && twin.bookedOn().equals(entry.bookingDate())) {
      return Optional.empty();
    }
    return Optional.of(
        "line "
            + entry.line()
            + ": entry "
            + entry.entryId()
            + " is known with "
            + MoneyText.grouped(twin.amount())
            + " of "
            + twin.bookedOn()
            + ", here it has "
            + MoneyText.grouped(entry.amount())
            + " of "
            + entry.bookingDate()
            + "; the known one stays");
  }

  private static void requireRoom(AccountStatement statement) throws BrokenFile {
    for (var entry : statement.entries()) {
      if (entry.words().length() > LONGEST_TEXT
          || entry.payerName().length() > LONGEST_NAME
          || entry.entryId().length() > LONGEST_NAME
          || entry.bankReference().length() > 200
          || entry.payerAccount().length() > LONGEST_ACCOUNT
          || entry.checkNumber().length() > LONGEST_ACCOUNT) {
        throw new BrokenFile(
            List.of(
                new Problem(
                    entry.line(),
                    "a text of this entry is longer than can be kept (remittance "
                        + LONGEST_TEXT
                        + ", names and ids "
                        + LONGEST_NAME
                        + ", accounts "
                        + LONGEST_ACCOUNT
                        + " characters)")));
      }
    }
  }
}

package org.sumbrel.server.intake;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import org.sumbrel.core.intake.AccountNumber;
import org.sumbrel.core.intake.KnownMovement;
import org.sumbrel.core.intake.Movement;
import org.sumbrel.core.intake.Recurrence;
import org.sumbrel.formats.BrokenFile;
import org.sumbrel.formats.Format;
import org.sumbrel.formats.Problem;
import org.sumbrel.formats.statement.AccountStatement;
import org.sumbrel.formats.statement.EntryStatus;
import org.sumbrel.formats.statement.StatementEntry;
import org.sumbrel.server.companies.BankAccountEntity;
import org.sumbrel.server.companies.BankAccounts;
import org.sumbrel.server.companies.Companies;
import org.sumbrel.server.companies.CompanyEntity;
import org.sumbrel.server.desk.Arrivals;
import org.sumbrel.server.desk.Entries;

/**
 * Takes the entries of statements in: those that are new, each once, whatever format told of them
 * first; those that were announced and are booked now; and questions about those that a later
 * statement has otherwise.
 */
@Component
class StatementIntake {

  private static final int LONGEST_TEXT = 100_000;
  private static final int LONGEST_NAME = 300;
  private static final int LONGEST_ACCOUNT = 64;
  private static final int LONGEST_REFERENCE = 200;

  private final Companies companies;
  private final BankAccounts bankAccounts;
  private final Entries entries;
  private final Arrivals arrivals;
  private final Corrections corrections;
  private final StatementRepository statements;
  private final IntakeRecords records;

  StatementIntake(
      Companies companies,
      BankAccounts bankAccounts,
      Entries entries,
      Arrivals arrivals,
      Corrections corrections,
      StatementRepository statements,
      IntakeRecords records) {
    this.records = records;
    this.companies = companies;
    this.bankAccounts = bankAccounts;
    this.entries = entries;
    this.arrivals = arrivals;
    this.corrections = corrections;
    this.statements = statements;
  }

  /**
   * Takes in what is new.
   *
   * @param asked the bank account the clerk named, or null
   * @throws BrokenFile where a statement is for no account of the company, or an entry cannot be
   *     kept whole
   */
  Outcome take(
      CompanyEntity company,
      Long intakeId,
      Format format,
      List<AccountStatement> all,
      Long asked,
      IntakeWatch watch)
      throws BrokenFile {
    var outcome = Outcome.none();
    for (var statement : all) {
      var account = accountOf(company, statement, asked);
      outcome = outcome.plus(take(company, intakeId, format, statement, account, watch));
    }
    return outcome;
  }

  /** The accounts that an intake brought statements of. */
  List<Long> accountsOf(Long intakeId) {
    return statements.findByIntakeId(intakeId).stream()
        .map(StatementEntity::bankAccountId)
        .distinct()
        .toList();
  }

  private BankAccountEntity accountOf(CompanyEntity company, AccountStatement statement, Long asked)
      throws BrokenFile {
    if (!statement.account().isEmpty()) {
      var found =
          bankAccounts.of(company.id()).stream()
              .filter(a -> AccountNumber.same(a.number(), statement.account()))
              .findFirst();
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
                + bankAccounts.account(asked).number());
      }
      return fitting(found.get(), statement);
    }
    if (asked != null) {
      return fitting(bankAccounts.account(asked), statement);
    }
    var fit =
        bankAccounts.of(company.id()).stream()
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
      if (other.bankAccounts().stream()
          .anyMatch(a -> AccountNumber.same(a.number(), statement.account()))) {
        return ", which belongs to " + other.name() + ", not to " + company.name();
      }
    }
    var known =
        bankAccounts.of(company.id()).stream()
            .map(BankAccountEntity::number)
            .collect(Collectors.joining(", "));
    return ", which is none of " + company.name() + "'s (" + known + ")";
  }

  private Outcome take(
      CompanyEntity company,
      Long intakeId,
      Format format,
      AccountStatement statement,
      BankAccountEntity account,
      IntakeWatch watch)
      throws BrokenFile {
    var source = source(format);
    var told = new ToldOfStatement(corrections, statements);
    var row = new StatementEntity(intakeId, account.id(), format.word(), statement);
    var counting =
        statement.entries().stream()
            .filter(e -> e.status() != EntryStatus.INFORMATION && !e.amount().isZero())
            .toList();
    var passedOver = statement.entries().size() - counting.size();
    if (passedOver > 0) {
      told.say(
          (passedOver == 1 ? "1 entry is" : passedOver + " entries are")
              + " for information or of no amount and not taken in");
    }
    var words = counting.stream().map(StatementEntry::words).toList();
    requireRoom(counting, words);
    arrivals.hold(account.id());
    var known = known(account, counting);
    var movements = new ArrayList<Movement>(counting.size());
    for (var n = 0; n < counting.size(); n++) {
      movements.add(movement(source, counting.get(n), words.get(n)));
    }
    var meetings = Recurrence.of(movements, known, complete(account, row));
    var fresh = new ArrayList<Arrivals.Fresh>();
    var others = new ArrayList<Arrivals.OtherId>();
    var announced = 0;
    var booked = 0;
    for (var meeting : meetings) {
      var entry = counting.get(meeting.at());
      var minor = entry.amount().getAmountMinorLong();
      if (entry.booked()) {
        row.counts(minor);
      }
      switch (meeting.kind()) {
        case NEW -> {
          fresh.add(
              new Arrivals.Fresh(
                  entry, words.get(meeting.at()), KnownMovement.id(source, entry.entryId())));
          announced += entry.booked() ? 0 : 1;
        }
        case SAME, CHANGED -> {
          if (entry.booked()) {
            row.knew(minor);
          }
        }
        case BECOMES_BOOKED -> {
          booked++;
          entries.becomesBooked(meeting.known().orElseThrow().key(), intakeId, entry);
        }
      }
      meeting.known().ifPresent(k -> told.meets(meeting, entry, k, intakeId));
      meeting
          .known()
          .filter(k -> !k.ids().contains(KnownMovement.id(source, entry.entryId())))
          .ifPresent(
              k ->
                  others.add(
                      new Arrivals.OtherId(k.key(), KnownMovement.id(source, entry.entryId()))));
    }
    if (booked > 0) {
      told.say(
          (booked == 1
                  ? "1 entry that was announced is"
                  : booked + " entries that were announced are")
              + " booked now");
    }
    if (announced > 0) {
      told.say(
          (announced == 1 ? "1 entry is" : announced + " entries are")
              + " announced and not booked yet; kept apart until then");
    }
    records.knewEntries(
        intakeId,
        meetings.stream()
            .flatMap(m -> m.known().stream())
            .map(KnownMovement::key)
            .limit(IntakeRecords.MOST_KNOWN)
            .toList());
    told.missing(statement, source, known, meetings, intakeId);
    add(company, account, intakeId, fresh, others, watch);
    statements.saveAndFlush(row);
    told.chain(account, row);
    return new Outcome(
        statement.entries().size(),
        fresh.size(),
        counting.size() - fresh.size(),
        passedOver,
        told.problems());
  }

  private void add(
      CompanyEntity company,
      BankAccountEntity account,
      Long intakeId,
      List<Arrivals.Fresh> fresh,
      List<Arrivals.OtherId> others,
      IntakeWatch watch) {
    var keys = new HashSet<String>();
    fresh.forEach(f -> keys.add(f.key()));
    others.forEach(o -> keys.add(o.key()));
    var taken = arrivals.taken(account.id(), keys);
    var rows = new ArrayList<Arrivals.Fresh>(fresh.size());
    for (var one : fresh) {
      // a bank that uses an id again, long after
      rows.add(
          taken.add(one.key())
              ? one
              : one.called(one.key() + "#" + one.entry().bookingDate() + "#" + intakeId));
    }
    arrivals.add(company.id(), account.id(), intakeId, rows, done -> watch.kept(done, rows.size()));
    arrivals.call(account.id(), others.stream().filter(o -> taken.add(o.key())).toList());
  }

  /** The family of formats in which ids mean the same. */
  private static String source(Format format) {
    return switch (format) {
      case OFX -> "ofx";
      case CAMT_052, CAMT_053, CAMT_054 -> "camt";
      case MT940, MT942 -> "mt";
      case BAI2 -> "bai2";
      default -> "csv";
    };
  }

  private static Movement movement(String source, StatementEntry entry, String words) {
    return new Movement(
        source,
        entry.entryId(),
        !entry.entryId().startsWith(StatementEntry.FINGERPRINT),
        entry.bookingDate(),
        entry.valueDate(),
        entry.amount(),
        entry.booked(),
        entry.payerName() + " " + words);
  }

  private List<KnownMovement> known(BankAccountEntity account, List<StatementEntry> counting) {
    var days = counting.stream().map(StatementEntry::bookingDate).sorted().toList();
    return days.isEmpty()
        ? List.of()
        : arrivals.known(
            account.id(),
            days.get(0).minusDays(Recurrence.daysAround()),
            days.get(days.size() - 1).plusDays(Recurrence.daysAround()));
  }

  /** Of which days this statement or one taken in before holds all movements. */
  private Predicate<LocalDate> complete(BankAccountEntity account, StatementEntity row) {
    var whole = new ArrayList<>(statements.findByBankAccountIdAndWholeTrue(account.id()));
    if (row.whole()) {
      whole.add(row);
    }
    var answered = new HashMap<LocalDate, Boolean>();
    return day -> answered.computeIfAbsent(day, d -> whole.stream().anyMatch(s -> covers(s, d)));
  }

  /** An OFX download may be made in the middle of its last day. */
  private static boolean covers(StatementEntity statement, LocalDate day) {
    if (statement.fromOn() == null || statement.untilOn() == null) {
      return false;
    }
    var last =
        statement.format().equals(Format.OFX.word())
            ? statement.untilOn().minusDays(1)
            : statement.untilOn();
    return !day.isBefore(statement.fromOn()) && !day.isAfter(last);
  }

  private static void requireRoom(List<StatementEntry> entries, List<String> words)
      throws BrokenFile {
    for (var n = 0; n < entries.size(); n++) {
      var entry = entries.get(n);
      if (words.get(n).length() > LONGEST_TEXT
          || entry.payerName().length() > LONGEST_NAME
          || entry.entryId().length() > LONGEST_NAME
          || entry.bankReference().length() > LONGEST_REFERENCE
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

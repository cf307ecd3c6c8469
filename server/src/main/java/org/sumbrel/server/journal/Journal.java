package org.sumbrel.server.journal;

import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.core.exchange.Rate;
import org.sumbrel.core.exchange.RateTable.Counting;
import org.sumbrel.core.journal.AccountRole;
import org.sumbrel.core.journal.ClosedPeriod;
import org.sumbrel.core.journal.JournalEntry;
import org.sumbrel.core.journal.JournalLine;
import org.sumbrel.server.ManyRows;
import org.sumbrel.server.companies.Charts;
import org.sumbrel.server.companies.Companies;
import org.sumbrel.server.customers.Customers;
import org.sumbrel.server.rates.Rates;

/**
 * Writes balanced entries into the journal, and nothing else. What is of a day that is closed goes
 * to the first open one, and says of which day it is.
 */
@Service
@Transactional
public class Journal {

  private final JournalEntryRepository entries;
  private final Companies companies;
  private final Charts charts;
  private final Customers customers;
  private final ClosedDays closedDays;
  private final ManyRows rows;
  private final Rates rates;
  private final Clock clock;

  Journal(
      JournalEntryRepository entries,
      Companies companies,
      Charts charts,
      Customers customers,
      ClosedDays closedDays,
      ManyRows rows,
      Rates rates,
      Clock clock) {
    this.rates = rates;
    this.rows = rows;
    this.closedDays = closedDays;
    this.entries = entries;
    this.companies = companies;
    this.charts = charts;
    this.customers = customers;
    this.clock = clock;
  }

  /**
   * Writes an entry.
   *
   * @param bankLedgerAccount where lines on the bank go; null where the entry has none
   * @param reverses the entry this one takes back, or null
   * @return the entry's id
   */
  public Long write(JournalEntry entry, Long bankLedgerAccount, String by, Long reverses) {
    var known = new Known();
    return entries
        .save(toEntity(valued(entry, known), bankLedgerAccount, by, reverses, known))
        .id();
  }

  /**
   * Writes the mirror of an entry.
   *
   * @return the mirror's id
   */
  public Long reverse(Long entryId, LocalDate on, String text, String by) {
    var entity = entries.findById(entryId).orElseThrow();
    var chart = charts.of(entity.companyId());
    var lines = new ArrayList<JournalLine>();
    for (var line : entity.lines()) {
      var role = chart.get(line.ledgerAccountId()).role();
      lines.add(
          new JournalLine(
              role,
              Optional.of(line.ledgerAccountId().toString()),
              Optional.ofNullable(line.customerId()).map(Object::toString),
              Money.ofMinor(CurrencyUnit.of(line.currency()), line.amountMinor()),
              Optional.ofNullable(line.worthMinor())
                  .map(minor -> Money.ofMinor(books(entity.companyId()), minor))));
    }
    var original =
        new JournalEntry(entity.companyId().toString(), entity.bookedOn(), entity.text(), lines);
    var mirror = original.mirrored(on, text);
    // what has no worth yet gets the same one on both sides, once a rate is known
    return entries.save(toEntity(mirror, null, by, entryId, new Known())).id();
  }

  /** The currency in which a company keeps its books. */
  @Transactional(readOnly = true)
  public CurrencyUnit books(Long companyId) {
    return CurrencyUnit.of(companies.company(companyId).currency());
  }

  /** The entry with its worths, where the rates of its day are known. */
  private JournalEntry valued(JournalEntry entry, Known known) {
    var books = known.books.computeIfAbsent(Long.valueOf(entry.companyId()), id -> books(id));
    var valued =
        entry.valued(
            books,
            unit ->
                known.rates.computeIfAbsent(
                    new RateOf(unit, entry.bookedOn()),
                    of -> rates.on(of.unit(), books, of.day()).map(Counting::rate)));
    valued
        .worth(books)
        .filter(off -> !off.isZero())
        .ifPresent(
            off -> {
              throw new IllegalArgumentException(
                  "\"" + entry.text() + "\" does not balance in the books: off by " + off);
            });
    return valued;
  }

  /**
   * Writes many entries of one company, none of which touches a bank.
   *
   * @return their ids, in the same order
   */
  public List<Long> writeAll(Collection<JournalEntry> many, String by) {
    var known = new Known();
    var written =
        many.stream().map(e -> toEntity(valued(e, known), null, by, null, known)).toList();
    rows.insert(written);
    return written.stream().map(JournalEntryEntity::id).toList();
  }

  /** The rate from a currency to that of the books on a day. */
  private record RateOf(CurrencyUnit unit, LocalDate day) {}

  /** What entries of one company that are written together have looked up once. */
  private static final class Known {
    private final Map<AccountRole, Long> accounts = new EnumMap<>(AccountRole.class);
    private final Map<Set<Long>, ClosedPeriod> closed = new HashMap<>();
    private final Map<Long, CurrencyUnit> books = new HashMap<>();
    private final Map<RateOf, Optional<Rate>> rates = new HashMap<>();
  }

  private JournalEntryEntity toEntity(
      JournalEntry entry, Long bankLedgerAccount, String by, Long reverses, Known known) {
    var companyId = Long.valueOf(entry.companyId());
    var closed =
        known.closed.computeIfAbsent(
            banks(entry, bankLedgerAccount), banks -> closedDays.of(companyId, banks));
    var day = closed.openDayFor(entry.bookedOn());
    var written =
        new JournalEntryEntity(
            companyId,
            day,
            day.equals(entry.bookedOn()) ? null : entry.bookedOn(),
            entry.text(),
            by,
            clock.instant(),
            reverses);
    for (var line : entry.lines()) {
      var account =
          line.accountId()
              .map(Long::valueOf)
              .orElseGet(
                  () ->
                      line.role() == AccountRole.BANK
                          ? bankLedgerAccount
                          : known.accounts.computeIfAbsent(
                              line.role(), role -> charts.accountFor(companyId, role)));
      written.add(
          account,
          line.customerId().map(Long::valueOf).orElse(null),
          line.amount().getCurrencyUnit().getCode(),
          line.amount().getAmountMinorLong(),
          line.worth().map(Money::getAmountMinorLong).orElse(null));
    }
    return written;
  }

  /** The ledger accounts of banks that an entry touches. */
  private static Set<Long> banks(JournalEntry entry, Long bankLedgerAccount) {
    return entry.lines().stream()
        .filter(line -> line.role() == AccountRole.BANK)
        .map(line -> line.accountId().map(Long::valueOf).orElse(bankLedgerAccount))
        .collect(Collectors.toSet());
  }

  /** What stands on the account of a role in a currency; debit positive. */
  @Transactional(readOnly = true)
  public Money balance(Long companyId, AccountRole role, CurrencyUnit currency) {
    var account = charts.accountFor(companyId, role);
    return Money.ofMinor(currency, entries.balance(account, currency.getCode()));
  }

  /** The lines that an entry would have, for whoever shows it before it is written. */
  @Transactional(readOnly = true)
  public List<JournalController.LineView> preview(JournalEntry entry, Long bankLedgerAccount) {
    var known = new Known();
    var written = toEntity(valued(entry, known), bankLedgerAccount, "", null, known);
    return JournalController.lines(
        written,
        charts.of(written.companyId()),
        customers.names(JournalController.customerIds(List.of(written))),
        books(written.companyId()).getCode());
  }

  /** The lines of an entry, for whoever shows them. */
  @Transactional(readOnly = true)
  public List<JournalController.LineView> linesOf(Long entryId) {
    var entry = entries.findById(entryId).orElseThrow();
    return JournalController.lines(
        entry,
        charts.of(entry.companyId()),
        customers.names(JournalController.customerIds(List.of(entry))),
        books(entry.companyId()).getCode());
  }
}

package org.sumbrel.server.find;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.core.find.Findable;
import org.sumbrel.core.find.SearchLine;
import org.sumbrel.server.api.MoneyView;
import org.sumbrel.server.customers.Customers;
import org.sumbrel.server.customers.ItemSearch;
import org.sumbrel.server.customers.OpenItemEntity;
import org.sumbrel.server.desk.BankEntryEntity;
import org.sumbrel.server.desk.EntrySearch;
import org.sumbrel.server.find.EverythingController.FoundKind;
import org.sumbrel.server.find.EverythingController.Thing;
import org.sumbrel.server.journal.JournalSearch;
import org.sumbrel.server.settle.SettledBy;

/** Looks for one line in all that there is, the best of each kind. */
@Component
@Transactional(readOnly = true)
class Everything {

  private static final int OF_EACH = 6;

  /** Deposits, payouts and batches are few: so many of the latest are looked through. */
  private static final int MOST_LOOKED_THROUGH = 5_000;

  private final EntrySearch entries;
  private final ItemSearch items;
  private final JournalSearch journal;
  private final Customers customers;
  private final SettledBy settledBy;
  private final JdbcClient jdbc;

  Everything(
      EntrySearch entries,
      ItemSearch items,
      JournalSearch journal,
      Customers customers,
      SettledBy settledBy,
      JdbcClient jdbc) {
    this.entries = entries;
    this.items = items;
    this.journal = journal;
    this.customers = customers;
    this.settledBy = settledBy;
    this.jdbc = jdbc;
  }

  /**
   * What fits.
   *
   * @param text the line as it was typed, for what is looked for by name or number
   */
  List<Thing> found(Long company, SearchLine line, String text) {
    return Stream.of(
            ofCustomers(company, text),
            ofItems(company, line, text),
            ofEntries(company, line),
            told(company, line, DEPOSITS, FoundKind.DEPOSIT),
            told(company, line, PAYOUTS, FoundKind.PAYOUT),
            told(company, line, BATCHES, FoundKind.LOCKBOX_BATCH),
            ofSettlement(company, text),
            ofJournal(company, line, text))
        .flatMap(List::stream)
        .toList();
  }

  private List<Thing> ofCustomers(Long company, String text) {
    return customers.like(company, text, OF_EACH).stream()
        .map(c -> new Thing(FoundKind.CUSTOMER, c.id(), c.name(), c.number(), null, null, null, ""))
        .toList();
  }

  /** Open ones before settled ones, and the one of this very number before all. */
  private List<Thing> ofItems(Long company, SearchLine line, String text) {
    var found = new ArrayList<OpenItemEntity>();
    found.addAll(customers.itemsNumbered(company, List.of(text.toUpperCase(Locale.ROOT))));
    for (var which : ItemSearch.Which.values()) {
      items.found(company, null, which, line, 0, OF_EACH).page().stream()
          .filter(i -> found.stream().noneMatch(f -> f.id().equals(i.id())))
          .forEach(found::add);
    }
    var best = found.stream().limit(OF_EACH).toList();
    var names = customers.names(best.stream().map(OpenItemEntity::customerId).distinct().toList());
    return best.stream()
        .map(
            i ->
                new Thing(
                    FoundKind.ITEM,
                    i.id(),
                    i.number(),
                    names.getOrDefault(i.customerId(), ""),
                    i.issuedOn(),
                    MoneyView.of(i.total()),
                    null,
                    i.open().isZero()
                        ? "settled"
                        : i.open().equals(i.total()) ? "open" : "partly settled"))
        .toList();
  }

  private List<Thing> ofEntries(Long company, SearchLine line) {
    var found = entries.found(company, line, 0, OF_EACH).page();
    var settled = settledBy.ofEntries(found.stream().map(BankEntryEntity::id).toList());
    return found.stream()
        .map(
            e -> {
              var by = settled.get(e.id());
              return new Thing(
                  e.checkNumber().isEmpty() ? FoundKind.ENTRY : FoundKind.CHEQUE,
                  e.id(),
                  e.checkNumber().isEmpty()
                      ? e.payerWords()
                      : e.payerWords() + ", cheque " + e.checkNumber(),
                  e.remittance(),
                  e.bookedOn(),
                  MoneyView.of(e.amount()),
                  by == null ? null : by.settlementId(),
                  e.status().name().toLowerCase(Locale.ROOT));
            })
        .toList();
  }

  private static final String DEPOSITS =
      """
      select d.id, d.slip as title, b.name as words, d.banked_on as d, d.total_minor as minor, d.currency, d.status as state
      from deposit d join bank_account b on b.id = d.bank_account_id where d.company_id = :company order by d.id desc
      """;

  private static final String PAYOUTS =
      """
      select p.id, p.number as title, r.name as words, p.paid_on as d, p.paid_out_minor as minor, p.currency,
        case when p.settlement_id is null then 'waiting' else 'booked' end as state
      from payout p join processor r on r.id = p.processor_id where p.company_id = :company order by p.id desc
      """;

  private static final String BATCHES =
      """
      select l.id, l.number as title, 'lockbox ' || l.lockbox as words, l.deposited_on as d, l.total_minor as minor, l.currency, '' as state
      from lockbox_batch l where l.company_id = :company order by l.id desc
      """;

  private List<Thing> told(Long company, SearchLine line, String sql, FoundKind kind) {
    return jdbc
        .sql(sql + " fetch first " + MOST_LOOKED_THROUGH + " rows only")
        .param("company", company)
        .query((row, n) -> thing(kind, row))
        .list()
        .stream()
        .filter(thing -> line.fits(findable(thing)))
        .limit(OF_EACH)
        .toList();
  }

  private static Thing thing(FoundKind kind, ResultSet row) throws SQLException {
    return new Thing(
        kind,
        row.getLong("id"),
        row.getString("title"),
        row.getString("words"),
        row.getObject("d", LocalDate.class),
        MoneyView.ofMinor(row.getString("currency"), row.getLong("minor")),
        null,
        row.getString("state").toLowerCase(Locale.ROOT).replace('_', ' '));
  }

  private static Findable findable(Thing thing) {
    return Findable.of(
        List.of(thing.words()),
        List.of(thing.title(), Long.toString(thing.id())),
        List.of(),
        List.of(thing.amount().toMoney()),
        thing.on(),
        Optional.empty());
  }

  /** By its number only: what it settles is found as an entry or an item. */
  private List<Thing> ofSettlement(Long company, String text) {
    return number(text)
        .map(
            id ->
                jdbc.sql(
                        """
                        select s.id, coalesce(e.payer_name, s.payout_words, '') as words, s.posted_on, s.received_minor, s.currency, s.status
                        from settlement s left join bank_entry e on e.id = s.entry_id where s.id = :id and s.company_id = :company
                        """)
                    .param("id", id)
                    .param("company", company)
                    .query(
                        (row, n) ->
                            new Thing(
                                FoundKind.SETTLEMENT,
                                row.getLong("id"),
                                "Settlement " + row.getLong("id"),
                                row.getString("words"),
                                row.getObject("posted_on", LocalDate.class),
                                MoneyView.of(
                                    Money.ofMinor(
                                        CurrencyUnit.of(row.getString("currency")),
                                        row.getLong("received_minor"))),
                                null,
                                row.getString("status").toLowerCase(Locale.ROOT)))
                    .list())
        .orElse(List.of());
  }

  /** The entry of this very number before all. */
  private List<Thing> ofJournal(Long company, SearchLine line, String text) {
    var number = number(text).orElse(-1L);
    return journal.found(company, line, OF_EACH * OF_EACH).stream()
        .sorted((a, b) -> Boolean.compare(b.id() == number, a.id() == number))
        .limit(OF_EACH)
        .map(
            e ->
                new Thing(
                    FoundKind.JOURNAL_ENTRY,
                    e.id(),
                    "Journal entry " + e.id(),
                    e.text(),
                    e.on(),
                    MoneyView.of(e.amount()),
                    null,
                    ""))
        .toList();
  }

  private static Optional<Long> number(String text) {
    return text.matches("\\d{1,15}") ? Optional.of(Long.valueOf(text)) : Optional.empty();
  }
}

package org.sumbrel.server.journal;

import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.core.journal.AccountSheet.Movement;
import org.sumbrel.server.api.Period;

/** Reads the lines of accounts, and what they come to between two days. */
@Component
@Transactional(readOnly = true)
class LedgerRows {

  private static final int MOST_ALIKE = 5_000;

  private final JdbcClient jdbc;

  LedgerRows(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  /**
   * What an account comes to in a currency, in minor units.
   *
   * @param openingMinor before the period; debit positive
   * @param debitMinor within it
   * @param creditMinor within it, positive
   * @param worthMinor what the balance after it is worth in the currency of the books
   * @param missing of how many lines that is not known
   */
  record Turnover(
      long accountId,
      String currency,
      long openingMinor,
      long debitMinor,
      long creditMinor,
      long worthMinor,
      long missing) {

    /** The balance after the period; debit positive. */
    long closingMinor() {
      return openingMinor + debitMinor - creditMinor;
    }
  }

  /** By account and currency; of one account where it is given, else of all of the company. */
  List<Turnover> turnovers(Long company, Long account, Period period) {
    return jdbc.sql(
            """
            select l.ledger_account_id, l.currency,
              sum(case when e.booked_on < :first then l.amount_minor else 0 end) as opening,
              sum(case when e.booked_on >= :first and l.amount_minor > 0 then l.amount_minor else 0 end) as debit,
              sum(case when e.booked_on >= :first and l.amount_minor < 0 then -l.amount_minor else 0 end) as credit,
              sum(case when l.currency = c.currency then l.amount_minor else coalesce(l.worth_minor, 0) end) as worth,
              sum(case when l.currency <> c.currency and l.worth_minor is null then 1 else 0 end) as missing
            from ledger_account a join company c on c.id = a.company_id join journal_line l on l.ledger_account_id = a.id join journal_entry e on e.id = l.journal_entry_id
            where a.company_id = :company and (:account = 0 or a.id = :account) and e.booked_on <= :last
            group by l.ledger_account_id, l.currency
            """)
        .param("company", company)
        .param("account", account == null ? 0L : account)
        .param("first", period.first())
        .param("last", period.last())
        .query(
            (row, n) ->
                new Turnover(
                    row.getLong(1),
                    row.getString(2),
                    row.getLong(3),
                    row.getLong(4),
                    row.getLong(5),
                    row.getLong(6),
                    row.getLong(7)))
        .list();
  }

  /** Where a page of an account's lines ended. */
  record After(LocalDate on, long lineId) {

    static final After START = new After(LocalDate.of(1, 1, 1), 0);
  }

  /** A movement with what stands beside it. */
  record Row(Movement movement, LocalDate ofDay, String text, String writtenBy, Long customerId) {}

  /** Lines of an account by day, those of one day as they were written. */
  List<Row> page(Long account, CurrencyUnit currency, Period period, After after, int most) {
    return jdbc.sql(
            """
            select l.id, e.id as entry_id, e.reverses_id, e.booked_on, e.of_day, e.text, e.written_by, l.customer_id, l.amount_minor
            from journal_line l join journal_entry e on e.id = l.journal_entry_id
            where l.ledger_account_id = :account and l.currency = :currency and e.booked_on between :first and :last
              and (e.booked_on > :on or e.booked_on = :on and l.id > :line)
            order by e.booked_on, l.id fetch first :most rows only
            """)
        .param("account", account)
        .param("currency", currency.getCode())
        .param("first", period.first())
        .param("last", period.last())
        .param("on", after.on())
        .param("line", after.lineId())
        .param("most", most)
        .query(
            (row, n) ->
                new Row(
                    movement(
                        currency,
                        row.getLong("id"),
                        row.getLong("entry_id"),
                        row.getObject("reverses_id", Long.class),
                        row.getObject("booked_on", LocalDate.class),
                        row.getLong("amount_minor")),
                    row.getObject("of_day", LocalDate.class),
                    row.getString("text"),
                    row.getString("written_by"),
                    row.getObject("customer_id", Long.class)))
        .list();
  }

  /** What the lines of a period up to where a page ended come to, in minor units. */
  long sumUntil(Long account, CurrencyUnit currency, Period period, After after) {
    return jdbc.sql(
            """
            select coalesce(sum(l.amount_minor), 0) from journal_line l join journal_entry e on e.id = l.journal_entry_id
            where l.ledger_account_id = :account and l.currency = :currency and e.booked_on >= :first
              and (e.booked_on < :on or e.booked_on = :on and l.id <= :line)
            """)
        .param("account", account)
        .param("currency", currency.getCode())
        .param("first", period.first())
        .param("on", after.on())
        .param("line", after.lineId())
        .query(Long.class)
        .single();
  }

  /** Movements of an account of these sizes, either way, between two days. */
  List<Movement> alike(
      Long account, CurrencyUnit currency, Collection<Long> sizesMinor, Period period) {
    return jdbc.sql(
            """
            select l.id, e.id as entry_id, e.reverses_id, e.booked_on, l.amount_minor
            from journal_line l join journal_entry e on e.id = l.journal_entry_id
              join unnest(:sizes) asked(minor) on asked.minor = abs(l.amount_minor)
            where l.ledger_account_id = :account and l.currency = :currency and e.booked_on between :first and :last
            order by e.booked_on, l.id fetch first :most rows only
            """)
        .param("sizes", sizesMinor.stream().distinct().toArray(Long[]::new))
        .param("account", account)
        .param("currency", currency.getCode())
        .param("first", period.first())
        .param("last", period.last())
        .param("most", MOST_ALIKE)
        .query(
            (row, n) ->
                movement(
                    currency,
                    row.getLong("id"),
                    row.getLong("entry_id"),
                    row.getObject("reverses_id", Long.class),
                    row.getObject("booked_on", LocalDate.class),
                    row.getLong("amount_minor")))
        .list();
  }

  private static Movement movement(
      CurrencyUnit currency, long line, long entry, Long reverses, LocalDate on, long minor) {
    return new Movement(
        line, entry, Optional.ofNullable(reverses), on, Money.ofMinor(currency, minor));
  }
}

package org.sumbrel.server.journal;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.springframework.context.event.EventListener;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.core.exchange.RateTable.Counting;
import org.sumbrel.core.journal.AccountRole;
import org.sumbrel.core.journal.JournalEntry;
import org.sumbrel.core.journal.JournalLine;
import org.sumbrel.server.companies.Charts;
import org.sumbrel.server.rates.Rates;
import org.sumbrel.server.rates.RatesKnown;

/**
 * Values what was written before a rate of its day was known, as soon as it is: items and entries
 * that stand in one currency. What is valued stays as it is, whatever rates come later.
 */
@Component
class ValuedLater {

  private final JdbcClient jdbc;
  private final Charts charts;
  private final Rates rates;

  ValuedLater(JdbcClient jdbc, Charts charts, Rates rates) {
    this.jdbc = jdbc;
    this.charts = charts;
    this.rates = rates;
  }

  /** Lines of one company, currency and day whose worth is not known. */
  private record Waiting(Long company, String currency, String books, LocalDate day) {}

  @EventListener
  @Transactional
  public void ratesKnown(RatesKnown known) {
    for (var waiting : waiting()) {
      rates
          .on(CurrencyUnit.of(waiting.currency()), CurrencyUnit.of(waiting.books()), waiting.day())
          .ifPresent(rate -> value(waiting, rate));
    }
  }

  private List<Waiting> waiting() {
    return jdbc.sql(
            """
            select distinct e.company_id, l.currency, c.currency as books, coalesce(o.of_day, o.booked_on, e.of_day, e.booked_on) as d
            from journal_line l join journal_entry e on e.id = l.journal_entry_id join company c on c.id = e.company_id
              left join journal_entry o on o.id = e.reverses_id
            where l.worth_minor is null and l.currency <> c.currency
            union
            select distinct i.company_id, i.currency, c.currency, i.issued_on from open_item i join company c on c.id = i.company_id
            where i.worth_minor is null and i.currency <> c.currency
            """)
        .query(
            (row, n) ->
                new Waiting(
                    row.getLong("company_id"),
                    row.getString("currency"),
                    row.getString("books"),
                    row.getObject("d", LocalDate.class)))
        .list();
  }

  private void value(Waiting waiting, Counting counting) {
    items(waiting, counting);
    var entries = new LinkedHashMap<Long, List<Line>>();
    lines(waiting)
        .forEach(l -> entries.computeIfAbsent(l.entryId(), id -> new ArrayList<>()).add(l));
    entries.forEach((id, lines) -> value(id, lines, waiting, counting));
  }

  private void items(Waiting waiting, Counting counting) {
    var unit = CurrencyUnit.of(waiting.currency());
    var open = new LinkedHashMap<Long, Money>();
    jdbc.sql(
            """
            select id, open_minor from open_item where company_id = :company and currency = :currency
              and issued_on = :day and worth_minor is null
            """)
        .param("company", waiting.company())
        .param("currency", waiting.currency())
        .param("day", waiting.day())
        .query(
            row -> {
              open.put(row.getLong("id"), Money.ofMinor(unit, row.getLong("open_minor")));
            });
    open.forEach((id, money) -> setItem(id, counting.rate().of(money)));
  }

  /** A line as it was written, and the last position of its entry. */
  private record Line(Long id, Long entryId, int last, JournalLine line) {}

  private List<Line> lines(Waiting waiting) {
    var unit = CurrencyUnit.of(waiting.currency());
    return jdbc.sql(
            """
            select l.id, l.journal_entry_id, l.ledger_account_id, a.role, l.customer_id, l.amount_minor,
              (select max(x.position) from journal_line x where x.journal_entry_id = e.id) as last
            from journal_line l join journal_entry e on e.id = l.journal_entry_id join ledger_account a on a.id = l.ledger_account_id
              left join journal_entry o on o.id = e.reverses_id
            where e.company_id = :company and l.currency = :currency and l.worth_minor is null
              and coalesce(o.of_day, o.booked_on, e.of_day, e.booked_on) = :day
            order by l.journal_entry_id, l.position
            """)
        .param("company", waiting.company())
        .param("currency", waiting.currency())
        .param("day", waiting.day())
        .query(
            (row, n) ->
                new Line(
                    row.getLong("id"),
                    row.getLong("journal_entry_id"),
                    row.getInt("last"),
                    new JournalLine(
                        AccountRole.valueOf(row.getString("role")),
                        Optional.of(row.getString("ledger_account_id")),
                        Optional.ofNullable(row.getString("customer_id")),
                        Money.ofMinor(unit, row.getLong("amount_minor")))))
        .list();
  }

  /** As it would have been written had the rate been known: what rounds away has its own line. */
  private void value(Long entryId, List<Line> lines, Waiting waiting, Counting counting) {
    var valued =
        new JournalEntry(
                waiting.company().toString(),
                waiting.day(),
                "entry " + entryId,
                lines.stream().map(Line::line).toList())
            .valued(CurrencyUnit.of(waiting.books()), unit -> Optional.of(counting.rate()))
            .lines();
    for (var n = 0; n < lines.size(); n++) {
      setLine(lines.get(n).id(), valued.get(n).worth().orElseThrow());
    }
    for (var n = lines.size(); n < valued.size(); n++) {
      write(entryId, lines.get(0).last() + 1 + n - lines.size(), valued.get(n), waiting);
    }
  }

  /**
   * Raises the version too: whoever changes the item at this moment must not write the worth back.
   */
  private void setItem(Long id, Money worth) {
    jdbc.sql("update open_item set worth_minor = :worth, version = version + 1 where id = :id")
        .param("worth", worth.getAmountMinorLong())
        .param("id", id)
        .update();
  }

  private void setLine(Long id, Money worth) {
    jdbc.sql("update journal_line set worth_minor = :worth where id = :id")
        .param("worth", worth.getAmountMinorLong())
        .param("id", id)
        .update();
  }

  private void write(Long entryId, int position, JournalLine line, Waiting waiting) {
    jdbc.sql(
            """
            insert into journal_line (id, journal_entry_id, position, ledger_account_id, customer_id, currency, amount_minor, worth_minor)
            values (next value for journal_line_seq, :entry, :position, :account, null, :currency, :amount, :worth)
            """)
        .param("entry", entryId)
        .param("position", position)
        .param("account", charts.accountFor(waiting.company(), line.role()))
        .param("currency", waiting.currency())
        .param("amount", line.amount().getAmountMinorLong())
        .param("worth", line.worth().orElseThrow().getAmountMinorLong())
        .update();
  }
}

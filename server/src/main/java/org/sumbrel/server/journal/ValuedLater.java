package org.sumbrel.server.journal;

import java.time.LocalDate;
import java.util.List;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.springframework.context.event.EventListener;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.core.exchange.RateTable.Counting;
import org.sumbrel.core.journal.AccountRole;
import org.sumbrel.server.companies.Charts;
import org.sumbrel.server.companies.Companies;
import org.sumbrel.server.rates.Rates;
import org.sumbrel.server.rates.RatesKnown;

/**
 * Values what was written before a rate of its day was known, as soon as it is: items and entries
 * that stand in one currency. What is valued stays as it is, whatever rates come later.
 */
@Component
class ValuedLater {

  private final JdbcClient jdbc;
  private final Companies companies;
  private final Charts charts;
  private final Rates rates;

  ValuedLater(JdbcClient jdbc, Companies companies, Charts charts, Rates rates) {
    this.jdbc = jdbc;
    this.companies = companies;
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
    var unit = CurrencyUnit.of(waiting.currency());
    items(waiting, counting, unit);
    lines(waiting, counting, unit);
    roundings(waiting);
  }

  private record Row(Long id, Long minor) {}

  private void items(Waiting waiting, Counting counting, CurrencyUnit unit) {
    var rows =
        jdbc.sql(
                """
                select id, open_minor as minor from open_item where company_id = :company and currency = :currency
                  and issued_on = :day and worth_minor is null
                """)
            .param("company", waiting.company())
            .param("currency", waiting.currency())
            .param("day", waiting.day())
            .query((row, n) -> new Row(row.getLong("id"), row.getLong("minor")))
            .list();
    for (var row : rows) {
      set("open_item", row, counting, unit);
    }
  }

  private void lines(Waiting waiting, Counting counting, CurrencyUnit unit) {
    var rows =
        jdbc.sql(
                """
                select l.id, l.amount_minor as minor from journal_line l join journal_entry e on e.id = l.journal_entry_id
                  left join journal_entry o on o.id = e.reverses_id
                where e.company_id = :company and l.currency = :currency and l.worth_minor is null
                  and coalesce(o.of_day, o.booked_on, e.of_day, e.booked_on) = :day
                """)
            .param("company", waiting.company())
            .param("currency", waiting.currency())
            .param("day", waiting.day())
            .query((row, n) -> new Row(row.getLong("id"), row.getLong("minor")))
            .list();
    for (var row : rows) {
      set("journal_line", row, counting, unit);
    }
  }

  private void set(String table, Row row, Counting counting, CurrencyUnit unit) {
    jdbc.sql("update " + table + " set worth_minor = :worth where id = :id")
        .param("worth", counting.rate().of(Money.ofMinor(unit, row.minor())).getAmountMinorLong())
        .param("id", row.id())
        .update();
  }

  /** What the rounding of single lines leaves of an entry goes to the rounding differences. */
  private void roundings(Waiting waiting) {
    var account = charts.accountFor(waiting.company(), AccountRole.ROUNDING_DIFFERENCES);
    jdbc.sql(
            """
            insert into journal_line (id, journal_entry_id, position, ledger_account_id, customer_id, currency, amount_minor, worth_minor)
            select next value for journal_line_seq, t.id, t.behind, :account, null, :currency, 0, -t.off from (
              select e.id, max(l.position) + 1 as behind, sum(l.worth_minor) as off
              from journal_line l join journal_entry e on e.id = l.journal_entry_id left join journal_entry o on o.id = e.reverses_id
              where e.company_id = :company and coalesce(o.of_day, o.booked_on, e.of_day, e.booked_on) = :day
              group by e.id
              having count(*) = count(l.worth_minor) and count(distinct l.currency) = 1 and max(l.currency) = :currency and sum(l.worth_minor) <> 0
            ) t
            """)
        .param("account", account)
        .param("company", waiting.company())
        .param("currency", waiting.currency())
        .param("day", waiting.day())
        .update();
  }
}

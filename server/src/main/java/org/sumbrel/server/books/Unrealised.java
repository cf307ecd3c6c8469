package org.sumbrel.server.books;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotNull;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.core.money.MoneySum;
import org.sumbrel.server.api.MoneyView;
import org.sumbrel.server.books.ItemsAt.ItemAt;
import org.sumbrel.server.rates.Rates;

/**
 * What open items in other currencies would bring or cost at the rates of a day, against what they
 * stand in the books with (IAS 21.23 and 21.28: monetary items at the closing rate). Nothing of it
 * is booked.
 */
@Component
@Transactional(readOnly = true)
class Unrealised {

  private final ItemsAt items;
  private final Rates rates;
  private final JdbcClient jdbc;

  Unrealised(ItemsAt items, Rates rates, JdbcClient jdbc) {
    this.items = items;
    this.rates = rates;
    this.jdbc = jdbc;
  }

  /** The items of one currency. */
  record UnrealisedLine(
      @NotNull String currency,
      @NotNull int items,
      @NotNull MoneyView open,
      @NotNull @Schema(description = "what they stand in the books with") MoneyView inBooks,
      @NotNull @Schema(description = "items whose rate of their day is not known; left out")
          int missing,
      @Schema(description = "what one unit is worth on the day; null where no rate counts")
          String rate,
      @NotNull @Schema(description = "how the rate came about, or empty") String words,
      @Schema(description = "what is open at that rate; null where there is none") MoneyView atRate,
      @Schema(description = "gain positive, loss negative; null where no rate counts")
          MoneyView difference) {}

  record UnrealisedReport(
      @NotNull LocalDate on,
      @NotNull @Schema(description = "the currency of the books") String books,
      @NotNull List<UnrealisedLine> lines,
      @NotNull @Schema(description = "of those lines that have a rate") MoneyView difference) {}

  UnrealisedReport at(Long company, CurrencyUnit books, LocalDate day) {
    var worths = worthsAt(company, books, day);
    var lines = new ArrayList<UnrealisedLine>();
    var total = Money.zero(books);
    for (var unit : currencies(company, books)) {
      var all = items.at(company, unit, day);
      var known = all.stream().filter(i -> worths.containsKey(i.id())).toList();
      if (all.isEmpty()) {
        continue;
      }
      var open = MoneySum.of(unit, known, ItemAt::open);
      var stands = MoneySum.of(books, known, i -> worths.get(i.id()));
      var rate = rates.on(unit, books, day);
      var atRate = rate.map(r -> r.rate().of(open));
      var difference = atRate.map(now -> now.minus(stands));
      total = total.plus(difference.orElse(Money.zero(books)));
      lines.add(
          new UnrealisedLine(
              unit.getCode(),
              known.size(),
              MoneyView.of(open),
              MoneyView.of(stands),
              all.size() - known.size(),
              rate.map(r -> r.rate().perUnit().toPlainString()).orElse(null),
              rate.map(Rates::words).orElse(""),
              atRate.map(MoneyView::of).orElse(null),
              difference.map(MoneyView::of).orElse(null)));
    }
    return new UnrealisedReport(day, books.getCode(), lines, MoneyView.of(total));
  }

  private List<CurrencyUnit> currencies(Long company, CurrencyUnit books) {
    return jdbc.sql(
            "select distinct currency from open_item where company_id = :company and currency <> :books order by currency")
        .param("company", company)
        .param("books", books.getCode())
        .query((row, n) -> CurrencyUnit.of(row.getString(1)))
        .list();
  }

  /** What items stand in the books with now, and what was taken of that after the day. */
  private Map<Long, Money> worthsAt(Long company, CurrencyUnit books, LocalDate day) {
    var worths = new HashMap<Long, Money>();
    jdbc.sql(
            """
            select t.item_id, sum(t.minor) as minor from (
              select i.id as item_id, i.worth_minor as minor from open_item i
              where i.company_id = :company and i.currency <> :books and i.worth_minor is not null
              union all
              select a.item_id, a.worth_minor from settlement s join settlement_application a on a.settlement_id = s.id
                join journal_entry j on j.id = s.journal_entry_id
              where s.company_id = :company and a.company_id = :company and a.worth_minor is not null and j.booked_on > :day
              union all
              select a.item_id, -a.worth_minor from settlement s join settlement_application a on a.settlement_id = s.id
                join journal_entry r on r.id = s.reversal_entry_id
              where s.company_id = :company and a.company_id = :company and a.worth_minor is not null and r.booked_on > :day
              union all
              select a.item_id, a.worth_minor from settlement_elsewhere x
                join settlement_application a on a.settlement_id = x.settlement_id and a.company_id = x.company_id
                join journal_entry j on j.id = x.journal_entry_id
              where x.company_id = :company and a.worth_minor is not null and j.booked_on > :day
              union all
              select a.item_id, -a.worth_minor from settlement_elsewhere x
                join settlement_application a on a.settlement_id = x.settlement_id and a.company_id = x.company_id
                join journal_entry r on r.id = x.reversal_entry_id
              where x.company_id = :company and a.worth_minor is not null and r.booked_on > :day
            ) t group by t.item_id
            """)
        .param("company", company)
        .param("books", books.getCode())
        .param("day", day)
        .query(
            row -> {
              worths.put(row.getLong("item_id"), Money.ofMinor(books, row.getLong("minor")));
            });
    return worths;
  }
}

package org.sumbrel.server.settle;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.springframework.stereotype.Component;
import org.sumbrel.core.exchange.RateTable.Counting;
import org.sumbrel.core.exchange.RateUsed;
import org.sumbrel.core.exchange.RateUsed.Source;
import org.sumbrel.core.journal.Group;
import org.sumbrel.core.journal.JournalEntry;
import org.sumbrel.core.journal.Posting;
import org.sumbrel.core.journal.Worths;
import org.sumbrel.core.money.MoneyShare;
import org.sumbrel.core.receivables.DayText;
import org.sumbrel.core.receivables.OpenItem;
import org.sumbrel.core.settle.Settlement;
import org.sumbrel.server.api.Conflict;
import org.sumbrel.server.companies.Charts;
import org.sumbrel.server.companies.Companies;
import org.sumbrel.server.customers.OpenItemEntity;
import org.sumbrel.server.rates.Rates;

/**
 * What a settlement writes into the journal, with what each line is worth in the currency of the
 * books. Where a rate is missing it is asked for, and nothing is written.
 */
@Component
class Valuing {

  private final Companies companies;
  private final Charts charts;
  private final Rates rates;

  Valuing(Companies companies, Charts charts, Rates rates) {
    this.companies = companies;
    this.charts = charts;
    this.rates = rates;
  }

  /** A rate at which the books of a company value something. */
  record BooksRate(Long companyId, RateUsed rate) {}

  /**
   * The entries of a settlement.
   *
   * @param entries that of the company that received the money first, then those of others whose
   *     items it settles
   * @param taken what each item's balance takes of what it stands in the books with, by the item's
   *     id; only of items in another currency than that of the books
   * @param used the rates at which the books value what came
   */
  record Valued(List<JournalEntry> entries, Map<Long, Money> taken, List<BooksRate> used) {

    /** That of the company that received the money. */
    JournalEntry entry() {
      return entries.get(0);
    }

    /** Those of the other companies. */
    List<JournalEntry> others() {
      return entries.subList(1, entries.size());
    }

    /** Takes it from the items, whose balances fall by it. */
    void takeFrom(Map<Long, OpenItemEntity> items) {
      taken.forEach((id, worth) -> items.get(id).worthFalls(worth));
    }
  }

  /**
   * The entries.
   *
   * @param items the rows of the items that it applies to
   * @throws Conflict {@code RATE_MISSING}, where the books cannot value it
   */
  Valued of(Settlement settlement, LocalDate on, String text, Map<Long, OpenItemEntity> items) {
    var books = new LinkedHashMap<String, OfBooks>();
    Function<String, Worths> worths =
        company ->
            books.computeIfAbsent(company, c -> books(c, settlement.receipt().receivedOn(), items));
    var entries =
        Posting.entriesFor(settlement, on, text, worths, new GroupBooks(companies, charts));
    var taken = new HashMap<Long, Money>();
    for (var application : settlement.applications()) {
      var own = worths.apply(application.item().companyId());
      if (!application.amount().getCurrencyUnit().equals(own.books())) {
        taken.put(
            Long.valueOf(application.item().id()),
            own.ofItem(application.item(), application.amount()));
      }
    }
    var used = new ArrayList<BooksRate>();
    books.forEach(
        (company, kept) ->
            kept.used.values().forEach(r -> used.add(new BooksRate(Long.valueOf(company), r))));
    return new Valued(entries, taken, used);
  }

  private OfBooks books(String company, LocalDate day, Map<Long, OpenItemEntity> items) {
    var currency = CurrencyUnit.of(companies.company(Long.valueOf(company)).currency());
    return new OfBooks(currency, day, items);
  }

  /** The companies as their charts know each other. */
  private record GroupBooks(Companies companies, Charts charts) implements Group {

    @Override
    public String account(String companyId, String counterpartId) {
      return charts.groupAccount(Long.valueOf(companyId), Long.valueOf(counterpartId)).toString();
    }

    @Override
    public String name(String companyId) {
      return companies.company(Long.valueOf(companyId)).name();
    }
  }

  /** The rate between two currencies on a day, with how it came about. */
  RateUsed rate(CurrencyUnit from, CurrencyUnit to, LocalDate day) {
    return rates.on(from, to, day).map(Valuing::used).orElseThrow(() -> missing(from, to, day));
  }

  /**
   * The rates that counted on a day and those before it, each once, the latest first: payers and
   * banks take that of a day before as well.
   */
  List<RateUsed> recent(CurrencyUnit from, CurrencyUnit to, LocalDate day) {
    var days = Rates.LONGEST_DAYS;
    var table = rates.tableOf(day.minusDays(days), day);
    var found = new LinkedHashMap<BigDecimal, RateUsed>();
    for (var back = 0; back <= days; back++) {
      table
          .on(from, to, day.minusDays(back))
          .ifPresent(c -> found.putIfAbsent(c.rate().perUnit(), used(c)));
    }
    return List.copyOf(found.values());
  }

  static Conflict missing(CurrencyUnit from, CurrencyUnit to, LocalDate day) {
    return new Conflict(
        "RATE_MISSING",
        "There is no rate from "
            + from
            + " to "
            + to
            + " that counts on "
            + DayText.of(day)
            + ". Type it or take it in first; nothing was posted.",
        Map.of("from", from.getCode(), "to", to.getCode(), "on", day.toString()));
  }

  private static RateUsed used(Counting counting) {
    return new RateUsed(counting.rate(), Source.TABLE, Rates.words(counting));
  }

  private final class OfBooks implements Worths {
    private final CurrencyUnit books;
    private final LocalDate day;
    private final Map<Long, OpenItemEntity> items;
    private final Map<CurrencyUnit, RateUsed> used = new LinkedHashMap<>();

    private OfBooks(CurrencyUnit books, LocalDate day, Map<Long, OpenItemEntity> items) {
      this.books = books;
      this.day = day;
      this.items = items;
    }

    @Override
    public CurrencyUnit books() {
      return books;
    }

    @Override
    public Money ofDay(Money amount) {
      var unit = amount.getCurrencyUnit();
      return used.computeIfAbsent(unit, from -> rate(from, books, day)).rate().of(amount);
    }

    @Override
    public Money ofItem(OpenItem item, Money part) {
      if (item.open().isZero()) {
        // it is opened again, and stands in the books with what it was made for
        return rate(part.getCurrencyUnit(), books, item.issuedOn()).rate().of(part);
      }
      var all =
          items
              .get(Long.valueOf(item.id()))
              .worth(books)
              .orElseThrow(() -> missing(part.getCurrencyUnit(), books, item.issuedOn()));
      return MoneyShare.of(all, part, item.open());
    }
  }
}

package org.sumbrel.server.together;

import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.springframework.stereotype.Service;
import org.sumbrel.core.exchange.RateTable.Counting;
import org.sumbrel.core.exchange.Restated;
import org.sumbrel.core.receivables.Ageing.Bucket;
import org.sumbrel.server.api.MoneyView;
import org.sumbrel.server.books.OpenSums;
import org.sumbrel.server.companies.Companies;
import org.sumbrel.server.daysheet.DaySums;
import org.sumbrel.server.journal.BanksByTheBooks;
import org.sumbrel.server.rates.Rates;
import org.sumbrel.server.tieout.TrailGaps;
import org.sumbrel.server.together.TogetherView.TogetherColumn;
import org.sumbrel.server.together.TogetherView.TogetherRow;

/**
 * Puts what stands in several currencies and companies side by side, each in its own currency, and
 * adds it up in one at the rates of a day.
 */
@Service
class Together {

  private final Companies companies;
  private final BanksByTheBooks banks;
  private final DaySums days;
  private final OpenSums open;
  private final TrailGaps gaps;
  private final Rates rates;
  private final Clock clock;

  Together(
      Companies companies,
      BanksByTheBooks banks,
      DaySums days,
      OpenSums open,
      TrailGaps gaps,
      Rates rates,
      Clock clock) {
    this.companies = companies;
    this.banks = banks;
    this.days = days;
    this.open = open;
    this.gaps = gaps;
    this.rates = rates;
    this.clock = clock;
  }

  private record Column(Long company, CurrencyUnit currency, Map<Measure, Money> sums) {}

  /**
   * The figures.
   *
   * @param into in which currency the totals are
   * @param ratesOn the day whose rates they are at
   */
  TogetherView of(Collection<Long> owners, CurrencyUnit into, LocalDate on, LocalDate ratesOn) {
    var past = on.isBefore(LocalDate.now(clock));
    var columns = new ArrayList<Column>();
    for (var owner : owners) {
      var onBanks = banks.on(owner, on);
      var missing = gaps.of(owner);
      for (var currency : companies.currenciesOf(owner)) {
        var column = new Column(owner, currency, new EnumMap<>(Measure.class));
        fill(column, on, past);
        column.sums.put(Measure.BANKS, onBanks.getOrDefault(currency, Money.zero(currency)));
        column.sums.put(Measure.TRAIL_GAP, missing.getOrDefault(currency, Money.zero(currency)));
        if (column.sums.values().stream().anyMatch(sum -> !sum.isZero())) {
          columns.add(column);
        }
      }
    }
    return new TogetherView(
        on,
        ratesOn,
        into.getCode(),
        columns.stream().map(c -> column(c, rate(c.currency, into, ratesOn))).toList(),
        Stream.of(Measure.values()).map(m -> row(m, columns, into, ratesOn)).toList());
  }

  private void fill(Column column, LocalDate on, boolean past) {
    var day = days.of(column.company, column.currency, on, past);
    column.sums.put(Measure.ARRIVED, day.arrived());
    column.sums.put(Measure.SETTLED, day.settled());
    column.sums.put(Measure.WAITING, day.waiting());
    var standing = open.of(column.company, column.currency, on, past);
    column.sums.put(Measure.OWED, standing.ageing().total());
    for (var bucket : Bucket.values()) {
      column.sums.put(Measure.of(bucket), standing.ageing().amounts().get(bucket));
    }
    column.sums.put(Measure.ON_ACCOUNT, standing.onAccount());
    column.sums.put(Measure.CLAIMS, standing.claims());
  }

  private Optional<Counting> rate(CurrencyUnit from, CurrencyUnit into, LocalDate day) {
    return from.equals(into) ? Optional.empty() : rates.on(from, into, day);
  }

  private TogetherColumn column(Column of, Optional<Counting> rate) {
    return new TogetherColumn(
        companies.called(of.company),
        of.currency.getCode(),
        rate.map(r -> r.rate().perUnit().toPlainString()).orElse(null),
        rate.map(Rates::words).orElse(""));
  }

  private TogetherRow row(
      Measure measure, List<Column> columns, CurrencyUnit into, LocalDate ratesOn) {
    // what is owed is the sum of its ages as they are shown, so that these add up in the total too
    var parts =
        measure == Measure.OWED
            ? Stream.of(Measure.values()).filter(Measure::isBucket).toList()
            : List.of(measure);
    var amounts =
        parts.stream().flatMap(part -> columns.stream().map(c -> c.sums.get(part))).toList();
    return new TogetherRow(
        measure,
        columns.stream().map(c -> MoneyView.of(c.sums.get(measure))).toList(),
        Restated.sum(amounts, into, from -> rate(from, into, ratesOn).map(Counting::rate))
            .map(MoneyView::of)
            .orElse(null));
  }
}

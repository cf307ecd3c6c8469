package org.sumbrel.server.books;

import java.time.YearMonth;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.core.money.MoneySum;
import org.sumbrel.server.api.MoneyView;
import org.sumbrel.server.api.Period;
import org.sumbrel.server.books.BooksView.CostCustomer;
import org.sumbrel.server.books.BooksView.CostItem;
import org.sumbrel.server.books.BooksView.CostLine;
import org.sumbrel.server.books.BooksView.CostMonth;
import org.sumbrel.server.books.BooksView.CostReport;
import org.sumbrel.server.books.DifferenceRows.Difference;
import org.sumbrel.server.customers.Customers;

/** What differences cost: by kind, month and customer. */
@Service
@Transactional(readOnly = true)
class Costs {

  private static final int MOST_CUSTOMERS = 20;
  private static final int MOST_ITEMS = 500;
  private static final Long NOBODY = 0L;

  private final DifferenceRows rows;
  private final Customers customers;

  Costs(DifferenceRows rows, Customers customers) {
    this.rows = rows;
    this.customers = customers;
  }

  CostReport within(Long company, CurrencyUnit currency, Period period) {
    var all = rows.between(company, currency, period.first(), period.last());
    var cost = lost(all);
    var names =
        customers.names(
            all.stream()
                .map(Difference::customerId)
                .filter(Objects::nonNull)
                .collect(Collectors.toSet()));
    var months =
        all.stream()
            .collect(
                Collectors.groupingBy(
                    d -> YearMonth.from(d.on()), TreeMap::new, Collectors.toList()));
    return new CostReport(
        period.first(),
        period.last(),
        currency.getCode(),
        MoneyView.of(sum(currency, cost)),
        byKind(currency, all),
        months.entrySet().stream()
            .map(
                e ->
                    new CostMonth(
                        e.getKey().atDay(1),
                        MoneyView.of(sum(currency, lost(e.getValue()))),
                        byKind(currency, e.getValue())))
            .toList(),
        byCustomer(currency, cost, names),
        all.stream().limit(MOST_ITEMS).map(d -> item(d, names)).toList());
  }

  private static List<Difference> lost(Collection<Difference> differences) {
    return differences.stream().filter(d -> d.kind().isCost()).toList();
  }

  /** By kind, what cost most first. */
  static List<CostLine> byKind(CurrencyUnit currency, Collection<Difference> differences) {
    return differences.stream().collect(Collectors.groupingBy(Difference::kind)).entrySet().stream()
        .map(
            e ->
                new CostLine(
                    e.getKey(), e.getValue().size(), MoneyView.of(sum(currency, e.getValue()))))
        .sorted(
            Comparator.comparing((CostLine line) -> line.amount().toMoney())
                .reversed()
                .thenComparing(CostLine::kind))
        .toList();
  }

  private static List<CostCustomer> byCustomer(
      CurrencyUnit currency, Collection<Difference> cost, Map<Long, String> names) {
    return cost.stream()
        .collect(Collectors.groupingBy(d -> d.customerId() == null ? NOBODY : d.customerId()))
        .entrySet()
        .stream()
        .map(
            e ->
                new CostCustomer(
                    e.getKey().equals(NOBODY) ? null : e.getKey(),
                    names.getOrDefault(e.getKey(), "No customer"),
                    e.getValue().size(),
                    MoneyView.of(sum(currency, e.getValue()))))
        .sorted(
            Comparator.comparing((CostCustomer c) -> c.amount().toMoney())
                .reversed()
                .thenComparing(CostCustomer::customer))
        .limit(MOST_CUSTOMERS)
        .toList();
  }

  private static CostItem item(Difference of, Map<Long, String> names) {
    return new CostItem(
        of.settlementId(),
        of.on(),
        of.kind(),
        of.customerId(),
        of.customerId() == null ? "" : names.getOrDefault(of.customerId(), ""),
        of.words(),
        MoneyView.of(of.amount()));
  }

  private static Money sum(CurrencyUnit currency, Collection<Difference> differences) {
    return MoneySum.of(currency, differences, Difference::amount);
  }
}

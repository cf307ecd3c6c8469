package org.sumbrel.server.books;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.Collection;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.core.money.MoneySum;
import org.sumbrel.core.receivables.Ageing;
import org.sumbrel.core.receivables.Customer;
import org.sumbrel.formats.ageing.AgeingSheet;
import org.sumbrel.server.api.MoneyView;
import org.sumbrel.server.books.BooksView.ClaimGroup;
import org.sumbrel.server.books.BooksView.ClaimsReport;
import org.sumbrel.server.books.BooksView.ReportItem;
import org.sumbrel.server.books.BooksView.StatementOf;
import org.sumbrel.server.books.BooksView.UnappliedMoney;
import org.sumbrel.server.books.ItemsAt.ItemAt;
import org.sumbrel.server.companies.Companies;
import org.sumbrel.server.customers.Customers;
import org.sumbrel.server.customers.OpenItemEntity.Kind;

/** What stands open on customers' accounts on a day: by age, not applied, in dispute. */
@Service
@Transactional(readOnly = true)
public class OpenMoney {

  private final ItemsAt items;
  private final Customers customers;
  private final Companies companies;

  OpenMoney(ItemsAt items, Customers customers, Companies companies) {
    this.items = items;
    this.customers = customers;
    this.companies = companies;
  }

  /**
   * What each customer owes by age, by name; those whose items cancel to nothing in every bucket
   * are left out.
   *
   * @param past whether the day is over, so that what came later does not count
   */
  AgeingSheet byCustomer(Long company, CurrencyUnit currency, LocalDate on, boolean past) {
    var byCustomer =
        items.at(company, currency, past ? on : null).stream()
            .collect(Collectors.groupingBy(ItemAt::customerId));
    var known =
        customers.some(company, byCustomer.keySet()).stream()
            .sorted(Comparator.comparing(Customer::name))
            .toList();
    var numbers = customers.numbers(byCustomer.keySet());
    var lines =
        known.stream()
            .map(
                c -> {
                  var id = Long.valueOf(c.id());
                  return new AgeingSheet.Line(
                      numbers.get(id), c.name(), Ageing.of(currency, byCustomer.get(id), on));
                })
            .filter(line -> line.ageing().amounts().values().stream().anyMatch(m -> !m.isZero()))
            .toList();
    return new AgeingSheet(companies.company(company).name(), currency, on, lines);
  }

  /** Who gets a statement, by name. What a branch owes stands with the one that pays for it. */
  List<StatementOf> statements(
      Long company, CurrencyUnit currency, LocalDate today, StatementsController.Whom whom) {
    var open = items.at(company, currency, null);
    var payers = customers.payers(company);
    var byPayer =
        open.stream()
            .collect(
                Collectors.groupingBy(i -> payers.getOrDefault(i.customerId(), i.customerId())));
    var numbers = customers.numbers(byPayer.keySet());
    return customers.some(company, byPayer.keySet()).stream()
        .sorted(Comparator.comparing(Customer::name))
        .map(
            c -> {
              var id = Long.valueOf(c.id());
              var ageing = Ageing.of(currency, byPayer.get(id), today);
              return new StatementOf(
                  id,
                  numbers.get(id),
                  c.name(),
                  MoneyView.of(ageing.total()),
                  MoneyView.of(ageing.overdue()));
            })
        .filter(
            s ->
                switch (whom) {
                  case OPEN -> true;
                  case OWING -> s.owes().toMoney().isPositive();
                  case OVERDUE -> s.overdue().toMoney().isPositive();
                })
        .toList();
  }

  /** Money on account and credit notes that are not applied, the oldest first. */
  UnappliedMoney unapplied(Long company, CurrencyUnit currency, LocalDate today) {
    var open =
        of(company, currency, i -> i.kind() == Kind.ON_ACCOUNT || i.kind() == Kind.CREDIT_NOTE);
    return new UnappliedMoney(
        currency.getCode(),
        MoneyView.of(sum(currency, open, Kind.ON_ACCOUNT).negated()),
        MoneyView.of(sum(currency, open, Kind.CREDIT_NOTE).negated()),
        views(open, today, true));
  }

  /** Claims by reason and age, and each of them, the oldest first. */
  ClaimsReport claims(Long company, CurrencyUnit currency, LocalDate today) {
    var open = of(company, currency, i -> i.kind() == Kind.CLAIM);
    var groups =
        open.stream().collect(Collectors.groupingBy(ItemAt::claimReason)).entrySet().stream()
            .map(
                e -> {
                  var ageing = Ageing.of(currency, e.getValue(), today);
                  return new ClaimGroup(
                      e.getKey(),
                      buckets(ageing),
                      e.getValue().size(),
                      MoneyView.of(ageing.total()));
                })
            .sorted(Comparator.comparing((ClaimGroup g) -> g.total().toMoney()).reversed())
            .toList();
    return new ClaimsReport(
        currency.getCode(),
        MoneyView.of(sum(currency, open, Kind.CLAIM)),
        groups,
        views(open, today, false));
  }

  /** The amounts of an ageing, as the API gives them. */
  public static Map<Ageing.Bucket, MoneyView> buckets(Ageing ageing) {
    var amounts = new EnumMap<Ageing.Bucket, MoneyView>(Ageing.Bucket.class);
    ageing.amounts().forEach((bucket, money) -> amounts.put(bucket, MoneyView.of(money)));
    return amounts;
  }

  private List<ItemAt> of(Long company, CurrencyUnit currency, Predicate<ItemAt> which) {
    return items.at(company, currency, null).stream()
        .filter(which)
        .sorted(Comparator.comparing(ItemAt::issuedOn).thenComparing(ItemAt::id))
        .toList();
  }

  private static Money sum(CurrencyUnit currency, Collection<ItemAt> items, Kind kind) {
    return MoneySum.of(
        currency, items.stream().filter(i -> i.kind() == kind).toList(), ItemAt::open);
  }

  private List<ReportItem> views(List<ItemAt> open, LocalDate today, boolean weOwe) {
    var names = customers.names(open.stream().map(ItemAt::customerId).distinct().toList());
    return open.stream()
        .map(
            i ->
                new ReportItem(
                    i.id(),
                    i.kind(),
                    i.number(),
                    i.customerId(),
                    names.getOrDefault(i.customerId(), ""),
                    i.issuedOn(),
                    Math.max(0, ChronoUnit.DAYS.between(i.issuedOn(), today)),
                    i.claimReason(),
                    MoneyView.of(weOwe ? i.open().negated() : i.open())))
        .toList();
  }
}

package org.sumbrel.server.customers;

import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.core.receivables.Ageing;
import org.sumbrel.core.receivables.CustomerStatement;
import org.sumbrel.formats.account.CustomerSheet;
import org.sumbrel.server.api.Period;
import org.sumbrel.server.companies.Companies;
import org.sumbrel.server.rates.InBooks;
import org.sumbrel.server.rates.Rates;

/** Makes customers' statements: of one, or of many in one go. */
@Service
@Transactional(readOnly = true)
public class CustomerSheets {

  private static final int MONTHS_BACK = 3;

  private final Customers customers;
  private final AccountMovements movements;
  private final Companies companies;
  private final InBooks inBooks;
  private final Clock clock;

  CustomerSheets(
      Customers customers,
      AccountMovements movements,
      Companies companies,
      InBooks inBooks,
      Clock clock) {
    this.customers = customers;
    this.movements = movements;
    this.companies = companies;
    this.inBooks = inBooks;
    this.clock = clock;
  }

  /**
   * Which statement.
   *
   * @param from the first day; three months back where it is null
   * @param until the last day; today where it is null
   * @param currency the company's where it is null
   * @param branches whether those for whom the customer pays belong to it
   * @param inBooks whether its closing balance stands in the currency of the books too, where that
   *     is another one
   * @param ratesOn at the rate of which day; of the last one where it is null
   */
  public record Which(
      LocalDate from,
      LocalDate until,
      String currency,
      boolean branches,
      boolean inBooks,
      LocalDate ratesOn) {}

  /** What a statement says, as it is sent. */
  public CustomerSheet sheet(Long id, Which which) {
    var statement = statement(id, which);
    var unit = statement.opening().getCurrencyUnit();
    var company = customers.companyOf(id);
    var customer = customers.customer(company, id);
    var open =
        (which.branches() ? customers.openOfFamily(id) : customers.openOf(id))
            .stream()
                .filter(i -> i.currency().equals(unit.getCode()))
                .map(OpenItemEntity::toItem)
                .toList();
    return new CustomerSheet(
        companies.company(company).name(),
        customer.name(),
        customer.number(),
        statement,
        Ageing.of(unit, open, LocalDate.now(clock)),
        open,
        which.inBooks() ? inBooks(id, statement, which) : Optional.empty());
  }

  private Optional<CustomerSheet.InBooks> inBooks(
      Long id, CustomerStatement statement, Which which) {
    var books = books(id);
    var unit = statement.closing().getCurrencyUnit();
    if (unit.equals(books)) {
      return Optional.empty();
    }
    var rate = inBooks.required(unit, books, rateDay(statement, which));
    return Optional.of(
        new CustomerSheet.InBooks(rate.rate().of(statement.closing()), Rates.words(rate)));
  }

  /** In which currency the books of a customer's company are. */
  CurrencyUnit books(Long id) {
    return CurrencyUnit.of(companies.company(customers.companyOf(id)).currency());
  }

  LocalDate rateDay(CustomerStatement statement, Which which) {
    return which.ratesOn() == null ? statement.until() : which.ratesOn();
  }

  /** What moved on the account. */
  CustomerStatement statement(Long id, Which which) {
    var period = Period.asked(which.from(), which.until(), LocalDate.now(clock), MONTHS_BACK);
    var company = companies.company(customers.companyOf(id));
    var unit = company.unit(which.currency());
    var family = which.branches() ? customers.family(id) : List.of(id);
    return CustomerStatement.of(unit, movements.of(family, unit), period.first(), period.last());
  }
}

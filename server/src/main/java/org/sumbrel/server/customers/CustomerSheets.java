package org.sumbrel.server.customers;

import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.core.receivables.Ageing;
import org.sumbrel.core.receivables.CustomerStatement;
import org.sumbrel.formats.account.CustomerSheet;
import org.sumbrel.server.api.Period;
import org.sumbrel.server.companies.Companies;

/** Makes customers' statements: of one, or of many in one go. */
@Service
@Transactional(readOnly = true)
public class CustomerSheets {

  private static final int MONTHS_BACK = 3;

  private final Customers customers;
  private final AccountMovements movements;
  private final Companies companies;
  private final Clock clock;

  CustomerSheets(
      Customers customers, AccountMovements movements, Companies companies, Clock clock) {
    this.customers = customers;
    this.movements = movements;
    this.companies = companies;
    this.clock = clock;
  }

  /**
   * What a statement says, as it is sent.
   *
   * @param from the first day; three months back where it is null
   * @param until the last day; today where it is null
   * @param currency the company's where it is null
   * @param branches whether those for whom the customer pays belong to it
   */
  public CustomerSheet sheet(
      Long id, LocalDate from, LocalDate until, String currency, boolean branches) {
    var statement = statement(id, from, until, currency, branches);
    var unit = statement.opening().getCurrencyUnit();
    var company = customers.companyOf(id);
    var customer = customers.customer(company, id);
    var open =
        (branches ? customers.openOfFamily(id) : customers.openOf(id))
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
        open);
  }

  /** What moved on the account; as {@link #sheet} takes it. */
  CustomerStatement statement(
      Long id, LocalDate from, LocalDate until, String currency, boolean branches) {
    var period = Period.asked(from, until, LocalDate.now(clock), MONTHS_BACK);
    var company = companies.company(customers.companyOf(id));
    var unit = company.unit(currency);
    var family = branches ? customers.family(id) : List.of(id);
    return CustomerStatement.of(unit, movements.of(family, unit), period.first(), period.last());
  }
}

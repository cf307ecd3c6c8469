package org.sumbrel.server.companies;

import java.math.BigDecimal;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.joda.money.CurrencyUnit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.server.api.Conflict;
import org.sumbrel.server.api.NotThere;
import org.sumbrel.server.companies.CompanyView.BankAccountView;
import org.sumbrel.server.companies.CompanyView.CompanyName;

/** The companies of the group. */
@Service
@Transactional(readOnly = true)
public class Companies {

  private static final Long NO_COMPANY = 0L;

  private final CompanyRepository companies;
  private final BankAccounts bankAccounts;
  private final Charts charts;
  private final TaxCodes taxCodes;
  private final Map<Long, Long> known = new ConcurrentHashMap<>();

  Companies(
      CompanyRepository companies, BankAccounts bankAccounts, Charts charts, TaxCodes taxCodes) {
    this.companies = companies;
    this.bankAccounts = bankAccounts;
    this.charts = charts;
    this.taxCodes = taxCodes;
  }

  public List<CompanyView> all() {
    return companies.findAllByOrderById().stream()
        .map(
            c ->
                new CompanyView(
                    c.id(),
                    c.name(),
                    c.currency(),
                    currenciesOf(c.id()).stream().map(CurrencyUnit::getCode).toList(),
                    bankAccounts(c.id())))
        .toList();
  }

  private List<BankAccountView> bankAccounts(Long companyId) {
    return bankAccounts.of(companyId).stream()
        .map(a -> new BankAccountView(a.id(), a.name(), a.bank(), a.number(), a.currency()))
        .toList();
  }

  /**
   * The company asked for, or the first one where none is.
   *
   * @throws NotThere where there is no such company
   */
  public CompanyEntity company(Long asked) {
    return asked == null
        ? companies.findAllByOrderById().stream()
            .findFirst()
            .orElseThrow(() -> new NotThere("company", "yet; the administrator sets one up"))
        : companies.findById(asked).orElseThrow(() -> new NotThere("company", asked));
  }

  /**
   * The id of the company asked for, or of the first one where none is; companies stay, so one that
   * was found is not looked up again.
   *
   * @throws NotThere where there is no such company
   */
  public Long idOf(Long asked) {
    return known.computeIfAbsent(asked == null ? NO_COMPANY : asked, id -> company(asked).id());
  }

  /** In which currencies something may stand: its books', its accounts' and its items'. */
  public List<CurrencyUnit> currenciesOf(Long companyId) {
    var codes = new LinkedHashSet<String>();
    bankAccounts.of(companyId).forEach(account -> codes.add(account.currency()));
    codes.add(company(companyId).currency());
    codes.addAll(companies.currenciesOfItems(companyId));
    return codes.stream().map(CurrencyUnit::of).toList();
  }

  /** All companies, in the order in which they were set up. */
  public List<Long> ids() {
    return companies.findAllByOrderById().stream().map(CompanyEntity::id).toList();
  }

  /** A company by its name. */
  public CompanyName called(Long id) {
    return new CompanyName(id, company(id).name());
  }

  /** Sets up a company with the usual chart of accounts. */
  @Transactional
  public CompanyEntity setUp(String name, CurrencyUnit currency) {
    var company = companies.save(new CompanyEntity(name, currency.getCode()));
    var others =
        companies.findAllByOrderById().stream().filter(c -> !c.id().equals(company.id())).toList();
    charts.begin(company, others);
    taxCodes.add(company.id(), "NONE", "No tax", BigDecimal.ZERO);
    return company;
  }

  /**
   * A company is called otherwise from now on, or keeps its books in another currency.
   *
   * @throws Conflict where something is booked in the currency that it has
   */
  @Transactional
  public CompanyEntity change(Long id, String name, CurrencyUnit currency) {
    var company = company(id);
    company.isCalled(Names.checked("company", name));
    charts.isCalled(company);
    if (!company.currency().equals(currency.getCode())) {
      if (companies.hasBooked(id)) {
        throw new Conflict(
            "BOOKED_ALREADY",
            "The books of "
                + company.name()
                + " are in "
                + company.currency()
                + " and have entries; set up another company for "
                + currency
                + ".");
      }
      company.keepsBooksIn(currency.getCode());
    }
    return companies.saveAndFlush(company);
  }
}

package org.sumbrel.server.companies;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.math.BigDecimal;
import java.util.Comparator;
import java.util.List;
import org.joda.money.CurrencyUnit;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.sumbrel.server.api.Currencies;

/** What a company allows, its tax codes, and the accounts a hand may book to. */
@RestController
@Tag(name = "companies")
@Transactional(readOnly = true)
class PolicyController {

  private final Companies companies;
  private final Charts charts;
  private final CompanyPolicies policies;
  private final TaxCodes taxCodes;
  private final ApplicationEventPublisher events;

  PolicyController(
      Companies companies,
      Charts charts,
      CompanyPolicies policies,
      TaxCodes taxCodes,
      ApplicationEventPublisher events) {
    this.companies = companies;
    this.charts = charts;
    this.policies = policies;
    this.taxCodes = taxCodes;
    this.events = events;
  }

  record TaxCodeView(@NotNull String code, @NotNull String name, @NotNull BigDecimal percent) {}

  record AccountView(@NotNull Long id, @NotNull String code, @NotNull String name) {}

  @GetMapping("/api/policies/{currency}")
  @Operation(summary = "What the company allows in a currency")
  PolicyView policy(@PathVariable String currency, @RequestParam(required = false) Long company) {
    return view(companies.idOf(company), Currencies.unit(currency));
  }

  /** The event comes after what was decided is written, and outside of any transaction. */
  @PutMapping("/api/policies/{currency}")
  @Transactional(propagation = Propagation.NOT_SUPPORTED)
  @Operation(summary = "Decides anew what the company allows in a currency; for the administrator")
  PolicyView decide(
      @PathVariable String currency,
      @RequestParam(required = false) Long company,
      @Valid @RequestBody PolicyView decided) {
    var owner = companies.company(company);
    var unit = Currencies.unit(currency);
    policies.decide(
        owner, unit, decided.toPolicy(unit), decided.batchesReleased(), decided.version());
    events.publishEvent(new PolicyDecided(owner.id()));
    return view(owner.id(), unit);
  }

  private PolicyView view(Long company, CurrencyUnit unit) {
    var policy = policies.of(company, unit);
    return PolicyView.of(
        policy, unit, policies.batchesReleased(company, unit), policies.version(company, unit));
  }

  @GetMapping("/api/tax-codes")
  @Operation(summary = "The taxes an amount can contain")
  List<TaxCodeView> taxCodes(@RequestParam(required = false) Long company) {
    return taxCodes.of(companies.idOf(company)).stream()
        .map(t -> new TaxCodeView(t.code(), t.name(), t.percent().stripTrailingZeros()))
        .toList();
  }

  @GetMapping("/api/ledger-accounts")
  @Operation(summary = "The accounts a hand may book to")
  List<AccountView> accounts(@RequestParam(required = false) Long company) {
    return charts.of(companies.idOf(company)).values().stream()
        .filter(a -> a.role().bookable())
        .sorted(Comparator.comparing(LedgerAccountEntity::code))
        .map(a -> new AccountView(a.id(), a.code(), a.name()))
        .toList();
  }
}

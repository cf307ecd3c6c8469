package org.sumbrel.server.companies;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.math.BigDecimal;
import java.util.Comparator;
import java.util.List;
import org.joda.money.CurrencyUnit;
import org.joda.money.IllegalCurrencyException;
import org.joda.money.Money;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.sumbrel.core.settle.Customs;
import org.sumbrel.core.settle.FeeTerms;
import org.sumbrel.core.settle.Limits;
import org.sumbrel.core.settle.Policy;
import org.sumbrel.core.settle.Tolerance;
import org.sumbrel.server.api.BadRequest;
import org.sumbrel.server.api.Conflict;
import org.sumbrel.server.api.MoneyView;

/** What a company allows, its tax codes, and the accounts a hand may book to. */
@RestController
@Tag(name = "companies")
@Transactional(readOnly = true)
class PolicyController {

  private final Companies companies;

  PolicyController(Companies companies) {
    this.companies = companies;
  }

  record LimitView(
      @NotNull @Valid @Schema(description = "the most where too little was paid") MoneyView under,
      @NotNull @Valid @Schema(description = "the most where too much was paid") MoneyView over,
      @NotNull
          @Schema(description = "in per cent of what is applied; of a refund, of what was received")
          BigDecimal percent) {

    static LimitView of(Tolerance tolerance) {
      return new LimitView(
          MoneyView.of(tolerance.under()),
          MoneyView.of(tolerance.over()),
          tolerance.percent().stripTrailingZeros());
    }

    Tolerance toTolerance() {
      return new Tolerance(under.toMoney(), over.toMoney(), percent);
    }
  }

  record LimitsView(
      @NotNull @Valid LimitView writeOff,
      @NotNull @Valid LimitView fee,
      @NotNull @Valid LimitView unearnedDiscount,
      @NotNull @Valid LimitView refund) {

    static LimitsView of(Limits limits) {
      return new LimitsView(
          LimitView.of(limits.writeOff()),
          LimitView.of(limits.fee()),
          LimitView.of(limits.unearnedDiscount()),
          LimitView.of(limits.refund()));
    }

    Limits toLimits() {
      return new Limits(
          writeOff.toTolerance(),
          fee.toTolerance(),
          unearnedDiscount.toTolerance(),
          refund.toTolerance());
    }
  }

  record PolicyView(
      @NotNull String currency,
      @NotNull int discountGraceDays,
      @NotNull @Valid LimitsView clerk,
      @NotNull @Valid LimitsView supervisor,
      @NotNull @Schema(description = "such as 18.00 or 2.9 % + 0.30") List<String> usualFees,
      @NotNull BigDecimal feeTaxPercent,
      @NotNull
          @Valid
          @Schema(description = "the smallest coin in use; zero where nothing is rounded")
          MoneyView roundingStep,
      @NotNull double clearAt,
      @NotNull double tornWithin,
      @NotNull
          @Schema(description = "as it was read; where it has changed since, the call is refused")
          long version) {}

  record TaxCodeView(@NotNull String code, @NotNull String name, @NotNull BigDecimal percent) {}

  record AccountView(@NotNull Long id, @NotNull String code, @NotNull String name) {}

  @GetMapping("/api/policies/{currency}")
  @Operation(summary = "What the company allows in a currency")
  PolicyView policy(@PathVariable String currency, @RequestParam(required = false) Long company) {
    return view(companies.idOf(company), unit(currency));
  }

  @PutMapping("/api/policies/{currency}")
  @Transactional
  @Operation(summary = "Decides anew what the company allows in a currency; for the administrator")
  PolicyView decide(
      @PathVariable String currency,
      @RequestParam(required = false) Long company,
      @Valid @RequestBody PolicyView decided) {
    var owner = companies.company(company);
    var unit = unit(currency);
    if (companies.policyVersion(owner.id(), unit) != decided.version()) {
      throw new Conflict(
          "STALE", "Somebody has changed this policy since you opened it. Look again.");
    }
    try {
      companies.decide(
          owner,
          unit,
          new Policy(
              decided.discountGraceDays(),
              decided.clerk().toLimits(),
              decided.supervisor().toLimits(),
              decided.usualFees().stream().map(f -> FeeTerms.parse(f, unit)).toList(),
              decided.feeTaxPercent(),
              inItsCurrency(decided.roundingStep().toMoney(), unit),
              Customs.STANDARD,
              decided.clearAt(),
              decided.tornWithin()));
    } catch (IllegalArgumentException e) {
      throw new BadRequest("Nothing was changed: " + e.getMessage() + ".");
    }
    return view(owner.id(), unit);
  }

  private static Money inItsCurrency(Money money, CurrencyUnit unit) {
    if (!money.getCurrencyUnit().equals(unit) || money.isNegative()) {
      throw new IllegalArgumentException(money + " is no coin of " + unit);
    }
    return money;
  }

  private PolicyView view(Long company, CurrencyUnit unit) {
    var policy = companies.policy(company, unit);
    return new PolicyView(
        unit.getCode(),
        policy.discountGraceDays(),
        LimitsView.of(policy.clerk()),
        LimitsView.of(policy.supervisor()),
        policy.usualFees().stream().map(FeeTerms::toString).toList(),
        policy.feeTaxPercent().stripTrailingZeros(),
        MoneyView.of(policy.roundingStep()),
        policy.clearAt(),
        policy.tornWithin(),
        companies.policyVersion(company, unit));
  }

  private static CurrencyUnit unit(String currency) {
    try {
      return CurrencyUnit.of(currency);
    } catch (IllegalCurrencyException e) {
      throw new BadRequest("\"" + currency + "\" is no currency.");
    }
  }

  @GetMapping("/api/tax-codes")
  @Operation(summary = "The taxes an amount can contain")
  List<TaxCodeView> taxCodes(@RequestParam(required = false) Long company) {
    return companies.taxCodes(companies.idOf(company)).stream()
        .map(t -> new TaxCodeView(t.code(), t.name(), t.percent().stripTrailingZeros()))
        .toList();
  }

  @GetMapping("/api/ledger-accounts")
  @Operation(summary = "The accounts a hand may book to")
  List<AccountView> accounts(@RequestParam(required = false) Long company) {
    return companies.chartOf(companies.idOf(company)).values().stream()
        .filter(a -> a.role().bookable())
        .sorted(Comparator.comparing(LedgerAccountEntity::code))
        .map(a -> new AccountView(a.id(), a.code(), a.name()))
        .toList();
  }
}

package org.sumbrel.server.settings;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import java.math.BigDecimal;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.sumbrel.core.journal.AccountRole;
import org.sumbrel.core.receivables.ClaimReason;
import org.sumbrel.server.api.Currencies;
import org.sumbrel.server.companies.BankAccounts;
import org.sumbrel.server.companies.Charts;
import org.sumbrel.server.companies.ClaimReasons;
import org.sumbrel.server.companies.ClaimReasons.ReasonView;
import org.sumbrel.server.companies.Companies;
import org.sumbrel.server.companies.CompanyView;
import org.sumbrel.server.companies.LedgerAccountEntity;
import org.sumbrel.server.companies.NumberKind;
import org.sumbrel.server.companies.NumberRanges;
import org.sumbrel.server.companies.TaxCodes;

/**
 * Companies, bank accounts, chart of accounts, tax codes, reasons and numbers, for the
 * administrator.
 */
@RestController
@Tag(name = "settings")
class SettingsController {

  private final Companies companies;
  private final BankAccounts bankAccounts;
  private final Charts charts;
  private final TaxCodes taxCodes;
  private final ClaimReasons reasons;
  private final NumberRanges numbers;

  SettingsController(
      Companies companies,
      BankAccounts bankAccounts,
      Charts charts,
      TaxCodes taxCodes,
      ClaimReasons reasons,
      NumberRanges numbers) {
    this.companies = companies;
    this.bankAccounts = bankAccounts;
    this.charts = charts;
    this.taxCodes = taxCodes;
    this.reasons = reasons;
    this.numbers = numbers;
  }

  record NewCompany(
      @NotBlank String name,
      @NotBlank @Schema(description = "in which its books are kept, ISO 4217") String currency) {}

  record ChangedCompany(
      @NotBlank String name,
      @NotBlank @Schema(description = "another one only while nothing is booked")
          String currency) {}

  record NewBankAccount(
      @NotBlank String name,
      @NotNull String bank,
      @NotBlank @Schema(description = "as its statements have it") String number,
      @NotBlank String currency) {}

  record ChangedBankAccount(
      @NotBlank String name,
      @NotNull String bank,
      @NotBlank String number,
      @NotBlank @Schema(description = "another one only while nothing has arrived on it")
          String currency,
      @NotNull
          @Schema(description = "of the lockbox whose cheques the bank puts there; may be empty")
          String lockbox) {}

  record BankAccountSetting(
      @NotNull Long id,
      @NotNull String name,
      @NotNull String bank,
      @NotNull String number,
      @NotNull String currency,
      @NotNull String lockbox,
      @NotNull String ledgerCode) {}

  record ChartAccount(
      @NotNull Long id, @NotNull String code, @NotNull String name, @NotNull AccountRole role) {}

  record CodeAndName(@NotBlank String code, @NotBlank String name) {}

  record TaxRate(@NotBlank String name, @NotNull BigDecimal percent) {}

  record ReasonWords(@NotBlank String words, @NotNull Boolean offered) {}

  record NumberRange(@NotNull NumberKind kind, @NotNull String prefix, @NotNull String usual) {}

  record NumberPrefix(@NotBlank String prefix) {}

  @PostMapping("/api/companies")
  @ResponseStatus(HttpStatus.CREATED)
  @Operation(summary = "Sets up a company with the usual chart of accounts")
  CompanyView addCompany(@Valid @RequestBody NewCompany call) {
    var made = companies.setUp(call.name().strip(), Currencies.unit(call.currency()));
    return view(made.id());
  }

  @PutMapping("/api/companies/{id}")
  @Operation(
      summary =
          "Calls a company otherwise, or keeps its books in another currency as long as they are empty")
  CompanyView changeCompany(@PathVariable Long id, @Valid @RequestBody ChangedCompany call) {
    companies.change(id, call.name(), Currencies.unit(call.currency()));
    return view(id);
  }

  private CompanyView view(Long id) {
    return companies.all().stream().filter(c -> c.id().equals(id)).findFirst().orElseThrow();
  }

  @GetMapping("/api/bank-accounts")
  @Operation(summary = "The accounts of a company at banks")
  List<BankAccountSetting> bankAccounts(@RequestParam(required = false) Long company) {
    var owner = companies.idOf(company);
    var chart = charts.of(owner);
    return bankAccounts.of(owner).stream()
        .map(
            a ->
                new BankAccountSetting(
                    a.id(),
                    a.name(),
                    a.bank(),
                    a.number(),
                    a.currency(),
                    a.lockbox(),
                    chart.get(a.ledgerAccountId()).code()))
        .toList();
  }

  @PostMapping("/api/bank-accounts")
  @ResponseStatus(HttpStatus.CREATED)
  @Operation(summary = "Adds an account at a bank, with an account of the ledger of its own")
  List<BankAccountSetting> addBankAccount(
      @RequestParam(required = false) Long company, @Valid @RequestBody NewBankAccount call) {
    bankAccounts.open(
        companies.idOf(company),
        call.name(),
        call.bank(),
        call.number(),
        Currencies.unit(call.currency()));
    return bankAccounts(company);
  }

  @PutMapping("/api/bank-accounts/{id}")
  @Operation(
      summary = "Changes the name, bank, number or lockbox of an account; its currency stays")
  List<BankAccountSetting> changeBankAccount(
      @PathVariable Long id, @Valid @RequestBody ChangedBankAccount call) {
    var changed =
        bankAccounts.change(
            id, call.name(), call.bank(), call.number(), Currencies.unit(call.currency()));
    bankAccounts.takesLockbox(id, call.lockbox().strip());
    return bankAccounts(changed.companyId());
  }

  @GetMapping("/api/chart")
  @Operation(summary = "The chart of accounts, by code, with the part that each has in the rules")
  List<ChartAccount> chart(@RequestParam(required = false) Long company) {
    return charts.of(companies.idOf(company)).values().stream()
        .sorted(Comparator.comparing(LedgerAccountEntity::code))
        .map(a -> new ChartAccount(a.id(), a.code(), a.name(), a.role()))
        .toList();
  }

  @PostMapping("/api/chart")
  @ResponseStatus(HttpStatus.CREATED)
  @Operation(summary = "Adds an account without a part in any rule, to be booked to by hand")
  List<ChartAccount> addAccount(
      @RequestParam(required = false) Long company, @Valid @RequestBody CodeAndName call) {
    charts.add(companies.idOf(company), call.code(), call.name());
    return chart(company);
  }

  @PutMapping("/api/chart/{id}")
  @Operation(summary = "Gives an account another code or name")
  List<ChartAccount> changeAccount(
      @PathVariable Long id,
      @RequestParam(required = false) Long company,
      @Valid @RequestBody CodeAndName call) {
    charts.rename(companies.idOf(company), id, call.code(), call.name());
    return chart(company);
  }

  @PutMapping("/api/tax-codes/{code}")
  @Operation(summary = "Adds a tax code, or gives it another name or rate")
  void taxCode(
      @PathVariable String code,
      @RequestParam(required = false) Long company,
      @Valid @RequestBody TaxRate call) {
    taxCodes.decide(companies.idOf(company), code, call.name(), call.percent());
  }

  @GetMapping("/api/claim-reasons")
  @Operation(summary = "Why something is claimed, in the company's words")
  List<ReasonView> reasons(@RequestParam(required = false) Long company) {
    return reasons.of(companies.idOf(company));
  }

  @PutMapping("/api/claim-reasons/{reason}")
  @Operation(summary = "Calls a reason otherwise, or offers it no longer")
  List<ReasonView> reason(
      @PathVariable ClaimReason reason,
      @RequestParam(required = false) Long company,
      @Valid @RequestBody ReasonWords call) {
    reasons.call(companies.idOf(company), reason, call.words(), call.offered());
    return reasons(company);
  }

  @GetMapping("/api/number-ranges")
  @Operation(summary = "How the numbers begin that the application gives")
  List<NumberRange> numberRanges(@RequestParam(required = false) Long company) {
    var owner = companies.idOf(company);
    return Stream.of(NumberKind.values())
        .map(kind -> new NumberRange(kind, numbers.prefix(owner, kind), kind.usual()))
        .toList();
  }

  @PutMapping("/api/number-ranges/{kind}")
  @Operation(summary = "Lets the numbers of a kind begin otherwise; those that were given stay")
  List<NumberRange> numberRange(
      @PathVariable NumberKind kind,
      @RequestParam(required = false) Long company,
      @Valid @RequestBody NumberPrefix call) {
    numbers.begin(companies.idOf(company), kind, call.prefix().strip());
    return numberRanges(company);
  }
}

package org.sumbrel.server.runs;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.security.Principal;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.joda.money.CurrencyUnit;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.sumbrel.core.receivables.PaidBy;
import org.sumbrel.server.access.Actor;
import org.sumbrel.server.api.MoneyView;
import org.sumbrel.server.companies.BankAccounts;
import org.sumbrel.server.companies.Companies;
import org.sumbrel.server.customers.Customers;
import org.sumbrel.server.desk.ProposalRenewal;
import org.sumbrel.server.desk.ProposalsRenewed;
import org.sumbrel.server.settle.UnattendedSettlements;

/** Posting without a hand: its rules, its days, and a day taken back as a whole. */
@RestController
@Tag(name = "runs")
class UnattendedController {

  private final UnattendedRuns unattended;
  private final UnattendedStart start;
  private final UnattendedSettlements settlements;
  private final ProposalRenewal renewal;
  private final Customers customers;
  private final Companies companies;
  private final BankAccounts bankAccounts;

  UnattendedController(
      UnattendedRuns unattended,
      UnattendedStart start,
      UnattendedSettlements settlements,
      ProposalRenewal renewal,
      Customers customers,
      Companies companies,
      BankAccounts bankAccounts) {
    this.unattended = unattended;
    this.start = start;
    this.settlements = settlements;
    this.renewal = renewal;
    this.customers = customers;
    this.companies = companies;
    this.bankAccounts = bankAccounts;
  }

  record NewRule(
      Long customerId,
      Long bankAccountId,
      PaidBy method,
      @NotNull @Valid @Schema(description = "the largest receipt that it covers") MoneyView upTo) {}

  record RuleView(
      @NotNull Long id,
      Long customerId,
      String customer,
      Long bankAccountId,
      String bankAccount,
      PaidBy method,
      @NotNull MoneyView upTo,
      @NotNull String by,
      @NotNull Instant at) {}

  record DayView(
      @NotNull LocalDate on,
      @NotNull int posted,
      @NotNull MoneyView amount,
      @NotNull @Schema(description = "how many of them stand") int standing) {}

  record KeptView(@NotNull Long settlementId, @NotNull String reason) {}

  record ReversedView(@NotNull int reversed, @NotNull List<KeptView> kept) {}

  record DayReversal(@NotBlank @Size(max = 400) String reason) {}

  @GetMapping("/api/unattended/rules")
  @Operation(summary = "What is posted without a hand: nothing, unless a rule covers it")
  List<RuleView> rules(@RequestParam(required = false) Long company) {
    var owner = companies.idOf(company);
    var all = unattended.rules(owner);
    var names =
        customers.names(
            all.stream().map(UnattendedRuleEntity::customerId).filter(Objects::nonNull).toList());
    return all.stream().map(rule -> view(rule, names)).toList();
  }

  private RuleView view(UnattendedRuleEntity rule, Map<Long, String> names) {
    return new RuleView(
        rule.id(),
        rule.customerId(),
        names.get(rule.customerId()),
        rule.bankAccountId(),
        rule.bankAccountId() == null ? null : bankAccounts.account(rule.bankAccountId()).name(),
        rule.method(),
        MoneyView.of(rule.upTo()),
        rule.madeBy(),
        rule.madeAt());
  }

  @PostMapping("/api/unattended/rules")
  @ResponseStatus(HttpStatus.CREATED)
  @Operation(
      summary =
          "From now on posts what stands clear of one customer, bank account or method, up to an amount")
  void add(
      @RequestParam(required = false) Long company,
      @Valid @RequestBody NewRule rule,
      Principal principal) {
    var owner = companies.idOf(company);
    unattended.add(
        owner,
        rule.customerId(),
        rule.bankAccountId(),
        rule.method(),
        rule.upTo().toMoney(),
        Actor.of(principal));
    start.renewed(new ProposalsRenewed(owner));
  }

  @DeleteMapping("/api/unattended/rules/{id}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @Operation(summary = "Ends a rule; what it posted stays")
  void end(@PathVariable Long id, Principal principal) {
    unattended.end(id, Actor.of(principal));
  }

  @GetMapping("/api/unattended/days")
  @Operation(summary = "The days on which something was posted without a hand, the latest first")
  List<DayView> days(@RequestParam(required = false) Long company, @RequestParam String currency) {
    return settlements.days(companies.idOf(company), CurrencyUnit.of(currency)).stream()
        .map(day -> new DayView(day.on(), day.posted(), MoneyView.of(day.amount()), day.standing()))
        .toList();
  }

  @PostMapping("/api/unattended/days/{day}/reversal")
  @Operation(
      summary =
          "Takes back all that was posted without a hand on a day; what cannot be stays, with the reason")
  ReversedView reverse(
      @PathVariable LocalDate day,
      @RequestParam(required = false) Long company,
      @RequestParam String currency,
      @Valid @RequestBody DayReversal why,
      Principal principal) {
    var owner = companies.idOf(company);
    var done =
        settlements.reverse(
            owner, CurrencyUnit.of(currency), day, why.reason().strip(), Actor.of(principal));
    renewal.after(owner);
    return new ReversedView(
        done.reversed(),
        done.kept().stream().map(k -> new KeptView(k.settlementId(), k.reason())).toList());
  }
}

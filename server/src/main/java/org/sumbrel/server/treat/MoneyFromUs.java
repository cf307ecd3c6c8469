package org.sumbrel.server.treat;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotNull;
import java.time.LocalDate;
import java.util.List;
import java.util.stream.Collectors;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.core.treat.Treatable;
import org.sumbrel.server.api.Currencies;
import org.sumbrel.server.api.MoneyView;
import org.sumbrel.server.companies.BankAccountEntity;
import org.sumbrel.server.companies.BankAccounts;

/** Money from us that nobody has explained yet. */
@Component
@Transactional(readOnly = true)
class MoneyFromUs {

  /** More are never looked at in one go: who has more begins with the oldest. */
  private static final int MOST = 300;

  private final TreatmentRules rules;
  private final Treatables treatables;
  private final BankAccounts bankAccounts;

  MoneyFromUs(TreatmentRules rules, Treatables treatables, BankAccounts bankAccounts) {
    this.rules = rules;
    this.treatables = treatables;
    this.bankAccounts = bankAccounts;
  }

  record PaidRow(
      @NotNull Long id,
      @NotNull LocalDate on,
      @NotNull String bankAccount,
      @NotNull String counterparty,
      @NotNull String text,
      @NotNull MoneyView amount,
      @NotNull @Schema(description = "the house rule that fits it; empty where none does")
          String treatment) {}

  record Listed(
      @NotNull int count,
      @NotNull MoneyView amount,
      @NotNull @Schema(description = "the oldest 300") List<PaidRow> rows) {}

  Listed list(Long company, String currency) {
    CurrencyUnit unit = Currencies.unit(currency);
    var all = treatables.moneyFromUs(company, unit);
    var names =
        bankAccounts.of(company).stream()
            .collect(Collectors.toMap(a -> a.id().toString(), BankAccountEntity::name));
    var treatments = rules.treatments(company);
    var sum = all.stream().map(Treatable::amount).reduce(Money.zero(unit), Money::plus);
    return new Listed(
        all.size(),
        MoneyView.of(sum),
        all.stream()
            .limit(MOST)
            .map(
                e ->
                    new PaidRow(
                        Long.valueOf(e.id()),
                        e.on(),
                        names.getOrDefault(e.bankAccountId(), ""),
                        e.counterparty(),
                        e.text(),
                        MoneyView.of(e.amount()),
                        treatments.of(e, "").map(v -> v.treatment().name()).orElse("")))
            .toList());
  }
}

package org.sumbrel.server.books;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotNull;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import org.sumbrel.core.journal.AccountRole;
import org.sumbrel.core.receivables.Ageing;
import org.sumbrel.core.receivables.ClaimReason;
import org.sumbrel.server.api.MoneyView;
import org.sumbrel.server.customers.OpenItemEntity.Kind;

/** What the books say, as the API gives it. */
final class BooksView {

  private BooksView() {}

  record AgreementLine(
      Long customerId,
      String customer,
      @NotNull AccountRole role,
      @NotNull String account,
      @NotNull @Schema(description = "the ledger account's id") Long accountId,
      @NotNull @Schema(description = "Σ open balances of the items") MoneyView items,
      @NotNull @Schema(description = "what the journal has; debit positive") MoneyView books,
      @NotNull MoneyView difference) {}

  record AgreementView(
      LocalDate on,
      @NotNull String currency,
      @NotNull boolean agrees,
      @NotNull long customers,
      @NotNull @Schema(description = "each control account as a whole") List<AgreementLine> totals,
      @NotNull @Schema(description = "the customers of whom both differ")
          List<AgreementLine> apart) {}

  record AgedLine(
      @NotNull Long customerId,
      @NotNull String number,
      @NotNull String customer,
      @NotNull Map<Ageing.Bucket, MoneyView> amounts,
      @NotNull MoneyView total) {}

  record AgeingReport(
      @NotNull LocalDate on,
      @NotNull String currency,
      @NotNull List<AgedLine> lines,
      @NotNull Map<Ageing.Bucket, MoneyView> amounts,
      @NotNull MoneyView total,
      @Schema(description = "null where it is in the currency of the books")
          RestatedAgeing inBooks) {}

  /** The totals of an ageing in the currency of the books. */
  record RestatedAgeing(
      @NotNull @Schema(description = "the currency of the books") String currency,
      @NotNull @Schema(description = "the day whose rate it is") LocalDate ratesOn,
      @NotNull @Schema(description = "how the rate came about; empty where none counts")
          String words,
      @Schema(description = "each at the rate, rounded half-even; null where none counts")
          Map<Ageing.Bucket, MoneyView> amounts,
      @Schema(description = "what these come to; null where no rate counts") MoneyView total) {}

  record ReportItem(
      @NotNull Long itemId,
      @NotNull Kind kind,
      @NotNull String number,
      @NotNull Long customerId,
      @NotNull String customer,
      @NotNull LocalDate on,
      @NotNull @Schema(description = "days since then") long age,
      ClaimReason reason,
      @NotNull MoneyView open) {}

  record UnappliedMoney(
      @NotNull String currency,
      @NotNull MoneyView onAccount,
      @NotNull MoneyView creditNotes,
      @NotNull @Schema(description = "oldest first; what we owe is positive")
          List<ReportItem> items) {}

  record ClaimGroup(
      @NotNull ClaimReason reason,
      @NotNull @Schema(description = "by days since it was raised")
          Map<Ageing.Bucket, MoneyView> amounts,
      @NotNull long count,
      @NotNull MoneyView total) {}

  record ClaimsReport(
      @NotNull String currency,
      @NotNull MoneyView total,
      @NotNull List<ClaimGroup> groups,
      @NotNull @Schema(description = "oldest first") List<ReportItem> items) {}

  record CostLine(
      @NotNull DifferenceKind kind,
      @NotNull long count,
      @NotNull @Schema(description = "what it kept from us; negative where it was in our favour")
          MoneyView amount) {}

  record CostMonth(
      @NotNull @Schema(description = "the first of the month") LocalDate month,
      @NotNull @Schema(description = "what was lost; claims are still wanted") MoneyView total,
      @NotNull List<CostLine> lines) {}

  record CostCustomer(
      Long customerId, @NotNull String customer, @NotNull long count, @NotNull MoneyView amount) {}

  record CostItem(
      @NotNull Long settlementId,
      @NotNull LocalDate on,
      @NotNull DifferenceKind kind,
      Long customerId,
      @NotNull String customer,
      @NotNull String words,
      @NotNull MoneyView amount) {}

  record CostReport(
      @NotNull LocalDate from,
      @NotNull LocalDate until,
      @NotNull String currency,
      @NotNull MoneyView total,
      @NotNull List<CostLine> kinds,
      @NotNull List<CostMonth> months,
      @NotNull @Schema(description = "those who cost most, at most 20")
          List<CostCustomer> customers,
      @NotNull @Schema(description = "latest first, at most 500") List<CostItem> items) {}

  record StatementOf(
      @NotNull Long customerId,
      @NotNull String number,
      @NotNull String customer,
      @NotNull MoneyView owes,
      @NotNull MoneyView overdue) {}
}

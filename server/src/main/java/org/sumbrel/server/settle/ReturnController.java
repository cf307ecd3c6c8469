package org.sumbrel.server.settle;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.security.Principal;
import java.time.LocalDate;
import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.sumbrel.core.settle.ReturnedReceipt.Debit;
import org.sumbrel.server.access.Actor;
import org.sumbrel.server.api.MoneyView;
import org.sumbrel.server.desk.Entries;
import org.sumbrel.server.desk.ProposalRenewal;

/** Receipts that the bank took back. */
@RestController
@Tag(name = "settle")
class ReturnController {

  private final Returns returns;
  private final Entries entries;
  private final ProposalRenewal renewal;

  ReturnController(Returns returns, Entries entries, ProposalRenewal renewal) {
    this.returns = returns;
    this.entries = entries;
    this.renewal = renewal;
  }

  record DebitView(
      @NotNull Long id,
      @NotNull LocalDate bookedOn,
      @NotNull MoneyView amount,
      @NotNull String text) {
    static DebitView of(Debit debit) {
      return new DebitView(
          debit.key(), debit.bookedOn(), MoneyView.of(debit.amount()), debit.told().strip());
    }
  }

  record OwnerView(@NotNull Long customerId, @NotNull String name) {}

  record TakenBackView(
      @NotNull Long entryId,
      @NotNull String payer,
      @NotNull LocalDate receivedOn,
      @NotNull MoneyView amount,
      @NotNull @Schema(description = "of the cheque; empty where it was none") String checkNumber,
      @NotNull @Schema(description = "who owed what it had paid") List<OwnerView> owners) {}

  record Return(
      @NotNull @Schema(description = "the debit by which the bank took it back") Long debitId,
      @Schema(description = "the debit of the fee, where the bank booked one of its own")
          Long feeDebitId,
      @Schema(description = "the customer who owes the fee; null where we bear it")
          Long chargeFeeTo,
      @Schema(description = "whether a cheque that was banked is in the pouch again")
          Boolean backInPouch,
      @NotBlank @Size(max = 400) String reason) {}

  record ReturnMade(
      @NotNull MoneyView received,
      @NotNull MoneyView fee,
      @Schema(description = "the item by which the customer owes the fee") Long feeItemId,
      @Schema(description = "what was reversed; null where the receipt still waited")
          Long settlementId) {}

  @GetMapping("/api/entries/{id}/return-candidates")
  @Operation(
      summary =
          "Debits that may be the return of a receipt, likeliest first; with debit those that may be its fee")
  List<DebitView> candidates(@PathVariable Long id, @RequestParam(required = false) Long debit) {
    var found = debit == null ? returns.candidates(id) : returns.fees(debit);
    return found.stream().map(DebitView::of).toList();
  }

  @GetMapping("/api/entries/{id}/taken-back")
  @Operation(
      summary =
          "Receipts that this debit may have taken back, found by number and amount, likeliest first")
  List<TakenBackView> takenBack(@PathVariable Long id) {
    return returns.takenBackBy(id).stream()
        .map(
            taken -> {
              var receipt = taken.receipt();
              var entryId = Long.valueOf(receipt.id());
              return new TakenBackView(
                  entryId,
                  entries.entry(entryId).payerWords(),
                  receipt.receivedOn(),
                  MoneyView.of(receipt.amount()),
                  taken.checkNumber(),
                  returns.owners(entryId).entrySet().stream()
                      .map(o -> new OwnerView(o.getKey(), o.getValue()))
                      .toList());
            })
        .toList();
  }

  @GetMapping("/api/entries/{id}/return-cost")
  @Operation(summary = "What a return by this debit, and this debit of its fee, would cost")
  MoneyView cost(
      @PathVariable Long id,
      @RequestParam Long debit,
      @RequestParam(required = false) Long feeDebit) {
    return MoneyView.of(returns.cost(id, debit, feeDebit));
  }

  @PostMapping("/api/entries/{id}/return")
  @Operation(
      summary =
          "Notes that the bank took a receipt back: its settlement is reversed, the fee charged on or borne")
  ReturnMade take(@PathVariable Long id, @Valid @RequestBody Return call, Principal principal) {
    var made =
        returns.take(
            id,
            call.debitId(),
            call.feeDebitId(),
            call.chargeFeeTo(),
            Boolean.TRUE.equals(call.backInPouch()),
            call.reason().strip(),
            Actor.of(principal));
    var entry = entries.entry(id);
    renewal.after(entry.companyId());
    return new ReturnMade(
        MoneyView.of(entry.amount()),
        MoneyView.of(made.fee()),
        made.feeItemId(),
        made.settlementId());
  }
}

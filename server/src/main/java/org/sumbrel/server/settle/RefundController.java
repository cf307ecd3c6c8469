package org.sumbrel.server.settle;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.security.Principal;
import java.time.LocalDate;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.sumbrel.server.access.Actor;
import org.sumbrel.server.api.MoneyView;
import org.sumbrel.server.customers.Customers;
import org.sumbrel.server.customers.OpenItemEntity;
import org.sumbrel.server.desk.BankEntryEntity;
import org.sumbrel.server.desk.Entries;
import org.sumbrel.server.desk.ProposalRenewal;

/** Refunds to customers: sent, and shown by the bank. */
@RestController
@Tag(name = "settle")
class RefundController {

  private static final int MOST = 10;

  private final RefundsSent refunds;
  private final SettlementReader reader;
  private final Entries entries;
  private final Customers customers;
  private final ProposalRenewal renewal;

  RefundController(
      RefundsSent refunds,
      SettlementReader reader,
      Entries entries,
      Customers customers,
      ProposalRenewal renewal) {
    this.refunds = refunds;
    this.reader = reader;
    this.entries = entries;
    this.customers = customers;
    this.renewal = renewal;
  }

  record SendRefund(
      @NotNull Long bankAccountId,
      @NotEmpty
          @Size(max = 200)
          @Valid
          @Schema(
              description = "credit notes, money on account, refunds promised; amounts negative")
          List<PostSettlement.AppliedItem> items,
      @Size(max = 200) @Schema(description = "such as the number of a cheque") String words) {}

  record SentRefund(
      @NotNull Long settlementId,
      @NotNull String customer,
      @NotNull LocalDate on,
      @NotNull MoneyView amount) {}

  record OwedItem(
      @NotNull Long itemId,
      @NotNull String number,
      @NotNull Long customerId,
      @NotNull String customer,
      @NotNull MoneyView open,
      @NotNull long itemVersion) {}

  record RefundWays(
      @NotNull @Schema(description = "refunds of this amount that were sent and not shown yet")
          List<SentRefund> sent,
      @NotNull @Schema(description = "what is owed to customers of just this amount")
          List<OwedItem> owed) {}

  record Shown(@NotNull Long entryId) {}

  @PostMapping("/api/refunds")
  @ResponseStatus(HttpStatus.CREATED)
  @Operation(
      summary =
          "Notes that what is owed to a customer was sent to him; it is outstanding until the bank shows it")
  SettlementView send(@Valid @RequestBody SendRefund call, Principal principal) {
    var words = call.words() == null ? "" : call.words().strip();
    var id = refunds.send(call.bankAccountId(), call.items(), words, Actor.of(principal));
    renewal.after(reader.companyOf(id));
    return reader.one(id);
  }

  @GetMapping("/api/entries/{id}/refunds")
  @Operation(summary = "Refunds that money from us may be: sent before, or still owed")
  RefundWays ways(@PathVariable Long id) {
    var entry = entries.entry(id);
    if (entry.status() != BankEntryEntity.Status.DEBIT) {
      return new RefundWays(List.of(), List.of());
    }
    var sent = refunds.outstanding(entry);
    var owed = refunds.owed(entry, MOST);
    var names =
        customers.names(
            Stream.concat(
                    sent.stream().map(RefundsSent.Sent::customerId),
                    owed.stream().map(OpenItemEntity::customerId))
                .collect(Collectors.toSet()));
    return new RefundWays(
        sent.stream()
            .map(
                s ->
                    new SentRefund(
                        s.settlementId(),
                        names.get(s.customerId()),
                        s.on(),
                        MoneyView.of(s.amount())))
            .toList(),
        owed.stream()
            .map(
                i ->
                    new OwedItem(
                        i.id(),
                        i.number(),
                        i.customerId(),
                        names.get(i.customerId()),
                        MoneyView.of(i.open()),
                        i.version()))
            .toList());
  }

  @PostMapping("/api/refunds/{settlementId}/shown")
  @Operation(summary = "The bank has booked a refund that was sent")
  SettlementView shown(@PathVariable Long settlementId, @Valid @RequestBody Shown call) {
    refunds.shown(settlementId, call.entryId());
    renewal.after(reader.companyOf(settlementId));
    return reader.one(settlementId);
  }
}

package org.sumbrel.server.settle;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import org.sumbrel.core.receivables.ClaimReason;
import org.sumbrel.core.settle.Draft;
import org.sumbrel.server.api.AdjustmentKind;
import org.sumbrel.server.api.MoneyView;
import org.sumbrel.server.payers.Remember;

/**
 * A draft as it is sent: what a bank entry pays, what explains the difference, what stays on
 * account. Without an entry it sets what stands on a customer's account against each other.
 */
public record PostSettlement(
    @Schema(description = "the bank entry it explains; null where no money came") Long entryId,
    @Schema(
            description =
                "the entry's version when it was looked at; where given and changed, the call is refused")
        Long entryVersion,
    @Schema(description = "the customer whose account it is about, where there is no entry")
        Long accountOf,
    @NotNull @Valid @Size(max = 2000) List<AppliedItem> applications,
    @NotNull @Valid @Size(max = 50) List<Difference> adjustments,
    @Valid MoneyView onAccount,
    @Valid
        @Size(max = 20)
        @Schema(
            description =
                "how much of the receipt counts in each other currency and for each other company; left out, or without an amount, it counts at the bank's own figures or at the rate of its day")
        List<Counts> exchanges,
    @Schema(description = "on whose account it is kept, and to whom a refund is promised")
        Long onAccountCustomerId,
    @Schema(
            description =
                "the order for which what stays on account is a prepayment; null where it is for none")
        @Size(max = 60)
        String onAccountFor,
    @Schema(
            description =
                "the rank of the explanation that was taken as it stood; null where made by hand")
        Integer explanation,
    @Schema(
            description =
                "why money goes to an account although open items or earlier settlements speak against it")
        @Size(max = 400)
        String despite,
    @Schema(
            description =
                "what of the payer is remembered for the one customer whose items it pays; null for nothing")
        Remember remember) {

  /** A draft of an entry as it begins. */
  static PostSettlement of(
      Long entryId, List<AppliedItem> applications, List<Difference> adjustments) {
    return new PostSettlement(
        entryId, null, null, applications, adjustments, null, null, null, null, null, null, null);
  }

  /** A draft of the core as it would be sent. */
  static PostSettlement of(Draft draft, Long entryId, Long accountOf) {
    return new PostSettlement(
        entryId,
        null,
        accountOf,
        draft.applications().stream()
            .map(
                a ->
                    new AppliedItem(
                        Long.valueOf(a.item().id()),
                        MoneyView.of(a.amount()),
                        MoneyView.of(a.discount()),
                        null))
            .toList(),
        draft.adjustments().stream().map(Differences::toSend).toList(),
        MoneyView.of(draft.onAccount()),
        counts(draft),
        draft.onAccountCustomer().map(Long::valueOf).orElse(null),
        null,
        null,
        null,
        null);
  }

  /** What counts elsewhere, as it would be sent. */
  static List<Counts> counts(Draft draft) {
    return draft.exchanges().stream()
        .map(
            e ->
                new Counts(
                    e.currency().getCode(),
                    MoneyView.of(e.given()),
                    e.companyId().equals(draft.receipt().companyId())
                        ? null
                        : Long.valueOf(e.companyId())))
        .toList();
  }

  /** The same with some of its items and differences only. */
  PostSettlement with(List<AppliedItem> applications, List<Difference> adjustments) {
    return new PostSettlement(
        entryId,
        entryVersion,
        accountOf,
        applications,
        adjustments,
        onAccount,
        exchanges,
        onAccountCustomerId,
        onAccountFor,
        explanation,
        despite,
        remember);
  }

  /** For which order money on account is a prepayment; empty where it is for none. */
  String prepaid() {
    return onAccountFor == null ? "" : onAccountFor.strip();
  }

  /** What of a receipt counts elsewhere: what is settled there decides for how much. */
  public record Counts(
      @NotNull @Schema(description = "the currency of what it settles", example = "USD")
          String currency,
      @Valid
          @Schema(
              description =
                  "how much of the receipt, in its currency; null for as much as the rate says")
          MoneyView given,
      @Schema(description = "for which company of the group; null for the receipt's own")
          Long companyId) {}

  /** A part set against an item. */
  public record AppliedItem(
      @NotNull Long itemId,
      @NotNull
          @Valid
          @Schema(
              description =
                  "what the balance falls by; negative on credit notes and money on account")
          MoneyView amount,
      @Valid @Schema(description = "the early-payment discount contained in it") MoneyView discount,
      @Schema(
              description =
                  "the item's version when it was looked at; where given and changed, the call is refused")
          Long itemVersion) {}

  /** What explains a difference. */
  public record Difference(
      @NotNull AdjustmentKind kind,
      @NotNull
          @Valid
          @Schema(
              description =
                  "what it keeps from us; negative where it is to our favour, so refunds and income booked to an account")
          MoneyView amount,
      @Valid
          @Schema(
              description =
                  "the tax contained in a fee or in money to an account; for a fee the policy's where neither this nor a tax code is given")
          MoneyView tax,
      @Schema(description = "reckons the tax instead") @Size(max = 20) String taxCode,
      @Schema(description = "who owes a claim or gets a refund") Long customerId,
      @Schema(description = "the account that money goes to") Long accountId,
      @Schema(description = "why a claim is made") ClaimReason reason,
      @Size(max = 400) String text,
      @Schema(
              description =
                  "which company of the group bears it; null for the one that received the money")
          Long companyId) {

    static Difference of(AdjustmentKind kind, MoneyView amount) {
      return proposed(kind, amount, null, null);
    }

    /** As an explanation has it; customer and reason are those of a claim. */
    static Difference proposed(
        AdjustmentKind kind, MoneyView amount, Long customerId, ClaimReason reason) {
      return new Difference(kind, amount, null, null, customerId, null, reason, null, null);
    }
  }
}

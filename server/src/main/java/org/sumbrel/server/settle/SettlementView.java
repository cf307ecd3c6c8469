package org.sumbrel.server.settle;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotNull;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import org.sumbrel.core.exchange.RateUsed;
import org.sumbrel.core.receivables.ClaimReason;
import org.sumbrel.server.api.AdjustmentKind;
import org.sumbrel.server.api.MoneyView;
import org.sumbrel.server.companies.CompanyView.CompanyName;
import org.sumbrel.server.journal.JournalController.LineView;
import org.sumbrel.server.settle.ChequeOrigins.ChequeOrigin;

/**
 * A posted settlement as it is shown to somebody: of what it settles and writes, that of the
 * companies in which he works.
 */
public record SettlementView(
    @NotNull Long id,
    @NotNull SettlementEntity.Status status,
    @NotNull SettlementEntity.Origin origin,
    @Schema(description = "null where no money came") Long entryId,
    String draftedBy,
    @NotNull LocalDate receivedOn,
    @NotNull String payer,
    @NotNull MoneyView received,
    @NotNull List<Applied> applications,
    @NotNull List<Adjusted> adjustments,
    @NotNull
        @Schema(
            description =
                "the rates kept with it: what counts in other currencies, and at which the books value what came")
        List<SettledRate> rates,
    @NotNull MoneyView onAccount,
    String onAccountCustomer,
    @NotNull LocalDate postedOn,
    @NotNull Instant postedAt,
    @NotNull String postedBy,
    @Schema(
            description =
                "null where one does not work in the company that received it, and sees of it only what is settled elsewhere")
        Long journalEntryId,
    @Schema(
            description =
                "the company that received it where one does not work there; null where one does")
        CompanyName receivedBy,
    @Schema(description = "what it wrote; null in lists, where the journal entry has it")
        List<LineView> lines,
    @NotNull @Schema(description = "the entries it wrote into the journals of other companies")
        List<WrittenFor> elsewhere,
    Reversal reversal,
    @Schema(description = "the reversed settlement in whose place it stands") Long replaces,
    @Schema(description = "the settlement that stands in its place") Long replacedBy,
    @Schema(description = "where the bank took the money back") ReturnView returned,
    @Schema(description = "the cheque of a lockbox batch that it settles; null where it is none")
        ChequeOrigin cheque,
    @Schema(description = "the payout that it is what is booked of; null where it is none")
        Long payoutId,
    @Schema(description = "the house rule that it follows; null where it follows none")
        String treatment,
    @Schema(
            description =
                "the number that the two sides of a transfer share, or the two halves of what the bank put right")
        Long transferId,
    @Schema(
            description =
                "the account on which the other side of a transfer is; null for what the bank put right")
        String transferWith,
    @Schema(description = "the account from which a refund was sent before the bank showed it")
        String sentFrom,
    @Schema(description = "the entry by which the bank has shown that") Long shownBy) {

  SettlementView with(List<LineView> written, List<WrittenFor> elsewhere) {
    return new SettlementView(
        id,
        status,
        origin,
        entryId,
        draftedBy,
        receivedOn,
        payer,
        received,
        applications,
        adjustments,
        rates,
        onAccount,
        onAccountCustomer,
        postedOn,
        postedAt,
        postedBy,
        journalEntryId,
        receivedBy,
        written,
        elsewhere,
        reversal,
        replaces,
        replacedBy,
        returned,
        cheque,
        payoutId,
        treatment,
        transferId,
        transferWith,
        sentFrom,
        shownBy);
  }

  /** A part set against an item. */
  public record Applied(
      @NotNull Long itemId,
      @NotNull String number,
      @NotNull Long customerId,
      @NotNull String customerName,
      @NotNull MoneyView amount,
      @NotNull MoneyView discount,
      @Schema(description = "the company whose item it is; null for that of the receipt")
          CompanyName company) {}

  /** What it wrote into the journal of another company. */
  public record WrittenFor(
      @NotNull CompanyName company,
      @Schema(description = "null where one does not work in it") Long journalEntryId,
      @Schema(description = "null in lists") List<LineView> lines) {}

  /** A rate that is kept. */
  public record SettledRate(
      @Schema(description = "what of the receipt counts elsewhere; null for the rate of the books")
          MoneyView given,
      @Schema(description = "what it counts for; null for the rate of the books") MoneyView counted,
      @NotNull String from,
      @NotNull String to,
      @Schema(description = "units of to for one of from; null where both are the same")
          String rate,
      @Schema(description = "null where there is no rate") RateUsed.Source source,
      @NotNull @Schema(description = "how it came about") String words,
      @Schema(description = "the company in whose books; null for that of the receipt")
          CompanyName company) {}

  /** What explained a difference. */
  public record Adjusted(
      @NotNull AdjustmentKind kind,
      @NotNull MoneyView amount,
      ClaimReason reason,
      @NotNull String text,
      @Schema(description = "the company whose difference it is; null for that of the receipt")
          CompanyName company) {}

  /** Who took it back, when and why. */
  public record Reversal(@NotNull String by, @NotNull Instant at, @NotNull String reason) {}

  /** How the bank took the money back, and who bears what it cost. */
  public record ReturnView(
      @NotNull Long debitId,
      @NotNull LocalDate on,
      @NotNull MoneyView fee,
      @Schema(description = "the item by which the customer owes the fee; null where we bear it")
          Long feeItemId,
      @NotNull String by,
      @NotNull String reason) {}
}

package org.sumbrel.server.pouch;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.sumbrel.core.deposit.DepositLine;
import org.sumbrel.server.api.BadRequest;
import org.sumbrel.server.api.MoneyView;

/** A deposit as somebody makes it. */
record MakeDeposit(
    @NotNull Long bankAccountId,
    @NotNull @Schema(description = "the day it is taken to the bank") LocalDate on,
    @Schema(description = "the number of the slip; the deposit's own where empty") @Size(max = 40)
        String slip,
    @NotNull @Size(max = 2000) List<Long> receiptIds,
    @NotNull @Valid @Size(max = 50) List<LineSent> lines,
    @NotNull
        @Valid
        @Size(max = 40)
        @Schema(description = "the cash, counted; empty where it is not")
        List<Counted> counted,
    @Valid @Schema(description = "the total of the paper slip, against which it is held")
        MoneyView slipTotal,
    @Schema(description = "the version of a deposit that was opened again") Long version) {

  /** A line beside the receipts. */
  record LineSent(
      @NotNull DepositLine.Kind kind,
      @NotNull
          @Valid
          @Schema(description = "what it adds to the deposit; negative for what is kept back")
          MoneyView amount,
      @Schema(description = "the account of TO_ACCOUNT") Long ledgerAccountId,
      @Size(max = 200) String words) {

    DepositLine toLine() {
      try {
        return new DepositLine(
            kind,
            amount.toMoney(),
            Optional.ofNullable(ledgerAccountId).map(Object::toString),
            words == null ? "" : words.strip());
      } catch (IllegalArgumentException e) {
        throw new BadRequest("A line of " + amount.amount() + " cannot be " + kind + ".");
      }
    }
  }

  /** How many pieces of a note or coin there are. */
  record Counted(@NotNull @Valid MoneyView piece, @Min(0) int pieces) {}
}

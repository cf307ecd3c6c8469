package org.sumbrel.server.pouch;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.List;
import org.sumbrel.core.receivables.PaidBy;
import org.sumbrel.server.api.MoneyView;

/** What was sold on the spot, as somebody types it from the report of a till. */
record RecordTakings(
    @NotNull LocalDate on,
    @NotBlank @Size(max = 100) @Schema(description = "the till, or what was sold") String name,
    @NotNull @Valid @NotEmpty @Size(max = 20) List<SaleSent> sales,
    @Schema(description = "the cash that there should be by the till; what was counted where empty")
        @Valid
        MoneyView tillCash,
    @NotNull @Valid @NotEmpty @Size(max = 200) List<PaidSent> paid) {

  record SaleSent(
      @NotNull @Valid @Schema(description = "tax included") MoneyView amount,
      @Valid @Schema(description = "the tax contained in it; none where it and the code are empty")
          MoneyView tax,
      @Size(max = 20) @Schema(description = "reckons the tax where none is given") String taxCode,
      @Schema(description = "the ledger account; that of sales where empty") Long accountId) {}

  record PaidSent(
      @NotNull PaidBy method,
      @NotNull @Valid @Schema(description = "cash as it was counted") MoneyView amount,
      @Size(max = 64) @Schema(description = "a cheque's number, a card batch") String reference,
      @Size(max = 300) @Schema(description = "whose cheque it is") String from) {}
}

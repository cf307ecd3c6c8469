package org.sumbrel.server.pouch;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.List;
import org.sumbrel.core.receivables.PaidBy;
import org.sumbrel.server.api.MoneyView;

/** A receipt as somebody records it. */
record RecordReceipt(
    @NotNull PaidBy method,
    @NotNull LocalDate receivedOn,
    @NotNull @Valid MoneyView amount,
    @Schema(description = "who paid, as it stands on the receipt; the customer's name where empty")
        @Size(max = 300)
        String from,
    Long customerId,
    @Schema(description = "a cheque's number, a card batch") @Size(max = 64) String reference,
    @Schema(description = "what it is for, word for word") @Size(max = 1000) String text,
    @Schema(description = "nine digits of a cheque's code line") @Size(max = 9) String routing,
    @Schema(description = "the account of a cheque's code line") @Size(max = 64)
        String drawerAccount,
    @Schema(description = "the date of a post-dated cheque") LocalDate heldUntil,
    @Schema(description = "the picture that a scanner took of it") Long pictureId,
    @Schema(description = "what it pays in full, where it was said; else it waits on the desk")
        @Size(max = 500)
        List<Long> itemIds,
    @Schema(description = "that it is another one although one like it is recorded")
        Boolean again) {}

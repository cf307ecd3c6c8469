package org.sumbrel.server.settle;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import org.sumbrel.server.api.AdjustmentKind;
import org.sumbrel.server.api.MoneyView;

/**
 * A draft as it is sent: what a bank entry pays, what explains the difference, what stays on
 * account.
 */
public record PostSettlement(
    @NotNull Long entryId,
    @Schema(
            description =
                "the entry's version when it was looked at; where given and changed, the call is refused")
        Long entryVersion,
    @NotNull @Valid @Size(max = 2000) List<AppliedItem> applications,
    @NotNull @Valid @Size(max = 20) List<Difference> adjustments,
    @Valid MoneyView onAccount,
    @Schema(description = "on whose account it is kept") Long onAccountCustomerId,
    @Schema(
            description =
                "the rank of the explanation that was taken as it stood; null where made by hand")
        Integer explanation) {

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
  public record Difference(@NotNull AdjustmentKind kind, @NotNull @Valid MoneyView amount) {}
}

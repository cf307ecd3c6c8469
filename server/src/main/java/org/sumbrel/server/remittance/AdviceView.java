package org.sumbrel.server.remittance;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotNull;
import java.time.LocalDate;
import java.util.List;
import org.sumbrel.core.receivables.RemittanceItem;
import org.sumbrel.server.api.MoneyView;

/** A remittance advice as the API tells it. */
public record AdviceView(
    @NotNull Long id,
    @NotNull Long intakeId,
    @NotNull String trace,
    @Schema(description = "the day of the payment; missing where the advice says none")
        LocalDate paidOn,
    @NotNull String payerName,
    @NotNull @Schema(description = "the payment, as the payer claims it") MoneyView total,
    @NotNull @Schema(description = "what its items come to") MoneyView sum,
    @NotNull @Schema(description = "the payment less its items; zero where they agree")
        MoneyView unlisted,
    @NotNull List<Item> items,
    TiedBy tiedBy) {

  /** One line of it. */
  public record Item(
      @NotNull String reference,
      @NotNull MoneyView amount,
      @NotNull MoneyView discount,
      @NotNull MoneyView adjustment,
      @NotNull String reason) {

    static Item of(RemittanceItem item) {
      return new Item(
          item.reference(),
          MoneyView.of(item.amount()),
          MoneyView.of(item.discount()),
          MoneyView.of(item.adjustment()),
          item.reason());
    }
  }

  public static AdviceView of(Advices.Kept kept) {
    var advice = kept.advice();
    return new AdviceView(
        kept.id(),
        kept.intakeId(),
        advice.trace(),
        advice.date().orElse(null),
        advice.payerName(),
        MoneyView.of(advice.total()),
        MoneyView.of(advice.sum()),
        MoneyView.of(advice.total().minus(advice.sum())),
        advice.items().stream().map(Item::of).toList(),
        kept.tiedBy());
  }
}

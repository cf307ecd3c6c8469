package org.sumbrel.server.payouts;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotNull;
import java.math.BigDecimal;
import java.util.Optional;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.core.exchange.Rate;
import org.sumbrel.core.payout.Conversion;
import org.sumbrel.server.api.BadRequest;
import org.sumbrel.server.api.MoneyView;

/** What a processor changed of a statement from one currency into another, and what that cost. */
@Service
@Transactional(readOnly = true)
class PayoutExchange {

  private final PayoutRepository payouts;
  private final PayoutItems items;

  PayoutExchange(PayoutRepository payouts, PayoutItems items) {
    this.payouts = payouts;
    this.items = items;
  }

  record ExchangeView(
      @NotNull MoneyView given,
      @NotNull MoneyView got,
      @NotNull @Schema(description = "what one unit of what was given brought, to six decimals")
          BigDecimal perUnit,
      @Schema(
              description =
                  "what came in less what was given at the rate asked about: positive for a gain, negative for a loss; null without a rate")
          MoneyView difference) {}

  /**
   * What was changed of the statement that a payout is a part of; empty where nothing was.
   *
   * @param rate units of what was got for one of what was given, as the sales count in the books;
   *     null where nobody asks about one
   */
  Optional<ExchangeView> of(PayoutEntity payout, BigDecimal rate) {
    if (payout.number().isEmpty()) {
      return Optional.empty();
    }
    var parts =
        payouts.findByProcessorIdAndNumber(payout.processorId(), payout.number()).stream()
            .map(p -> p.toPayout("", items.of(p.id()).stream().map(PayoutItemRow::item).toList()))
            .toList();
    return Conversion.within(parts)
        .map(
            changed ->
                new ExchangeView(
                    MoneyView.of(changed.given()),
                    MoneyView.of(changed.got()),
                    changed.rate().perUnit(),
                    rate == null ? null : difference(changed, rate)));
  }

  private static MoneyView difference(Conversion changed, BigDecimal rate) {
    if (rate.signum() <= 0 || rate.precision() > 12 || rate.scale() > 8) {
      throw new BadRequest(
          "A rate is above 0, with at most 12 figures and 8 decimals; "
              + rate.toPlainString()
              + " is not.");
    }
    var booked = new Rate(changed.given().getCurrencyUnit(), changed.got().getCurrencyUnit(), rate);
    return MoneyView.of(booked.realisedOn(changed.given(), changed.got()));
  }
}

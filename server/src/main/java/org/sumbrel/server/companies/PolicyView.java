package org.sumbrel.server.companies;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.math.BigDecimal;
import java.util.List;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.sumbrel.core.settle.Customs;
import org.sumbrel.core.settle.FeeTerms;
import org.sumbrel.core.settle.Limits;
import org.sumbrel.core.settle.Policy;
import org.sumbrel.core.settle.Tolerance;
import org.sumbrel.server.api.BadRequest;
import org.sumbrel.server.api.MoneyView;

/** What a company allows in a currency, as it is shown and decided. */
public record PolicyView(
    @NotNull String currency,
    @NotNull int discountGraceDays,
    @NotNull @Valid LimitsView clerk,
    @NotNull @Valid LimitsView supervisor,
    @NotNull @Schema(description = "such as 18.00 or 2.9 % + 0.30") List<String> usualFees,
    @NotNull BigDecimal feeTaxPercent,
    @NotNull @Valid @Schema(description = "the smallest coin in use; zero where nothing is rounded")
        MoneyView roundingStep,
    @NotNull double clearAt,
    @NotNull double tornWithin,
    @Schema(description = "whether a second person releases what is posted of lockbox batches")
        boolean batchesReleased,
    @NotNull
        @Schema(description = "as it was read; where it has changed since, the call is refused")
        long version) {

  record LimitView(
      @NotNull @Valid @Schema(description = "the most where too little was paid") MoneyView under,
      @NotNull @Valid @Schema(description = "the most where too much was paid") MoneyView over,
      @NotNull
          @Schema(description = "in per cent of what is applied; of a refund, of what was received")
          BigDecimal percent) {

    static LimitView of(Tolerance tolerance) {
      return new LimitView(
          MoneyView.of(tolerance.under()),
          MoneyView.of(tolerance.over()),
          tolerance.percent().stripTrailingZeros());
    }

    Tolerance toTolerance() {
      return new Tolerance(under.toMoney(), over.toMoney(), percent);
    }
  }

  record LimitsView(
      @NotNull @Valid LimitView writeOff,
      @NotNull @Valid LimitView fee,
      @NotNull @Valid LimitView unearnedDiscount,
      @NotNull @Valid LimitView refund,
      @NotNull
          @Valid
          @Schema(
              description =
                  "against the rate of the day, where a payment counts in another currency")
          LimitView exchange) {

    static LimitsView of(Limits limits) {
      return new LimitsView(
          LimitView.of(limits.writeOff()),
          LimitView.of(limits.fee()),
          LimitView.of(limits.unearnedDiscount()),
          LimitView.of(limits.refund()),
          LimitView.of(limits.exchange()));
    }

    Limits toLimits() {
      return new Limits(
          writeOff.toTolerance(),
          fee.toTolerance(),
          unearnedDiscount.toTolerance(),
          refund.toTolerance(),
          exchange.toTolerance());
    }
  }

  static PolicyView of(Policy policy, CurrencyUnit unit, boolean batchesReleased, long version) {
    return new PolicyView(
        unit.getCode(),
        policy.discountGraceDays(),
        LimitsView.of(policy.clerk()),
        LimitsView.of(policy.supervisor()),
        policy.usualFees().stream().map(FeeTerms::toString).toList(),
        policy.feeTaxPercent().stripTrailingZeros(),
        MoneyView.of(policy.roundingStep()),
        policy.clearAt(),
        policy.tornWithin(),
        batchesReleased,
        version);
  }

  /**
   * What it decides.
   *
   * @throws BadRequest with the figure that no policy can have
   */
  public Policy toPolicy(CurrencyUnit unit) {
    try {
      return new Policy(
          discountGraceDays,
          clerk.toLimits(),
          supervisor.toLimits(),
          usualFees.stream().map(f -> FeeTerms.parse(f, unit)).toList(),
          feeTaxPercent,
          inItsCurrency(roundingStep.toMoney(), unit),
          Customs.STANDARD,
          clearAt,
          tornWithin);
    } catch (IllegalArgumentException e) {
      throw new BadRequest("Nothing was changed: " + e.getMessage() + ".");
    }
  }

  private static Money inItsCurrency(Money money, CurrencyUnit unit) {
    if (!money.getCurrencyUnit().equals(unit) || money.isNegative()) {
      throw new IllegalArgumentException(money + " is no coin of " + unit);
    }
    return money;
  }
}

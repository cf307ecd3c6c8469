package org.sumbrel.core.payout;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.Optional;
import org.joda.money.Money;

/**
 * What it cost to be paid.
 *
 * @param sold the gross of the sales
 * @param kept what the processor kept of them in the end: fees less what came back of them
 */
public record PaymentCost(Money sold, Money kept) {

  /**
   * The effective rate, in per cent of the sales to two decimals, rounded half-up; empty where
   * nothing was sold.
   */
  public Optional<BigDecimal> percent() {
    return sold.isPositive()
        ? Optional.of(
            kept.getAmount().movePointRight(2).divide(sold.getAmount(), 2, RoundingMode.HALF_UP))
        : Optional.empty();
  }
}

package org.sumbrel.core.settle;

import java.math.BigDecimal;
import java.math.RoundingMode;
import org.joda.money.Money;
import org.sumbrel.core.money.MoneyText;

/**
 * How large a difference may be to be written off; the amount and the percentage must both hold.
 *
 * @param under the most that may be written off where too little was paid, zero or positive
 * @param over the most that may be kept as a small gain where too much was paid, zero or positive
 * @param percent of what was applied, zero or positive
 */
public record Tolerance(Money under, Money over, BigDecimal percent) {

  /**
   * Why a difference cannot be written off, as a sentence with the limits; empty where it can be.
   *
   * @param difference positive where too little was paid, negative where too much
   * @param applied what was applied in the settlement
   */
  public String refusal(Money difference, Money applied) {
    var limit = difference.isNegative() ? over : under;
    var size = difference.abs();
    if (size.isGreaterThan(limit)) {
      return "the limit is " + MoneyText.grouped(limit);
    }
    var share = applied.abs().multipliedBy(percent.movePointLeft(2), RoundingMode.HALF_EVEN);
    if (size.isGreaterThan(share)) {
      return "the limit is "
          + percent.stripTrailingZeros().toPlainString()
          + " % of what is applied, here "
          + MoneyText.grouped(share);
    }
    return "";
  }
}

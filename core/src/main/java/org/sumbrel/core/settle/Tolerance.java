package org.sumbrel.core.settle;

import java.math.BigDecimal;
import java.math.RoundingMode;
import org.joda.money.Money;
import org.sumbrel.core.money.MoneyText;

/**
 * How large a difference may be; the amount and the percentage must both hold.
 *
 * @param under the most where too little was paid, zero or positive
 * @param over the most where too much was paid, zero or positive
 * @param percent of the base the difference is held against, zero or positive
 */
public record Tolerance(Money under, Money over, BigDecimal percent) {

  public Tolerance {
    if (under.isNegative() || over.isNegative() || percent.signum() < 0) {
      throw new IllegalArgumentException(
          "a limit below zero: " + under.getAmount() + ", " + over.getAmount() + ", " + percent);
    }
  }

  /**
   * Why a difference is too large, with the limits; empty where it is not.
   *
   * @param difference positive where too little was paid, negative where too much
   * @param base what the percentage is taken of
   * @param baseWords what that is, such as {@code what is applied}
   */
  public String refusal(Money difference, Money base, String baseWords) {
    if (allows(difference, base)) {
      return "";
    }
    var limit = limit(difference);
    if (difference.abs().isGreaterThan(limit)) {
      return "the limit is " + MoneyText.grouped(limit);
    }
    return "the limit is "
        + percent.stripTrailingZeros().toPlainString()
        + " % of "
        + baseWords
        + ", here "
        + MoneyText.grouped(share(base));
  }

  /** Whether the difference is not too large. */
  public boolean allows(Money difference, Money base) {
    var size = difference.abs();
    return !size.isGreaterThan(limit(difference)) && !size.isGreaterThan(share(base));
  }

  private Money limit(Money difference) {
    return difference.isNegative() ? over : under;
  }

  private Money share(Money base) {
    return base.abs().multipliedBy(percent.movePointLeft(2), RoundingMode.HALF_EVEN);
  }
}

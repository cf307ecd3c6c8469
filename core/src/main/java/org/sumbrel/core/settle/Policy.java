package org.sumbrel.core.settle;

import java.math.BigDecimal;
import java.util.List;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;

/**
 * What a company allows, in one currency.
 *
 * @param discountGraceDays days after the last discount day on which the discount is still granted
 * @param smallDifference what may be written off
 * @param usualBankFees fees that banks are known to keep from a payment
 * @param clearAt probability from which a proposal is clear
 * @param tornWithin odds of the best explanation to the second within which both count as even
 */
public record Policy(
    int discountGraceDays,
    Tolerance smallDifference,
    List<Money> usualBankFees,
    double clearAt,
    double tornWithin) {

  public Policy {
    usualBankFees = List.copyOf(usualBankFees);
  }

  /** What holds where a company has decided nothing else. */
  public static Policy standard(CurrencyUnit currency) {
    return new Policy(
        3,
        new Tolerance(Money.ofMajor(currency, 2), Money.zero(currency), BigDecimal.valueOf(100)),
        List.of(
            Money.ofMajor(currency, 15),
            Money.ofMajor(currency, 20),
            Money.ofMajor(currency, 25),
            Money.ofMajor(currency, 35)),
        0.995,
        3.0);
  }
}

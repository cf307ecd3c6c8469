package org.sumbrel.core.settle;

import java.math.BigDecimal;
import java.util.List;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;

/**
 * What a company allows, in one currency.
 *
 * @param discountGraceDays days after the last discount day on which the discount is still granted
 * @param clerk what a clerk may decide alone
 * @param supervisor what a supervisor may decide or approve
 * @param usualFees fees that banks and processors are known to keep from a payment
 * @param feeTaxPercent the tax contained in a fee, in per cent on top of its net
 * @param roundingStep the smallest coin in use; a rounding is less than it
 * @param customs how differences are usually treated
 * @param clearAt probability from which a proposal is clear
 * @param tornWithin odds of the best explanation to the second within which both count as even
 */
public record Policy(
    int discountGraceDays,
    Limits clerk,
    Limits supervisor,
    List<FeeTerms> usualFees,
    BigDecimal feeTaxPercent,
    Money roundingStep,
    Customs customs,
    double clearAt,
    double tornWithin) {

  public Policy {
    usualFees = List.copyOf(usualFees);
    if (discountGraceDays < 0 || discountGraceDays > 60) {
      throw new IllegalArgumentException(
          discountGraceDays + " days of grace are not between 0 and 60");
    }
    if (feeTaxPercent.signum() < 0 || feeTaxPercent.compareTo(BigDecimal.valueOf(100)) >= 0) {
      throw new IllegalArgumentException(
          "a tax of " + feeTaxPercent + " % is not between 0 and 100");
    }
    if (clearAt <= 0.5 || clearAt > 1 || tornWithin < 1) {
      throw new IllegalArgumentException(
          "clear from "
              + clearAt
              + " and torn within "
              + tornWithin
              + " contradict each other: clear lies between 0.5 and 1, torn at 1 or above");
    }
  }

  public Limits limits(Authority authority) {
    return authority == Authority.CLERK ? clerk : supervisor;
  }

  /** What holds where a company has decided nothing else. */
  public static Policy standard(CurrencyUnit currency) {
    var all = BigDecimal.valueOf(100);
    var none = Money.zero(currency);
    return new Policy(
        3,
        new Limits(
            new Tolerance(Money.ofMajor(currency, 2), none, all),
            new Tolerance(Money.ofMajor(currency, 50), none, all),
            new Tolerance(Money.ofMajor(currency, 25), none, BigDecimal.valueOf(3)),
            new Tolerance(none, Money.ofMajor(currency, 250), all),
            both(Money.ofMajor(currency, 100), "2.5")),
        new Limits(
            new Tolerance(Money.ofMajor(currency, 50), Money.ofMajor(currency, 50), all),
            new Tolerance(Money.ofMajor(currency, 500), none, all),
            new Tolerance(Money.ofMajor(currency, 500), none, BigDecimal.valueOf(5)),
            new Tolerance(none, Money.ofMajor(currency, 10_000), all),
            both(Money.ofMajor(currency, 5_000), "6")),
        List.of(
            FeeTerms.parse("15", currency),
            FeeTerms.parse("20", currency),
            FeeTerms.parse("25", currency),
            FeeTerms.parse("35", currency)),
        BigDecimal.ZERO,
        Money.zero(currency),
        Customs.STANDARD,
        0.995,
        3.0);
  }

  private static Tolerance both(Money most, String percent) {
    return new Tolerance(most, most, new BigDecimal(percent));
  }
}

package org.sumbrel.core.propose;

import java.util.List;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.sumbrel.core.settle.FeeTerms;
import org.sumbrel.core.settle.Policy;

/**
 * What a payment may usually be short of or above: a known fee, or little enough to write off. Most
 * amounts are neither, which is told without reckoning in money. Amounts in minor units.
 */
final class UsualDifferences {

  /** More than rounding can make of a fee. */
  private static final double ROUNDING = 2;

  /** One of the known fees, as nearly as a floating-point figure tells; never used as an amount. */
  private record Estimate(FeeTerms terms, double share, double fixed) {
    boolean mayBe(long fee, long gross) {
      return Math.abs(share * gross + fixed - fee) <= ROUNDING;
    }
  }

  private final Policy policy;
  private final CurrencyUnit currency;
  private final List<Estimate> fees;
  private final long mostUnder;
  private final long mostOver;

  UsualDifferences(Policy policy) {
    this.policy = policy;
    this.currency = policy.roundingStep().getCurrencyUnit();
    this.fees =
        policy.usualFees().stream()
            .map(
                terms ->
                    new Estimate(
                        terms,
                        terms.percent().doubleValue() / 100,
                        terms.fixed().getAmountMinorLong()))
            .toList();
    this.mostUnder = policy.clerk().writeOff().under().getAmountMinorLong();
    this.mostOver = policy.clerk().writeOff().over().getAmountMinorLong();
  }

  /** The terms of the fee that is missing from a payment of {@code gross}, to the cent. */
  Optional<FeeTerms> fee(long missing, long gross) {
    for (var fee : fees) {
      if (fee.mayBe(missing, gross) && fee.terms().of(money(gross)).equals(money(missing))) {
        return Optional.of(fee.terms());
      }
    }
    return Optional.empty();
  }

  /**
   * Whether a clerk may write it off.
   *
   * @param missing negative where too much was paid
   */
  boolean mayWriteOff(long missing, long open) {
    return missing <= mostUnder
        && missing >= -mostOver
        && policy.clerk().writeOff().allows(money(missing), money(open));
  }

  private Money money(long minor) {
    return Candidate.money(currency, minor);
  }
}

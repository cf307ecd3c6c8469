package org.sumbrel.core.settle;

import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.sumbrel.core.exchange.RateUsed;

/**
 * A part of a receipt that counts elsewhere: in another currency, in the books of another company
 * of the group, or both.
 *
 * @param companyId in whose books it counts
 * @param given what of the receipt it is, in the receipt's currency and sign
 * @param counted what it counts for, in the currency of what it settles; of the same sign
 * @param reference the rate against which it is held, from the currency of {@code counted} to that
 *     of {@code given}; empty where both are the same currency
 */
public record Exchanged(
    String companyId, Money given, Money counted, Optional<RateUsed> reference) {

  public Exchanged {
    if (given.getCurrencyUnit().equals(counted.getCurrencyUnit())) {
      if (!given.equals(counted) || reference.isPresent()) {
        throw new IllegalArgumentException("in one currency " + given + " count for themselves");
      }
    } else {
      var rate =
          reference
              .orElseThrow(
                  () ->
                      new IllegalArgumentException("no rate is said for " + given + ", " + counted))
              .rate();
      if (!rate.from().equals(counted.getCurrencyUnit())
          || !rate.to().equals(given.getCurrencyUnit())) {
        throw new IllegalArgumentException(
            "a rate from " + rate.from() + " to " + rate.to() + " is not one of " + counted);
      }
    }
    if (given.getAmount().signum() * counted.getAmount().signum() < 0) {
      throw new IllegalArgumentException(
          "what counts otherwise has one sign: " + given + ", " + counted);
    }
  }

  /** At the reference rate, rounded half-even to the digits of the receipt's currency. */
  public static Exchanged atRate(String companyId, Money counted, RateUsed reference) {
    return new Exchanged(companyId, reference.rate().of(counted), counted, Optional.of(reference));
  }

  /** In the receipt's currency, in the books of another company. */
  public static Exchanged in(String companyId, Money counted) {
    return new Exchanged(companyId, counted, counted, Optional.empty());
  }

  /** The currency in which it counts. */
  public CurrencyUnit currency() {
    return counted.getCurrencyUnit();
  }

  /** Where it counts. */
  public Place place() {
    return new Place(companyId, currency());
  }

  /** As much there, given what is held against the rate for it. */
  Exchanged counting(Money otherCounted) {
    return new Exchanged(companyId, here(otherCounted), otherCounted, reference);
  }

  /** The same there for another amount of the receipt, whatever the rate says. */
  Exchanged giving(Money otherGiven) {
    return new Exchanged(companyId, otherGiven, counted, reference);
  }

  /** What an amount there is of the receipt by the reference rate. */
  private Money here(Money there) {
    return reference.map(used -> used.rate().of(there)).orElse(there);
  }

  /** What an amount of the receipt comes to there by the reference rate. */
  Money there(Money here) {
    return reference.map(used -> used.rate().inverse().of(here)).orElse(here);
  }

  /** What it falls short of the reference rate, in the receipt's currency; negative beyond it. */
  public Money shortage() {
    return here(counted).minus(given);
  }
}

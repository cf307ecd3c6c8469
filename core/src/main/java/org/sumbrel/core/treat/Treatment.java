package org.sumbrel.core.treat;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.List;
import org.joda.money.Money;
import org.sumbrel.core.settle.ToAccount;

/**
 * What is done with the entries that fit a condition.
 *
 * @param place in the order of all treatments; the first that fits is taken
 * @param on whether it is in use
 * @param shares to which accounts; together all of the entry
 * @param cap no entry that is larger, without its sign, is ever taken; above zero
 * @param way how far it goes by itself
 */
public record Treatment(
    String id,
    String name,
    int place,
    boolean on,
    Condition condition,
    List<Share> shares,
    Money cap,
    Way way) {

  /** How far a treatment goes by itself. */
  public enum Way {
    /** It is one explanation beside others. */
    SUGGESTS,
    /** It is ready behind a button. */
    WAITS,
    POSTS
  }

  private static final BigDecimal WHOLE = BigDecimal.valueOf(100);

  public Treatment {
    shares = List.copyOf(shares);
    var sum = shares.stream().map(Share::percent).reduce(BigDecimal.ZERO, BigDecimal::add);
    if (sum.compareTo(WHOLE) != 0) {
      throw new IllegalArgumentException(
          "The shares come to " + sum.toPlainString() + " %, not to 100.");
    }
    if (!cap.isPositive()) {
      throw new IllegalArgumentException("A cap of " + cap.getAmount() + " is not above zero.");
    }
  }

  /** Whether an entry is within the cap; one of another currency is not. */
  public boolean withinCap(Money amount) {
    return amount.getCurrencyUnit().equals(cap.getCurrencyUnit())
        && !amount.abs().isGreaterThan(cap);
  }

  /**
   * What an entry is booked to: each share rounded half-even, the last takes what is left, so that
   * nothing of the entry is lost; the tax contained in a share rounded half-up.
   *
   * @param amount of the entry, in its sign
   */
  public List<ToAccount> booked(Money amount) {
    var booked = new ArrayList<ToAccount>();
    var left = amount;
    for (var n = 0; n < shares.size(); n++) {
      var share = shares.get(n);
      var part =
          n == shares.size() - 1
              ? left
              : amount.multipliedBy(share.percent().movePointLeft(2), RoundingMode.HALF_EVEN);
      left = left.minus(part);
      if (!part.isZero()) {
        // what comes to us is booked to the account's credit, which is negative
        var credit = part.negated();
        booked.add(new ToAccount(credit, share.accountId(), tax(credit, share), share.words()));
      }
    }
    return booked;
  }

  private static Money tax(Money whole, Share share) {
    var rate = share.taxPercent();
    return Money.of(
        whole.getCurrencyUnit(),
        whole.getAmount().multiply(rate).divide(WHOLE.add(rate), 12, RoundingMode.HALF_UP),
        RoundingMode.HALF_UP);
  }
}

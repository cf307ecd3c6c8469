package org.sumbrel.core.money;

import java.math.BigDecimal;
import java.math.BigInteger;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.joda.money.Money;

/** Divides an amount so that the parts add up to it exactly. */
public final class MoneySplit {

  private MoneySplit() {}

  /**
   * Parts of {@code total} in proportion to {@code weights}, rounded by largest remainder: every
   * part is rounded down (towards zero) to the currency's digits, and the cents that are then
   * missing go one each to the parts that lost most; among equals to the one that stands first.
   *
   * @param weights zero or positive, not all zero
   * @return as many parts as weights, in their order and in the sign of {@code total}
   */
  public static List<Money> inProportion(Money total, List<BigDecimal> weights) {
    var sum = weights.stream().reduce(BigDecimal.ZERO, BigDecimal::add);
    if (sum.signum() <= 0 || weights.stream().anyMatch(w -> w.signum() < 0)) {
      throw new IllegalArgumentException("the shares " + weights + " divide nothing");
    }
    var scale = weights.stream().mapToInt(BigDecimal::scale).max().orElse(0);
    var whole = BigInteger.valueOf(Math.abs(total.getAmountMinorLong()));
    var divisor = sum.setScale(Math.max(0, scale)).unscaledValue();
    var minors = new ArrayList<Long>();
    var lost = new ArrayList<BigInteger>();
    for (var weight : weights) {
      var share = whole.multiply(weight.setScale(Math.max(0, scale)).unscaledValue());
      var parts = share.divideAndRemainder(divisor);
      minors.add(parts[0].longValueExact());
      lost.add(parts[1]);
    }
    var missing = whole.longValueExact() - minors.stream().mapToLong(Long::longValue).sum();
    var order = new ArrayList<Integer>();
    for (var i = 0; i < weights.size(); i++) {
      order.add(i);
    }
    order.sort(Comparator.comparing((Integer i) -> lost.get(i)).reversed());
    for (var i = 0; i < missing; i++) {
      minors.set(order.get(i), minors.get(order.get(i)) + 1);
    }
    var sign = total.isNegative() ? -1 : 1;
    return minors.stream().map(m -> Money.ofMinor(total.getCurrencyUnit(), sign * m)).toList();
  }
}

package org.sumbrel.core.deposit;

import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;

/**
 * Cash, counted by denomination.
 *
 * @param pieces how many of each note or coin, the largest first; none of them zero
 */
public record CashCount(CurrencyUnit currency, Map<Money, Integer> pieces) {

  private static final Map<String, List<String>> DENOMINATIONS =
      Map.of(
          "USD",
          List.of("100", "50", "20", "10", "5", "2", "1", "0.50", "0.25", "0.10", "0.05", "0.01"),
          "EUR",
          List.of(
              "200", "100", "50", "20", "10", "5", "2", "1", "0.50", "0.20", "0.10", "0.05", "0.02",
              "0.01"));

  public CashCount {
    var sorted = new TreeMap<Money, Integer>(Comparator.reverseOrder());
    pieces.forEach(
        (piece, count) -> {
          if (count < 0 || !piece.isPositive() || !piece.getCurrencyUnit().equals(currency)) {
            throw new IllegalArgumentException(count + " pieces of " + piece);
          }
          if (count > 0) {
            sorted.put(piece, count);
          }
        });
    pieces = java.util.Collections.unmodifiableMap(sorted);
  }

  /** The notes and coins of a currency, the largest first; empty where they are not known. */
  public static List<Money> denominations(CurrencyUnit currency) {
    return DENOMINATIONS.getOrDefault(currency.getCode(), List.of()).stream()
        .map(d -> Money.of(currency, new java.math.BigDecimal(d)))
        .toList();
  }

  public Money total() {
    var sum = Money.zero(currency);
    for (var piece : pieces.entrySet()) {
      sum = sum.plus(piece.getKey().multipliedBy(piece.getValue()));
    }
    return sum;
  }
}

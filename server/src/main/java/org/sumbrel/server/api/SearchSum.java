package org.sumbrel.server.api;

import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/** How many fit, and what they come to in minor units, in one currency. */
public record SearchSum(String currency, long count, long amountMinor) {

  /** Counts what fits, by currency. */
  public static final class Counting {

    private final Map<String, long[]> counted = new TreeMap<>();

    /** One more that fits. */
    public void add(String currency, long minor) {
      var sum = counted.computeIfAbsent(currency, c -> new long[2]);
      sum[0]++;
      sum[1] = Math.addExact(sum[1], minor);
    }

    /** The sums in the order of the currencies. */
    public List<SearchSum> all() {
      return counted.entrySet().stream()
          .map(e -> new SearchSum(e.getKey(), e.getValue()[0], e.getValue()[1]))
          .toList();
    }
  }
}

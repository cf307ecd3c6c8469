package org.sumbrel.core.find;

import java.util.ArrayList;
import java.util.List;

/**
 * Many things that are looked through again and again, in one order. What they are sifted by stands
 * in columns beside them, so that most of what does not fit is left out without being touched; what
 * is left is held against {@link SearchLine#rule}.
 *
 * @param <F> the things; none of them changes while it is in here
 */
public final class Findables<F extends Findable> {

  private final List<F> things;
  private final long[] sketches;
  private final int[] days;
  private final long[] smallest;
  private final long[] largest;
  private final byte[] digits;

  /** Things in their order. */
  public Findables(List<F> things) {
    var size = things.size();
    this.things = things;
    this.sketches = new long[size];
    this.days = new int[size];
    this.smallest = new long[size];
    this.largest = new long[size];
    this.digits = new byte[size];
    for (var n = 0; n < size; n++) {
      var one = things.get(n);
      sketches[n] = one.sketch();
      days[n] = (int) one.on().toEpochDay();
      digits[n] = (byte) one.digits();
      smallest[n] = Long.MAX_VALUE;
      for (var amount : one.sizes()) {
        smallest[n] = Math.min(smallest[n], amount);
        largest[n] = Math.max(largest[n], amount);
      }
    }
  }

  /** All of them. */
  public List<F> all() {
    return things;
  }

  /** Those that fit a line, in their order. */
  public List<F> fitting(SearchLine line) {
    if (line.isEmpty()) {
      return things;
    }
    var sieve = Sieve.of(line);
    var rule = line.rule();
    var fitting = new ArrayList<F>();
    for (var n = 0; n < sketches.length; n++) {
      if (sieve.lets(sketches[n], days[n], smallest[n], largest[n], digits[n])
          && rule.test(things.get(n))) {
        fitting.add(things.get(n));
      }
    }
    return fitting;
  }
}

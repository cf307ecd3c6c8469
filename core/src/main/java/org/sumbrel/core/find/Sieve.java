package org.sumbrel.core.find;

import java.util.ArrayList;
import java.util.List;

/**
 * What everything that fits a line has at least: the letters of its words, a day and amounts within
 * bounds.
 */
final class Sieve {

  private final List<SizeBetween> sizes = new ArrayList<>();
  private long letters;
  private long fromDay = Long.MIN_VALUE;
  private long untilDay = Long.MAX_VALUE;
  private SizeBetween figure;
  private long figureLetters;

  private Sieve() {}

  static Sieve of(SearchLine line) {
    var sieve = new Sieve();
    line.terms().forEach(sieve::take);
    return sieve;
  }

  private void take(Term term) {
    if (term instanceof Term.Word word) {
      letters |= Sketch.of(word.text());
    } else if (term instanceof Term.Payer payer) {
      letters |= Sketch.of(payer.text());
    } else if (term instanceof Term.Reference reference) {
      letters |= Sketch.of(reference.text());
    } else if (term instanceof Term.Days days) {
      fromDay = days.from() == null ? fromDay : Math.max(fromDay, days.from().toEpochDay());
      untilDay = days.until() == null ? untilDay : Math.min(untilDay, days.until().toEpochDay());
    } else if (term instanceof Term.Between between) {
      sizes.add(new SizeBetween(between.from(), between.until()));
    } else if (term instanceof Term.Figure one) {
      // of several figures the last is enough to sift by
      figure = new SizeBetween(one.amount().abs(), one.amount().abs());
      figureLetters = Sketch.of(one.text());
    }
  }

  /**
   * Whether something of these can fit at all.
   *
   * @param smallest of its amounts, in minor units
   * @param largest of its amounts
   */
  boolean lets(long sketch, int day, long smallest, long largest, int digits) {
    return (sketch & letters) == letters
        && day >= fromDay
        && day <= untilDay
        && (figure == null
            || (sketch & figureLetters) == figureLetters
            || figure.mayHold(smallest, largest, digits))
        && (sizes.isEmpty()
            || sizes.stream().allMatch(size -> size.mayHold(smallest, largest, digits)));
  }
}

package org.sumbrel.server.desk;

import java.util.List;
import org.sumbrel.core.propose.Evidence;

/**
 * A probability in words that do not claim more than is known: in 100, or in 1,000 where it is
 * nearly sure.
 */
final class Odds {

  /** Of keeping on account what may pay something in another currency, nothing was measured. */
  private static final String NOT_WEIGHED = "not weighed against those";

  private Odds() {}

  static String of(double probability, List<Evidence> evidence) {
    return evidence.stream().anyMatch(Evidence::openElsewhere) ? NOT_WEIGHED : inWords(probability);
  }

  private static String inWords(double probability) {
    if (probability >= 0.9995) {
      return "more than 999 in 1,000";
    }
    if (probability >= 0.99) {
      return "about " + Math.round(probability * 1000) + " in 1,000";
    }
    return probability < 0.01
        ? "less than 1 in 100"
        : "about " + Math.round(probability * 100) + " in 100";
  }
}

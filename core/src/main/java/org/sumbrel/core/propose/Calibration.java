package org.sumbrel.core.propose;

import java.util.List;
import org.sumbrel.core.settle.Policy;

/**
 * Sixth stage: turns weights into probabilities and probabilities into a standing. This first
 * version shares one among the explanations and "none of these" by their odds; it is not fitted to
 * data yet.
 */
final class Calibration {

  private static final double FLOOR = 0.05;
  private static final double ABOUT_AS_WELL = Math.log(3);

  private final Policy policy;

  Calibration(Policy policy) {
    this.policy = policy;
  }

  /** The probability of each explanation, in the same order. */
  double[] probabilities(List<Composition> ranked) {
    var most = Weights.NONE_OF_THESE;
    for (var composition : ranked) {
      most = Math.max(most, composition.weight());
    }
    var all = Math.exp(Weights.NONE_OF_THESE - most);
    var odds = new double[ranked.size()];
    for (var i = 0; i < odds.length; i++) {
      odds[i] = Math.exp(ranked.get(i).weight() - most);
      all += odds[i];
    }
    for (var i = 0; i < odds.length; i++) {
      odds[i] /= all;
    }
    return odds;
  }

  /** How many explanations are about as good as the first, itself included. */
  int alternatives(List<Composition> ranked) {
    return ranked.isEmpty()
        ? 0
        : (int)
            ranked.stream()
                .filter(c -> c.weight() >= ranked.get(0).weight() - ABOUT_AS_WELL)
                .count();
  }

  Standing standing(double[] probabilities) {
    if (probabilities.length == 0 || probabilities[0] < FLOOR) {
      return Standing.BLANK;
    }
    var second = 0.0;
    for (var i = 1; i < probabilities.length; i++) {
      second = Math.max(second, probabilities[i]);
    }
    if (second > 0 && probabilities[0] <= second * policy.tornWithin()) {
      return Standing.TORN;
    }
    return probabilities[0] >= policy.clearAt() ? Standing.CLEAR : Standing.LEANING;
  }
}

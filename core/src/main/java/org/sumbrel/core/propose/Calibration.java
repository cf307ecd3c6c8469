package org.sumbrel.core.propose;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.ResourceBundle;
import java.util.Set;
import java.util.TreeMap;
import org.sumbrel.core.settle.Policy;

/**
 * Sixth stage: turns weights into probabilities and probabilities into a standing.
 *
 * <p>The probability of the first explanation is a logistic function of a few figures that anybody
 * can check: how far it leads, what it comes to, how the amount is explained, how well text and
 * payer support it. Its factors are fitted to made-up, labelled payments ({@code bin/bench --fit})
 * and kept beside this class. What is left of certainty is shared among the others, and "none of
 * these", by their odds.
 */
final class Calibration {

  private static final double FLOOR = 0.05;
  private static final double RIVAL = 2.5;
  private static final double ABOUT_AS_WELL = Math.log(3);

  /** Ways in which nothing remains to be explained. */
  private static final Set<String> SETTLES =
      Set.of("amount.exact", "amount.discount", "amount.stated");

  private static final Map<String, Double> FACTORS = factors();

  private final Policy policy;

  Calibration(Policy policy) {
    this.policy = policy;
  }

  private static Map<String, Double> factors() {
    var fitted =
        ResourceBundle.getBundle(
            Calibration.class.getPackageName() + ".calibration",
            Locale.ROOT,
            Calibration.class.getClassLoader());
    var factors = new TreeMap<String, Double>();
    fitted.keySet().forEach(name -> factors.put(name, Double.valueOf(fitted.getString(name))));
    return factors;
  }

  /** How the text supports an explanation, weakest first. */
  private enum Support {
    /** Not even the payer is known. */
    NOBODY,
    /** The payer is known, and the text names nothing. */
    NONE,
    REPAIRED,
    FIGURES,
    NUMBER;

    private static Support of(String code) {
      return switch (code) {
        case "reference.repaired" -> REPAIRED;
        case "reference.digits", "reference.list" -> FIGURES;
        default -> NUMBER;
      };
    }
  }

  /**
   * The figures that the probability of the first explanation is reckoned from, by name.
   *
   * @param unassigned what explained the receipt before the batch was looked at
   * @param unread how many numbers of the text nothing was read from
   */
  static Map<String, Double> figures(
      List<Composition> ranked, List<Composition> unassigned, int unread) {
    var figures = new TreeMap<String, Double>();
    if (ranked.isEmpty()) {
      return figures;
    }
    var best = ranked.get(0);
    var next =
        ranked.stream().skip(1).mapToDouble(Composition::weight).max().orElse(best.weight() - 12);
    var lead = best.weight() - next;
    var payer = 0.0;
    var strongest = Support.NONE;
    var weakest = Support.NUMBER;
    var named = 0;
    var amount = "amount.none";
    var beside = "";
    for (var evidence : best.evidence()) {
      var code = evidence.code();
      if (code.equals(AdviceReader.WHOLE) || code.equals(AdviceReader.PART)) {
        // the payer's own word is no matter of the factors
        return new TreeMap<>(Map.of(code, 1.0));
      }
      if (code.startsWith("amount.") || code.startsWith("habit.")) {
        amount = code;
      } else if (code.startsWith("twin.")) {
        beside = " beside a twin";
      } else if (code.equals("payer.stranger") || code.equals("batch.taken")) {
        figures.put(code, 1.0);
      } else if (code.startsWith("payer.") && evidence.weight() > 0) {
        payer = Math.max(payer, evidence.weight());
      } else if (code.startsWith("reference.") && evidence.weight() < 0) {
        figures.put(code, 1.0);
      } else if (code.startsWith("reference.")) {
        named++;
        var support = Support.of(code);
        strongest = support.compareTo(strongest) > 0 ? support : strongest;
        weakest = support.compareTo(weakest) < 0 ? support : weakest;
      }
    }
    var support = named > 0 ? strongest : payer > 0 ? Support.NONE : Support.NOBODY;
    var rivals = unassigned.stream().filter(c -> c.weight() > best.weight() - RIVAL).count() - 1;
    var under = support.name().toLowerCase(Locale.ROOT) + (rivals > 0 ? " among rivals" : "");
    figures.put("always", 1.0);
    figures.put(amount + " by " + under + beside, 1.0);
    figures.put("support " + under, 1.0);
    var exact = SETTLES.contains(amount);
    figures.put("unread " + (exact ? "beside the amount" : amount), (double) Math.min(2, unread));
    figures.put("rivals by " + under, Math.log1p(Math.max(0, Math.min(40, rivals))));
    figures.put("lead.small by " + under, Math.max(-2, Math.min(2, lead)));
    figures.put("lead.middle by " + under, Math.max(0, Math.min(3, lead - 2)));
    figures.put("lead.large by " + under, Math.max(0, Math.min(5, lead - 5)));
    figures.put("weight.low", Math.min(0, best.weight() - 5));
    figures.put("weight.middle", Math.max(0, Math.min(5, best.weight() - 5)));
    figures.put("weight.high", Math.max(0, Math.min(8, best.weight() - 10)));
    figures.put("payer.known by " + under, Math.min(6, payer));
    if (!SETTLES.contains(amount)) {
      // what leaves something unexplained leans more on who sent it
      figures.put("payer.known beside a rest", Math.min(6, payer));
      figures.put(payer > 0 ? "a rest of somebody" : "a rest of nobody", 1.0);
      figures.put("items beside a rest", (double) Math.min(4, best.parts().size()));
    }
    if (named == 0) {
      figures.put("items.unnamed", (double) Math.min(8, best.parts().size()));
    } else {
      figures.put("items.beside", (double) Math.min(4, best.parts().size() - named));
      if (weakest != strongest) {
        figures.put("reference.mixed", 1.0);
      }
    }
    return figures;
  }

  /** The probability of each explanation, in the same order. */
  double[] probabilities(List<Composition> ranked, Map<String, Double> figures) {
    var odds = new double[ranked.size()];
    if (ranked.isEmpty()) {
      return odds;
    }
    var logOdds = logOdds(figures);
    var first = 1 / (1 + Math.exp(-logOdds));
    var most = Weights.NONE_OF_THESE;
    for (var composition : ranked) {
      most = Math.max(most, composition.weight());
    }
    var rest = Math.exp(Weights.NONE_OF_THESE - most);
    for (var i = 1; i < odds.length; i++) {
      odds[i] = Math.exp(ranked.get(i).weight() - most);
      rest += odds[i];
    }
    for (var i = 1; i < odds.length; i++) {
      // none is likelier than what stands first: the figures may leave more to what is not thought
      // of
      odds[i] = Math.min(first, odds[i] * (1 - first) / rest);
    }
    odds[0] = first;
    return odds;
  }

  private static double logOdds(Map<String, Double> figures) {
    if (figures.containsKey(AdviceReader.WHOLE)) {
      return Weights.ADVISED_WHOLE_ODDS;
    }
    if (figures.containsKey(AdviceReader.PART)) {
      return Weights.ADVISED_PART_ODDS;
    }
    var logOdds = 0.0;
    for (var figure : figures.entrySet()) {
      logOdds += figure.getValue() * FACTORS.getOrDefault(figure.getKey(), 0.0);
    }
    return logOdds;
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

  /** How firm that is; two that explain it about as well are torn, whatever their probability. */
  Standing standing(double[] probabilities, List<Composition> ranked) {
    var second = 0.0;
    for (var i = 1; i < probabilities.length; i++) {
      second = Math.max(second, probabilities[i]);
    }
    if (probabilities.length == 0 || Math.max(probabilities[0], second) < FLOOR) {
      return Standing.BLANK;
    }
    var lead =
        ranked.get(0).weight()
            - ranked.stream()
                .skip(1)
                .mapToDouble(Composition::weight)
                .max()
                .orElse(Double.NEGATIVE_INFINITY);
    if (lead <= Math.log(policy.tornWithin())
        || second > 0 && probabilities[0] <= second * policy.tornWithin()) {
      return Standing.TORN;
    }
    return probabilities[0] >= policy.clearAt() ? Standing.CLEAR : Standing.LEANING;
  }
}

package org.sumbrel.core.propose;

import java.time.LocalDate;
import java.util.Collection;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.IntConsumer;
import java.util.function.Predicate;
import org.sumbrel.core.propose.Composition.Part;
import org.sumbrel.core.propose.CompositionSolver.Solved;
import org.sumbrel.core.receivables.Receipt;

/** What people chose for each payer where another explanation stood first. */
final class Habits {

  private final Map<String, Map<Manner, Integer>> counts = new HashMap<>();

  static Habits of(Collection<PastChoice> choices) {
    var habits = new Habits();
    choices.forEach(choice -> habits.count(choice, 1, q -> {}));
    return habits;
  }

  /** Counts a choice in, or out again where {@code by} is -1. */
  void count(PastChoice choice, int by, IntConsumer changed) {
    for (var key : PastPayers.keys(choice.payerName(), choice.payerAccount())) {
      counts
          .computeIfAbsent(key, k -> new EnumMap<>(Manner.class))
          .merge(choice.manner(), by, (a, b) -> a + b == 0 ? null : Integer.valueOf(a + b));
      changed.accept(Question.CHOICE.about(key));
    }
  }

  /** The same explanations, with what was chosen before where it tells them apart. */
  Solved applied(Receipt receipt, Solved solved, Asked asked) {
    Map<Manner, Integer> chosen = Map.of();
    for (var key : PastPayers.keys(receipt.payerName(), receipt.payerAccount())) {
      asked.ask(Question.CHOICE, key);
      // the account comes first, and says more than the name
      chosen = chosen.isEmpty() ? counts.getOrDefault(key, Map.of()) : chosen;
    }
    if (chosen.isEmpty() || solved.compositions().size() < 2) {
      return solved;
    }
    var all = bySize(solved.compositions(), chosen);
    all = byAge(all, chosen);
    return new Solved(all.stream().sorted(Composition.BEST_FIRST).toList(), solved.exhaustive());
  }

  private static List<Composition> bySize(List<Composition> all, Map<Manner, Integer> chosen) {
    var likely = likely(chosen, Manner.SEVERAL, Manner.ONE);
    var several = all.stream().anyMatch(c -> c.parts().size() > 1);
    var one = all.stream().anyMatch(c -> c.parts().size() == 1);
    if (likely == null || !several || !one) {
      return all;
    }
    return with(
        all,
        likely,
        c -> !c.parts().isEmpty() && c.parts().size() > 1 == (likely.manner() == Manner.SEVERAL));
  }

  private static List<Composition> byAge(List<Composition> all, Map<Manner, Integer> chosen) {
    var likely = likely(chosen, Manner.LATER, Manner.EARLIER);
    if (likely == null) {
      return all;
    }
    var later = likely.manner() == Manner.LATER;
    var extreme = new HashMap<Integer, LocalDate>();
    var kinds = new HashMap<Integer, Integer>();
    for (var composition : all) {
      if (!composition.parts().isEmpty()) {
        var size = composition.parts().size();
        extreme.merge(size, due(composition), (a, b) -> a.isAfter(b) == later ? a : b);
        kinds.merge(size, 1, Integer::sum);
      }
    }
    return with(
        all,
        likely,
        c ->
            kinds.getOrDefault(c.parts().size(), 0) > 1
                && due(c).equals(extreme.get(c.parts().size())));
  }

  private static LocalDate due(Composition composition) {
    return Manner.due(
        composition.parts().stream().map(Part::candidate).map(Candidate::item).toList());
  }

  /** The manner that was chosen more often, how often, and what that counts. */
  private record Likely(Manner manner, int times, double weight) {}

  private static Likely likely(Map<Manner, Integer> chosen, Manner one, Manner other) {
    var ones = chosen.getOrDefault(one, 0);
    var others = chosen.getOrDefault(other, 0);
    if (ones.equals(others)) {
      return null;
    }
    var weight = Math.abs(Math.log((1.0 + ones) / (1.0 + others)));
    return new Likely(
        ones > others ? one : other,
        Math.max(ones, others),
        Math.min(Weights.CHOICE_MOST, Weights.CHOICE * weight));
  }

  private static List<Composition> with(
      List<Composition> all, Likely likely, Predicate<Composition> fits) {
    var times = likely.times() == 1 ? "once" : likely.times() + " times";
    var says =
        switch (likely.manner()) {
          case SEVERAL -> "several items together were chosen for this payer before, " + times;
          case ONE -> "a single item was chosen for this payer before, " + times;
          case LATER -> "what is due later was chosen for this payer before, " + times;
          case EARLIER -> "what is due earlier was chosen for this payer before, " + times;
        };
    var evidence = new Evidence("habit.choice", says, likely.weight());
    return all.stream().map(c -> fits.test(c) ? c.with(evidence) : c).toList();
  }
}

package org.sumbrel.core.propose;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.sumbrel.core.money.MoneyText;
import org.sumbrel.core.receivables.DayText;
import org.sumbrel.core.receivables.Receipt;

/**
 * Fifth stage: chooses for all receipts together, so that the explanations that stand first use no
 * open item beyond its balance and their weights come to as much as can be. Receipts that want no
 * item in common are settled apart; a few that do are weighed in every way, many are handed out
 * from the one with least choice on.
 */
final class BatchAssigner {

  private static final double TAKEN = -4.0;

  /** The same where what took it names it too and came first. */
  private static final double PAID_ALREADY = -14.0;

  /** What is stronger than this is as sure as can be: between two such the earlier comes first. */
  private static final double SURE = 25;

  /** What an explanation that would fit any amount is worth at most beside one that fits this. */
  private static final double LOOSE = 1;

  private static final int MOST_OPTIONS = 6;
  private static final int WEIGHED_IN_EVERY_WAY = 24;
  private static final int MOST_STEPS = 20_000;

  private static final Comparator<Wanting> LEAST_CHOICE_FIRST =
      Comparator.comparingDouble(Wanting::margin)
          .reversed()
          .thenComparing(Comparator.comparingDouble((Wanting w) -> w.value(0)).reversed())
          .thenComparing(w -> w.receipt().receivedOn())
          .thenComparing(w -> w.receipt().id());

  /** A receipt with what may explain it, best first. */
  record Wanting(Receipt receipt, List<Composition> compositions) {

    /**
     * By how much the explanation is better than none; a weak one is hardly, so that nothing is
     * taken from a strong one for its sake.
     */
    private double value(int option) {
      if (option >= compositions.size()) {
        return 0;
      }
      var composition = compositions.get(option);
      var most = composition.fitsAnyAmount() ? LOOSE : SURE;
      return Math.min(most, Math.log1p(Math.exp(composition.weight() - Weights.NONE_OF_THESE)));
    }

    private double margin() {
      return value(0) - value(1);
    }

    private int options() {
      return Math.min(MOST_OPTIONS, compositions.size());
    }
  }

  /** What is left to a receipt: explanations, best first, and what was taken from it. */
  record Assigned(List<Composition> compositions, List<Evidence> notes) {}

  /** What remains of an item's balance and who took of it last. */
  private static final class Balance {
    private long left;
    private Receipt takenBy;

    Balance(long left) {
      this.left = left;
    }
  }

  private final Map<String, Balance> balances = new HashMap<>();

  private BatchAssigner() {}

  /** The same result for any order of {@code all}. */
  static Map<String, Assigned> assign(List<Wanting> all) {
    var result = new HashMap<String, Assigned>();
    for (var together : components(all)) {
      new BatchAssigner().assign(together, result);
    }
    return result;
  }

  /** The receipts that want items in common, directly or through others. */
  private static List<List<Wanting>> components(List<Wanting> all) {
    var ordered = all.stream().sorted(LEAST_CHOICE_FIRST).toList();
    var leader = new int[ordered.size()];
    var wantedBy = new HashMap<String, Integer>();
    for (var i = 0; i < leader.length; i++) {
      leader[i] = i;
    }
    for (var i = 0; i < leader.length; i++) {
      for (var composition : ordered.get(i).compositions()) {
        for (var part : composition.parts()) {
          var other = wantedBy.putIfAbsent(part.candidate().item().id(), i);
          if (other != null) {
            leader[find(leader, i)] = find(leader, other);
          }
        }
      }
    }
    var components = new HashMap<Integer, List<Wanting>>();
    for (var i = 0; i < leader.length; i++) {
      components.computeIfAbsent(find(leader, i), l -> new ArrayList<>()).add(ordered.get(i));
    }
    return List.copyOf(components.values());
  }

  private static int find(int[] leader, int of) {
    var at = of;
    while (leader[at] != at) {
      leader[at] = leader[leader[at]];
      at = leader[at];
    }
    return at;
  }

  private void assign(List<Wanting> together, Map<String, Assigned> result) {
    var choice =
        together.size() > 1 && together.size() <= WEIGHED_IN_EVERY_WAY
            ? new Search(together).run()
            : inTurn(together);
    for (var i = 0; i < choice.length; i++) {
      if (choice[i] >= 0) {
        take(together.get(i).receipt(), together.get(i).compositions().get(choice[i]), 1);
      }
    }
    for (var i = 0; i < choice.length; i++) {
      result.put(together.get(i).receipt().id(), ranked(together.get(i), choice[i]));
    }
  }

  /** One after the other, each the best that is left to it; -1 where nothing is. */
  private int[] inTurn(List<Wanting> together) {
    var choice = new int[together.size()];
    for (var i = 0; i < choice.length; i++) {
      var compositions = together.get(i).compositions();
      choice[i] = -1;
      for (var n = 0; n < compositions.size() && choice[i] < 0; n++) {
        if (clash(compositions.get(n), TAKEN) == null) {
          choice[i] = n;
          take(together.get(i).receipt(), compositions.get(n), 1);
        }
      }
    }
    balances.clear();
    return choice;
  }

  /** Branch and bound over all choices; the first found among equals is kept. */
  private final class Search {
    private final List<Wanting> together;
    private final double[] possible;
    private final int[] now;
    private int[] best;
    private double bestValue;
    private int steps;

    Search(List<Wanting> together) {
      this.together = together;
      this.now = new int[together.size()];
      this.possible = new double[together.size() + 1];
      for (var i = together.size() - 1; i >= 0; i--) {
        possible[i] = possible[i + 1] + together.get(i).value(0);
      }
    }

    int[] run() {
      best = inTurn(together);
      for (var i = 0; i < best.length; i++) {
        bestValue += best[i] < 0 ? 0 : together.get(i).value(best[i]);
      }
      choose(0, 0);
      balances.clear();
      return best;
    }

    private void choose(int at, double value) {
      if (value + possible[at] <= bestValue + 1e-9 || steps++ > MOST_STEPS) {
        return;
      }
      if (at == now.length) {
        best = now.clone();
        bestValue = value;
        return;
      }
      var wanting = together.get(at);
      for (var n = 0; n < wanting.options(); n++) {
        var composition = wanting.compositions().get(n);
        if (clash(composition, TAKEN) == null) {
          now[at] = n;
          take(wanting.receipt(), composition, 1);
          choose(at + 1, value + wanting.value(n));
          take(wanting.receipt(), composition, -1);
        }
      }
      now[at] = -1;
      choose(at + 1, value);
    }
  }

  /** What is taken by others stands behind the chosen one, so that the first never collide. */
  private Assigned ranked(Wanting wanting, int choice) {
    var notes = new ArrayList<Evidence>();
    var twice = choice >= 0 && wanting.compositions().get(choice).paidTwice();
    if (choice >= 0) {
      take(wanting.receipt(), wanting.compositions().get(choice), -1);
    }
    var behind = new ArrayList<Composition>();
    for (var n = 0; n < wanting.compositions().size(); n++) {
      var composition = wanting.compositions().get(n);
      var clash = n == choice ? null : clash(composition, twice ? PAID_ALREADY : TAKEN);
      if (clash != null && notes.isEmpty()) {
        notes.add(new Evidence(clash.code(), wanted(composition).orElseThrow(), 0));
      }
      if (n != choice) {
        behind.add(clash == null ? composition : composition.with(clash));
      }
    }
    if (choice < 0) {
      return new Assigned(List.of(), notes);
    }
    take(wanting.receipt(), wanting.compositions().get(choice), 1);
    behind.sort(Composition.BEST_FIRST);
    var ranked = new ArrayList<Composition>();
    ranked.add(wanting.compositions().get(choice));
    ranked.addAll(behind);
    return new Assigned(ranked, List.of());
  }

  private Evidence clash(Composition composition, double weight) {
    return wanted(composition)
        .map(says -> new Evidence("batch.taken", "but " + says, weight))
        .orElse(null);
  }

  /** Whose item of these another receipt wants. */
  private Optional<String> wanted(Composition composition) {
    for (var part : composition.parts()) {
      var item = part.candidate().item();
      var balance = balances.get(item.id());
      if (balance != null && Math.abs(part.amount()) > Math.abs(balance.left)) {
        return Optional.of(
            item.number()
                + " is wanted by the "
                + MoneyText.grouped(balance.takenBy.amount())
                + " of "
                + DayText.of(balance.takenBy.receivedOn())
                + " as well");
      }
    }
    return Optional.empty();
  }

  /** Takes the parts of the items' balances, or gives them back where {@code sign} is -1. */
  private void take(Receipt receipt, Composition composition, int sign) {
    for (var part : composition.parts()) {
      var balance =
          balances.computeIfAbsent(
              part.candidate().item().id(), i -> new Balance(part.candidate().open()));
      balance.left -= sign * part.amount();
      if (sign > 0) {
        balance.takenBy = receipt;
      }
    }
  }
}

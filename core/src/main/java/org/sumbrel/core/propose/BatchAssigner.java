package org.sumbrel.core.propose;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.sumbrel.core.money.MoneyText;
import org.sumbrel.core.receivables.DayText;
import org.sumbrel.core.receivables.Receipt;

/**
 * Fifth stage: makes sure that first explanations, all receipts taken together, use no open item
 * beyond its balance. This first version hands items out by weight, then by booking date; a receipt
 * that comes too late keeps its explanation only behind another one, or as a note.
 */
final class BatchAssigner {

  private static final Comparator<Wanting> STRONGEST_THEN_EARLIEST =
      Comparator.<Wanting>comparingLong(w -> -Math.round(w.best() * 100))
          .thenComparing(w -> w.receipt().receivedOn())
          .thenComparing(w -> w.receipt().id());
  private static final double TAKEN = -4.0;

  /** A receipt with what may explain it, best first. */
  record Wanting(Receipt receipt, List<Composition> compositions) {
    double best() {
      return compositions.isEmpty() ? Double.NEGATIVE_INFINITY : compositions.get(0).weight();
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
    var assigner = new BatchAssigner();
    var result = new HashMap<String, Assigned>();
    all.stream()
        .sorted(STRONGEST_THEN_EARLIEST)
        .forEach(w -> result.put(w.receipt().id(), assigner.assign(w)));
    return result;
  }

  private Assigned assign(Wanting wanting) {
    var free = new ArrayList<Composition>();
    var taken = new ArrayList<Composition>();
    var notes = new ArrayList<Evidence>();
    for (var composition : wanting.compositions()) {
      var clash = clash(composition);
      if (clash == null) {
        free.add(composition);
      } else {
        taken.add(composition.with(clash));
        if (taken.size() == 1) {
          notes.add(clash);
        }
      }
    }
    if (free.isEmpty()) {
      return new Assigned(List.of(), notes);
    }
    take(wanting.receipt(), free.get(0));
    // what is taken stands behind the first, so that the first never collides
    var behind = new ArrayList<>(free.subList(1, free.size()));
    behind.addAll(taken);
    behind.sort(Composition.BEST_FIRST);
    var ranked = new ArrayList<Composition>();
    ranked.add(free.get(0));
    ranked.addAll(behind);
    return new Assigned(ranked, List.of());
  }

  private Evidence clash(Composition composition) {
    for (var part : composition.parts()) {
      var item = part.candidate().item();
      var balance = balances.get(item.id());
      if (balance != null && Math.abs(part.amount()) > Math.abs(balance.left)) {
        return new Evidence(
            "batch.taken",
            "but "
                + item.number()
                + " is wanted by the "
                + MoneyText.grouped(balance.takenBy.amount())
                + " of "
                + DayText.of(balance.takenBy.receivedOn())
                + " as well",
            TAKEN);
      }
    }
    return null;
  }

  private void take(Receipt receipt, Composition composition) {
    for (var part : composition.parts()) {
      var balance =
          balances.computeIfAbsent(
              part.candidate().item().id(), i -> new Balance(part.candidate().open()));
      balance.left -= part.amount();
      balance.takenBy = receipt;
    }
  }
}

package org.sumbrel.core.sums;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.Deque;
import java.util.List;
import java.util.Optional;

/**
 * The sets of some amounts that come to a sum exactly and are worth most.
 *
 * <p>Let each amount {@code a} be worth {@code v}. For the price {@code p} of one minor unit at
 * which the sum would be met if amounts could be divided (the dual of the linear relaxation,
 * Dantzig 1957), an amount that is worth more than it costs, {@code v > p a}, is taken at first.
 * Every exact set then differs from that start by some changes, of which each costs {@code |v - p
 * a|}, and its worth is the start's bound less those costs. So the best sets are those with the
 * cheapest changes that make up what is missing. Of many amounts this is done for each number of
 * them apart, which has a price of its own: as every further amount makes a set less likely, the
 * bounds become much closer.
 *
 * <p>They are looked for under a limit of cost that grows until the sets wanted cost less than it,
 * for then no cheaper one can be missing. Under a limit, the changes of a set, from the dearest to
 * the cheapest, are cut where they come to half of the limit: what is before the cut and what is
 * behind it cost no more than half the limit each, so that few of either exist, and the two are met
 * in the middle by their sums (Horowitz and Sahni 1974). The change at the cut is cheaper than all
 * before it and dearer than all behind it, so that every set is met once. Of few amounts, every
 * second change is before the cut instead, whatever it costs.
 *
 * <p>The work is counted in steps, so that the result is the same on every machine.
 */
public final class ExactSets {

  private static final double GROWTH = 1.2;
  private static final double SMALLEST = 1e-9;

  /** So few amounts are not worth telling apart by their number. */
  private static final int FEW = 24;

  /** By how much more a search under a larger limit must look at to be worth beginning. */
  private static final double EACH_TIME = 2;

  /** Once the best set is proven, further ones are looked for with this part of the budget. */
  private static final int FURTHER = 10;

  private static final Comparator<Chosen> BEST_FIRST =
      Comparator.comparingDouble(Chosen::value)
          .reversed()
          .thenComparing(Chosen::indices, Arrays::compare);

  private final long[] amounts;
  private final double[] values;
  private final long target;
  private final int most;
  private final double floor;
  private final Work work;

  /** Those whose bounds were above the bar so far: of each number of amounts the tightest first. */
  private final List<List<SetRelaxation>> relaxations = new ArrayList<>();

  /** All numbers of amounts at once, where that is feasible in halves. */
  private Optional<SetRelaxation> halves = Optional.empty();

  /** Those of fewer amounts and of more, nearest first; bounds only fall in either direction. */
  private final Deque<Side> sides = new ArrayDeque<>();

  /** The next number of amounts in one direction, with its relaxation. */
  private final class Side {
    private final int by;
    private int count;
    private List<SetRelaxation> next;

    Side(int count, int by) {
      this.by = by;
      at(count);
    }

    private void at(int number) {
      count = number;
      next =
          number < 0 || number > amounts.length
              ? List.of()
              : SetRelaxation.ofExactly(number, amounts, values, target);
    }

    /** Moves on past all whose bound is not below the bar. */
    void widen(double bar) {
      while (!next.isEmpty() && next.get(0).bound() >= bar) {
        relaxations.add(next);
        at(count + by);
      }
    }

    double bound() {
      return next.isEmpty() ? Double.NEGATIVE_INFINITY : next.get(0).bound();
    }
  }

  /**
   * Sets found.
   *
   * @param sets most valuable first; of equal ones as many as are wanted
   * @param exhaustive whether it is proven that no set is better than the first, or that there is
   *     none
   * @param steps the work that was done
   */
  public record Answer(List<Chosen> sets, boolean exhaustive, long steps) {}

  /**
   * One set.
   *
   * @param indices of the amounts, ascending
   * @param value what its amounts are worth together
   */
  public record Chosen(int[] indices, double value) {}

  /** How much has been done of what may be. */
  static final class Work {
    private final long budget;
    private long steps;

    Work(long budget) {
      this.budget = budget;
    }

    void step(int more) {
      steps += more;
    }

    long steps() {
      return steps;
    }

    boolean done() {
      return steps >= budget;
    }

    /** The count at which half of what is left now will have been used. */
    long half() {
      return steps + (budget - steps) / 2;
    }
  }

  private ExactSets(
      long[] amounts, double[] values, long target, int most, double floor, long budget) {
    this.amounts = amounts;
    this.values = values;
    this.target = target;
    this.most = most;
    this.floor = floor;
    this.work = new Work(budget);
  }

  /**
   * Finds the most valuable sets.
   *
   * @param amounts in minor units, none of them zero
   * @param values what it is worth to take the amount of the same place
   * @param target what a set must come to
   * @param most how many sets are wanted
   * @param floor sets worth less are of no interest
   * @param budget how many steps may be taken
   */
  public static Answer find(
      long[] amounts, double[] values, long target, int most, double floor, long budget) {
    return new ExactSets(amounts, values, target, most, floor, budget).run();
  }

  private Answer run() {
    var ofAny = SetRelaxation.ofAny(amounts, values, target);
    if (ofAny.isEmpty()) {
      return new Answer(List.of(), true, 0);
    }
    var few = amounts.length <= FEW;
    halves = ofAny.filter(SetRelaxation::halved);
    if (few || !SetRelaxation.canCount(amounts, target)) {
      relaxations.add(List.of(ofAny.get()));
    } else {
      // the best divided set has as many as it starts with, or a part of one more
      var likeliest = ofAny.get().likeliestCount();
      sides.add(new Side(likeliest, -1));
      sides.add(new Side(likeliest + 1, 1));
    }
    var highest =
        relaxations.isEmpty()
            ? sides.stream().mapToDouble(Side::bound).max().orElseThrow()
            : ofAny.get().bound();
    sides.forEach(side -> side.widen(highest));
    return relaxations.isEmpty() ? new Answer(List.of(), true, 0) : search(highest);
  }

  private Answer search(double highest) {
    var limit = relaxations.stream().mapToDouble(r -> r.get(0).firstLimit()).min().orElseThrow();
    var best = List.<Chosen>of();
    var last = Double.NEGATIVE_INFINITY;
    var expectedBefore = 0.0;
    while (true) {
      // all sets that are worth more than this are looked for
      var bar = Math.max(floor, highest - limit);
      sides.forEach(side -> side.widen(bar));
      var searches = searches(bar);
      var expected = searches.stream().mapToDouble(Search::expected).sum();
      var worthwhile = expected >= EACH_TIME * expectedBefore || bar <= Math.max(floor, last);
      if (worthwhile) {
        expectedBefore = expected;
        var found = new ArrayList<Chosen>();
        for (var search : searches) {
          var sets = new SetsWithin(search.relaxed(), search.within(), floor, most, work);
          var lasted = sets.run();
          found.addAll(sets.chosen());
          if (!lasted) {
            // the last limit that was searched to its end is what is proven
            return new Answer(best.isEmpty() ? first(found) : best, false, work.steps());
          }
        }
        best = first(found);
        // sets worth less than the bar are met now and then, but not all of them
        last = best.size() < most ? Double.NEGATIVE_INFINITY : best.get(most - 1).value();
        var first = best.isEmpty() ? Double.NEGATIVE_INFINITY : best.get(0).value();
        if (last >= bar
            || bar <= floor
            || isAll(searches)
            || first >= bar && work.steps() > work.budget / FURTHER) {
          return new Answer(best, true, work.steps());
        }
      }
      limit = Math.min(limit * GROWTH, highest - last) + SMALLEST;
    }
  }

  /**
   * One relaxation searched up to a limit.
   *
   * @param expected about how many sets of changes will be looked at
   */
  private record Search(SetRelaxation relaxed, double within, double expected) {}

  private List<Search> searches(double bar) {
    var searches =
        relaxations.stream()
            .filter(ways -> ways.get(0).bound() >= bar)
            .map(ways -> cheapest(ways, bar))
            .toList();
    // where nearly all would have to be looked at, halves of all are less
    var expected = searches.stream().mapToDouble(Search::expected).sum();
    return halves
        .filter(all -> all.bound() >= bar)
        .map(all -> cheapest(List.of(all), bar))
        .filter(all -> all.expected() < expected)
        .map(List::of)
        .orElse(searches);
  }

  /** Whether there are no other sets, whatever they cost. */
  private boolean isAll(List<Search> searches) {
    var halved = searches.size() == 1 && searches.get(0).relaxed().halved();
    return (halved
            || sides.stream().allMatch(side -> side.next.isEmpty())
                && searches.size() == relaxations.size())
        && searches.stream().allMatch(s -> s.relaxed().allCosts() <= s.within());
  }

  /** Of the ways to relax the same, the one that leaves least to search above the bar. */
  private static Search cheapest(List<SetRelaxation> ways, double bar) {
    return ways.stream()
        .map(way -> new Search(way, way.bound() - bar, way.expected(way.bound() - bar)))
        .min(Comparator.comparingDouble(Search::expected))
        .orElseThrow();
  }

  private List<Chosen> first(List<Chosen> found) {
    return found.stream().sorted(BEST_FIRST).limit(most).toList();
  }
}

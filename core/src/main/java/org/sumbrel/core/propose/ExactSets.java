package org.sumbrel.core.propose;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;

/**
 * The sets of some amounts that come to a sum exactly and are worth most.
 *
 * <p>Let each amount {@code a} be worth {@code v}. For the price {@code p} of one minor unit at
 * which the sum would be met if amounts could be divided (the dual of the linear relaxation,
 * Dantzig 1957), an amount that is worth more than it costs, {@code v > p a}, is taken at first.
 * Every exact set then differs from that start by some changes, of which each costs {@code |v - p
 * a|}, and its worth is the start's bound less those costs. So the best sets are those with the
 * cheapest changes that make up what is missing. Half of the possible changes, and the other half,
 * are put together to all sums that cost no more than a limit; the halves are met in the middle
 * (Horowitz and Sahni 1974); the limit grows until the sets wanted cost less than it, for then no
 * cheaper one can be missing.
 *
 * <p>The work is counted in steps, so that the result is the same on every machine.
 */
public final class ExactSets {

  private static final double GROWTH = 1.3;

  /** The first limit is this part of the dearest that is of interest. */
  private static final double FIRST = 16;

  private static final double SMALLEST = 1e-9;
  private static final int MOST_CHANGES = 64;
  private static final int KEEPING = 50;

  /** Once the best set is proven, further ones are looked for with this part of the budget. */
  private static final int FURTHER = 10;

  private final long[] amounts;
  private final double[] values;
  private final long target;
  private final int most;
  private final double floor;
  private final long budget;

  private double bound;
  private boolean[] start;
  private double[] costs;
  private long missing;
  private long steps;

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

  private ExactSets(
      long[] amounts, double[] values, long target, int most, double floor, long budget) {
    this.amounts = amounts;
    this.values = values;
    this.target = target;
    this.most = most;
    this.floor = floor;
    this.budget = budget;
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
    if (!divide()) {
      return new Answer(List.of(), true, steps);
    }
    var order =
        IntStream.range(0, amounts.length)
            .boxed()
            .sorted(Comparator.comparingDouble((Integer i) -> costs[i]).thenComparing(i -> i))
            .mapToInt(Integer::intValue)
            .toArray();
    // every second change into each half, so that both have cheap ones and dear ones
    var evens = half(order, 0);
    var odds = half(order, 1);
    var left = new Half(evens, odds);
    var right = new Half(odds, evens);
    var dearest = bound - floor;
    var limit = Math.max(dearest / FIRST, firstLimit(order));
    var best = List.<Chosen>of();
    while (true) {
      var within = Math.min(limit, dearest);
      var round = new Round(left, right, within);
      if (!round.run()) {
        // the last limit that was searched to its end is what is proven
        var found = best.size() >= round.found.size() ? best : round.chosen();
        return new Answer(found, false, steps);
      }
      best = round.chosen();
      // halves that each keep to the limit may together cost twice as much: that is not proven yet
      var first = best.isEmpty() ? Double.POSITIVE_INFINITY : bound - best.get(0).value();
      var last = best.size() < most ? Double.POSITIVE_INFINITY : bound - best.get(most - 1).value();
      var all = last <= within || round.complete || within >= dearest;
      if (all || first <= within && steps > budget / FURTHER) {
        return new Answer(best, true, steps);
      }
      limit = Math.min(limit * GROWTH, last) + SMALLEST;
    }
  }

  private int[] half(int[] order, int from) {
    return IntStream.range(0, order.length).filter(i -> i % 2 == from).map(i -> order[i]).toArray();
  }

  private double firstLimit(int[] order) {
    var sum = 0.0;
    for (var i = 0; i < order.length && (i < 4 || sum <= SMALLEST); i++) {
      sum += costs[order[i]];
    }
    return Math.max(sum, SMALLEST);
  }

  /**
   * Finds the price of a minor unit and what it makes of each amount.
   *
   * @return false where all amounts together cannot come to the sum
   */
  private boolean divide() {
    var count = amounts.length;
    var sum = 0L;
    var least = 0L;
    for (var amount : amounts) {
      sum += Math.max(0, amount);
      least += Math.min(0, amount);
    }
    if (target > sum || target < least || count == 0) {
      return false;
    }
    var prices =
        IntStream.range(0, count)
            .boxed()
            .sorted(
                Comparator.comparingDouble((Integer i) -> values[i] / amounts[i])
                    .thenComparing(i -> i))
            .toList();
    var price = 0.0;
    for (var i : prices) {
      price = values[i] / amounts[i];
      sum -= Math.abs(amounts[i]);
      if (sum <= target) {
        break;
      }
    }
    start = new boolean[count];
    costs = new double[count];
    bound = price * target;
    missing = target;
    for (var i = 0; i < count; i++) {
      var gain = values[i] - price * amounts[i];
      start[i] = gain > SMALLEST;
      costs[i] = Math.abs(gain) <= SMALLEST ? 0 : Math.abs(gain);
      if (start[i]) {
        bound += gain;
        missing -= amounts[i];
      }
    }
    return true;
  }

  private long change(int item) {
    return start[item] ? -amounts[item] : amounts[item];
  }

  /** One half of the changes. */
  private final class Half {
    private final int[] items;

    /** What the changes from a place on, and all of the other half, can make more and less. */
    private final long[] more;

    private final long[] less;

    Half(int[] items, int[] others) {
      this.items = items;
      this.more = new long[items.length + 1];
      this.less = new long[items.length + 1];
      for (var other : others) {
        more[items.length] += Math.max(0, change(other));
        less[items.length] += Math.min(0, change(other));
      }
      for (var i = items.length - 1; i >= 0; i--) {
        more[i] = more[i + 1] + Math.max(0, change(items[i]));
        less[i] = less[i + 1] + Math.min(0, change(items[i]));
      }
    }
  }

  /** All sums of one half's changes that cost no more than a limit, and how they came about. */
  private final class Sums {
    private final int[] items;
    private final Half half;
    private final double within;
    private long[] sums = new long[64];
    private double[] spent = new double[64];
    private int[] parent = new int[64];
    private int[] item = new int[64];
    private int size;
    private long allowed;
    private boolean complete = true;

    Sums(Half half, double within) {
      this.items = half.items;
      this.half = half;
      this.within = within;
    }

    /**
     * @return false where the budget did not last
     */
    boolean fill() {
      // what is left is for this half, the other, and their meeting
      allowed = steps + (budget - steps) / 3;
      add(0, 0, -1, -1);
      return extend(0, 0, 0);
    }

    private boolean extend(int node, int from, int depth) {
      if (depth == MOST_CHANGES) {
        return false;
      }
      for (var i = from; i < items.length; i++) {
        var cost = spent[node] + costs[items[i]];
        if (cost > within) {
          complete = false;
          return true;
        }
        var sum = sums[node] + change(items[i]);
        if (sum + half.less[i + 1] > missing || sum + half.more[i + 1] < missing) {
          continue;
        }
        if (steps >= allowed) {
          return false;
        }
        steps++;
        var next = add(sum, cost, node, items[i]);
        if (!extend(next, i + 1, depth + 1)) {
          return false;
        }
      }
      return true;
    }

    private int add(long sum, double cost, int from, int changed) {
      if (size == sums.length) {
        var longer = 2 * size;
        sums = Arrays.copyOf(sums, longer);
        spent = Arrays.copyOf(spent, longer);
        parent = Arrays.copyOf(parent, longer);
        item = Arrays.copyOf(item, longer);
      }
      sums[size] = sum;
      spent[size] = cost;
      parent[size] = from;
      item[size] = changed;
      return size++;
    }

    private void mark(int node, BitSet changed) {
      for (var at = node; item[at] >= 0; at = parent[at]) {
        changed.set(item[at]);
      }
    }
  }

  /** The search under one limit. */
  private final class Round {
    private final Sums left;
    private final Sums right;
    private final double within;
    private final List<Chosen> found = new ArrayList<>();
    private double dearestKept = Double.POSITIVE_INFINITY;
    private boolean complete;

    Round(Half left, Half right, double within) {
      this.left = new Sums(left, within);
      this.right = new Sums(right, within);
      this.within = within;
    }

    /**
     * @return false where the budget did not last
     */
    boolean run() {
      var lasted = left.fill() & right.fill();
      var met = meet();
      complete = left.complete && right.complete;
      return lasted && met;
    }

    private boolean meet() {
      var index = new SumIndex(left.sums, left.size);
      for (var r = 0; r < right.size; r++) {
        for (var l = index.first(missing - right.sums[r]); l >= 0; l = index.next(l)) {
          if (steps >= budget) {
            return false;
          }
          steps++;
          var cost = left.spent[l] + right.spent[r];
          if (cost < dearestKept) {
            keep(l, r);
          }
        }
      }
      return true;
    }

    private void keep(int l, int r) {
      // to write a set down costs more than to look at a sum
      steps += KEEPING;
      var changed = new BitSet(amounts.length);
      left.mark(l, changed);
      right.mark(r, changed);
      var indices =
          IntStream.range(0, amounts.length).filter(i -> start[i] != changed.get(i)).toArray();
      var value = Arrays.stream(indices).mapToDouble(i -> values[i]).sum();
      if (indices.length > 0 && value >= floor - SMALLEST) {
        found.add(new Chosen(indices, value));
      }
      if (found.size() >= 4 * most + 16) {
        var kept = chosen();
        found.clear();
        found.addAll(kept);
        dearestKept = bound - kept.get(kept.size() - 1).value() - SMALLEST;
      }
    }

    List<Chosen> chosen() {
      return found.stream()
          .sorted(
              Comparator.comparingDouble(Chosen::value)
                  .reversed()
                  .thenComparing(Chosen::indices, Arrays::compare))
          .limit(most)
          .toList();
    }
  }

  /** Finds the places of a sum among many. */
  private static final class SumIndex {
    private final long[] sums;
    private final int[] heads;
    private final int[] nexts;

    SumIndex(long[] sums, int size) {
      this.sums = sums;
      this.heads = new int[Integer.highestOneBit(Math.max(16, size)) * 2];
      this.nexts = new int[size];
      Arrays.fill(heads, -1);
      for (var i = size - 1; i >= 0; i--) {
        var slot = slot(sums[i]);
        nexts[i] = heads[slot];
        heads[slot] = i;
      }
    }

    private int slot(long sum) {
      var mixed = sum * 0x9E3779B97F4A7C15L;
      return (int) (mixed >>> 40) & heads.length - 1;
    }

    int first(long sum) {
      return matching(heads[slot(sum)], sum);
    }

    int next(int place) {
      return matching(nexts[place], sums[place]);
    }

    private int matching(int place, long sum) {
      var at = place;
      while (at >= 0 && sums[at] != sum) {
        at = nexts[at];
      }
      return at;
    }
  }
}

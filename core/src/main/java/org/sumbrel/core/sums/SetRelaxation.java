package org.sumbrel.core.sums;

import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;

/**
 * What the best set would be if amounts could be divided: a start, what each change of it costs,
 * and a bound that no exact set exceeds. Either of any number of amounts, or of a given number,
 * which then has a price of its own.
 */
final class SetRelaxation {

  private static final double SMALLEST = 1e-9;

  /** Of so many amounts the halves are small whatever anything costs. */
  private static final int HALVED = 44;

  private static final int ROUNDS = 45;

  /** Of sets of more changes not even the number is estimated. */
  private static final int MOST_COUNTED = 6;

  private static final int GRID = 20;

  /**
   * What so many amounts can come to.
   *
   * @param largest by a number, what that many of the largest come to
   * @param smallest the same of the smallest
   */
  private record Reach(int count, long target, long[] largest, long[] smallest) {

    static final Reach ANY = new Reach(-1, 0, new long[0], new long[0]);

    static Reach of(int count, long[] amounts, long target) {
      var sorted = amounts.clone();
      Arrays.sort(sorted);
      var largest = new long[count + 1];
      var smallest = new long[count + 1];
      for (var n = 0; n < count; n++) {
        largest[n + 1] = largest[n] + sorted[sorted.length - 1 - n];
        smallest[n + 1] = smallest[n] + sorted[n];
      }
      return new Reach(count, target, largest, smallest);
    }

    /** Whether so many amounts that come to a sum can still be made up to the target. */
    boolean holds(int taken, long sum) {
      var left = count - taken;
      return left >= 0 && sum + largest[left] >= target && sum + smallest[left] <= target;
    }

    boolean excludes(long amount) {
      return count > 0 && !holds(1, amount);
    }
  }

  private final Reach reach;
  private final double[] values;
  private final boolean[] start;
  private final double[] costs;
  private final long[] changes;
  private final double bound;
  private final long missing;
  private final int[] order;
  private final boolean halved;
  private final long weight;

  /** How many amounts more than those of the start there are to be. */
  private final int further;

  /** What it costs at least to leave so many out of the start, and to add so many to it. */
  private final double[] leaving;

  private final double[] adding;

  /** What the dearest, the two dearest and so on cost. */
  private final double[] dearest;

  /**
   * @param price of a minor unit
   * @param each the price of taking any amount at all
   * @param start what is taken at first
   * @param weight what every amount counts more in sums, so that those of other numbers of amounts
   *     are never equal
   */
  private SetRelaxation(
      long[] amounts,
      double[] values,
      long target,
      double price,
      double each,
      boolean[] start,
      long weight,
      int count,
      Reach reach) {
    this.values = values;
    this.reach = reach;
    this.start = start;
    this.costs = new double[amounts.length];
    this.changes = new long[amounts.length];
    var sum = price * target;
    var left = target;
    var further = count;
    for (var i = 0; i < amounts.length; i++) {
      var gain = values[i] - price * amounts[i] - each;
      costs[i] =
          !start[i] && reach.excludes(amounts[i])
              ? Double.POSITIVE_INFINITY
              : Math.abs(gain) <= SMALLEST ? 0 : Math.abs(gain);
      changes[i] = start[i] ? -amounts[i] - weight : amounts[i] + weight;
      if (start[i]) {
        sum += gain;
        left -= amounts[i];
        further--;
      }
    }
    sum += each * count;
    this.further = further;
    this.weight = weight;
    this.dearest = running(Arrays.stream(costs).filter(Double::isFinite).map(c -> -c).toArray());
    for (var i = 0; i < dearest.length; i++) {
      dearest[i] = -dearest[i];
    }
    this.leaving = cheapest(true);
    this.adding = cheapest(false);
    this.bound = sum;
    this.missing = left + weight * further;
    this.halved = weight == 0 && amounts.length <= HALVED;
    this.order = halved ? interleaved(byCost()) : byCost();
  }

  private double[] cheapest(boolean starting) {
    return running(
        IntStream.range(0, costs.length)
            .filter(i -> start[i] == starting)
            .mapToDouble(i -> costs[i])
            .toArray());
  }

  /** What the least, the two least and so on come to. */
  private static double[] running(double[] of) {
    Arrays.sort(of);
    var sums = new double[of.length + 1];
    for (var i = 0; i < of.length; i++) {
      sums[i + 1] = sums[i] + of[i];
    }
    return sums;
  }

  /** For sets of any number of amounts; empty where all together cannot come to the sum. */
  static Optional<SetRelaxation> ofAny(long[] amounts, double[] values, long target) {
    var sum = Arrays.stream(amounts).filter(a -> a > 0).sum();
    var least = Arrays.stream(amounts).filter(a -> a < 0).sum();
    if (amounts.length == 0 || target > sum || target < least) {
      return Optional.empty();
    }
    var price = 0.0;
    for (var i : byRatio(amounts, values)) {
      price = values[i] / amounts[i];
      sum -= Math.abs(amounts[i]);
      if (sum <= target) {
        break;
      }
    }
    var start = new boolean[amounts.length];
    for (var i = 0; i < start.length; i++) {
      start[i] = values[i] - price * amounts[i] > SMALLEST;
    }
    return Optional.of(
        new SetRelaxation(amounts, values, target, price, 0, start, 0, 0, Reach.ANY));
  }

  private static int[] byRatio(long[] amounts, double[] values) {
    return IntStream.range(0, amounts.length)
        .boxed()
        .sorted(
            Comparator.comparingDouble((Integer i) -> values[i] / amounts[i]).thenComparing(i -> i))
        .mapToInt(Integer::intValue)
        .toArray();
  }

  /** Whether the amounts are small enough to tell numbers of them apart in their sums. */
  static boolean canCount(long[] amounts, long target) {
    return weight(amounts, target) < Long.MAX_VALUE / 4 / amounts.length;
  }

  private static long weight(long[] amounts, long target) {
    var size = Arrays.stream(amounts).map(Math::abs).sum() + Math.abs(target);
    return Long.highestOneBit(size) << 2;
  }

  /**
   * For sets of just so many amounts, each way with a start of another size: of a price that lets
   * fewer amounts begin, changes are further from the bound but need not take back what begins.
   * None where so many cannot come to the sum.
   */
  static List<SetRelaxation> ofExactly(int count, long[] amounts, double[] values, long target) {
    var reach = Reach.of(count, amounts, target);
    if (!reach.holds(0, 0)) {
      return List.of();
    }
    var n = amounts.length;
    var price = price(count, amounts, values, target);
    var gains = IntStream.range(0, n).mapToDouble(i -> values[i] - price * amounts[i]).toArray();
    var byGain =
        IntStream.range(0, n)
            .boxed()
            .sorted(Comparator.comparingDouble((Integer i) -> -gains[i]).thenComparing(i -> i))
            .mapToInt(Integer::intValue)
            .toArray();
    var weight = weight(amounts, target);
    return IntStream.of(count, count / 2, 0)
        .distinct()
        .mapToObj(
            size -> {
              var start = new boolean[n];
              Arrays.stream(byGain, 0, size).forEach(i -> start[i] = true);
              var last = gains[byGain[Math.max(0, size - 1)]];
              var next = gains[byGain[Math.min(n - 1, size)]];
              var each = size == 0 ? next : (last + next) / 2;
              return new SetRelaxation(
                  amounts, values, target, price, each, start, weight, count, reach);
            })
        .toList();
  }

  /** At which so many amounts that gain most come to the sum, as nearly as can be. */
  private static double price(int count, long[] amounts, double[] values, long target) {
    // the more a minor unit costs, the less the amounts taken come to: halve until they meet it
    var high = 2 * (Arrays.stream(values).map(Math::abs).max().orElse(1) + 1);
    var low = -high;
    var gains = new double[amounts.length];
    var dear = take(count, amounts, values, high, gains);
    var cheap = take(count, amounts, values, low, gains);
    for (var round = 0; round < ROUNDS; round++) {
      var swapped = swapPrice(amounts, values, cheap, dear);
      if (!Double.isNaN(swapped)) {
        return swapped;
      }
      var price = (low + high) / 2;
      var taken = take(count, amounts, values, price, gains);
      var sum = sum(amounts, taken);
      if (sum == target) {
        return price;
      }
      if (sum > target) {
        low = price;
        cheap = taken;
      } else {
        high = price;
        dear = taken;
      }
    }
    return high;
  }

  /** Where one amount only takes the place of another, the price at which both gain as much. */
  private static double swapPrice(
      long[] amounts, double[] values, boolean[] cheap, boolean[] dear) {
    var leaves = -1;
    var comes = -1;
    for (var i = 0; i < cheap.length; i++) {
      if (cheap[i] != dear[i]) {
        if (cheap[i] ? leaves >= 0 : comes >= 0) {
          return Double.NaN;
        }
        leaves = cheap[i] ? i : leaves;
        comes = cheap[i] ? comes : i;
      }
    }
    return leaves < 0 || comes < 0 || amounts[leaves] == amounts[comes]
        ? Double.NaN
        : (values[leaves] - values[comes]) / (amounts[leaves] - amounts[comes]);
  }

  /** The amounts that gain most at a price. */
  private static boolean[] take(
      int count, long[] amounts, double[] values, double price, double[] gains) {
    for (var i = 0; i < gains.length; i++) {
      gains[i] = values[i] - price * amounts[i];
    }
    var taken = new boolean[gains.length];
    if (count == 0) {
      return taken;
    }
    var sorted = gains.clone();
    Arrays.sort(sorted);
    var bar = sorted[sorted.length - count];
    var left = count;
    for (var i = 0; i < taken.length; i++) {
      if (gains[i] > bar) {
        taken[i] = true;
        left--;
      }
    }
    for (var i = 0; i < taken.length && left > 0; i++) {
      if (gains[i] == bar) {
        taken[i] = true;
        left--;
      }
    }
    return taken;
  }

  private static long sum(long[] amounts, boolean[] taken) {
    var sum = 0L;
    for (var i = 0; i < taken.length; i++) {
      sum += taken[i] ? amounts[i] : 0;
    }
    return sum;
  }

  private int[] byCost() {
    return IntStream.range(0, costs.length)
        .boxed()
        .sorted(Comparator.comparingDouble((Integer i) -> costs[i]).thenComparing(i -> i))
        .mapToInt(Integer::intValue)
        .toArray();
  }

  /** Every second change into each half, so that both have cheap ones and dear ones. */
  private static int[] interleaved(int[] byCost) {
    var count = byCost.length;
    return IntStream.range(0, count)
        .map(i -> 2 * i < count ? 2 * i : 2 * (i - (count + 1) / 2) + 1)
        .map(i -> byCost[i])
        .toArray();
  }

  /** What no exact set is worth more than. */
  double bound() {
    return bound;
  }

  /** How much the start's sum and number fall short of what is wanted, as changes count them. */
  long missing() {
    return missing;
  }

  /**
   * What it costs at least to come to the number of amounts from changes of this sum; without end
   * where no further change can make up the sum.
   */
  double evening(long sum) {
    if (weight == 0) {
      return 0;
    }
    var taken = (int) Math.floorDiv(sum + weight / 2, weight);
    if (further == reach.count() && !reach.holds(taken, sum - taken * weight)) {
      return Double.POSITIVE_INFINITY;
    }
    var more = taken - further;
    var sums = more > 0 ? leaving : adding;
    return Math.abs(more) < sums.length ? sums[Math.abs(more)] : Double.POSITIVE_INFINITY;
  }

  /** About how many sets of changes a search under a limit looks at. */
  double expected(double within) {
    if (halved) {
      var half = (order.length + 1) / 2;
      return sets(0, half, half, within) + sets(half, order.length, half, within);
    }
    return sets(
        0,
        order.length,
        Math.min(MOST_COUNTED, number() > 0 ? (number() + 1) / 2 : order.length),
        within / 2);
  }

  /** About how many sets of so many changes of some ranks cost no more than a limit. */
  private double sets(int from, int to, int most, double within) {
    var sets = new double[most + 1][GRID + 1];
    sets[0][0] = 1;
    for (var rank = from; rank < to && costs[order[rank]] <= within; rank++) {
      var at = (int) Math.ceil(costs[order[rank]] / within * GRID);
      for (var size = Math.min(most, rank - from + 1); size > 0 && at <= GRID; size--) {
        for (var spent = at; spent <= GRID; spent++) {
          sets[size][spent] += sets[size - 1][spent - at];
        }
      }
    }
    var all = 0.0;
    for (var ofSize : sets) {
      for (var some : ofSize) {
        all += some;
      }
    }
    return all;
  }

  /** How many changes every set has, where that is given and the start is empty; else 0. */
  int number() {
    return weight > 0 && further == reach.count() ? further : 0;
  }

  /** What so many of the dearest changes cost that a set may have. */
  double dearest(int count) {
    return dearest[Math.min(count, dearest.length - 1)];
  }

  boolean starts(int item) {
    return start[item];
  }

  /** How many amounts the best divided set has, a part of one more left out. */
  int likeliestCount() {
    var count = 0;
    for (var taken : start) {
      count += taken ? 1 : 0;
    }
    var left = missing;
    for (var i = 0; i < start.length; i++) {
      // what costs nothing to take fills up
      if (!start[i] && costs[i] == 0 && Math.abs(left - changes[i]) < Math.abs(left)) {
        left -= changes[i];
        count++;
      }
    }
    return count;
  }

  double cost(int item) {
    return costs[item];
  }

  /** What a change adds to the sum, and to the number where that is given. */
  long change(int item) {
    return changes[item];
  }

  double value(int item) {
    return values[item];
  }

  /** The changes in the order in which they are looked at. */
  int[] order() {
    return order;
  }

  /** Whether every second change is before the cut, whatever it costs. */
  boolean halved() {
    return halved;
  }

  /** What a few of the cheapest changes cost together: a limit to begin with. */
  double firstLimit() {
    var sorted = costs.clone();
    Arrays.sort(sorted);
    var sum = 0.0;
    for (var i = 0; i < sorted.length && (i < 4 || sum <= SMALLEST); i++) {
      sum += sorted[i];
    }
    return Math.max(sum, SMALLEST);
  }

  /** What all changes cost together: no set costs more. */
  double allCosts() {
    return Arrays.stream(costs).sum();
  }
}

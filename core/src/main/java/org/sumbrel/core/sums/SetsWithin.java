package org.sumbrel.core.sums;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;
import org.sumbrel.core.sums.ExactSets.Chosen;
import org.sumbrel.core.sums.ExactSets.Work;

/**
 * All sets whose changes cost no more than a limit: what can stand before the cut meets what can
 * stand behind it. Changes are called by their rank.
 */
final class SetsWithin {

  private static final int MOST_CHANGES = 64;
  private static final int KEEPING = 50;
  private static final double SMALLEST = 1e-9;

  private final SetRelaxation relaxed;
  private final int[] order;
  private final double within;
  private final double floor;
  private final int most;
  private final Work work;

  /** From this rank on a change is before the cut whatever it costs. */
  private final int half;

  private final boolean halved;

  /** How many changes a set has, where that is given and none is taken back; else 0. */
  private final int number;

  private final Sums sets = new Sums();

  /** What can stand behind the cut, the empty set first, and the first change of each. */
  private final Places behind = new Places();

  /** What stands before the cut and at it, and the last change of each. */
  private final Places before = new Places();

  /** What the changes below a rank can make more and less. */
  private final long[] more;

  private final long[] less;
  private final List<Chosen> found = new ArrayList<>();
  private final long allowed;
  private double dearestKept = Double.POSITIVE_INFINITY;

  /**
   * @param within what the changes of a set may cost
   * @param floor sets worth less are of no interest
   * @param most how many sets are wanted
   */
  SetsWithin(SetRelaxation relaxed, double within, double floor, int most, Work work) {
    this.relaxed = relaxed;
    this.order = relaxed.order();
    this.within = within;
    this.floor = floor;
    this.most = most;
    this.work = work;
    this.halved = relaxed.halved();
    this.number = relaxed.number();
    this.half = halved ? (order.length + 1) / 2 : order.length;
    this.more = new long[order.length + 1];
    this.less = new long[order.length + 1];
    for (var r = 0; r < order.length; r++) {
      more[r + 1] = more[r] + Math.max(0, relaxed.change(order[r]));
      less[r + 1] = less[r] + Math.min(0, relaxed.change(order[r]));
    }
    // what is left of the budget is for the sums and for their meeting
    this.allowed = work.half();
  }

  /**
   * @return false where the budget did not last
   */
  boolean run() {
    behind.add(sets.add(0, 0, -1, -1), 0);
    var lasted = true;
    for (var r = 0; r < order.length && lasted; r++) {
      lasted = extend(0, r, r, 0);
    }
    return meet() & lasted;
  }

  /**
   * Adds a change to a set of changes of higher rank, and then each of lower rank to that.
   *
   * @return false where the budget did not last
   */
  private boolean extend(int set, int changed, int first, int depth) {
    var cost = sets.spent[set] + relaxed.cost(order[changed]);
    var sum = sets.sums[set] + relaxed.change(order[changed]);
    if (cost + relaxed.evening(sum) > within) {
      return true;
    }
    if (work.steps() >= allowed || depth == MOST_CHANGES) {
      return false;
    }
    work.step(1);
    var size = depth + 1;
    var isDear = 2 * cost > within;
    var isFront = isFront(changed, size, isDear) && reaches(sum, changed);
    var isBack = isBack(changed, size, isDear);
    if (!isFront && !isBack) {
      return true;
    }
    var next = sets.add(sum, cost, set, changed);
    if (isFront) {
      before.add(next, changed);
    }
    if (isBack) {
      behind.add(next, first + 1);
      return extendFrom(next, 0, changed, first, depth);
    }
    return !halved || extendFrom(next, half, changed, first, depth);
  }

  /** Whether the cut may come behind a set of so many changes. */
  private boolean isFront(int changed, int size, boolean isDear) {
    if (number > 0) {
      // at half the number at the latest: those behind are no dearer, so they cost no more
      return isDear ? size <= (number + 1) / 2 : size == (number + 1) / 2;
    }
    return changed >= half || !halved && isDear;
  }

  /** Whether a set of so many changes may stand behind the cut. */
  private boolean isBack(int changed, int size, boolean isDear) {
    if (number > 0) {
      // more than half the number stand behind only few that are dear
      return !isDear && (size <= number / 2 || 2 * relaxed.dearest(number - size) > within);
    }
    return changed < half && (halved || !isDear);
  }

  /** Whether changes of lower rank can make up what is missing. */
  private boolean reaches(long sum, int changed) {
    return sum + more[changed] >= relaxed.missing() && sum + less[changed] <= relaxed.missing();
  }

  private boolean extendFrom(int set, int from, int to, int first, int depth) {
    for (var r = from; r < to; r++) {
      // they are cheapest first: where one is too dear the others are
      if (sets.spent[set] + relaxed.cost(order[r]) > within) {
        return true;
      }
      if (!extend(set, r, first, depth + 1)) {
        return false;
      }
    }
    return true;
  }

  /** What is before the cut meets what can be behind it, whose changes all have lower ranks. */
  private boolean meet() {
    behind.sort(order.length + 1);
    before.sort(order.length + 1);
    var index = new SumIndex(sets.sums, sets.size);
    for (var rank = 0; rank <= order.length; rank++) {
      for (var n = behind.from[rank]; n < behind.from[rank + 1]; n++) {
        var set = behind.places[n];
        index.add(set);
        // a set of a given number always has some before the cut
        if (number == 0 && sets.sums[set] == relaxed.missing() && !keepWithin(0, set)) {
          return false;
        }
      }
      for (var n = before.from[rank]; n < before.from[rank + 1]; n++) {
        if (!meet(before.places[n], index)) {
          return false;
        }
      }
    }
    return true;
  }

  private boolean meet(int front, SumIndex index) {
    var wanted = relaxed.missing() - sets.sums[front];
    for (var back = index.first(wanted); back >= 0; back = index.next(back)) {
      if (!keepWithin(front, back)) {
        return false;
      }
    }
    return true;
  }

  private boolean keepWithin(int front, int back) {
    if (work.done()) {
      return false;
    }
    work.step(1);
    if (sets.spent[front] + sets.spent[back] < dearestKept) {
      keep(front, back);
    }
    return true;
  }

  private void mark(int set, BitSet changed) {
    for (var at = set; sets.rank[at] >= 0; at = sets.parent[at]) {
      changed.set(order[sets.rank[at]]);
    }
  }

  private void keep(int front, int back) {
    // to write a set down costs more than to look at a sum
    work.step(KEEPING);
    var changed = new BitSet(order.length);
    mark(front, changed);
    mark(back, changed);
    var indices =
        IntStream.range(0, order.length).filter(i -> relaxed.starts(i) != changed.get(i)).toArray();
    var value = Arrays.stream(indices).mapToDouble(relaxed::value).sum();
    if (indices.length > 0 && value >= floor - SMALLEST) {
      found.add(new Chosen(indices, value));
    }
    if (found.size() >= 4 * most + 16) {
      var kept = chosen();
      found.clear();
      found.addAll(kept);
      dearestKept = relaxed.bound() - kept.get(kept.size() - 1).value() - SMALLEST;
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

  /** Sums of changes, and how each came about: a list that grows, in columns. */
  private static final class Sums {
    private long[] sums = new long[64];
    private double[] spent = new double[64];
    private int[] parent = new int[64];
    private int[] rank = new int[64];
    private int size;

    int add(long sum, double cost, int from, int changed) {
      if (size == sums.length) {
        var longer = 2 * size;
        sums = Arrays.copyOf(sums, longer);
        spent = Arrays.copyOf(spent, longer);
        parent = Arrays.copyOf(parent, longer);
        rank = Arrays.copyOf(rank, longer);
      }
      sums[size] = sum;
      spent[size] = cost;
      parent[size] = from;
      rank[size] = changed;
      return size++;
    }
  }

  /** Places in a list, each with a rank to sort them by. */
  private static final class Places {
    private int[] places = new int[64];
    private int[] ranks = new int[64];
    private int size;

    /** Once sorted, where each rank begins. */
    private int[] from;

    void add(int place, int rank) {
      if (size == places.length) {
        places = Arrays.copyOf(places, 2 * size);
        ranks = Arrays.copyOf(ranks, 2 * size);
      }
      places[size] = place;
      ranks[size++] = rank;
    }

    void sort(int count) {
      from = new int[count + 1];
      for (var n = 0; n < size; n++) {
        from[ranks[n] + 1]++;
      }
      for (var r = 1; r < from.length; r++) {
        from[r] += from[r - 1];
      }
      var next = from.clone();
      var sorted = new int[size];
      for (var n = 0; n < size; n++) {
        sorted[next[ranks[n]]++] = places[n];
      }
      places = sorted;
    }
  }

  /** Finds the places of a sum among those added so far. */
  private static final class SumIndex {
    private final long[] sums;
    private final int[] heads;
    private final int[] nexts;

    SumIndex(long[] sums, int size) {
      this.sums = sums;
      this.heads = new int[Integer.highestOneBit(Math.max(16, size)) * 2];
      this.nexts = new int[size];
      Arrays.fill(heads, -1);
    }

    void add(int place) {
      var slot = slot(sums[place]);
      nexts[place] = heads[slot];
      heads[slot] = place;
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

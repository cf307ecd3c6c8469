package org.sumbrel.core.propose;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;

/**
 * The subsets of some amounts that come to a sum exactly. Up to {@value #WHOLE} amounts every
 * subset is looked at, by meeting in the middle; above that every subset of up to four, or of up to
 * three where there are very many. The work is bounded by the number of amounts, not by time.
 */
final class SubsetSums {

  static final int WHOLE = 24;
  private static final int FOURS = 64;
  private static final int THREES = 400;

  /**
   * What was found.
   *
   * @param sets indices into the amounts, fewest first
   * @param exhaustive whether there can be no other
   */
  record Found(List<int[]> sets, boolean exhaustive) {}

  private final long[] amounts;
  private final long target;
  private final int most;
  private final List<int[]> sets = new ArrayList<>();

  private SubsetSums(long[] amounts, long target, int most) {
    this.amounts = amounts;
    this.target = target;
    this.most = most;
  }

  /**
   * Finds subsets of at least {@code fewest} amounts.
   *
   * @param most how many are kept, those with the fewest amounts first
   */
  static Found find(long[] amounts, long target, int fewest, int most) {
    var search = new SubsetSums(amounts, target, most);
    var exhaustive = true;
    if (amounts.length <= WHOLE) {
      search.meetInTheMiddle();
    } else if (amounts.length <= THREES) {
      search.threes();
      if (amounts.length <= FOURS) {
        search.fours();
      }
      exhaustive = false;
    } else {
      exhaustive = false;
    }
    var sets =
        search.sets.stream()
            .filter(s -> s.length >= fewest)
            .sorted(Comparator.<int[]>comparingInt(s -> s.length).thenComparing(Arrays::compare))
            .limit(most)
            .toList();
    return new Found(sets, exhaustive);
  }

  private void meetInTheMiddle() {
    var half = amounts.length / 2;
    var left = sums(0, half);
    var right = sums(half, amounts.length);
    var order = new Integer[left.length];
    Arrays.setAll(order, i -> i);
    Arrays.sort(order, Comparator.comparingLong(i -> left[i]));
    var sorted = new long[left.length];
    Arrays.setAll(sorted, i -> left[order[i]]);
    for (var mask = 0; mask < right.length && sets.size() < 50 * most; mask++) {
      var wanted = target - right[mask];
      var at = Arrays.binarySearch(sorted, wanted);
      if (at < 0) {
        continue;
      }
      while (at > 0 && sorted[at - 1] == wanted) {
        at--;
      }
      for (; at < sorted.length && sorted[at] == wanted; at++) {
        keep((long) order[at] | (long) mask << half);
      }
    }
  }

  /** The sums of all subsets of a stretch; the bit of an amount is its place in the stretch. */
  private long[] sums(int from, int to) {
    var sums = new long[1 << (to - from)];
    for (var mask = 1; mask < sums.length; mask++) {
      var lowest = Integer.numberOfTrailingZeros(mask);
      sums[mask] = sums[mask & (mask - 1)] + amounts[from + lowest];
    }
    return sums;
  }

  private void keep(long mask) {
    var set = new int[Long.bitCount(mask)];
    var at = 0;
    for (var i = 0; i < amounts.length; i++) {
      if ((mask >> i & 1) == 1) {
        set[at++] = i;
      }
    }
    sets.add(set);
  }

  private void threes() {
    var places = new HashMap<Long, List<Integer>>();
    for (var i = 0; i < amounts.length; i++) {
      places.computeIfAbsent(amounts[i], a -> new ArrayList<>(1)).add(i);
    }
    for (var i = 0; i < amounts.length; i++) {
      for (var j = i + 1; j < amounts.length; j++) {
        for (var k : places.getOrDefault(target - amounts[i] - amounts[j], List.of())) {
          if (k > j && sets.size() < 50 * most) {
            sets.add(new int[] {i, j, k});
          }
        }
      }
    }
  }

  private void fours() {
    var pairs = new HashMap<Long, List<int[]>>();
    for (var j = 0; j < amounts.length; j++) {
      for (var k = j + 1; k < amounts.length; k++) {
        for (var pair : pairs.getOrDefault(target - amounts[j] - amounts[k], List.of())) {
          if (sets.size() < 50 * most) {
            sets.add(new int[] {pair[0], pair[1], j, k});
          }
        }
      }
      // pairs that end here are met only by later ones, so that each set is found once
      for (var i = 0; i < j; i++) {
        pairs
            .computeIfAbsent(amounts[i] + amounts[j], s -> new ArrayList<>(1))
            .add(new int[] {i, j});
      }
    }
  }
}

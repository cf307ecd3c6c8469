package org.sumbrel.core.propose;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import net.jqwik.api.constraints.Size;
import org.junit.jupiter.api.Test;

class SubsetSumsTest {

  private static Set<Set<Integer>> sets(SubsetSums.Found found) {
    return found.sets().stream()
        .map(s -> Arrays.stream(s).boxed().collect(Collectors.toSet()))
        .collect(Collectors.toSet());
  }

  /**
   * Source: the subset-sum instance P01 of the collection of J. Burkardt (Florida State
   * University), eight weights of which 15, 22 and 16 make 53 (figures recalled from memory).
   */
  @Test
  void solvesAPublishedInstance() {
    var weights = new long[] {15, 22, 14, 26, 32, 9, 16, 8};
    var found = SubsetSums.find(weights, 53, 1, 50);
    assertThat(found.exhaustive()).isTrue();
    assertThat(sets(found)).contains(Set.of(0, 1, 6));
    assertThat(found.sets()).allSatisfy(s -> assertThat(sum(weights, s)).isEqualTo(53));
  }

  private static long sum(long[] amounts, int[] set) {
    return Arrays.stream(set).mapToLong(i -> amounts[i]).sum();
  }

  /** Compared with every subset tried one by one. */
  @Property(tries = 200)
  void findsEverySubsetThatComesToTheSum(
      @ForAll @Size(min = 1, max = 12) List<@IntRange(min = -40, max = 60) Integer> list,
      @ForAll @IntRange(min = 1, max = 120) int target) {
    var amounts = list.stream().mapToLong(Integer::longValue).toArray();
    var expected = new HashSet<Set<Integer>>();
    for (var mask = 1; mask < 1 << amounts.length; mask++) {
      var bits = mask;
      var set =
          IntStream.range(0, amounts.length)
              .filter(i -> (bits >> i & 1) == 1)
              .boxed()
              .collect(Collectors.toSet());
      if (set.stream().mapToLong(i -> amounts[i]).sum() == target) {
        expected.add(set);
      }
    }
    assertThat(sets(SubsetSums.find(amounts, target, 1, 5_000))).isEqualTo(expected);
  }

  /** Above the size that is searched whole, every three and every four are still found. */
  @Property(tries = 50)
  void findsEveryThreeAndFourOfMany(@ForAll @IntRange(min = 0, max = 1000) int seed) {
    var random = new java.util.Random(seed);
    var amounts = random.longs(30, 1, 5_000).toArray();
    var target = amounts[3] + amounts[11] + amounts[19] + amounts[28];
    var found = SubsetSums.find(amounts, target, 3, 5_000);
    assertThat(found.exhaustive()).isFalse();
    assertThat(sets(found)).contains(Set.of(3, 11, 19, 28));
    found.sets().forEach(s -> assertThat(sum(amounts, s)).isEqualTo(target));
  }
}

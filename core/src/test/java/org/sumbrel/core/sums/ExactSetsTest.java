package org.sumbrel.core.sums;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.google.ortools.Loader;
import com.google.ortools.sat.BoolVar;
import com.google.ortools.sat.CpModel;
import com.google.ortools.sat.CpSolver;
import com.google.ortools.sat.CpSolverStatus;
import com.google.ortools.sat.LinearExpr;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.OptionalLong;
import java.util.Random;
import java.util.stream.IntStream;
import java.util.stream.LongStream;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import net.jqwik.api.constraints.Size;
import org.junit.jupiter.api.Test;
import org.sumbrel.core.sums.ExactSets.Chosen;
import org.sumbrel.testing.TestDepth;

class ExactSetsTest {

  private static final long PLENTY = 2_000_000;

  private static double[] values(long[] amounts, long seed) {
    var random = new Random(seed);
    return Arrays.stream(amounts).mapToDouble(a -> random.nextInt(400) / 100.0 - 2).toArray();
  }

  private static long sum(long[] amounts, int[] set) {
    return Arrays.stream(set).mapToLong(i -> amounts[i]).sum();
  }

  /** Compared with every subset tried one by one: the same best values, in the same order. */
  @Property(tries = 400)
  void findsTheBestSetsThereAre(
      @ForAll @Size(min = 1, max = 12) List<@IntRange(min = -40, max = 60) Integer> list,
      @ForAll @IntRange(min = 1, max = 120) int target,
      @ForAll long seed) {
    var amounts = list.stream().mapToLong(a -> a == 0 ? 7 : a).toArray();
    var values = values(amounts, seed);
    var expected =
        IntStream.range(1, 1 << amounts.length)
            .mapToObj(
                mask ->
                    IntStream.range(0, amounts.length).filter(i -> (mask >> i & 1) == 1).toArray())
            .filter(set -> sum(amounts, set) == target)
            .map(set -> Arrays.stream(set).mapToDouble(i -> values[i]).sum())
            .filter(value -> value >= -6)
            .sorted(Comparator.reverseOrder())
            .limit(5)
            .toList();
    var found = ExactSets.find(amounts, values, target, 5, -6, PLENTY);
    assertThat(found.exhaustive()).isTrue();

    assertThat(found.sets()).hasSize(expected.size());
    for (var i = 0; i < expected.size(); i++) {
      var chosen = found.sets().get(i);
      assertThat(chosen.value()).isCloseTo(expected.get(i), within(1e-9));
      assertThat(sum(amounts, chosen.indices())).isEqualTo(target);
    }
  }

  /**
   * Source: instance P08 of the knapsack collection of J. Burkardt (Florida State University), 24
   * objects, best profit 13,549,094 (figures recalled from memory; they agree with each other). A
   * best filling is best among those of its own weight as well.
   */
  @Test
  void solvesAPublishedKnapsack() {
    var weights =
        new long[] {
          382745, 799601, 909247, 729069, 467902, 44328, 34610, 698150, 823460, 903959, 853665,
              551830,
          610856, 670702, 488960, 951111, 323046, 446298, 931161, 31385, 496951, 264724, 224916,
              169684
        };
    var profits =
        new double[] {
          825594, 1677009, 1676628, 1523970, 943972, 97426, 69666, 1296457, 1679693, 1902996,
              1844992,
          1049289, 1252836, 1319836, 953277, 2067538, 675367, 853655, 1826027, 65731, 901489,
              577243,
          466257, 369261
        };
    var best = new int[] {0, 1, 3, 4, 5, 9, 10, 12, 15, 21, 22, 23};
    var found = ExactSets.find(weights, profits, sum(weights, best), 1, 0, PLENTY);
    assertThat(found.exhaustive()).isTrue();
    assertThat(found.sets().get(0).value()).isEqualTo(13_549_094);
    assertThat(found.sets().get(0).indices()).isEqualTo(best);
  }

  /**
   * Source: the subset-sum instance P01 of the same collection, eight weights of which 15, 22 and
   * 16 make 53 (figures recalled from memory).
   */
  @Test
  void solvesAPublishedSubsetSum() {
    var weights = new long[] {15, 22, 14, 26, 32, 9, 16, 8};
    var equal = new double[weights.length];
    var found = ExactSets.find(weights, equal, 53, 50, -1, PLENTY);
    assertThat(found.exhaustive()).isTrue();
    assertThat(found.sets().stream().map(Chosen::indices))
        .anySatisfy(set -> assertThat(set).containsExactly(0, 1, 6));
  }

  @Test
  void hasNothingToSayOfASumOutOfReach() {
    var found = ExactSets.find(new long[] {10, 20}, new double[] {1, 1}, 31, 5, -9, PLENTY);
    assertThat(found.sets()).isEmpty();
    assertThat(found.exhaustive()).isTrue();
    assertThat(ExactSets.find(new long[0], new double[0], 5, 5, -9, PLENTY).exhaustive()).isTrue();
  }

  /** Where even divided amounts are worth less than is of interest, there is nothing. */
  @Test
  void findsNothingBelowTheFloor() {
    var amounts = LongStream.rangeClosed(1, 30).map(n -> n * 100).toArray();
    var values = new double[30];
    Arrays.fill(values, -0.7);
    var found = ExactSets.find(amounts, values, 20_000, 5, -1, PLENTY);
    assertThat(found.sets()).isEmpty();
    assertThat(found.exhaustive()).isTrue();
  }

  /** Ten thousand amounts that cannot be told apart: three of them are all the same. */
  @Test
  void takesAnyOfTenThousandEqualOnes() {
    var amounts = new long[10_000];
    Arrays.fill(amounts, 12_500);
    var values = new double[10_000];
    Arrays.fill(values, -0.7);
    var found = ExactSets.find(amounts, values, 37_500, 5, -8, 100_000);
    assertThat(found.sets()).isNotEmpty();
    assertThat(found.sets()).allSatisfy(s -> assertThat(s.indices()).hasSize(3));
  }

  /** Where the answer would take longer than is allowed, it says so. */
  @Test
  void staysWithinItsBudget() {
    var random = new Random(1);
    var amounts = random.longs(120, 1_000, 1_000_000_000L).toArray();
    var values = random.doubles(120).toArray();
    var target = Arrays.stream(amounts).sum() / 2 + 1;
    var found = ExactSets.find(amounts, values, target, 5, -8, 100_000);
    assertThat(found.steps()).isLessThanOrEqualTo(100_051);
    assertThat(found.exhaustive()).isFalse();
  }

  /**
   * Items of one payer of which some are meant: within the budget it finds a set that is at least
   * as good as those, or says that it did not look everywhere. How often it proves its answer is
   * measured by the benchmark.
   *
   * @param each how much less each further item is worth
   */
  private static ExactSets.Answer meant(
      long seed, int items, int meant, double each, double floor, long budget) {
    var random = new Random(seed);
    var amounts = random.longs(items, 2_000, 400_000).toArray();
    var values = IntStream.range(0, items).mapToDouble(i -> -0.7 - i * each).toArray();
    var set = random.ints(0, items).distinct().limit(meant).sorted().toArray();
    var found = ExactSets.find(amounts, values, sum(amounts, set), 1, floor, budget);
    assertThat(found.steps()).isLessThan(budget + budget / 10);
    for (var chosen : found.sets()) {
      assertThat(sum(amounts, chosen.indices())).isEqualTo(sum(amounts, set));
    }
    var worth = Arrays.stream(set).mapToDouble(i -> values[i]).sum();
    if (found.exhaustive() && worth >= floor) {
      assertThat(found.sets().get(0).value()).isGreaterThanOrEqualTo(worth - 1e-9);
    }
    return found;
  }

  @Property(tries = 60)
  void neverClaimsAProofItHasNotForFourHundredItems(@ForAll long seed) {
    meant(seed, 400, 12, 0.001, -20, 3_000_000);
  }

  @Property(tries = 60)
  void neverClaimsAProofItHasNotForSixtyItems(@ForAll long seed) {
    meant(seed, 60, 6, 0.01, -9, 20_000_000);
  }

  @Test
  void provesItsAnswerWhereTheBudgetIsEnough() {
    assertThat(meant(1, 400, 12, 0.001, -20, 3_000_000).exhaustive()).isTrue();
    assertThat(meant(1, 60, 6, 0.01, -9, 20_000_000).exhaustive()).isTrue();
  }

  /** Samples for which the budget is not enough; they were once taken for proven. */
  @Test
  void saysWhereTheBudgetIsNotEnough() {
    meant(2_551_210_581L, 60, 6, 0.01, -9, 20_000_000);
    meant(-8_602_622L, 400, 12, 0.001, -20, 3_000_000);
  }

  /**
   * More items than can be tried one by one: the same best value as an independent solver finds
   * (OR-Tools CP-SAT, which takes minutes for twice as many).
   */
  @Property(tries = 12)
  void agreesWithAnIndependentSolver(
      @ForAll long seed, @ForAll @IntRange(min = 18, max = 38) int upTo) {
    var random = new Random(seed);
    var count = Math.min(upTo, TestDepth.pick(26, 38));
    var amounts = random.longs(count, 2_000, 400_000).map(a -> a % 9 == 0 ? -a / 10 : a).toArray();
    var values = IntStream.range(0, count).mapToDouble(i -> -0.7 - i / 100.0).toArray();
    var target = random.ints(0, count).distinct().limit(6).mapToLong(i -> amounts[i]).sum();
    agrees(ExactSets.find(amounts, values, target, 1, -20, 20_000_000), amounts, values, target);
  }

  /** The same of more amounts that are small and of any worth, so that many sets fit. */
  @Property(tries = 60)
  void agreesOnManySmallAmounts(
      @ForAll long seed,
      @ForAll @IntRange(min = 37, max = 60) int count,
      @ForAll @IntRange(min = 1, max = 400) int target) {
    var random = new Random(seed);
    var amounts = random.longs(count, -40, 60).map(a -> a == 0 ? 7 : a).toArray();
    var values = random.ints(count, -2_000, 800).mapToDouble(v -> v / 1000.0).toArray();
    var found = ExactSets.find(amounts, values, target, 3, -90, PLENTY);
    agrees(found, amounts, values, target);
    assertThat(found.sets())
        .allSatisfy(set -> assertThat(sum(amounts, set.indices())).isEqualTo(target));
  }

  /** All that is positive of these comes to less than the target. */
  @Test
  void findsNothingWhereNothingReachesTheTarget() {
    agreesOnManySmallAmounts(-5_215_707_678_461_789_590L, 37, 399);
  }

  /** A proven answer is the independent solver's; one that is not proven is no better. */
  private static void agrees(ExactSets.Answer found, long[] amounts, double[] values, long target) {
    var best = independent(amounts, values, target);
    if (found.exhaustive()) {
      // now and then all that is positive together does not reach the target
      assertThat(best(found)).isEqualTo(best);
    } else if (!found.sets().isEmpty()) {
      assertThat(best(found).getAsLong()).isLessThanOrEqualTo(best.getAsLong());
    }
  }

  /** The best value in thousandths; empty where nothing fits. */
  private static OptionalLong best(ExactSets.Answer found) {
    return found.sets().stream()
        .limit(1)
        .mapToLong(set -> Math.round(set.value() * 1000))
        .findFirst();
  }

  /** What the independent solver says of the same, in thousandths. */
  private static OptionalLong independent(long[] amounts, double[] values, long target) {
    Loader.loadNativeLibraries();
    var model = new CpModel();
    var taken = new BoolVar[amounts.length];
    for (var i = 0; i < taken.length; i++) {
      taken[i] = model.newBoolVar("take" + i);
    }
    model.addEquality(LinearExpr.weightedSum(taken, amounts), target);
    var scaled = Arrays.stream(values).mapToLong(v -> Math.round(v * 1000)).toArray();
    model.maximize(LinearExpr.weightedSum(taken, scaled));
    var solver = new CpSolver();
    solver.getParameters().setNumWorkers(1);
    var status = solver.solve(model);
    assertThat(status).isIn(CpSolverStatus.OPTIMAL, CpSolverStatus.INFEASIBLE);
    return status == CpSolverStatus.OPTIMAL
        ? OptionalLong.of(Math.round(solver.objectiveValue()))
        : OptionalLong.empty();
  }
}

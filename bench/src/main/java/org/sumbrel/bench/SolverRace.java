package org.sumbrel.bench;

import com.google.ortools.Loader;
import com.google.ortools.sat.BoolVar;
import com.google.ortools.sat.CpModel;
import com.google.ortools.sat.CpSolver;
import com.google.ortools.sat.CpSolverStatus;
import com.google.ortools.sat.LinearExpr;
import java.util.Arrays;
import java.util.Random;
import java.util.stream.IntStream;
import org.sumbrel.core.sums.ExactSets;

/**
 * One payer, many open items, some of which are meant: the engine's solver and OR-Tools CP-SAT look
 * for the most valuable exact set of the same instances in the same run, one thread each.
 */
final class SolverRace {

  private static final long BUDGET = 10_000_000;
  private static final int WARM_UP = 20;
  private static final double SCALE = 1_000;

  /**
   * What was measured, in milliseconds.
   *
   * @param same how many of the raced instances both solved to the same proven value
   * @param unfinished how many CP-SAT had not proven within its limit
   * @param timesFaster the median time of CP-SAT by that of ours, unfinished ones at their limit
   */
  record Race(
      int items,
      int trueSet,
      int instances,
      int proven,
      double median,
      double p99,
      int raced,
      int same,
      int unfinished,
      double independentMedian,
      double timesFaster) {}

  private record Instance(long[] amounts, double[] values, long target) {}

  private SolverRace() {}

  /**
   * @param items open at once
   * @param trueSet how many of them are meant
   * @param instances how many our solver is timed on
   * @param raced on how many of those the other is as well
   */
  static Race run(int items, int trueSet, int instances, int raced, double limitSeconds) {
    for (var n = 0; n < WARM_UP; n++) {
      ours(instance(items, trueSet, 1_000 + n));
    }
    var times = new double[instances];
    var proven = 0;
    for (var n = 0; n < instances; n++) {
      var instance = instance(items, trueSet, n);
      var begun = System.nanoTime();
      proven += ours(instance).exhaustive() ? 1 : 0;
      times[n] = (System.nanoTime() - begun) / 1e6;
    }
    var same = 0;
    var unfinished = 0;
    var ours = new double[raced];
    var theirs = new double[raced];
    for (var n = 0; n < raced; n++) {
      var instance = instance(items, trueSet, n);
      var begun = System.nanoTime();
      var best = ours(instance);
      ours[n] = (System.nanoTime() - begun) / 1e6;
      begun = System.nanoTime();
      var value = independent(instance, limitSeconds);
      theirs[n] = (System.nanoTime() - begun) / 1e6;
      unfinished += Double.isNaN(value) ? 1 : 0;
      same += best.exhaustive() && Math.abs(value - best.sets().get(0).value()) < 1e-6 ? 1 : 0;
    }
    return new Race(
        items,
        trueSet,
        instances,
        proven,
        quantile(times, 0.5),
        quantile(times, 0.99),
        raced,
        same,
        unfinished,
        quantile(theirs, 0.5),
        quantile(theirs, 0.5) / quantile(ours, 0.5));
  }

  /** Later items are worth a little less; values are whole thousandths, so that both are exact. */
  private static Instance instance(int items, int trueSet, long seed) {
    var random = new Random(40_000 + seed);
    var amounts = random.longs(items, 2_000, 400_000).toArray();
    var values = IntStream.range(0, items).mapToDouble(i -> -0.7 - i / SCALE).toArray();
    var target = random.ints(0, items).distinct().limit(trueSet).mapToLong(i -> amounts[i]).sum();
    return new Instance(amounts, values, target);
  }

  private static ExactSets.Answer ours(Instance instance) {
    return ExactSets.find(instance.amounts, instance.values, instance.target, 1, -20, BUDGET);
  }

  private static double independent(Instance instance, double limitSeconds) {
    Loader.loadNativeLibraries();
    var model = new CpModel();
    var taken = new BoolVar[instance.amounts().length];
    for (var i = 0; i < taken.length; i++) {
      taken[i] = model.newBoolVar("take" + i);
    }
    model.addEquality(LinearExpr.weightedSum(taken, instance.amounts), instance.target);
    var scaled = Arrays.stream(instance.values).mapToLong(v -> Math.round(v * SCALE)).toArray();
    model.maximize(LinearExpr.weightedSum(taken, scaled));
    var solver = new CpSolver();
    solver.getParameters().setNumWorkers(1);
    solver.getParameters().setMaxTimeInSeconds(limitSeconds);
    return solver.solve(model) == CpSolverStatus.OPTIMAL
        ? solver.objectiveValue() / SCALE
        : Double.NaN;
  }

  private static double quantile(double[] of, double share) {
    var sorted = of.clone();
    Arrays.sort(sorted);
    return sorted[(int) Math.min(sorted.length - 1L, Math.round(share * (sorted.length - 1)))];
  }
}

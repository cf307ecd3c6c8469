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
import org.sumbrel.core.propose.ExactSets;

/**
 * One payer, 400 open items, a true set of 12: the engine's solver and OR-Tools CP-SAT look for the
 * most valuable exact set of the same instances in the same run, one thread each.
 */
final class SolverRace {

  private static final int ITEMS = 400;
  private static final int TRUE_SET = 12;
  private static final long BUDGET = 50_000_000;
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

  static Race run(int instances, int raced, double limitSeconds) {
    for (var n = 0; n < WARM_UP; n++) {
      ours(instance(1_000 + n));
    }
    var times = new double[instances];
    var proven = 0;
    for (var n = 0; n < instances; n++) {
      var instance = instance(n);
      var begun = System.nanoTime();
      proven += ours(instance).exhaustive() ? 1 : 0;
      times[n] = (System.nanoTime() - begun) / 1e6;
    }
    var same = 0;
    var unfinished = 0;
    var ours = new double[raced];
    var theirs = new double[raced];
    for (var n = 0; n < raced; n++) {
      var instance = instance(n);
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
  private static Instance instance(long seed) {
    var random = new Random(40_000 + seed);
    var amounts = random.longs(ITEMS, 2_000, 400_000).toArray();
    var values = IntStream.range(0, ITEMS).mapToDouble(i -> -0.7 - i / SCALE).toArray();
    var target = random.ints(0, ITEMS).distinct().limit(TRUE_SET).mapToLong(i -> amounts[i]).sum();
    return new Instance(amounts, values, target);
  }

  private static ExactSets.Answer ours(Instance instance) {
    return ExactSets.find(instance.amounts, instance.values, instance.target, 1, -20, BUDGET);
  }

  private static double independent(Instance instance, double limitSeconds) {
    Loader.loadNativeLibraries();
    var model = new CpModel();
    var taken = new BoolVar[ITEMS];
    for (var i = 0; i < ITEMS; i++) {
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

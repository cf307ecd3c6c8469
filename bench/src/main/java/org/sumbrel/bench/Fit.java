package org.sumbrel.bench;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import java.util.TreeSet;
import org.sumbrel.bench.Payments.Profile;
import org.sumbrel.core.propose.ProposalEngine;

/**
 * Fits the factors of the engine's probability to made-up payments of the training seeds: logistic
 * regression with a little ridge, by Newton's method.
 */
final class Fit {

  private static final long TRAINING = 101;
  private static final int WORLDS = 20;
  private static final double RIDGE = 0.05;
  private static final int ROUNDS = 40;

  private record Example(Map<String, Double> figures, boolean right) {}

  private Fit() {}

  static void write(Path file) throws IOException {
    var examples = new ArrayList<Example>();
    var styles = NumberStyle.values();
    for (var n = 0; n < WORLDS; n++) {
      var profile = n < 12 ? Profile.MIXED : n < 16 ? Profile.HARD : Profile.EASY;
      var style = styles[n % styles.length];
      collect(new World(TRAINING + n, 2_000, 8, style), profile, examples);
    }
    var factors = newton(examples);
    var text =
        new StringBuilder("# Fitted by bin/bench --fit on seeds 101 to 120; not to be edited.\n");
    factors.forEach(
        (name, f) ->
            text.append(String.format(Locale.ROOT, "%s=%.6f%n", name.replace(" ", "\\ "), f)));
    Files.writeString(file, text);
    System.out.println(examples.size() + " examples, " + factors.size() + " factors");
  }

  private static void collect(World world, Profile profile, List<Example> examples) {
    var made = Payments.of(world, profile, 4_000);
    for (var result :
        ProposalEngine.over(world.snapshot()).proposeEvenTheImprobable(made.receipts())) {
      if (!result.proposals().isEmpty()) {
        var truth = made.truths().get(result.receiptId());
        var right = Accuracy.right(result, truth);
        examples.add(new Example(result.figures(), right));
      }
    }
  }

  private static Map<String, Double> newton(List<Example> examples) {
    var names = new TreeSet<String>();
    examples.forEach(e -> names.addAll(e.figures().keySet()));
    var list = List.copyOf(names);
    var size = list.size();
    var rows = new double[examples.size()][size];
    for (var i = 0; i < rows.length; i++) {
      for (var j = 0; j < size; j++) {
        rows[i][j] = examples.get(i).figures().getOrDefault(list.get(j), 0.0);
      }
    }
    var factors = new double[size];
    for (var round = 0; round < ROUNDS; round++) {
      var gradient = new double[size];
      var curvature = new double[size][size];
      for (var j = 0; j < size; j++) {
        gradient[j] = -RIDGE * factors[j];
        curvature[j][j] = RIDGE;
      }
      for (var i = 0; i < rows.length; i++) {
        var z = 0.0;
        for (var j = 0; j < size; j++) {
          z += rows[i][j] * factors[j];
        }
        var p = 1 / (1 + Math.exp(-z));
        var miss = (examples.get(i).right() ? 1 : 0) - p;
        var spread = Math.max(1e-6, p * (1 - p));
        for (var j = 0; j < size; j++) {
          if (rows[i][j] != 0) {
            gradient[j] += miss * rows[i][j];
            for (var k = 0; k <= j; k++) {
              curvature[j][k] += spread * rows[i][j] * rows[i][k];
            }
          }
        }
      }
      var step = solve(curvature, gradient);
      for (var j = 0; j < size; j++) {
        factors[j] += Math.max(-2, Math.min(2, step[j]));
      }
    }
    var fitted = new TreeMap<String, Double>();
    for (var j = 0; j < size; j++) {
      fitted.put(list.get(j), factors[j]);
    }
    return fitted;
  }

  /** Solves a symmetric positive definite system of which the lower half is given (Cholesky). */
  private static double[] solve(double[][] a, double[] b) {
    var n = b.length;
    var l = new double[n][n];
    for (var i = 0; i < n; i++) {
      for (var j = 0; j <= i; j++) {
        var sum = a[i][j];
        for (var k = 0; k < j; k++) {
          sum -= l[i][k] * l[j][k];
        }
        l[i][j] = i == j ? Math.sqrt(Math.max(sum, 1e-9)) : sum / l[j][j];
      }
    }
    var y = new double[n];
    for (var i = 0; i < n; i++) {
      y[i] = b[i];
      for (var k = 0; k < i; k++) {
        y[i] -= l[i][k] * y[k];
      }
      y[i] /= l[i][i];
    }
    var x = new double[n];
    for (var i = n - 1; i >= 0; i--) {
      x[i] = y[i];
      for (var k = i + 1; k < n; k++) {
        x[i] -= l[k][i] * x[k];
      }
      x[i] /= l[i][i];
    }
    return x;
  }
}

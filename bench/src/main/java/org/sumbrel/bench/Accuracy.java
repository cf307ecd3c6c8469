package org.sumbrel.bench;

import java.util.TreeMap;
import java.util.stream.Collectors;
import org.sumbrel.bench.Payments.Profile;
import org.sumbrel.bench.Truth.Part;
import org.sumbrel.core.propose.Proposal;
import org.sumbrel.core.propose.ProposalEngine;
import org.sumbrel.core.propose.Standing;
import org.sumbrel.core.settle.ClaimRaised;
import org.sumbrel.core.settle.FeeWithheld;
import org.sumbrel.core.settle.SmallWriteOff;

/** How often the engine is right, by behaviour, and how honest its probabilities are. */
final class Accuracy {

  private static final long UNSEEN = 7_001;

  private static final class Row {
    int all;
    int determined;
    int right;
    int rightInFive;
    int clear;
    int clearDetermined;
    int wrongClear;
  }

  private Accuracy() {}

  static void measure(int count, boolean verbose) {
    for (var profile : Profile.values()) {
      var world = new World(UNSEEN + profile.ordinal(), count / 2, 8);
      var made = Payments.of(world, profile, count);
      var snapshot = world.snapshot();
      var begun = System.nanoTime();
      var results = ProposalEngine.over(snapshot).propose(made.receipts());
      var seconds = (System.nanoTime() - begun) / 1e9;
      var rows = new TreeMap<String, Row>();
      var total = new Row();
      var bins = new double[10][3];
      for (var result : results) {
        var truth = made.truths().get(result.receiptId());
        var key = truth.key();
        var proposals = result.proposals();
        var right =
            result.standing() == Standing.BLANK
                ? truth.behaviour().equals("nobody")
                : keyOf(proposals.get(0)).equals(key) && !truth.behaviour().equals("nobody");
        var inFive = right || proposals.stream().map(Accuracy::keyOf).anyMatch(k -> k.equals(key));
        for (var row :
            java.util.List.of(total, rows.computeIfAbsent(truth.behaviour(), b -> new Row()))) {
          row.all++;
          if (truth.determined()) {
            row.determined++;
            row.right += right ? 1 : 0;
            row.rightInFive += inFive ? 1 : 0;
          }
          if (result.standing() == Standing.CLEAR) {
            row.clear++;
            row.clearDetermined += truth.determined() ? 1 : 0;
            row.wrongClear += right ? 0 : 1;
          }
        }
        if (!proposals.isEmpty()) {
          var p = proposals.get(0).probability();
          var bin = bins[(int) Math.min(9, p * 10)];
          bin[0]++;
          bin[1] += p;
          bin[2] += right ? 1 : 0;
        }
        if (verbose
            && !right
            && (truth.determined()
                || !proposals.isEmpty() && proposals.get(0).probability() > 0.5)) {
          var receipt =
              made.receipts().stream().filter(r -> r.id().equals(result.receiptId())).findFirst();
          System.out.println(
              (truth.determined() ? "" : "(open) ")
                  + truth.behaviour()
                  + " | "
                  + receipt.map(r -> r.amount() + " | " + r.payerName() + " | " + r.text()).get()
                  + " | TRUE "
                  + key
                  + " | SAYS "
                  + proposals.stream()
                      .limit(2)
                      .map(p -> keyOf(p) + " " + "%.3f".formatted(p.probability()))
                      .collect(Collectors.joining(" ; "))
                  + " "
                  + result.standing());
        }
      }
      System.out.printf("%n%s, %d payments, %.1f s%n", profile, count, seconds);
      System.out.printf(
          "%-26s %6s %6s %8s %8s %8s %10s%n",
          "behaviour", "all", "determ.", "right", "in five", "clear", "wrong clear");
      rows.forEach(Accuracy::print);
      print("TOTAL", total);
      var error = 0.0;
      var counted = 0.0;
      for (var bin : bins) {
        if (bin[0] > 0) {
          error += Math.abs(bin[1] - bin[2]);
          counted += bin[0];
          System.out.printf(
              "  said %.3f  was %.3f  n %.0f%n", bin[1] / bin[0], bin[2] / bin[0], bin[0]);
        }
      }
      System.out.printf(
          "calibration error %.4f; wrong among clear %.5f; clear of determined %.4f; right of determined %.4f%n",
          error / Math.max(1, counted),
          total.wrongClear / (double) Math.max(1, total.clear),
          total.clearDetermined / (double) Math.max(1, total.determined),
          total.right / (double) Math.max(1, total.determined));
    }
  }

  private static void print(String name, Row row) {
    System.out.printf(
        "%-26s %6d %6d %7.1f%% %7.1f%% %7.1f%% %10d%n",
        name,
        row.all,
        row.determined,
        100.0 * row.right / Math.max(1, row.determined),
        100.0 * row.rightInFive / Math.max(1, row.determined),
        100.0 * row.clearDetermined / Math.max(1, row.determined),
        row.wrongClear);
  }

  /** A proposal in the words of {@link Truth#key()}. */
  static String keyOf(Proposal proposal) {
    var parts =
        proposal.applications().stream()
            .map(
                a ->
                    new Part(
                        a.item().id(),
                        a.amount().getAmountMinorLong(),
                        a.discount().getAmountMinorLong()))
            .toList();
    var adjustment = proposal.adjustments().stream().findFirst();
    var kind =
        adjustment
            .map(
                a ->
                    a instanceof FeeWithheld
                        ? "fee"
                        : a instanceof SmallWriteOff
                            ? "write_off"
                            : a instanceof ClaimRaised ? "claim" : "other")
            .orElse("");
    return new Truth(
            "",
            true,
            parts,
            kind,
            adjustment.map(a -> a.amount().getAmountMinorLong()).orElse(0L),
            proposal.onAccount().getAmountMinorLong())
        .key();
  }
}

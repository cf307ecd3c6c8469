package org.sumbrel.bench;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.sumbrel.bench.Payments.Profile;
import org.sumbrel.bench.Truth.Part;
import org.sumbrel.core.propose.Proposal;
import org.sumbrel.core.propose.ProposalEngine;
import org.sumbrel.core.propose.ReceiptProposals;
import org.sumbrel.core.propose.Standing;
import org.sumbrel.core.receivables.Receipt;
import org.sumbrel.core.settle.ClaimRaised;
import org.sumbrel.core.settle.FeeWithheld;
import org.sumbrel.core.settle.SmallWriteOff;

/** How often the engine is right, by behaviour, and how honest its probabilities are. */
final class Accuracy {

  /** No factor is fitted to the payments of these seeds. */
  private static final long UNSEEN = 7_001;

  private static final int BINS = 20;

  /** Counts of one behaviour, or of all. */
  static final class Row {
    int all;
    int determined;
    int right;
    int rightInFive;
    int clear;
    int clearDetermined;
    int wrongClear;
    int commonlyRight;

    double ofDetermined(int count) {
      return count / (double) Math.max(1, determined);
    }

    double wrongAmongClear() {
      return wrongClear / (double) Math.max(1, clear);
    }
  }

  /**
   * Proposals that were given about the same probability.
   *
   * @param said the mean probability
   * @param was the share that was right
   */
  record Bin(double said, double was, int count) {}

  /** What was measured on one profile. */
  record Measured(Profile profile, long seed, Map<String, Row> rows, Row total, List<Bin> bins) {

    /** Expected calibration error: the mean distance of what was said from what was. */
    double calibrationError() {
      var all = bins.stream().mapToInt(Bin::count).sum();
      return bins.stream().mapToDouble(b -> b.count() * Math.abs(b.said() - b.was())).sum()
          / Math.max(1, all);
    }
  }

  private Accuracy() {}

  /**
   * Measures one profile on unseen seeds, one for each way of numbering.
   *
   * @param wrong hears of each wrong first proposal
   */
  static Measured measure(Profile profile, int count, Consumer<String> wrong) {
    var rows = new TreeMap<String, Row>();
    var total = new Row();
    var sums = new double[BINS][3];
    for (var style : NumberStyle.values()) {
      var seed = UNSEEN + 10 * style.ordinal() + profile.ordinal();
      var each = count / NumberStyle.values().length;
      measure(new World(seed, each / 2, 8, style), profile, each, wrong, rows, total, sums);
    }
    var bins = new ArrayList<Bin>();
    for (var sum : sums) {
      if (sum[0] > 0) {
        bins.add(new Bin(sum[1] / sum[0], sum[2] / sum[0], (int) sum[0]));
      }
    }
    return new Measured(profile, UNSEEN, rows, total, bins);
  }

  private static void measure(
      World world,
      Profile profile,
      int count,
      Consumer<String> wrong,
      Map<String, Row> rows,
      Row total,
      double[][] sums) {
    var made = Payments.of(world, profile, count);
    var byId = made.receipts().stream().collect(Collectors.toMap(Receipt::id, Function.identity()));
    var common = new CommonPractice(world);
    for (var result : ProposalEngine.over(world.snapshot()).propose(made.receipts())) {
      var truth = made.truths().get(result.receiptId());
      var receipt = byId.get(result.receiptId());
      var commonly = common.explain(receipt).equals(truth.key());
      var style = rows.computeIfAbsent("numbers " + world.style, b -> new Row());
      var behaviour = rows.computeIfAbsent(truth.behaviour(), b -> new Row());
      for (var row : List.of(total, behaviour, style)) {
        count(row, result, truth, commonly);
      }
      if (!result.proposals().isEmpty()) {
        var said = result.proposals().get(0).probability();
        var bin = sums[(int) Math.min(BINS - 1, said * BINS)];
        bin[0]++;
        bin[1] += said;
        bin[2] += right(result, truth) ? 1 : 0;
      }
      if (!right(result, truth) && (truth.determined() || result.standing() == Standing.CLEAR)) {
        wrong.accept(describe(receipt, result, truth));
      }
    }
  }

  private static void count(Row row, ReceiptProposals result, Truth truth, boolean commonly) {
    var right = right(result, truth);
    row.all++;
    if (truth.determined()) {
      row.determined++;
      row.right += right ? 1 : 0;
      row.rightInFive +=
          result.proposals().stream().anyMatch(p -> keyOf(p).equals(truth.key())) ? 1 : 0;
      row.commonlyRight += commonly ? 1 : 0;
    }
    if (result.standing() == Standing.CLEAR) {
      row.clear++;
      row.clearDetermined += truth.determined() ? 1 : 0;
      row.wrongClear += right ? 0 : 1;
    }
  }

  /** Whether the first proposal is what the payment truly pays; money of nobody's pays nothing. */
  static boolean right(ReceiptProposals result, Truth truth) {
    return !result.proposals().isEmpty()
        && !truth.behaviour().equals(Payments.NOBODY)
        && keyOf(result.proposals().get(0)).equals(truth.key());
  }

  private static String describe(Receipt receipt, ReceiptProposals result, Truth truth) {
    return "%s%s | %s | %s | %s | true %s | said %s %s"
        .formatted(
            truth.determined() ? "" : "(open) ",
            truth.behaviour(),
            receipt.amount(),
            receipt.payerName(),
            receipt.text(),
            truth.key(),
            result.proposals().stream()
                .limit(2)
                .map(p -> keyOf(p) + " " + "%.3f".formatted(p.probability()))
                .collect(Collectors.joining(" ; ")),
            result.standing());
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
    var kind =
        proposal.adjustments().stream()
            .map(
                a ->
                    a instanceof FeeWithheld
                        ? "fee"
                        : a instanceof SmallWriteOff
                            ? "write_off"
                            : a instanceof ClaimRaised ? "claim" : "other")
            .collect(Collectors.joining(" and "));
    return new Truth(
            "",
            true,
            parts,
            kind,
            proposal.adjustments().stream().mapToLong(a -> a.amount().getAmountMinorLong()).sum(),
            proposal.onAccount().getAmountMinorLong())
        .key();
  }
}

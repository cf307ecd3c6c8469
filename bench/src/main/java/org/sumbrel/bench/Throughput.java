package org.sumbrel.bench;

import java.util.ArrayList;
import java.util.List;
import org.sumbrel.bench.Payments.Profile;
import org.sumbrel.core.propose.ProposalEngine;

/**
 * How many receipts a second the whole engine explains, how that grows, and what memory it takes.
 */
final class Throughput {

  private static final int CUSTOMERS = 5_000;
  private static final int ITEMS_EACH = 20;
  private static final int ROUNDS = 5;

  /**
   * One size.
   *
   * @param seconds for indexes and proposals, the best of a few rounds
   * @param heapMebibytes what is in use with everything in memory, after a collection
   */
  record Run(int receipts, int items, double seconds, double perSecond, long heapMebibytes) {}

  private Throughput() {}

  static List<Run> measure(List<Integer> sizes) {
    var runs = new ArrayList<Run>();
    for (var size : sizes) {
      runs.add(run(size));
    }
    return runs;
  }

  private static Run run(int size) {
    // more receipts need more items to pay; the largest size has ten times the items
    var customers = Math.max(CUSTOMERS, size / 2);
    var world = new World(9_100 + size, customers, size <= 10_000 ? ITEMS_EACH : ITEMS_EACH / 2);
    var made = Payments.of(world, Profile.MIXED, size);
    var snapshot = world.snapshot();
    var best = Double.POSITIVE_INFINITY;
    for (var round = 0; round < (size <= 10_000 ? ROUNDS : 2); round++) {
      var begun = System.nanoTime();
      var results = ProposalEngine.over(snapshot).propose(made.receipts());
      best = Math.min(best, (System.nanoTime() - begun) / 1e9);
      if (results.size() != made.receipts().size()) {
        throw new IllegalStateException("a receipt has no proposals");
      }
    }
    var engine = ProposalEngine.over(snapshot);
    var results = engine.propose(made.receipts());
    System.gc();
    var runtime = Runtime.getRuntime();
    var heap = (runtime.totalMemory() - runtime.freeMemory()) >> 20;
    if (results.isEmpty() || engine.toString().isEmpty()) {
      throw new IllegalStateException("nothing was measured");
    }
    return new Run(
        made.receipts().size(), world.items.size(), best, made.receipts().size() / best, heap);
  }
}

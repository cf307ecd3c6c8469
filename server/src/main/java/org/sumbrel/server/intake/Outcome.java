package org.sumbrel.server.intake;

import java.util.ArrayList;
import java.util.List;

/**
 * What became of a file's records.
 *
 * @param records how many it holds
 * @param fresh how many were taken in
 * @param known how many were there before; nothing of them changed
 * @param passedOver how many are kept out on purpose, such as pending entries
 * @param problems what is odd about the file, one sentence each
 */
record Outcome(int records, int fresh, int known, int passedOver, List<String> problems) {

  Outcome plus(Outcome other) {
    var all = new ArrayList<>(problems);
    all.addAll(other.problems);
    return new Outcome(
        records + other.records,
        fresh + other.fresh,
        known + other.known,
        passedOver + other.passedOver,
        all);
  }

  static Outcome none() {
    return new Outcome(0, 0, 0, 0, List.of());
  }
}

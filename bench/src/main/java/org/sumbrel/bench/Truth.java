package org.sumbrel.bench;

import java.util.List;
import java.util.stream.Collectors;

/**
 * What a made-up payment truly pays, in minor units.
 *
 * @param behaviour why it looks as it does, such as {@code list} or {@code fee}
 * @param determined whether what the engine is given settles the answer, for somebody who reads it
 *     with care
 * @param parts what it takes of which item
 * @param adjustmentKind {@code fee}, {@code write_off}, {@code claim}, or empty
 */
record Truth(
    String behaviour,
    boolean determined,
    List<Part> parts,
    String adjustmentKind,
    long adjustment,
    long onAccount) {

  record Part(String itemId, long amount, long discount) {}

  /** The same for two explanations that come to the same. */
  String key() {
    return parts.stream()
            .filter(p -> p.amount() != 0)
            .map(p -> p.itemId() + ":" + p.amount() + ":" + p.discount())
            .sorted()
            .collect(Collectors.joining("|"))
        + "/"
        + (adjustment == 0 ? "" : adjustmentKind + " " + adjustment)
        + "/"
        + onAccount;
  }
}

package org.sumbrel.core.propose;

import java.util.List;
import java.util.Map;

/**
 * What the engine thinks of one receipt.
 *
 * @param alternatives how many explanations are about as good as the best, itself included; 0 where
 *     there is none
 * @param exhaustive whether every set of the candidates was weighed
 * @param proposals best first, at most five
 * @param notes what was noticed and belongs to no explanation
 * @param marks what was recognised in the text, in its order
 * @param figures what the probability of the first proposal was reckoned from, by name
 */
public record ReceiptProposals(
    String receiptId,
    Standing standing,
    int alternatives,
    boolean exhaustive,
    List<Proposal> proposals,
    List<Evidence> notes,
    List<TextMark> marks,
    Map<String, Double> figures) {

  public ReceiptProposals {
    proposals = List.copyOf(proposals);
    notes = List.copyOf(notes);
    marks = List.copyOf(marks);
    figures = Map.copyOf(figures);
  }
}

package org.sumbrel.core.deposit;

import java.util.List;
import java.util.Optional;
import org.joda.money.Money;

/**
 * How what the bank shows may be explained by deposits.
 *
 * @param depositIds the deposits; none where receipts in the pouch would have to be made one
 * @param entryIds the entries that show them, the one asked about first
 * @param receiptIds receipts in the pouch that make exactly the amount
 * @param gap what the bank shows more (positive) or less than the deposits; zero where they agree
 * @param reasons sentences, the strongest first
 * @param fixes what would fill the gap; empty where there is none
 * @param weight by which the best stands first
 */
public record DepositMatch(
    Kind kind,
    List<String> depositIds,
    List<String> entryIds,
    List<String> receiptIds,
    Money gap,
    List<String> reasons,
    List<Fix> fixes,
    double weight) {

  /** In which way. */
  public enum Kind {
    /** One deposit, one entry, the same amount. */
    AGREES,
    /** Several deposits that the bank shows as one. */
    TOGETHER,
    /** One deposit that the bank shows in parts. */
    IN_PARTS,
    /** One deposit of nearly this amount. */
    NEAR,
    /** Receipts in the pouch of which nobody made a deposit. */
    IN_POUCH
  }

  /**
   * What would make a deposit agree.
   *
   * @param receiptIds receipts to put in, or to take out
   * @param line a line to add when it is tied
   */
  public record Fix(What what, List<String> receiptIds, Optional<DepositLine> line, String says) {

    /** What is to be done. */
    public enum What {
      PUT_IN,
      TAKE_OUT,
      ADD_LINE
    }
  }
}

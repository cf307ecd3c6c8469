package org.sumbrel.core.settle;

/**
 * How a company usually treats a difference, where nobody has decided otherwise; the engine's
 * proposals follow it.
 *
 * @param lateDiscount a discount that was taken after its day and the days of grace
 * @param shortWithReason a payment that is short and says why
 * @param partPayment a round sum, or what is called a part payment
 */
public record Customs(Shortage lateDiscount, Shortage shortWithReason, Shortage partPayment) {

  /** What becomes of an amount that was not paid. */
  public enum Shortage {
    /** It is granted: the item is settled in full. */
    GRANT,
    /** It is claimed: the item is settled in full, and the amount becomes an item of its own. */
    CLAIM,
    /** It stays open on the item. */
    LEAVE_OPEN
  }

  /** What holds where a company has decided nothing else. */
  public static final Customs STANDARD =
      new Customs(Shortage.CLAIM, Shortage.CLAIM, Shortage.LEAVE_OPEN);
}

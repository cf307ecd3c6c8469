package org.sumbrel.core.payout;

/** What one item of a payout is. */
public enum PayoutItemType {
  SALE(1),
  REFUND(-1),
  /** A fee that stands as an item of its own, whether for a sale or for the period. */
  FEE(0),
  /**
   * A fee that comes back, as with a refund; what does not come back is what the processor keeps.
   */
  FEE_REFUND(0),
  /** A payment that the payer's bank took back. */
  CHARGEBACK(-1),
  /** A chargeback that was decided for us. */
  CHARGEBACK_REVERSAL(1),
  /** What the processor keeps for a while as a security. */
  RESERVE_HELD(-1),
  RESERVE_RELEASED(1),
  ADJUSTMENT(0),
  /** Money changed into or out of the payout's currency. */
  CONVERSION(0),
  /** What was paid out: the bank shows it. It is no part of what it is made of. */
  TRANSFER(-1),
  /** A word of the file that nobody has said the meaning of. Its amount counts all the same. */
  UNKNOWN(0);

  private final int sign;

  PayoutItemType(int sign) {
    this.sign = sign;
  }

  /** 1 where it is money to us, −1 where it is money from us, 0 where it may be either. */
  public int sign() {
    return sign;
  }

  /** Whether it is nothing but a fee: its gross is zero. */
  public boolean isFee() {
    return this == FEE || this == FEE_REFUND;
  }
}

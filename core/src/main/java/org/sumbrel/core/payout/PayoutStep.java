package org.sumbrel.core.payout;

import org.joda.money.Money;

/**
 * One step from the previous balance to the net.
 *
 * @param amount what it adds, or takes
 * @param items how many items it comes from
 * @param after what it has come to with this step
 */
public record PayoutStep(Kind kind, Money amount, int items, Money after) {

  /** What a step is, in the order in which they are told. */
  public enum Kind {
    PREVIOUS_BALANCE,
    SALES,
    REFUNDS,
    /** What the processor kept for its work; fees that come back lessen it. */
    FEES,
    ADJUSTMENTS,
    CONVERSIONS,
    CHARGEBACKS,
    RESERVE_HELD,
    RESERVE_RELEASED,
    UNKNOWN
  }
}

package org.sumbrel.core.settle;

import org.joda.money.Money;

/** An amount that explains a difference between what was received and what was applied. */
public sealed interface Adjustment
    permits FeeWithheld,
        UnearnedDiscount,
        SmallWriteOff,
        ClaimRaised,
        Rounding,
        RefundPromised,
        ToAccount,
        OfCompany {

  /** What it keeps from us, in the currency of its part; negative when it is to our favour. */
  Money amount();
}

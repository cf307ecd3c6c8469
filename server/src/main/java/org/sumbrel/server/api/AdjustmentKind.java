package org.sumbrel.server.api;

import org.sumbrel.core.settle.Adjustment;
import org.sumbrel.core.settle.ClaimRaised;
import org.sumbrel.core.settle.FeeWithheld;
import org.sumbrel.core.settle.FeeWithheld.KeptBy;
import org.sumbrel.core.settle.OfCompany;
import org.sumbrel.core.settle.RefundPromised;
import org.sumbrel.core.settle.Rounding;
import org.sumbrel.core.settle.ToAccount;
import org.sumbrel.core.settle.UnearnedDiscount;

/** The adjustments by their names in the API and the database. */
public enum AdjustmentKind {
  BANK_FEE,
  PROCESSING_FEE,
  UNEARNED_DISCOUNT,
  WRITE_OFF,
  CLAIM,
  ROUNDING,
  REFUND,
  TO_ACCOUNT;

  /** Whether the money goes somewhere else by it, rather than being kept from us. */
  public boolean elsewhere() {
    return this == REFUND || this == TO_ACCOUNT;
  }

  public static AdjustmentKind of(Adjustment any) {
    var adjustment = OfCompany.bare(any);
    if (adjustment instanceof FeeWithheld fee) {
      return fee.keptBy() == KeptBy.BANK ? BANK_FEE : PROCESSING_FEE;
    }
    if (adjustment instanceof UnearnedDiscount) {
      return UNEARNED_DISCOUNT;
    }
    if (adjustment instanceof ClaimRaised) {
      return CLAIM;
    }
    if (adjustment instanceof Rounding) {
      return ROUNDING;
    }
    if (adjustment instanceof RefundPromised) {
      return REFUND;
    }
    return adjustment instanceof ToAccount ? TO_ACCOUNT : WRITE_OFF;
  }
}

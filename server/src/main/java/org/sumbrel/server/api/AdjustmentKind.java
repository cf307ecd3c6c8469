package org.sumbrel.server.api;

import org.joda.money.Money;
import org.sumbrel.core.settle.Adjustment;
import org.sumbrel.core.settle.FeeWithheld;
import org.sumbrel.core.settle.FeeWithheld.KeptBy;
import org.sumbrel.core.settle.SmallWriteOff;

/** The adjustments by their names in the API and the database. */
public enum AdjustmentKind {
  BANK_FEE,
  PROCESSING_FEE,
  WRITE_OFF;

  public static AdjustmentKind of(Adjustment adjustment) {
    if (adjustment instanceof FeeWithheld fee) {
      return fee.keptBy() == KeptBy.BANK ? BANK_FEE : PROCESSING_FEE;
    }
    return WRITE_OFF;
  }

  /** The core's adjustment of this kind. */
  public Adjustment of(Money amount) {
    try {
      return switch (this) {
        case BANK_FEE -> new FeeWithheld(amount, KeptBy.BANK);
        case PROCESSING_FEE -> new FeeWithheld(amount, KeptBy.PROCESSOR);
        case WRITE_OFF -> new SmallWriteOff(amount);
      };
    } catch (IllegalArgumentException e) {
      throw new BadRequest(e.getMessage() + ".");
    }
  }
}

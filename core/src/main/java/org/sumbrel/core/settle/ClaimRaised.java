package org.sumbrel.core.settle;

import org.joda.money.Money;
import org.sumbrel.core.receivables.ClaimReason;

/**
 * What the customer held back and we still want; posting makes a claim of it, and the invoice is
 * settled.
 *
 * @param amount positive
 * @param customerId who owes it
 * @param note in the clerk's words, or empty
 */
public record ClaimRaised(Money amount, String customerId, ClaimReason reason, String note)
    implements Adjustment {

  public ClaimRaised {
    if (!amount.isPositive()) {
      throw new IllegalArgumentException("a claim of " + amount.getAmount() + " is not above zero");
    }
  }
}

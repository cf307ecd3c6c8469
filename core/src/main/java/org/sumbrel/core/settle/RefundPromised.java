package org.sumbrel.core.settle;

import org.joda.money.Money;

/**
 * What was paid too much and goes back to the customer; posting lists it for payment.
 *
 * @param amount negative: it is not kept from us but more than what is ours
 * @param customerId to whom it is owed
 */
public record RefundPromised(Money amount, String customerId) implements Adjustment {

  public RefundPromised {
    if (!amount.isNegative()) {
      throw new IllegalArgumentException(
          "a refund is written as a negative amount, not as " + amount.getAmount());
    }
  }
}

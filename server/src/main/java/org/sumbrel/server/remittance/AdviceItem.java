package org.sumbrel.server.remittance;

import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.sumbrel.core.receivables.RemittanceItem;

/** A line of an advice as it is kept, in minor units of the advice's currency. */
record AdviceItem(String reference, long amount, long discount, long adjustment, String reason) {

  static AdviceItem of(RemittanceItem item) {
    return new AdviceItem(
        item.reference(),
        item.amount().getAmountMinorLong(),
        item.discount().getAmountMinorLong(),
        item.adjustment().getAmountMinorLong(),
        item.reason());
  }

  RemittanceItem toItem(CurrencyUnit currency) {
    return new RemittanceItem(
        reference,
        Money.ofMinor(currency, amount),
        Money.ofMinor(currency, discount),
        Money.ofMinor(currency, adjustment),
        reason);
  }
}

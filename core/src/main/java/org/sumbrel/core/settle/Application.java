package org.sumbrel.core.settle;

import org.joda.money.Money;
import org.sumbrel.core.receivables.OpenItem;

/**
 * A part of a receipt set against an open item.
 *
 * @param item the item as it stands before
 * @param amount what the item's balance falls by, in the item's sign: positive on invoices,
 *     negative where a credit note or money on account is used up
 * @param discount the early-payment discount granted with it, zero or positive, contained in {@code
 *     amount}
 */
public record Application(OpenItem item, Money amount, Money discount) {

  /** An application without a discount. */
  public static Application of(OpenItem item, Money amount) {
    return new Application(item, amount, Money.zero(amount.getCurrencyUnit()));
  }

  /** Where it counts: in the books of the item's company and in the item's currency. */
  public Place place() {
    return new Place(item.companyId(), amount.getCurrencyUnit());
  }

  /** Whether it opens the item again instead of settling it: it is against the item's own sign. */
  public boolean reopens() {
    return amount.getAmount().signum() * item.total().getAmount().signum() < 0;
  }

  /** What of the receipt it takes up: the amount less its discount. */
  public Money taken() {
    return amount.minus(discount);
  }
}

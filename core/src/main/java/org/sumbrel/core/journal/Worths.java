package org.sumbrel.core.journal;

import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.sumbrel.core.receivables.OpenItem;

/**
 * What the amounts of a settlement are worth in the currency in which a company keeps its books.
 */
public interface Worths {

  /** The currency of the books. */
  CurrencyUnit books();

  /** What an amount is worth at the rate of the day on which it is booked; half-even. */
  Money ofDay(Money amount);

  /**
   * What a part of an item takes of what the item stands in the books with: all of it, where it is
   * all that is open.
   *
   * @param part in the currency of the item
   */
  Money ofItem(OpenItem item, Money part);
}

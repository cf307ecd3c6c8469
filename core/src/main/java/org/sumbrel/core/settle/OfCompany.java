package org.sumbrel.core.settle;

import org.joda.money.Money;

/**
 * A difference that another company of the group bears than the one that received the money: the
 * one whose items the money settles.
 *
 * @param what the difference, as that company alone would have it
 */
public record OfCompany(String companyId, Adjustment what) implements Adjustment {

  public OfCompany {
    if (what instanceof OfCompany) {
      throw new IllegalArgumentException("a difference is one company's: " + what);
    }
  }

  @Override
  public Money amount() {
    return what.amount();
  }

  /** The difference as its company has it, whosever it is. */
  public static Adjustment bare(Adjustment adjustment) {
    return adjustment instanceof OfCompany of ? of.what() : adjustment;
  }
}

package org.sumbrel.core.tieout;

import org.joda.money.Money;

/**
 * The control total of what arrived: {@code arrived = applied + on account + to accounts + shelved
 * + returned + banked + waiting}. Each part is counted from its own records, so that the gap says
 * something.
 *
 * @param arrived credits as the statements reported them, and receipts as they were recorded
 * @param applied what settlements set against open items, less discounts and adjustments
 * @param onAccount what settlements kept on customers' accounts
 * @param toAccounts what was booked to ledger accounts
 * @param shelved what was set aside
 * @param returned what the bank took back again
 * @param banked what the bank shows of deposits; their receipts arrived themselves
 * @param waiting what nobody has explained yet
 */
public record CentTrail(
    Money arrived,
    Money applied,
    Money onAccount,
    Money toAccounts,
    Money shelved,
    Money returned,
    Money banked,
    Money waiting) {

  /** What is missing (positive) or counted twice (negative); zero when every cent is somewhere. */
  public Money gap() {
    return arrived
        .minus(applied)
        .minus(onAccount)
        .minus(toAccounts)
        .minus(shelved)
        .minus(returned)
        .minus(banked)
        .minus(waiting);
  }

  public boolean whole() {
    return gap().isZero();
  }
}

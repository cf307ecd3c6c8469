package org.sumbrel.core.receivables;

import java.time.LocalDate;
import java.util.Comparator;
import org.joda.money.Money;

/**
 * Anything on a customer's account with a balance. Amounts are signed from our side: what we are
 * owed is positive, what we owe (credit notes, money on account) is negative.
 */
public sealed interface OpenItem extends Aged
    permits Invoice, CreditNote, OnAccount, Claim, RefundDue {

  /** In the order of their ids, of which a later one is larger as a number or as a text. */
  Comparator<OpenItem> EARLIEST_KNOWN =
      Comparator.comparingInt((OpenItem item) -> item.id().length()).thenComparing(OpenItem::id);

  String id();

  String companyId();

  String customerId();

  /** The number the customer knows it by. */
  String number();

  LocalDate issuedOn();

  @Override
  LocalDate dueOn();

  /** The amount it was made for, signed. */
  Money total();

  /** What is left of it, signed like {@link #total()} and never beyond it. */
  @Override
  Money open();

  /** The same item with another balance. */
  OpenItem withOpen(Money open);

  /** Whether nothing is left of it. */
  default boolean settled() {
    return open().isZero();
  }

  /**
   * Holds that a balance is between zero and the total, in the total's sign.
   *
   * @throws IllegalArgumentException with both figures, where it is not
   */
  static void requireWithinTotal(String number, Money total, Money open) {
    var beyond = total.isNegative() ? open.isLessThan(total) : open.isGreaterThan(total);
    if (beyond || open.getAmount().signum() * total.getAmount().signum() < 0) {
      throw new IllegalArgumentException(
          "the balance "
              + open.getAmount()
              + " of "
              + number
              + " is not between 0 and "
              + total.getAmount());
    }
  }
}

package org.sumbrel.core.receivables;

import java.time.LocalDate;
import org.joda.money.Money;

/**
 * What we have promised to pay back to a customer.
 *
 * @param promisedOn the day of the receipt it comes from, which stands for issue and due date
 * @param total negative or zero: we owe it
 * @param open what is still to be paid out, from {@code total} to zero
 */
public record RefundDue(
    String id,
    String companyId,
    String customerId,
    String number,
    LocalDate promisedOn,
    Money total,
    Money open)
    implements OpenItem {

  public RefundDue {
    if (total.isPositive()) {
      throw new IllegalArgumentException(
          "refund " + number + " has the positive total " + total.getAmount());
    }
    OpenItem.requireWithinTotal(number, total, open);
  }

  @Override
  public LocalDate issuedOn() {
    return promisedOn;
  }

  @Override
  public LocalDate dueOn() {
    return promisedOn;
  }

  @Override
  public RefundDue withOpen(Money balance) {
    return new RefundDue(id, companyId, customerId, number, promisedOn, total, balance);
  }
}

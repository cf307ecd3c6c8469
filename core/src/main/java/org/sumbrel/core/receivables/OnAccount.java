package org.sumbrel.core.receivables;

import java.time.LocalDate;
import org.joda.money.Money;

/**
 * Money of a customer that is not yet applied to an invoice.
 *
 * @param receivedOn the day the money came, which stands for issue and due date
 * @param total negative or zero: we owe it to the customer
 * @param open what is left of it, from {@code total} to zero
 */
public record OnAccount(
    String id,
    String companyId,
    String customerId,
    String number,
    LocalDate receivedOn,
    Money total,
    Money open)
    implements OpenItem {

  public OnAccount {
    if (total.isPositive()) {
      throw new IllegalArgumentException(
          "money on account " + number + " has the positive total " + total.getAmount());
    }
    OpenItem.requireWithinTotal(number, total, open);
  }

  @Override
  public LocalDate issuedOn() {
    return receivedOn;
  }

  @Override
  public LocalDate dueOn() {
    return receivedOn;
  }

  @Override
  public OnAccount withOpen(Money balance) {
    return new OnAccount(id, companyId, customerId, number, receivedOn, total, balance);
  }
}

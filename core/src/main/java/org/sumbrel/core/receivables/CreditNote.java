package org.sumbrel.core.receivables;

import java.time.LocalDate;
import org.joda.money.Money;

/**
 * A credit note: what we owe the customer for something returned or billed too high.
 *
 * @param total negative or zero
 * @param open what is left of it, from {@code total} to zero
 */
public record CreditNote(
    String id,
    String companyId,
    String customerId,
    String number,
    LocalDate issuedOn,
    LocalDate dueOn,
    Money total,
    Money open)
    implements OpenItem {

  public CreditNote {
    if (total.isPositive()) {
      throw new IllegalArgumentException(
          "credit note " + number + " has the positive total " + total.getAmount());
    }
    OpenItem.requireWithinTotal(number, total, open);
  }

  @Override
  public CreditNote withOpen(Money balance) {
    return new CreditNote(id, companyId, customerId, number, issuedOn, dueOn, total, balance);
  }
}

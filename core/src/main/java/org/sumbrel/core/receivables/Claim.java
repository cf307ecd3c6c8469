package org.sumbrel.core.receivables;

import java.time.LocalDate;
import org.joda.money.Money;

/**
 * What a customer held back on purpose and we still want: an open item of its own, which can later
 * be paid, credited or written off.
 *
 * @param raisedOn the day it was held back, which stands for issue and due date
 * @param total positive or zero
 * @param open what is left of it, from zero to {@code total}
 */
public record Claim(
    String id,
    String companyId,
    String customerId,
    String number,
    LocalDate raisedOn,
    Money total,
    Money open,
    ClaimReason reason)
    implements OpenItem {

  public Claim {
    if (total.isNegative()) {
      throw new IllegalArgumentException(
          "claim " + number + " has the negative total " + total.getAmount());
    }
    OpenItem.requireWithinTotal(number, total, open);
  }

  @Override
  public LocalDate issuedOn() {
    return raisedOn;
  }

  @Override
  public LocalDate dueOn() {
    return raisedOn;
  }

  @Override
  public Claim withOpen(Money balance) {
    return new Claim(id, companyId, customerId, number, raisedOn, total, balance, reason);
  }
}

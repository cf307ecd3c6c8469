package org.sumbrel.core.journal;

import java.util.Optional;
import org.joda.money.Money;

/**
 * One line of a journal entry.
 *
 * @param customerId whose account, where the account is kept for each customer
 * @param amount debit positive, credit negative, never zero
 */
public record JournalLine(AccountRole role, Optional<String> customerId, Money amount) {

  public JournalLine {
    if (amount.isZero()) {
      throw new IllegalArgumentException("a journal line of zero on " + role);
    }
    if (role.byCustomer() != customerId.isPresent()) {
      throw new IllegalArgumentException(
          role + (role.byCustomer() ? " needs a customer" : " takes no customer"));
    }
  }

  static JournalLine of(AccountRole role, Money amount) {
    return new JournalLine(role, Optional.empty(), amount);
  }

  static JournalLine of(AccountRole role, String customerId, Money amount) {
    return new JournalLine(role, Optional.of(customerId), amount);
  }
}

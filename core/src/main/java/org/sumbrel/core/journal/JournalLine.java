package org.sumbrel.core.journal;

import java.util.Optional;
import org.joda.money.Money;

/**
 * One line of a journal entry.
 *
 * @param role what the account is for
 * @param accountId which of the company's accounts it is; empty where the company has one for the
 *     role
 * @param customerId whose account, where the account is kept for each customer
 * @param amount debit positive, credit negative, never zero
 */
public record JournalLine(
    AccountRole role, Optional<String> accountId, Optional<String> customerId, Money amount) {

  public JournalLine {
    if (amount.isZero()) {
      throw new IllegalArgumentException("a journal line of zero on " + role);
    }
    if (role.byCustomer() != customerId.isPresent()) {
      throw new IllegalArgumentException(
          role + (role.byCustomer() ? " needs a customer" : " takes no customer"));
    }
    if (role == AccountRole.OTHER && accountId.isEmpty()) {
      throw new IllegalArgumentException("there are many other accounts: one must be named");
    }
  }

  static JournalLine of(AccountRole role, Money amount) {
    return new JournalLine(role, Optional.empty(), Optional.empty(), amount);
  }

  static JournalLine of(AccountRole role, String customerId, Money amount) {
    return new JournalLine(role, Optional.empty(), Optional.of(customerId), amount);
  }

  static JournalLine on(String accountId, Money amount) {
    return new JournalLine(AccountRole.OTHER, Optional.of(accountId), Optional.empty(), amount);
  }
}

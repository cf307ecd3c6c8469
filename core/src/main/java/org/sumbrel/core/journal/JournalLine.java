package org.sumbrel.core.journal;

import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;

/**
 * One line of a journal entry.
 *
 * @param role what the account is for
 * @param accountId which of the company's accounts it is; empty where the company has one for the
 *     role
 * @param customerId whose account, where the account is kept for each customer
 * @param amount debit positive, credit negative; zero only where the line corrects a worth
 * @param worth what it is worth in the currency of the books, with the same sign; empty where it is
 *     in that currency, or where no rate is known
 */
public record JournalLine(
    AccountRole role,
    Optional<String> accountId,
    Optional<String> customerId,
    Money amount,
    Optional<Money> worth) {

  public JournalLine {
    if (amount.isZero() && worth.filter(w -> !w.isZero()).isEmpty()) {
      throw new IllegalArgumentException("a journal line of zero on " + role);
    }
    if (role.byCustomer() != customerId.isPresent()) {
      throw new IllegalArgumentException(
          role + (role.byCustomer() ? " needs a customer" : " takes no customer"));
    }
    if ((role == AccountRole.OTHER || role == AccountRole.GROUP_COMPANY) && accountId.isEmpty()) {
      throw new IllegalArgumentException("there are many accounts of " + role + ": name one");
    }
  }

  /** A line whose worth is not said. */
  public JournalLine(
      AccountRole role, Optional<String> accountId, Optional<String> customerId, Money amount) {
    this(role, accountId, customerId, amount, Optional.empty());
  }

  /** The same with its worth. */
  JournalLine worth(Money inBooks) {
    return new JournalLine(role, accountId, customerId, amount, Optional.of(inBooks));
  }

  /** A line that corrects what an account is worth, without any amount in the other currency. */
  static JournalLine correcting(AccountRole role, CurrencyUnit other, Money worth) {
    return new JournalLine(
        role, Optional.empty(), Optional.empty(), Money.zero(other), Optional.of(worth));
  }

  static JournalLine of(AccountRole role, Money amount) {
    return new JournalLine(role, Optional.empty(), Optional.empty(), amount);
  }

  static JournalLine of(AccountRole role, String customerId, Money amount) {
    return new JournalLine(role, Optional.empty(), Optional.of(customerId), amount);
  }

  /** A line on the account that is kept for another company of the group. */
  static JournalLine group(String accountId, Money amount) {
    return new JournalLine(
        AccountRole.GROUP_COMPANY, Optional.of(accountId), Optional.empty(), amount);
  }

  static JournalLine on(String accountId, Money amount) {
    return new JournalLine(AccountRole.OTHER, Optional.of(accountId), Optional.empty(), amount);
  }
}

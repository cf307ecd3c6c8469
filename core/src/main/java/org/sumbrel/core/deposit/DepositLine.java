package org.sumbrel.core.deposit;

import java.util.Optional;
import org.joda.money.Money;

/**
 * What changes a deposit beside its receipts.
 *
 * @param amount what it adds to the deposit: positive for what is put in, negative for what is kept
 *     back or taken off
 * @param accountId the ledger account of {@link Kind#TO_ACCOUNT}; empty for all else
 */
public record DepositLine(Kind kind, Money amount, Optional<String> accountId, String words) {

  /** What it is. */
  public enum Kind {
    /** Cash on hand that nobody paid an invoice with. */
    LOOSE_CASH,
    /** Cash that stays in the office. */
    KEPT_BACK,
    /** Another amount, from or to an account. */
    TO_ACCOUNT,
    /** What the bank took for counting and crediting it. */
    BANK_FEE,
    /** What the acquirer kept of a card batch. */
    PROCESSING_FEE,
    /** What the bank counted more or less of cash than we did. */
    CASH_DIFFERENCE
  }

  public DepositLine {
    var sign = amount.isPositive() ? 1 : -1;
    if (amount.isZero()
        || kind == Kind.LOOSE_CASH && sign < 0
        || (kind == Kind.KEPT_BACK || kind == Kind.BANK_FEE || kind == Kind.PROCESSING_FEE)
            && sign > 0) {
      throw new IllegalArgumentException(kind + " of " + amount);
    }
    if (accountId.isPresent() != (kind == Kind.TO_ACCOUNT)) {
      throw new IllegalArgumentException(kind + " with the account " + accountId);
    }
  }

  /** Whether it changes how much cash is banked. */
  boolean isCash() {
    return kind == Kind.LOOSE_CASH || kind == Kind.KEPT_BACK || kind == Kind.CASH_DIFFERENCE;
  }
}

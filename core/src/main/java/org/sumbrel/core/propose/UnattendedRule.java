package org.sumbrel.core.propose;

import java.util.Optional;
import org.joda.money.Money;
import org.sumbrel.core.receivables.PaidBy;

/**
 * A decision that clear receipts may be posted without a hand: those of one customer, or those that
 * arrived on one bank account, or those that came in one manner.
 *
 * @param customerId whose receipts, as the first explanation says who paid
 * @param bankAccountId where they arrived
 * @param method how they came
 * @param upTo the largest receipt that is covered, in the currency of those that are
 */
public record UnattendedRule(
    Optional<String> customerId,
    Optional<String> bankAccountId,
    Optional<PaidBy> method,
    Money upTo) {

  public UnattendedRule {
    var given =
        (customerId.isPresent() ? 1 : 0)
            + (bankAccountId.isPresent() ? 1 : 0)
            + (method.isPresent() ? 1 : 0);
    if (given != 1) {
      throw new IllegalArgumentException(
          "A rule is for one customer, one bank account or one method; " + given + " are given.");
    }
    if (!upTo.isPositive()) {
      throw new IllegalArgumentException(
          upTo + " is no amount up to which receipts could be posted.");
    }
  }

  /**
   * A receipt as far as a rule looks at it.
   *
   * @param customerId who paid, as the first explanation says; empty where that is nobody's
   */
  public record Arrived(
      Money amount,
      Standing standing,
      Optional<String> customerId,
      String bankAccountId,
      PaidBy method) {}

  /** Whether the receipt may be posted without a hand under this rule. */
  public boolean covers(Arrived receipt) {
    return receipt.standing() == Standing.CLEAR
        && receipt.customerId().isPresent()
        && receipt.amount().getCurrencyUnit().equals(upTo.getCurrencyUnit())
        && !receipt.amount().isGreaterThan(upTo)
        && customerId.map(receipt.customerId().get()::equals).orElse(true)
        && bankAccountId.map(receipt.bankAccountId()::equals).orElse(true)
        && method.map(m -> m == receipt.method()).orElse(true);
  }
}

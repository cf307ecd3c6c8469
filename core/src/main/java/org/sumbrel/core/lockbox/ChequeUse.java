package org.sumbrel.core.lockbox;

import org.joda.money.Money;

/**
 * What became of a cheque's money, or would by what is drafted or stands clear: {@code amount =
 * applied + onAccount + differences + toAccounts + left}.
 *
 * @param amount of the cheque
 * @param applied what the items' balances fall by
 * @param onAccount what stays on a customer's account
 * @param differences discounts, write-offs, fees and claims: negative where we got less than the
 *     items fall by
 * @param toAccounts what is promised back or goes to accounts of the ledger
 */
public record ChequeUse(
    Money amount, Money applied, Money onAccount, Money differences, Money toAccounts) {

  /** Nothing is said of it yet. */
  public static ChequeUse none(Money amount) {
    var zero = Money.zero(amount.getCurrencyUnit());
    return new ChequeUse(amount, zero, zero, zero, zero);
  }

  /** What of it is explained; more than the cheque where more is explained than came. */
  public Money explained() {
    return applied.plus(onAccount).plus(differences).plus(toAccounts);
  }

  /** What is not explained yet; negative where more is explained than came. */
  public Money left() {
    return amount.minus(explained());
  }
}

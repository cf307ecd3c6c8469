package org.sumbrel.core.receivables;

import java.time.LocalDate;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;

/**
 * Money from one payer, as a bank entry or the mail room reports it; or money that went from us, to
 * be settled against what we owe or charged to accounts.
 *
 * @param receivedOn the booking date, by which discounts are judged
 * @param amount positive: money to us; negative: money from us, of which the engine is not asked;
 *     zero only where no money came ({@link #none})
 * @param payerName as it was sent, or whom it went to; may be empty
 * @param payerAccount the account it came from, or empty
 * @param text what the payer and the bank wrote about it, word for word
 */
public record Receipt(
    String id,
    String companyId,
    LocalDate receivedOn,
    Money amount,
    String payerName,
    String payerAccount,
    String text) {

  /** The same money with another text and nobody named, to read that text by itself. */
  public Receipt saying(String otherText) {
    return new Receipt(id, companyId, receivedOn, amount, "", "", otherText);
  }

  /** The same with another amount. */
  public Receipt of(Money otherAmount) {
    return new Receipt(id, companyId, receivedOn, otherAmount, payerName, payerAccount, text);
  }

  /** As another company of the group has it, with what counts there. */
  public Receipt of(String otherCompany, Money otherAmount) {
    return new Receipt(id, otherCompany, receivedOn, otherAmount, payerName, payerAccount, text);
  }

  /**
   * No money at all: for setting what stands on an account against each other, credit against
   * invoice, without anything arriving.
   *
   * @param on the day on which it is done
   */
  public static Receipt none(String companyId, LocalDate on, CurrencyUnit currency) {
    return new Receipt("none", companyId, on, Money.zero(currency), "", "", "");
  }
}

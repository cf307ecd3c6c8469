package org.sumbrel.core.propose;

/**
 * Something of a payer that is known to stand for a customer: the name that the bank gives, or the
 * account that the money comes from.
 *
 * @param payerText the name, or empty where it is an account
 * @param payerAccount the account, or empty where it is a name
 */
public record Alias(String payerText, String payerAccount, String customerId) {

  public Alias {
    if (payerText.isBlank() == payerAccount.isBlank()) {
      throw new IllegalArgumentException("an alias is either a payer's name or his account");
    }
  }

  public static Alias ofText(String payerText, String customerId) {
    return new Alias(payerText, "", customerId);
  }

  public static Alias ofAccount(String payerAccount, String customerId) {
    return new Alias("", payerAccount, customerId);
  }

  /** The same for all ways of writing it. */
  public String key() {
    return payerText.isBlank() ? PastPayers.account(payerAccount) : PastPayers.nameKey(payerText);
  }
}

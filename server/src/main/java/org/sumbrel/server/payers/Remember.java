package org.sumbrel.server.payers;

import org.sumbrel.core.propose.Alias;

/** What of a payer is remembered for a customer: the name that the bank gives, or the account. */
public enum Remember {
  TEXT,
  ACCOUNT;

  /** Whether the bank gives it at all. */
  public boolean stands(String payerName, String payerAccount) {
    return !(this == TEXT ? payerName : payerAccount).isBlank();
  }

  /** The alias that comes of it. */
  public Alias of(String payerName, String payerAccount, Long customerId) {
    return this == TEXT
        ? Alias.ofText(payerName, customerId.toString())
        : Alias.ofAccount(payerAccount, customerId.toString());
  }
}

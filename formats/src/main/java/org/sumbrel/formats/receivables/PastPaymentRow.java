package org.sumbrel.formats.receivables;

/**
 * A receipt that a person settled in the past: who sent it, and whose items it paid.
 *
 * @param payerName as it was sent, or empty
 * @param payerAccount the account it came from, or empty
 */
public record PastPaymentRow(String payerName, String payerAccount, String customerId, int line) {}

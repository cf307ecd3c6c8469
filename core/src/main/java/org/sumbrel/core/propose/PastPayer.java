package org.sumbrel.core.propose;

/**
 * Who was behind a past receipt that a person settled.
 *
 * @param payerName as it was sent, or empty
 * @param payerAccount the account it came from, or empty
 * @param customerId whose items it paid
 */
public record PastPayer(String payerName, String payerAccount, String customerId) {}

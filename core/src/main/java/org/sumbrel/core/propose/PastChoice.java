package org.sumbrel.core.propose;

/**
 * That somebody took another explanation of a payer's money than the one that stood first.
 *
 * @param payerName as it was sent, or empty
 * @param payerAccount the account it came from, or empty
 * @param manner how what was taken differs from what stood first
 */
public record PastChoice(String payerName, String payerAccount, Manner manner) {}

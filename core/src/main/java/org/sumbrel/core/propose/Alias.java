package org.sumbrel.core.propose;

/** A payer text known to stand for a customer. */
public record Alias(String payerText, String customerId) {}

package org.sumbrel.formats.receivables;

/** A payer text that stands for a customer, as a file gives it. */
public record AliasRow(String payerText, String customerId, int line) {}

package org.sumbrel.server.rates;

/** Rates have become known that were not known before. */
public record RatesKnown() {}

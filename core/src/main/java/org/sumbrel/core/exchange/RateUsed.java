package org.sumbrel.core.exchange;

/**
 * The rate at which something was settled, kept with it.
 *
 * @param words how it came about, such as {@code 1 EUR = 1.0754 USD of 29 May 2026}
 */
public record RateUsed(Rate rate, Source source, String words) {

  /** Who quoted it. */
  public enum Source {
    /** The bank, of this very payment: what was instructed, what it booked and what it kept. */
    BANK,
    /** The table of rates. */
    TABLE
  }
}

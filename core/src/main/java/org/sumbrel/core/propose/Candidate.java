package org.sumbrel.core.propose;

import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.sumbrel.core.receivables.OpenItem;

/**
 * An open item that may be part of an explanation, in minor units.
 *
 * @param open its balance, signed
 * @param discount what it may fall by without being paid, because it is paid in time; zero or
 *     positive
 * @param late what it could have fallen by had it been paid in time; zero where it was, or where
 *     there are no terms
 * @param hit where the text names it, or null
 */
record Candidate(OpenItem item, long open, long discount, long late, ReferenceHit hit) {

  long net() {
    return open - discount;
  }

  boolean referenced() {
    return hit != null;
  }

  /** Whether the text names it as it stands, without a slip. */
  boolean namedOutright() {
    return referenced() && hit.form() != ReferenceHit.Form.REPAIRED;
  }

  static Money money(CurrencyUnit currency, long minor) {
    return Money.ofMinor(currency, minor);
  }
}

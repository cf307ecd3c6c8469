package org.sumbrel.core.treat;

import java.math.BigDecimal;

/**
 * What of an entry goes to one account.
 *
 * @param accountId the ledger account
 * @param percent of the entry's amount, above 0 and at most 100
 * @param taxPercent the rate of the tax that is contained in it, from 0 to below 100
 * @param words what it is
 */
public record Share(String accountId, BigDecimal percent, BigDecimal taxPercent, String words) {

  private static final BigDecimal WHOLE = BigDecimal.valueOf(100);

  public Share {
    if (percent.signum() <= 0 || percent.compareTo(WHOLE) > 0) {
      throw new IllegalArgumentException(
          "A share of " + percent.toPlainString() + " % is not above 0 and at most 100.");
    }
    if (taxPercent.signum() < 0 || taxPercent.compareTo(WHOLE) >= 0) {
      throw new IllegalArgumentException(
          "A tax of " + taxPercent.toPlainString() + " % is not from 0 to below 100.");
    }
  }
}

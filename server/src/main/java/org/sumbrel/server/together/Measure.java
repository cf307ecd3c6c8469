package org.sumbrel.server.together;

import org.sumbrel.core.receivables.Ageing.Bucket;

/** What is shown of each company and currency, in this order. */
enum Measure {
  /** On the bank accounts, by the books. */
  BANKS,
  ARRIVED,
  SETTLED,
  WAITING,
  /** What is missing in the cent trail, as it stands now. */
  TRAIL_GAP,
  /** All that customers owe, less what we owe them: the sum of the five below. */
  OWED,
  NOT_DUE,
  DAYS_1_TO_30,
  DAYS_31_TO_60,
  DAYS_61_TO_90,
  OVER_90,
  ON_ACCOUNT,
  CLAIMS;

  static Measure of(Bucket bucket) {
    return valueOf(bucket.name());
  }

  /** Whether it is one of the five. */
  boolean isBucket() {
    return compareTo(OWED) > 0 && compareTo(ON_ACCOUNT) < 0;
  }
}

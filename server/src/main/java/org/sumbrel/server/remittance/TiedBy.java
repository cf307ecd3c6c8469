package org.sumbrel.server.remittance;

/** How an advice and its money found each other. */
public enum TiedBy {
  TRACE,
  AMOUNT_AND_DATE,
  NAME,
  /** A person said so. */
  HAND
}

package org.sumbrel.server.remittance;

/** How an advice and its money found each other. */
public enum TiedBy {
  TRACE,
  AMOUNT_AND_DATE,
  NAME,
  /** They came together, a cheque and the slip in its envelope. */
  FILE,
  /** A person said so. */
  HAND
}

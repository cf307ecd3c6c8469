package org.sumbrel.core.lockbox;

/** What is left to do about a cheque of a batch, the most first. */
public enum ChequeState {
  /** Nothing explains it, or a draft leaves something of it. */
  UNEXPLAINED,
  /** Several explanations are near to each other, or the first is not sure. */
  UNDECIDED,
  /** Its first explanation may be posted, but leaves something of an item owing. */
  SHORT,
  /** Somebody's draft accounts for all of it. */
  BY_HAND,
  /** Its first explanation may be posted as it stands. */
  CLEAR,
  /** Somebody set it aside with a reason, or the bank took it back. */
  ASIDE,
  /** Settled. */
  POSTED;

  /** Whether something is still to be done about it. */
  public boolean waits() {
    return this != ASIDE && this != POSTED;
  }

  /** Whether it is to be posted with the batch as it is. */
  public boolean ready() {
    return this == SHORT || this == BY_HAND || this == CLEAR;
  }
}

package org.sumbrel.core.propose;

/** How firm the proposals for a receipt are, in the order in which a clerk goes through them. */
public enum Standing {
  /** One explanation, strong evidence. */
  CLEAR,
  /** Two or more explain it about as well. */
  TORN,
  /** One explanation leads. */
  LEANING,
  /** No lead. */
  BLANK
}

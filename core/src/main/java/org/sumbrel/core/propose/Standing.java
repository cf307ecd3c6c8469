package org.sumbrel.core.propose;

/** How firm the proposals for a receipt are. */
public enum Standing {
  /** One explanation, strong evidence. */
  CLEAR,
  /** One explanation leads. */
  LEANING,
  /** Two or more explain it about as well. */
  TORN,
  /** No lead. */
  BLANK
}

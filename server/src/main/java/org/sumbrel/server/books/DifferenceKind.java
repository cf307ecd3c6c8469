package org.sumbrel.server.books;

/** What differs between what was owed and what came. */
public enum DifferenceKind {
  EARLY_DISCOUNT,
  UNEARNED_DISCOUNT,
  BANK_FEE,
  PROCESSING_FEE,
  WRITE_OFF,
  ROUNDING,
  /** Held back by the customer and still wanted: no cost so far. */
  CLAIM;

  /** Whether it is lost, rather than still wanted. */
  public boolean isCost() {
    return this != CLAIM;
  }
}

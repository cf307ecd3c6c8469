package org.sumbrel.formats.statement;

/** How far the bank is with an entry. */
public enum EntryStatus {
  /** On the account. */
  BOOKED,
  /** Announced; the balance does not hold it yet. */
  PENDING,
  /** Told for information only; it never gets onto the account. */
  INFORMATION
}

package org.sumbrel.bench;

import java.util.Locale;

/** How a company numbers its invoices and credit notes. */
enum NumberStyle {
  /** Letters and seven figures: {@code LM-0020418}. */
  PADDED("LM-%07d", "LC-%07d", 20_000),
  /** Letters, the year and a count: {@code INV-2026-00418}. */
  YEARLY("INV-2026-%05d", "CN-2026-%05d", 100),
  /** Nothing but figures: {@code 104418}. */
  PLAIN("%d", "%d", 104_000),
  /** A letter glued to the figures: {@code F20418}. */
  GLUED("F%d", "G%d", 20_000),
  /** The year, a stroke and a count: {@code 26/20418}. */
  STROKE("26/%d", "26/C%d", 20_000);

  private final String invoice;
  private final String credit;
  private final int first;

  NumberStyle(String invoice, String credit, int first) {
    this.invoice = invoice;
    this.credit = credit;
    this.first = first;
  }

  int first() {
    return first;
  }

  String invoice(int n) {
    return invoice.formatted(n);
  }

  String credit(int n) {
    return credit.formatted(n);
  }

  /** Whether a list of them is shortened to the figures that differ. */
  boolean shortens() {
    return this == PADDED || this == PLAIN;
  }

  @Override
  public String toString() {
    return name().toLowerCase(Locale.ROOT);
  }
}

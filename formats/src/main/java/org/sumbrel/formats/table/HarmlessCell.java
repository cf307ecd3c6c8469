package org.sumbrel.formats.table;

/** A text for a table that others open: what a spreadsheet would take for a formula is none. */
public final class HarmlessCell {

  private HarmlessCell() {}

  /** The text, with an apostrophe before it where it begins like a formula. */
  public static String of(String text) {
    return Cells.harmless(text);
  }
}

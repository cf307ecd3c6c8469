package org.sumbrel.formats.table;

/**
 * Cells that a spreadsheet would take for a formula: written with an apostrophe before them, and
 * read without it.
 */
final class Cells {

  private static final String FORMULAS = "=+-@\t";

  private Cells() {}

  static String harmless(String text) {
    return !text.isEmpty() && FORMULAS.indexOf(text.charAt(0)) >= 0 ? "'" + text : text;
  }

  static String written(String cell) {
    return cell.length() > 1 && cell.charAt(0) == '\'' && FORMULAS.indexOf(cell.charAt(1)) >= 0
        ? cell.substring(1)
        : cell;
  }
}

package org.sumbrel.formats.table;

import java.util.regex.Pattern;

/**
 * Cells that a spreadsheet would take for a formula: written with an apostrophe before them, and
 * read without it.
 */
final class Cells {

  private static final String FORMULAS = "=+-@\t";

  private static final Pattern NUMBER = Pattern.compile("[+-]\\d{1,18}(\\.\\d{1,9})?");

  private Cells() {}

  /** A number stays as it is, whatever its sign. */
  static String harmless(String text) {
    return !text.isEmpty()
            && FORMULAS.indexOf(text.charAt(0)) >= 0
            && !NUMBER.matcher(text).matches()
        ? "'" + text
        : text;
  }

  static String written(String cell) {
    return cell.length() > 1 && cell.charAt(0) == '\'' && FORMULAS.indexOf(cell.charAt(1)) >= 0
        ? cell.substring(1)
        : cell;
  }
}

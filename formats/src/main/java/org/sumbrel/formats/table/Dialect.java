package org.sumbrel.formats.table;

import java.nio.charset.Charset;

/**
 * How a table is written: as a delimited text, or as a sheet of a spreadsheet.
 *
 * @param separator between the cells of a text, as one character; empty for a sheet
 * @param charset of a text; empty for a sheet
 * @param sheet the sheet's name; empty for a text
 */
public record Dialect(String separator, String charset, String sheet) {

  /**
   * @throws IllegalArgumentException where it is neither a text nor a sheet
   */
  public Dialect {
    if (sheet.isEmpty()) {
      if (separator.length() != 1) {
        throw new IllegalArgumentException(
            "the separator \"" + separator + "\" is not one character");
      }
      try {
        if (!Charset.isSupported(charset)) {
          throw new IllegalArgumentException("there is no character set \"" + charset + "\"");
        }
      } catch (java.nio.charset.IllegalCharsetNameException e) {
        throw new IllegalArgumentException("there is no character set \"" + charset + "\"", e);
      }
    }
  }

  static Dialect text(char separator, Charset charset) {
    return new Dialect(Character.toString(separator), charset.name(), "");
  }

  static Dialect sheet(String name) {
    return new Dialect("", "", name);
  }

  public boolean isSheet() {
    return !sheet.isEmpty();
  }
}

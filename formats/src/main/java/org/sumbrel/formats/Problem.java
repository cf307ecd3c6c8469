package org.sumbrel.formats;

/**
 * Something wrong with a file.
 *
 * @param line where, counted from 1; 0 where it is about the file as a whole
 * @param message what is wrong and what was expected, as a sentence without its full stop
 * @param contradiction whether a count, a total or an order that the file claims does not hold, so
 *     that something of it may be missing
 */
public record Problem(int line, String message, boolean contradiction) {

  public Problem(int line, String message) {
    this(line, message, false);
  }

  /** With its place in front, where it has one. */
  public String sentence() {
    return (line > 0 ? "line " + line + ": " : "") + message;
  }
}

package org.sumbrel.formats.lockbox;

/**
 * One record of a BAI lockbox file, cut by positions that count from 1 as the layout's tables do.
 *
 * @param number of the line in the file
 */
record BaiLine(String text, int number) {

  char type() {
    return text.charAt(0);
  }

  /** The characters from one position to another, both included, without blanks around. */
  String at(int from, int to) {
    return from > text.length()
        ? ""
        : text.substring(from - 1, Math.min(to, text.length())).strip();
  }

  /** The same where the field is a number that is filled up with zeros; empty where all are. */
  String numberAt(int from, int to) {
    return at(from, to).replaceFirst("^0+", "");
  }
}

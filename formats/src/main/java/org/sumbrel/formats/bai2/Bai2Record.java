package org.sumbrel.formats.bai2;

import java.util.List;

/**
 * One record with its continuations.
 *
 * @param fields the code and what follows it, separated by commas
 * @param line where it begins, counted from 1
 * @param countBefore how many physical records stand before it
 * @param countWith how many there are up to its last continuation
 */
record Bai2Record(List<String> fields, int line, int countBefore, int countWith) {

  /** Marks where a continuation begins with a field of its own. */
  static final char JOINT = '\u0001';

  String code() {
    return fields.get(0);
  }

  /** The field of this number, counted from the code's 0, or empty. */
  String field(int number) {
    return number < fields.size()
        ? fields.get(number).replace(Character.toString(JOINT), "").strip()
        : "";
  }

  int size() {
    return fields.size();
  }

  /** All from this field on, as one text; commas in it are its own. */
  String textFrom(int number) {
    return number < fields.size()
        ? String.join(",", fields.subList(number, fields.size()))
            .replace("," + JOINT, " ")
            .replace(Character.toString(JOINT), "")
            .strip()
        : "";
  }
}

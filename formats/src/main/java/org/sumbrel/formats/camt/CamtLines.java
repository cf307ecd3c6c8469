package org.sumbrel.formats.camt;

import java.util.ArrayList;
import java.util.List;

/** A text in lines of 140 characters, broken at blanks where there are any. */
final class CamtLines {

  private static final int LINE = 140;

  private CamtLines() {}

  static List<String> of(String text) {
    var lines = new ArrayList<String>();
    var rest = text;
    while (rest.length() > LINE) {
      var blank = rest.lastIndexOf(' ', LINE);
      var end = blank > 0 ? blank : LINE;
      lines.add(rest.substring(0, end));
      rest = rest.substring(blank > 0 ? end + 1 : end);
    }
    if (!rest.isEmpty()) {
      lines.add(rest);
    }
    return lines;
  }
}

package org.sumbrel.formats.ofx;

import java.util.Locale;
import java.util.Set;
import org.apache.commons.text.StringEscapeUtils;
import org.sumbrel.formats.BrokenFile;

/**
 * Goes through OFX 1.x, where an element ends at the next tag and only aggregates are closed, and
 * through what banks make of it: elements that are closed or empty, aggregates that are not.
 */
final class OfxSgml {

  private static final int LONGEST_NAME = 32;

  /** Elements that may stand without a value and without an end, and are no aggregates. */
  private static final Set<String> VALUES =
      Set.of(
          "NAME",
          "MEMO",
          "CHECKNUM",
          "REFNUM",
          "EXTDNAME",
          "SRVRTID",
          "PAYEEID",
          "ORG",
          "FID",
          "MESSAGE",
          "FITID",
          "SIC",
          "BRANCHID",
          "BANKID",
          "ACCTKEY",
          "CORRECTFITID",
          "CORRECTACTION",
          "DTUSER",
          "DTAVAIL",
          "TRNTYPE",
          "INTU.BID",
          "INTU.USERID",
          "INTU.ORG",
          "LANGUAGE",
          "DTPROFUP",
          "DTACCTUP",
          "USERKEY",
          "TSKEYEXPIRE",
          "CLTCOOKIE",
          "TRNUID");

  private final OfxEvents events;
  private String text;
  private int at;
  private int line = 1;

  OfxSgml(OfxEvents events) {
    this.events = events;
  }

  void read(String file, int from) throws BrokenFile {
    text = file;
    moveTo(from);
    while (at < text.length()) {
      var name = tag(at);
      if (name == null) {
        moveTo(at + 1);
        continue;
      }
      var began = line;
      moveTo(text.indexOf('>', at) + 1);
      if (name.charAt(0) == '/') {
        events.end(name.substring(1));
      } else {
        begin(name, began);
      }
    }
    events.end("OFX");
  }

  private void begin(String name, int began) throws BrokenFile {
    var end = nextTag(at);
    var value = text.substring(at, end).strip();
    if (!value.isEmpty()) {
      events.value(name, unescaped(value));
    } else if (!VALUES.contains(name) && !("/" + name).equals(tag(end))) {
      events.begin(name, began);
    }
    moveTo(end);
  }

  /** The name of the tag that begins here, with its slash, in capitals; null where none does. */
  private String tag(int from) {
    if (from >= text.length() || text.charAt(from) != '<') {
      return null;
    }
    for (var i = from + 1; i < text.length() && i <= from + LONGEST_NAME; i++) {
      var c = text.charAt(i);
      if (c == '>' && i > from + 1 && !(i == from + 2 && text.charAt(from + 1) == '/')) {
        return text.substring(from + 1, i).toUpperCase(Locale.ROOT);
      }
      var letter = c >= 'A' && c <= 'Z' || c >= 'a' && c <= 'z';
      var inside = i > from + 1 && (c >= '0' && c <= '9' || c == '.' || c == '_');
      if (!letter && !inside && !(c == '/' && i == from + 1)) {
        return null;
      }
    }
    return null;
  }

  private int nextTag(int from) {
    for (var i = text.indexOf('<', from); i >= 0; i = text.indexOf('<', i + 1)) {
      if (tag(i) != null) {
        return i;
      }
    }
    return text.length();
  }

  private void moveTo(int to) {
    for (; at < to; at++) {
      if (text.charAt(at) == '\n') {
        line++;
      }
    }
  }

  /** A bare ampersand, as many banks write it, stays one. */
  private static String unescaped(String value) {
    return value.indexOf('&') < 0 ? value : StringEscapeUtils.unescapeXml(value).strip();
  }
}

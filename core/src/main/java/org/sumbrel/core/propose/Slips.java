package org.sumbrel.core.propose;

import java.util.LinkedHashSet;
import java.util.Set;

/**
 * What a written reference may have been before one slip of a hand or a scanner: two characters
 * swapped, one wrong, one too many, one missing, a letter read for a figure. The forms are made
 * from the written one and looked up, so that the cost does not depend on how many items are known.
 */
final class Slips {

  private static final String DIGITS = "0123456789";
  private static final String LETTERS_READ = "OQDIL|ZSGBT";
  private static final String FIGURES_MEANT = "00011125687";

  private Slips() {}

  /** The written form with every letter that looks like a figure read as that figure. */
  static String figuresForLetters(String written) {
    var out = new StringBuilder(written);
    for (var i = 0; i < out.length(); i++) {
      var at = LETTERS_READ.indexOf(out.charAt(i));
      if (at >= 0) {
        out.setCharAt(i, FIGURES_MEANT.charAt(at));
      }
    }
    return out.toString();
  }

  /** All forms one slip away, the written one left out; only figures are put in. */
  static Set<String> undone(String written) {
    var forms = new LinkedHashSet<String>();
    var length = written.length();
    for (var i = 0; i < length; i++) {
      var before = written.substring(0, i);
      var after = written.substring(i + 1);
      forms.add(before + after);
      for (var d = 0; d < DIGITS.length(); d++) {
        forms.add(before + DIGITS.charAt(d) + after);
        forms.add(before + DIGITS.charAt(d) + written.substring(i));
      }
      if (i + 1 < length) {
        forms.add(before + written.charAt(i + 1) + written.charAt(i) + written.substring(i + 2));
      }
    }
    for (var d = 0; d < DIGITS.length(); d++) {
      forms.add(written + DIGITS.charAt(d));
    }
    forms.remove(written);
    return forms;
  }
}

package org.sumbrel.core.intake;

import java.util.HashSet;
import java.util.Locale;
import java.util.Set;
import java.util.regex.Pattern;

/**
 * How much of what two files tell of a movement is the same: the share of the shorter one's words
 * that the longer one has too. One format cuts what the other tells whole, so the shorter counts.
 */
final class Likeness {

  /** Nothing can be said, because one side tells nothing. */
  static final double UNKNOWN = -1;

  private static final Pattern BREAKS = Pattern.compile("[^\\p{L}\\p{N}]+");

  private Likeness() {}

  /** From 0 to 1, or {@link #UNKNOWN}. */
  static double of(String one, String other) {
    var a = words(one);
    var b = words(other);
    if (a.isEmpty() || b.isEmpty()) {
      return UNKNOWN;
    }
    var shared = 0;
    for (var word : a) {
      shared += b.contains(word) ? 1 : 0;
    }
    return (double) shared / Math.min(a.size(), b.size());
  }

  private static Set<String> words(String told) {
    var words = new HashSet<String>();
    for (var word : BREAKS.split(told.toUpperCase(Locale.ROOT))) {
      if (!word.isEmpty()) {
        words.add(word);
      }
    }
    return words;
  }
}

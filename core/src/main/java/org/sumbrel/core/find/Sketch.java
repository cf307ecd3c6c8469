package org.sumbrel.core.find;

/**
 * Which pairs of characters stand beside each other in a text, in 64 bits: a text that contains
 * another has all bits of its sketch. Most of what does not fit is left out by one comparison.
 */
public final class Sketch {

  private static final long MIX = 0x9E3779B97F4A7C15L;
  private static final int TOP_SIX_BITS = 58;

  private Sketch() {}

  /** The sketch of a text; of less than two characters it has no bits. */
  public static long of(String text) {
    var bits = 0L;
    for (var n = 1; n < text.length(); n++) {
      var pair = (long) text.charAt(n - 1) << Character.SIZE | text.charAt(n);
      bits |= 1L << (pair * MIX >>> TOP_SIX_BITS);
    }
    return bits;
  }
}

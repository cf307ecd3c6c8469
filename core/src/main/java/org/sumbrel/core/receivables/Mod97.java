package org.sumbrel.core.receivables;

/** The check of ISO 7064 MOD 97-10 over letters and digits, where A stands for 10 and Z for 35. */
final class Mod97 {

  private Mod97() {}

  /**
   * The remainder of the text, read as one number, by 97; the text holds nothing but 0–9 and A–Z.
   */
  static int remainder(CharSequence text) {
    var remainder = 0;
    for (var i = 0; i < text.length(); i++) {
      var value = Character.digit(text.charAt(i), 36);
      remainder = (remainder * (value > 9 ? 100 : 10) + value) % 97;
    }
    return remainder;
  }
}

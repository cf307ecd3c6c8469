package org.sumbrel.core.receivables;

import java.text.Normalizer;
import java.util.Locale;

/** The form under which what is written in several ways is the same. */
public final class WrittenForm {

  private WrittenForm() {}

  /** Unicode NFKC, capitals, letters and digits only. */
  public static String compact(String text) {
    var out = new StringBuilder(text.length());
    if (text.chars().allMatch(c -> c < 128)) {
      // most are plain: no tables needed
      for (var i = 0; i < text.length(); i++) {
        var c = text.charAt(i);
        if (c >= 'a' && c <= 'z') {
          out.append((char) (c - 'a' + 'A'));
        } else if (c >= 'A' && c <= 'Z' || c >= '0' && c <= '9') {
          out.append(c);
        }
      }
      return out.toString();
    }
    Normalizer.normalize(text, Normalizer.Form.NFKC)
        .toUpperCase(Locale.ROOT)
        .codePoints()
        .filter(Character::isLetterOrDigit)
        .forEach(out::appendCodePoint);
    return out.toString();
  }
}

package org.sumbrel.core.propose;

import java.text.Normalizer;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import org.apache.commons.text.similarity.JaroWinklerSimilarity;

/**
 * A name as it is compared: diacritics folded, capitals, legal forms and small words dropped.
 *
 * @param words in their order
 * @param letters which letters each word has, as bits
 */
record PayerName(List<String> words, List<Integer> letters) {

  private static final Set<String> DROPPED =
      Set.of(
          "LTD", "LIMITED", "LLC", "INC", "CORP", "CO", "COMPANY", "PLC", "GMBH", "AG", "KG",
          "SARL", "SA", "SAS", "BV", "NV", "SRL", "SPA", "AND", "THE", "OF", "ON", "UND", "ET",
          "DE", "LA", "LE", "DU", "MR", "MRS");
  private static final JaroWinklerSimilarity SIMILARITY = new JaroWinklerSimilarity();
  private static final double ALIKE = 0.92;

  static PayerName of(String text) {
    var folded =
        Normalizer.normalize(text, Normalizer.Form.NFKD)
            .replaceAll("\\p{M}", "")
            .toUpperCase(Locale.ROOT);
    var words = new ArrayList<String>();
    for (var word : folded.split("[^\\p{L}\\p{N}]+")) {
      if (word.length() > 1 && !DROPPED.contains(word)) {
        words.add(word);
      }
    }
    return new PayerName(List.copyOf(words), words.stream().map(PayerName::letters).toList());
  }

  /** The words without what is between them, as a form without blanks has the name. */
  String joined() {
    return String.join("", words);
  }

  /** How much of {@code known} is found in this name, word for word, in any order: from 0 to 1. */
  double covers(PayerName known) {
    if (known.words.isEmpty()) {
      return 0;
    }
    var found = 0.0;
    var all = 0.0;
    for (var k = 0; k < known.words.size(); k++) {
      var length = known.words.get(k).length();
      var best = 0.0;
      for (var w = 0; w < words.size() && best < 1; w++) {
        best = Math.max(best, alike(w, known, k));
      }
      all += length;
      found += length * best;
    }
    return found / all;
  }

  private double alike(int w, PayerName other, int k) {
    var written = words.get(w);
    var known = other.words.get(k);
    if (written.equals(known)) {
      return 1;
    }
    var shorter = Math.min(written.length(), known.length());
    if (shorter >= 3 && (known.startsWith(written) || written.startsWith(known))) {
      return 0.95;
    }
    if (shorter < 4 || mostAlike(written, letters.get(w), known, other.letters.get(k)) < ALIKE) {
      return 0;
    }
    var similarity = SIMILARITY.apply(written, known);
    return similarity >= ALIKE ? similarity : 0;
  }

  /**
   * What the similarity of two words can be at most, from which letters occur in them: most pairs
   * are told apart by this, so that few are compared letter by letter.
   */
  private static double mostAlike(String a, int inA, String b, int inB) {
    var matches =
        Math.min(
            a.length() - Integer.bitCount(inA & ~inB), b.length() - Integer.bitCount(inB & ~inA));
    var jaro = ((double) matches / a.length() + (double) matches / b.length() + 1) / 3;
    var prefix = 0;
    while (prefix < 4 && a.charAt(prefix) == b.charAt(prefix)) {
      prefix++;
    }
    return jaro + 0.1 * prefix * (1 - jaro);
  }

  private static int letters(String word) {
    var letters = 0;
    for (var i = 0; i < word.length(); i++) {
      letters |= 1 << (word.charAt(i) & 31);
    }
    return letters;
  }
}

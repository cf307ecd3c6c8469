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
 */
record PayerName(List<String> words) {

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
    return new PayerName(List.copyOf(words));
  }

  /** How much of {@code known} is found in this name, word for word, in any order: from 0 to 1. */
  double covers(PayerName known) {
    if (known.words.isEmpty()) {
      return 0;
    }
    var found = 0.0;
    var all = 0.0;
    for (var word : known.words) {
      all += word.length();
      found += word.length() * words.stream().mapToDouble(w -> alike(w, word)).max().orElse(0);
    }
    return found / all;
  }

  private static double alike(String written, String known) {
    if (written.equals(known)) {
      return 1;
    }
    var shorter = Math.min(written.length(), known.length());
    if (shorter >= 3 && (known.startsWith(written) || written.startsWith(known))) {
      return 0.95;
    }
    var similarity = shorter >= 4 ? SIMILARITY.apply(written, known) : 0;
    return similarity >= ALIKE ? similarity : 0;
  }
}

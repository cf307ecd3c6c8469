package org.sumbrel.core.propose;

import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.regex.Pattern;
import org.sumbrel.core.receivables.OpenItem;
import org.sumbrel.core.receivables.Receipt;

/** Items that a receipt's text names as they are written, whosever they are. */
public final class NamedItems {

  private static final Pattern GAP = Pattern.compile("[\\s,;:()]+");
  private static final Pattern END = Pattern.compile("[.!?]+$");

  /** The most words of a text that are looked at. */
  private static final int MOST_WORDS = 400;

  private NamedItems() {}

  /**
   * What in a text may be the number of an item: each word, and each two words with a dash between
   * them, in capitals. Whoever has too many items to read them all looks up these.
   */
  public static Set<String> numbersIn(Receipt receipt) {
    var words = new ArrayList<String>();
    for (var word : GAP.split(receipt.text().toUpperCase(Locale.ROOT), MOST_WORDS)) {
      words.add(END.matcher(word).replaceAll(""));
    }
    var numbers = new LinkedHashSet<String>();
    for (var n = 0; n < words.size(); n++) {
      var joined = n + 1 < words.size() ? words.get(n) + "-" + words.get(n + 1) : "";
      for (var one : List.of(words.get(n), joined)) {
        if (one.length() > 3 && one.chars().anyMatch(Character::isDigit)) {
          numbers.add(one);
        }
      }
    }
    return numbers;
  }

  /** Those of some items that the text names exactly, in its order. */
  public static List<OpenItem> in(Receipt receipt, Collection<? extends OpenItem> items) {
    return ReferenceFinder.over(items).find(receipt).stream()
        .filter(hit -> hit.form().standsThere())
        .map(ReferenceHit::item)
        .distinct()
        .toList();
  }
}

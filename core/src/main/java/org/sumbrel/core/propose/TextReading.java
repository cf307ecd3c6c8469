package org.sumbrel.core.propose;

import java.text.Normalizer;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.function.UnaryOperator;
import java.util.regex.Pattern;
import org.sumbrel.core.money.MoneyText;
import org.sumbrel.core.propose.ReferenceHit.Form;
import org.sumbrel.core.receivables.OpenItem;
import org.sumbrel.core.receivables.Receipt;

/**
 * One remittance text while it is read: its words, what of it has been read, and what was found.
 * Each place is read once, as the strongest form it can be.
 */
final class TextReading {

  private static final Pattern TOKEN = Pattern.compile("[\\p{L}\\p{N}]+");
  private static final Pattern JOINER = Pattern.compile("[ ./#:_-]{1,2}");

  private final Receipt receipt;
  private final ReferenceIndex.Asking index;
  private final String text;
  private final boolean sameLength;
  private final boolean[] read;
  private final List<int[]> tokens = new ArrayList<>();
  private final String wholeAmount;
  private final String bareAmount;
  private final String year;
  private final List<ReferenceHit> hits = new ArrayList<>();
  private int mentions;

  TextReading(Receipt receipt, ReferenceIndex.Asking index) {
    this.receipt = receipt;
    this.index = index;
    this.text = Normalizer.normalize(receipt.text(), Normalizer.Form.NFKC).toUpperCase(Locale.ROOT);
    this.sameLength = text.length() == receipt.text().length();
    this.read = new boolean[text.length()];
    this.wholeAmount = String.valueOf(receipt.amount().getAmount().longValue());
    this.bareAmount = MoneyText.plain(receipt.amount()).replace(".", "");
    this.year = String.valueOf(receipt.receivedOn().getYear());
    var matcher = TOKEN.matcher(text);
    while (matcher.find()) {
      tokens.add(new int[] {matcher.start(), matcher.end()});
    }
  }

  Receipt receipt() {
    return receipt;
  }

  /** Who is asked which item bears a number. */
  ReferenceIndex.Asking index() {
    return index;
  }

  /** In capitals and plain forms. */
  String text() {
    return text;
  }

  /** Whether places in {@link #text()} are places in the text as it was sent. */
  boolean sameLength() {
    return sameLength;
  }

  /** Where its words and numbers begin and end. */
  List<int[]> tokens() {
    return Collections.unmodifiableList(tokens);
  }

  String at(int[] token) {
    return text.substring(token[0], token[1]);
  }

  String digitsAt(int[] token) {
    return ReferenceIndex.digitsOf(at(token));
  }

  boolean isYear(String figures) {
    return figures.equals(year);
  }

  boolean isAmount(String figures) {
    return figures.equals(wholeAmount) || figures.equals(bareAmount);
  }

  /** What was found so far, as it was found. */
  List<ReferenceHit> found() {
    return Collections.unmodifiableList(hits);
  }

  /** What was found, in the text's order, each item once. */
  List<ReferenceHit> hits() {
    hits.sort(Comparator.comparingInt(ReferenceHit::start));
    var seen = new HashSet<String>();
    return hits.stream().filter(h -> seen.add(h.item().id())).toList();
  }

  void add(ReferenceHit hit) {
    hits.add(hit);
  }

  void replaceAll(UnaryOperator<ReferenceHit> by) {
    hits.replaceAll(by);
  }

  /** Whether something was found that ends with this word. */
  boolean named(int[] token) {
    return hits.stream().anyMatch(h -> h.end() == token[1] && h.start() <= token[0]);
  }

  /** Whether nothing but what joins the parts of a number stands between these words. */
  boolean joined(List<int[]> window) {
    for (var i = 1; i < window.size(); i++) {
      if (!JOINER.matcher(text.substring(window.get(i - 1)[1], window.get(i)[0])).matches()) {
        return false;
      }
    }
    return true;
  }

  void hit(List<OpenItem> items, Form form, int start, int end) {
    var written = text.substring(start, end);
    hit(
        items,
        form,
        start,
        end,
        form == Form.DIGITS ? index.weight(written, false) : Weights.of(form, written.length()));
  }

  void hit(List<OpenItem> items, Form form, int start, int end, double full) {
    markRead(start, end);
    var written = (sameLength ? receipt.text() : text).substring(start, end);
    // one form of several items tells less; of a slip and of a list that is said by the
    // explanations themselves
    var several =
        form == Form.REPAIRED || form == Form.LISTED || form == Form.IN_RUN
            ? 0
            : Math.log(items.size());
    var weight = full - several;
    var mention = mentions++;
    for (var item : items) {
      hits.add(
          new ReferenceHit(
              item,
              form,
              sameLength ? start : -1,
              sameLength ? end : -1,
              written,
              weight,
              mention,
              0));
    }
  }

  boolean isRead(int start, int end) {
    for (var i = start; i < end; i++) {
      if (read[i]) {
        return true;
      }
    }
    return false;
  }

  void markRead(int start, int end) {
    for (var i = start; i < end; i++) {
      read[i] = true;
    }
  }
}

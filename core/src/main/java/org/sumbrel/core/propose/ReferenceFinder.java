package org.sumbrel.core.propose;

import java.text.Normalizer;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Pattern;
import org.sumbrel.core.money.MoneyText;
import org.sumbrel.core.propose.ReferenceHit.Form;
import org.sumbrel.core.receivables.CreditorReference;
import org.sumbrel.core.receivables.Invoice;
import org.sumbrel.core.receivables.OpenItem;
import org.sumbrel.core.receivables.Receipt;

/** First stage: finds what a remittance text points at, with the weight of each hit in log-odds. */
final class ReferenceFinder {

  private static final int LONGEST_WINDOW = 6;
  private static final Pattern TOKEN = Pattern.compile("[\\p{L}\\p{N}]+");
  private static final Pattern JOINER = Pattern.compile("[ ./#:_-]{1,2}");
  private static final Pattern CREDITOR = Pattern.compile("\\bRF\\d{2}(?: ?[0-9A-Z]){1,21}");
  private static final Pattern ENDS_IN_DIGITS = Pattern.compile("\\p{L}{0,5}0*([1-9]\\d{2,8})");

  /** Dates, times and amounts, whose digits name no item. */
  private static final Pattern OTHER_FIGURES =
      Pattern.compile(
          "\\d{4}-\\d{2}-\\d{2}|\\d{1,2}[./-]\\d{1,2}[./-]\\d{2,4}|\\b20\\d{6}\\b|\\d{1,2}:\\d{2}"
              + "|\\d[\\d,.']*[.,]\\d{2}(?!\\d)");

  private final Map<String, List<OpenItem>> byNumber = new HashMap<>();
  private final Map<String, List<OpenItem>> byOrder = new HashMap<>();
  private final Map<String, List<OpenItem>> byCreditorReference = new HashMap<>();
  private final Map<String, List<OpenItem>> byDigits = new HashMap<>();

  private ReferenceFinder() {}

  /** Builds the index of all identifiers once. */
  static ReferenceFinder over(Collection<? extends OpenItem> items) {
    var finder = new ReferenceFinder();
    for (var item : items) {
      finder.index(finder.byNumber, compact(item.number()), item);
      var digits = ENDS_IN_DIGITS.matcher(compact(item.number()));
      if (digits.matches()) {
        finder.index(finder.byDigits, digits.group(1), item);
      }
      if (item instanceof Invoice invoice) {
        finder.index(finder.byOrder, compact(invoice.orderReference()), item);
        finder.index(finder.byCreditorReference, compact(invoice.creditorReference()), item);
      }
    }
    return finder;
  }

  private void index(Map<String, List<OpenItem>> index, String form, OpenItem item) {
    if (form.length() >= 3) {
      index.computeIfAbsent(form, f -> new ArrayList<>(1)).add(item);
    }
  }

  /** Unicode NFKC, capitals, letters and digits only. */
  static String compact(String text) {
    var out = new StringBuilder(text.length());
    Normalizer.normalize(text, Normalizer.Form.NFKC)
        .toUpperCase(Locale.ROOT)
        .codePoints()
        .filter(Character::isLetterOrDigit)
        .forEach(out::appendCodePoint);
    return out.toString();
  }

  /** What the receipt's text names, in the text's order; empty, never null. */
  List<ReferenceHit> find(Receipt receipt) {
    if (receipt.text().isBlank()) {
      return List.of();
    }
    return new Scan(receipt).run();
  }

  /** One pass over one text; each place in it is read once, as the strongest form it can be. */
  private final class Scan {
    private final Receipt receipt;
    private final String text;
    private final boolean sameLength;
    private final boolean[] read;
    private final List<ReferenceHit> hits = new ArrayList<>();

    Scan(Receipt receipt) {
      this.receipt = receipt;
      this.text =
          Normalizer.normalize(receipt.text(), Normalizer.Form.NFKC).toUpperCase(Locale.ROOT);
      this.sameLength = text.length() == receipt.text().length();
      this.read = new boolean[text.length()];
    }

    List<ReferenceHit> run() {
      var tokens = tokens();
      findCreditorReferences(tokens);
      for (var size = Math.min(LONGEST_WINDOW, tokens.size()); size >= 1; size--) {
        for (var first = 0; first + size <= tokens.size(); first++) {
          findInWindow(tokens.subList(first, first + size));
        }
      }
      findDigits(tokens);
      hits.sort((a, b) -> a.start() != b.start() ? Integer.compare(a.start(), b.start()) : 0);
      return distinct(hits);
    }

    private List<int[]> tokens() {
      var found = new ArrayList<int[]>();
      var matcher = TOKEN.matcher(text);
      while (matcher.find()) {
        found.add(new int[] {matcher.start(), matcher.end()});
      }
      return found;
    }

    private void findCreditorReferences(List<int[]> tokens) {
      var matcher = CREDITOR.matcher(text);
      while (matcher.find()) {
        for (var i = tokens.size() - 1; i >= 0; i--) {
          var end = tokens.get(i)[1];
          if (end > matcher.end() || end < matcher.start() + 5) {
            continue;
          }
          var reference = CreditorReference.parse(text.substring(matcher.start(), end));
          if (reference.isPresent() && byCreditorReference.containsKey(reference.get().value())) {
            hit(
                byCreditorReference.get(reference.get().value()),
                Form.CREDITOR_REFERENCE,
                matcher.start(),
                end);
            break;
          }
        }
      }
    }

    private void findInWindow(List<int[]> window) {
      var start = window.get(0)[0];
      var end = window.get(window.size() - 1)[1];
      for (var i = 1; i < window.size(); i++) {
        if (!JOINER.matcher(text.substring(window.get(i - 1)[1], window.get(i)[0])).matches()) {
          return;
        }
      }
      if (isRead(start, end)) {
        return;
      }
      var form = compact(text.substring(start, end));
      if (form.length() < 4) {
        return;
      }
      if (byNumber.containsKey(form)) {
        hit(byNumber.get(form), Form.NUMBER, start, end);
      } else if (byOrder.containsKey(form)) {
        hit(byOrder.get(form), Form.ORDER, start, end);
      }
    }

    private void findDigits(List<int[]> tokens) {
      var others = OTHER_FIGURES.matcher(text);
      while (others.find()) {
        markRead(others.start(), others.end());
      }
      var wholeAmount = String.valueOf(receipt.amount().getAmount().longValue());
      var bareAmount = MoneyText.plain(receipt.amount()).replace(".", "");
      for (var token : tokens) {
        var digits = ENDS_IN_DIGITS.matcher(text.substring(token[0], token[1]));
        if (!isRead(token[0], token[1])
            && digits.matches()
            && !digits.group(1).equals(wholeAmount)
            && !digits.group(1).equals(bareAmount)
            && byDigits.containsKey(digits.group(1))) {
          hit(byDigits.get(digits.group(1)), Form.DIGITS, token[0], token[1]);
        }
      }
    }

    private void hit(List<OpenItem> items, Form form, int start, int end) {
      markRead(start, end);
      var written = (sameLength ? receipt.text() : text).substring(start, end);
      var weight = Weights.of(form, written.length()) - Math.log(items.size());
      for (var item : items) {
        hits.add(
            new ReferenceHit(
                item, form, sameLength ? start : -1, sameLength ? end : -1, written, weight));
      }
    }

    private boolean isRead(int start, int end) {
      for (var i = start; i < end; i++) {
        if (read[i]) {
          return true;
        }
      }
      return false;
    }

    private void markRead(int start, int end) {
      for (var i = start; i < end; i++) {
        read[i] = true;
      }
    }

    private static List<ReferenceHit> distinct(List<ReferenceHit> found) {
      var seen = new HashSet<String>();
      return found.stream().filter(h -> seen.add(h.item().id())).toList();
    }
  }
}

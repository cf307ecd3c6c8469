package org.sumbrel.core.propose;

import java.text.Normalizer;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.Predicate;
import java.util.regex.Pattern;
import org.sumbrel.core.money.MoneyText;
import org.sumbrel.core.propose.ReferenceHit.Form;
import org.sumbrel.core.receivables.CreditorReference;
import org.sumbrel.core.receivables.Invoice;
import org.sumbrel.core.receivables.OpenItem;
import org.sumbrel.core.receivables.Receipt;
import org.sumbrel.core.receivables.ReferenceScheme;

/** First stage: finds what a remittance text points at, with the weight of each hit in log-odds. */
final class ReferenceFinder {

  private static final int LONGEST_WINDOW = 6;
  private static final int LONGEST_RUN = 60;
  private static final int FEWEST_FIGURES = 4;
  private static final int LONGEST_NUMBER = 20;
  private static final int MOST_REPAIRS = 40;
  private static final Pattern SEPARATOR = Pattern.compile("\\s*(?:[/,;&+-]|AND|UND|ET)\\s*");
  private static final Pattern TOKEN = Pattern.compile("[\\p{L}\\p{N}]+");
  private static final Pattern JOINER = Pattern.compile("[ ./#:_-]{1,2}");
  private static final Pattern CREDITOR = Pattern.compile("\\bRF\\d{2}(?: ?[0-9A-Z]){1,21}");
  private static final Pattern ENDS_IN_DIGITS = Pattern.compile("\\p{L}{0,5}0*([1-9]\\d{2,8})");

  /** Dates, times and amounts, whose digits name no item. */
  private static final Pattern OTHER_FIGURES =
      Pattern.compile(
          "\\d{4}-\\d{2}-\\d{2}|(?<![\\d/.-])\\d{1,2}[./-]\\d{1,2}[./-](?:\\d{4}|\\d{2})(?![\\d/])|\\b20\\d{6}\\b|\\d{1,2}:\\d{2}"
              + "|\\d[\\d,.']*[.,]\\d{2}(?!\\d)");

  /** Figures that their label says are something else, and card numbers of which most is hidden. */
  private static final Pattern LABELLED =
      Pattern.compile(
          "\\b(?:TEL|PHONE|FAX|CARD)\\b[ .:#]*[X*+]*\\d+(?:[ -]\\d{3,4}\\b){0,3}"
              + "|\\b(?:TRN|TRACE|SEQ|AUTH|VAT|TAX ID|EIN|ACCT|ACCOUNT)\\b[ .:#]*\\d+"
              + "|[X*]{2,} ?\\d+");

  private final Map<String, List<OpenItem>> byNumber = new HashMap<>();
  private final Map<String, List<OpenItem>> byOrder = new HashMap<>();
  private final Map<String, List<OpenItem>> byCreditorReference = new HashMap<>();
  private final Map<String, List<OpenItem>> byDigits = new HashMap<>();

  private ReferenceFinder() {}

  /** Builds the index of all identifiers once. */
  static ReferenceFinder over(Collection<? extends OpenItem> items) {
    var finder = new ReferenceFinder();
    for (var item : items) {
      var number = compact(item.number());
      finder.index(finder.byNumber, number, item);
      var digits = ENDS_IN_DIGITS.matcher(number);
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

  /** What the receipt's text names, in the text's order; empty, never null. */
  List<ReferenceHit> find(Receipt receipt) {
    return find(receipt, owner -> true, false);
  }

  /**
   * The same, and what the payer may have meant where the text names somebody else's item.
   *
   * @param likely whether the payer is likely to pay for a customer
   */
  List<ReferenceHit> find(Receipt receipt, Predicate<String> likely) {
    return find(receipt, likely, true);
  }

  private List<ReferenceHit> find(Receipt receipt, Predicate<String> likely, boolean doubting) {
    if (receipt.text().isBlank()) {
      return List.of();
    }
    var scan = new Scan(receipt);
    scan.run();
    if (doubting) {
      scan.findMistaken(likely);
    }
    return scan.hits();
  }

  /** One pass over one text; each place in it is read once, as the strongest form it can be. */
  private final class Scan {
    private final Receipt receipt;
    private final String text;
    private final boolean sameLength;
    private final boolean[] read;
    private final String wholeAmount;
    private final String bareAmount;
    private int mentions;
    private final List<ReferenceHit> hits = new ArrayList<>();

    Scan(Receipt receipt) {
      this.receipt = receipt;
      this.text =
          Normalizer.normalize(receipt.text(), Normalizer.Form.NFKC).toUpperCase(Locale.ROOT);
      this.sameLength = text.length() == receipt.text().length();
      this.read = new boolean[text.length()];
      this.wholeAmount = String.valueOf(receipt.amount().getAmount().longValue());
      this.bareAmount = MoneyText.plain(receipt.amount()).replace(".", "");
    }

    void run() {
      var tokens = tokens();
      findCreditorReferences(tokens);
      skip(LABELLED);
      for (var size = Math.min(LONGEST_WINDOW, tokens.size()); size >= 1; size--) {
        for (var first = 0; first + size <= tokens.size(); first++) {
          findInWindow(tokens.subList(first, first + size));
        }
      }
      findDigits(tokens);
      findLists(tokens);
      findRepaired(tokens);
    }

    List<ReferenceHit> hits() {
      hits.sort(Comparator.comparingInt(ReferenceHit::start));
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
      if (byCreditorReference.containsKey(form)) {
        // a reference whose check digit fails may be anybody's
        var sure = ReferenceScheme.anyHolds(form);
        hit(
            byCreditorReference.get(form),
            sure ? Form.CREDITOR_REFERENCE : Form.DIGITS,
            start,
            end);
      } else if (byNumber.containsKey(form)) {
        hitNumber(byNumber.get(form), start, end);
      } else if (byOrder.containsKey(form)) {
        hit(byOrder.get(form), Form.ORDER, start, end);
      }
    }

    /** A number that is written as a date is none, unless the amount says that it is meant. */
    private void hitNumber(List<OpenItem> items, int start, int end) {
      if (!OTHER_FIGURES.matcher(text.substring(start, end)).matches()) {
        hit(items, Form.NUMBER, start, end);
      } else if (items.stream().anyMatch(i -> i.open().equals(receipt.amount()))) {
        hit(items, Form.DIGITS, start, end);
      }
    }

    private void skip(Pattern other) {
      var places = other.matcher(text);
      while (places.find()) {
        markRead(places.start(), places.end());
      }
    }

    private void findDigits(List<int[]> tokens) {
      skip(OTHER_FIGURES);
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

    /**
     * Lists as people shorten them: after a number, {@code /52} or {@code & 52} changes its last
     * figures, and {@code -23} runs through to it. Which number of the list was shortened from is
     * not said, so that there may be several readings.
     */
    private void findLists(List<int[]> tokens) {
      for (var i = 0; i + 1 < tokens.size(); i++) {
        if (digitsAt(tokens.get(i)).isEmpty() || !named(tokens.get(i))) {
          continue;
        }
        var whole = new ArrayList<String>();
        whole.add(digitsAt(tokens.get(i)));
        var at = i + 1;
        for (; at < tokens.size() && listed(tokens, at, whole); at++) {
          // each further part of the list is read as it comes
        }
        i = at - 1;
      }
    }

    /**
     * Reads one more part of a list.
     *
     * @param whole the numbers of the list so far that were written in full; may grow
     * @return whether it was part of the list
     */
    private boolean listed(List<int[]> tokens, int at, List<String> whole) {
      var token = tokens.get(at);
      var between = text.substring(tokens.get(at - 1)[1], token[0]);
      if (!SEPARATOR.matcher(between).matches()) {
        return false;
      }
      var more = text.substring(token[0], token[1]);
      var dash = between.strip().equals("-");
      var full = digitsAt(token);
      if (named(token) && !full.isEmpty()) {
        if (dash && full.length() == whole.get(whole.size() - 1).length()) {
          run(whole.get(whole.size() - 1), full, token);
        }
        whole.add(full);
        return true;
      }
      if (!more.matches("\\d{1,9}") || isRead(token[0], token[1])) {
        return false;
      }
      var readings = new LinkedHashSet<OpenItem>();
      for (var first : whole) {
        if (more.length() < first.length()) {
          var last = first.substring(0, first.length() - more.length()) + more;
          if (dash) {
            run(first, last, token);
            return true;
          }
          readings.addAll(byDigits.getOrDefault(last, List.of()));
        } else if (dash && more.length() == first.length()) {
          run(first, more, token);
        }
      }
      if (!readings.isEmpty()) {
        hit(List.copyOf(readings), Form.LISTED, token[0], token[1]);
      }
      return !readings.isEmpty() || dash;
    }

    /** The numbers between two that a dash joins, where they are few. */
    private void run(String from, String to, int[] place) {
      var first = Long.parseLong(from);
      var last = Long.parseLong(to);
      if (last <= first || last - first > LONGEST_RUN) {
        return;
      }
      for (var n = first + 1; n <= last; n++) {
        var items = byDigits.get(String.valueOf(n));
        if (items != null && hits.stream().noneMatch(h -> items.contains(h.item()))) {
          hit(items, Form.LISTED, place[0], place[1]);
        }
      }
    }

    private String digitsAt(int[] token) {
      var digits = ENDS_IN_DIGITS.matcher(text.substring(token[0], token[1]));
      return digits.matches() ? digits.group(1) : "";
    }

    private boolean named(int[] token) {
      return hits.stream().anyMatch(h -> h.end() == token[1] && h.start() <= token[0]);
    }

    /**
     * What is one slip away from a number, where the text names nothing at that place as it stands.
     */
    private void findRepaired(List<int[]> tokens) {
      for (var i = 0; i < tokens.size(); i++) {
        var token = tokens.get(i);
        var written = text.substring(token[0], token[1]);
        var figures = written.chars().filter(Character::isDigit).count();
        var read = Slips.figuresForLetters(written).chars().filter(Character::isDigit).count();
        if (figures < FEWEST_FIGURES - 1
            || read < FEWEST_FIGURES
            || written.length() > LONGEST_NUMBER
            || written.equals(wholeAmount)
            || written.equals(bareAmount)
            || isRead(token[0], token[1])) {
          continue;
        }
        var start = token[0];
        var found = oneSlipAway(written);
        if (found.isEmpty() && i + 1 < tokens.size() && tokens.get(i + 1)[0] - token[1] == 1) {
          var next = text.substring(tokens.get(i + 1)[0], tokens.get(i + 1)[1]);
          if (next.matches("\\d{1,6}") && !isRead(tokens.get(i + 1)[0], tokens.get(i + 1)[1])) {
            found = asNumber(written + next);
          }
        }
        if (!found.isEmpty() && found.size() <= MOST_REPAIRS) {
          hit(found, Form.REPAIRED, start, token[1]);
        }
      }
    }

    /**
     * A slip may turn a number into one that exists as well. Where the one place that names
     * something names what this payer does not pay, or not with this amount, the payer's own items
     * one slip away are alternatives.
     */
    private void findMistaken(Predicate<String> likely) {
      var places = hits.stream().map(ReferenceHit::mention).distinct().count();
      for (var hit : List.copyOf(hits)) {
        var plain = hit.form() == Form.NUMBER || hit.form() == Form.DIGITS;
        var strange = !likely.test(hit.item().customerId());
        var fits = hit.item().total().equals(receipt.amount());
        if (plain && hit.start() >= 0 && (strange || places == 1 && !fits)) {
          oneSlipAway(compact(text.substring(hit.start(), hit.end()))).stream()
              .filter(i -> likely.test(i.customerId()))
              .filter(i -> strange || i.open().equals(receipt.amount()))
              .filter(i -> hits.stream().noneMatch(h -> h.item().equals(i)))
              .map(i -> hit.mistakenFor(i, Weights.of(Form.REPAIRED, hit.written().length())))
              .forEach(hits::add);
        }
      }
    }

    private List<OpenItem> oneSlipAway(String written) {
      var found = new LinkedHashSet<OpenItem>(asNumber(Slips.figuresForLetters(written)));
      if (found.isEmpty()) {
        for (var form : Slips.undone(written)) {
          found.addAll(asNumber(form));
        }
      }
      return List.copyOf(found);
    }

    private List<OpenItem> asNumber(String form) {
      var whole = byNumber.get(form);
      if (whole != null) {
        return whole;
      }
      var digits = ENDS_IN_DIGITS.matcher(form);
      return digits.matches() && digits.group(1).length() >= FEWEST_FIGURES
          ? byDigits.getOrDefault(digits.group(1), List.of())
          : List.of();
    }

    private void hit(List<OpenItem> items, Form form, int start, int end) {
      markRead(start, end);
      var written = (sameLength ? receipt.text() : text).substring(start, end);
      // one form of several items tells less; of a slip and of a list that is said by the
      // explanations themselves
      var several = form == Form.REPAIRED || form == Form.LISTED ? 0 : Math.log(items.size());
      var weight = Weights.of(form, written.length()) - several;
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
                mention));
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

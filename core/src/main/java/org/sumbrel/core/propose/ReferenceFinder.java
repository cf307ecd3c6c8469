package org.sumbrel.core.propose;

import java.text.Normalizer;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.sumbrel.core.money.MoneyText;
import org.sumbrel.core.propose.ReferenceHit.Form;
import org.sumbrel.core.receivables.CreditorReference;
import org.sumbrel.core.receivables.OpenItem;
import org.sumbrel.core.receivables.Receipt;
import org.sumbrel.core.receivables.ReferenceScheme;

/** First stage: finds what a remittance text points at, with the weight of each hit in log-odds. */
final class ReferenceFinder {

  private static final int LONGEST_WINDOW = 6;
  private static final int LONGEST_RUN = 60;
  private static final int LONGEST_NUMBER = 20;

  /** So many figures in pieces that they are no two numbers side by side. */
  private static final int LONG_FIGURES = 6;

  private static final int MOST_REPAIRS = 40;

  /** In longer lists no number is doubted. */
  private static final int MOST_DOUBTED = 12;

  /** Of how many parts a number with a slip is put together. */
  private static final int MOST_PARTS = 4;

  private static final Pattern SEPARATOR = Pattern.compile("\\s*(?:[/,;&+-]|AND|UND|ET)\\s*");
  private static final Pattern TOKEN = Pattern.compile("[\\p{L}\\p{N}]+");
  private static final Pattern JOINER = Pattern.compile("[ ./#:_-]{1,2}");
  private static final Pattern CREDITOR = Pattern.compile("\\bRF\\d{2}(?: ?[0-9A-Z]){1,21}");

  /** Words that say that a number follows, and that an order's does. */
  private static final String NUMBER_SIGN = "[ .:#]*(?:(?:NO|NR|NUM|NUMBER)\\b[ .:#]*)?$";

  private static final Pattern ITEM_AHEAD =
      Pattern.compile(
          "\\b(?:INV(?:OICES?|S)?|BILLS?|RE(?:F|CHNUNG\\w*)?|RG|FACT(?:URES?)?)" + NUMBER_SIGN);
  private static final Pattern ORDER_AHEAD =
      Pattern.compile("\\b(?:P\\.? ?O\\.?|ORD(?:ERS?)?|BESTELL\\w*|COMMANDE)" + NUMBER_SIGN);
  private static final int LABEL_LENGTH = 24;

  /** Dates, times and amounts, whose digits name no item. */
  private static final Pattern OTHER_FIGURES =
      Pattern.compile(
          "\\d{4}-\\d{2}-\\d{2}|(?<![\\d/.-])\\d{1,2}[./-]\\d{1,2}[./-](?:\\d{4}|\\d{2})(?![\\d/])|\\b20\\d{6}\\b|\\d{1,2}:\\d{2}"
              + "|\\d[\\d,.']*[.,]\\d{2}(?!\\d)");

  /** What stands behind a reference where it is its amount. */
  private static final Pattern STATED =
      Pattern.compile(
          "[ ,;:=-]{1,3}(?:[A-Z]{3} ?|[$€£] ?)?(\\d{1,3}(?:[,.']\\d{3}){1,3}[.,]\\d{2}|\\d{1,10}[.,]\\d{2})(?![\\d.,]*\\d)");

  /** Figures that their label says are something else, and card numbers of which most is hidden. */
  private static final Pattern LABELLED =
      Pattern.compile(
          "\\b(?:TEL|PHONE|FAX|CARD)\\b[ .:#]*[X*+]*\\d+(?:[ -]\\d{3,4}\\b){0,3}"
              + "|\\b(?:TRN|TRACE|SEQ|AUTH|VAT|TAX ID|EIN|ACCT|ACCOUNT)\\b[ .:#]*\\d+"
              + "|[X*]{2,} ?\\d+");

  private final ReferenceIndex known;

  private ReferenceFinder(ReferenceIndex known) {
    this.known = known;
  }

  /** The index that it reads. */
  ReferenceIndex known() {
    return known;
  }

  /** Builds the index of all identifiers once. */
  static ReferenceFinder over(Collection<? extends OpenItem> items) {
    return new ReferenceFinder(ReferenceIndex.over(items));
  }

  /** Whose number this is, as it stands; of several the latest. */
  Optional<OpenItem> numbered(String reference, Asked asked) {
    var items = known.asking(asked).number(ReferenceIndex.compact(reference));
    return items.isEmpty() ? Optional.empty() : Optional.of(items.get(items.size() - 1));
  }

  /** What the receipt's text names, in the text's order; empty, never null. */
  List<ReferenceHit> find(Receipt receipt) {
    return find(receipt, Asked.NOT_NOTED);
  }

  /** The same, noting what is asked. */
  List<ReferenceHit> find(Receipt receipt, Asked asked) {
    return find(receipt, owner -> true, false, asked);
  }

  /**
   * The same, and what the payer may have meant where the text names somebody else's item.
   *
   * @param likely whether the payer is likely to pay for a customer
   */
  List<ReferenceHit> find(Receipt receipt, Predicate<String> likely, Asked asked) {
    return find(receipt, likely, true, asked);
  }

  private List<ReferenceHit> find(
      Receipt receipt, Predicate<String> likely, boolean doubting, Asked asked) {
    if (receipt.text().isBlank()) {
      return List.of();
    }
    var scan = new Scan(receipt, known.asking(asked));
    scan.run();
    if (doubting) {
      scan.findMistaken(likely);
    }
    return scan.hits();
  }

  /** One pass over one text; each place in it is read once, as the strongest form it can be. */
  private final class Scan {
    private final ReferenceIndex.Asking index;
    private final Receipt receipt;
    private final String text;
    private final boolean sameLength;
    private final boolean[] read;
    private final String wholeAmount;
    private final String bareAmount;
    private final String year;
    private int mentions;
    private final List<ReferenceHit> hits = new ArrayList<>();

    Scan(Receipt receipt, ReferenceIndex.Asking index) {
      this.index = index;
      this.receipt = receipt;
      this.text =
          Normalizer.normalize(receipt.text(), Normalizer.Form.NFKC).toUpperCase(Locale.ROOT);
      this.sameLength = text.length() == receipt.text().length();
      this.read = new boolean[text.length()];
      this.wholeAmount = String.valueOf(receipt.amount().getAmount().longValue());
      this.bareAmount = MoneyText.plain(receipt.amount()).replace(".", "");
      this.year = String.valueOf(receipt.receivedOn().getYear());
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
      findOrderDigits(tokens);
      findRepaired(tokens);
      findStated();
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
          var items = reference.map(r -> index.creditorReference(r.value())).orElse(List.of());
          if (!items.isEmpty()) {
            hit(items, Form.CREDITOR_REFERENCE, matcher.start(), end);
            break;
          }
        }
      }
    }

    private void findInWindow(List<int[]> window) {
      var start = window.get(0)[0];
      var end = window.get(window.size() - 1)[1];
      if (isRead(start, end) || !joined(window)) {
        return;
      }
      var written = text.substring(start, end);
      var form = ReferenceIndex.compact(written);
      if (form.length() < (window.size() > 1 ? 3 : 4)) {
        return;
      }
      var referenced = index.creditorReference(form);
      var numbered = index.number(form);
      if (!referenced.isEmpty()) {
        // a reference whose check digit fails may be anybody's
        var sure = ReferenceScheme.anyHolds(form);
        hit(referenced, sure ? Form.CREDITOR_REFERENCE : Form.DIGITS, start, end);
      } else if (!numbered.isEmpty()) {
        hitNumber(numbered, start, end);
      } else if (!index.order(form).isEmpty()) {
        hit(index.order(form), Form.ORDER, start, end);
      } else if (!index.written(written).isEmpty()) {
        hitNumber(index.written(written), start, end);
      } else if (window.size() > 1 && form.length() >= LONG_FIGURES) {
        findBroken(form, start, end);
      }
    }

    /** Figures that the end of a bank's line has broken. */
    private void findBroken(String form, int start, int end) {
      if (form.chars().allMatch(Character::isDigit)) {
        var items = index.digits(ReferenceIndex.digitsOf(form));
        if (!items.isEmpty()) {
          hit(items, Form.DIGITS, start, end, index.weight(form, false));
        }
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
        var digits = digitsAt(token);
        if (mayName(digits, token)) {
          findDigits(digits, token);
        } else if (digits.isEmpty() && !isRead(token[0], token[1])) {
          var written = text.substring(token[0], token[1]);
          var items = index.padded(written);
          if (!items.isEmpty()) {
            hit(items, Form.DIGITS, token[0], token[1], index.weight(written, false));
          }
        }
      }
    }

    private boolean mayName(String digits, int[] token) {
      return !digits.isEmpty()
          && !isRead(token[0], token[1])
          && !digits.equals(wholeAmount)
          && !digits.equals(bareAmount);
    }

    private void findDigits(String digits, int[] token) {
      var ahead = text.substring(Math.max(0, token[0] - LABEL_LENGTH), token[0]);
      var ordered = index.orderDigits(digits);
      var numbered = index.digits(digits);
      if (!ordered.isEmpty() && ORDER_AHEAD.matcher(ahead).find()) {
        hit(ordered, Form.ORDER, token[0], token[1]);
        return;
      }
      var labelled = ITEM_AHEAD.matcher(ahead).find();
      if (numbered.isEmpty() || !labelled && digits.equals(year)) {
        return;
      }
      var items = new LinkedHashSet<>(numbered);
      if (!labelled) {
        items.addAll(ordered);
      }
      var written = text.substring(token[0], token[1]);
      hit(List.copyOf(items), Form.DIGITS, token[0], token[1], index.weight(written, labelled));
    }

    /** What is left may be the figures of an order. */
    private void findOrderDigits(List<int[]> tokens) {
      for (var token : tokens) {
        var digits = digitsAt(token);
        if (mayName(digits, token)
            && !digits.equals(year)
            && !index.orderDigits(digits).isEmpty()) {
          hit(
              index.orderDigits(digits),
              Form.ORDER_DIGITS,
              token[0],
              token[1],
              index.weight(text.substring(token[0], token[1]), false));
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
      if (!more.matches("\\d{1,9}") || more.equals(year) || isRead(token[0], token[1])) {
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
          readings.addAll(index.digits(last));
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
        var items = index.digits(String.valueOf(n));
        if (!items.isEmpty() && hits.stream().noneMatch(h -> items.contains(h.item()))) {
          hit(items, Form.LISTED, place[0], place[1]);
        }
      }
    }

    private String digitsAt(int[] token) {
      return ReferenceIndex.digitsOf(text.substring(token[0], token[1]));
    }

    private boolean named(int[] token) {
      return hits.stream().anyMatch(h -> h.end() == token[1] && h.start() <= token[0]);
    }

    /**
     * What is one slip away from a number, where the text names nothing at that place as it stands.
     */
    private void findRepaired(List<int[]> tokens) {
      for (var size = MOST_PARTS; size > 1; size--) {
        for (var first = 0; first + size <= tokens.size(); first++) {
          findRepairedWhole(tokens.subList(first, first + size));
        }
      }
      for (var i = 0; i < tokens.size(); i++) {
        var token = tokens.get(i);
        var written = text.substring(token[0], token[1]);
        var figures = written.chars().filter(Character::isDigit).count();
        var read = Slips.figuresForLetters(written).chars().filter(Character::isDigit).count();
        if (figures < ReferenceIndex.FEWEST_FIGURES - 1
            || read < ReferenceIndex.FEWEST_FIGURES
            || written.length() > LONGEST_NUMBER
            || written.equals(wholeAmount)
            || written.equals(bareAmount)
            || isRead(token[0], token[1])) {
          continue;
        }
        var start = token[0];
        var found = index.oneSlipAway(written);
        if (found.isEmpty() && i + 1 < tokens.size() && tokens.get(i + 1)[0] - token[1] == 1) {
          var next = text.substring(tokens.get(i + 1)[0], tokens.get(i + 1)[1]);
          if (next.matches("\\d{1,6}") && !isRead(tokens.get(i + 1)[0], tokens.get(i + 1)[1])) {
            found = index.meant(written + next);
          }
        }
        if (!found.isEmpty() && found.size() <= MOST_REPAIRS) {
          hit(found, Form.REPAIRED, start, token[1]);
        }
      }
    }

    /** The amount that stands behind each reference, as lists of several have it. */
    private void findStated() {
      if (!sameLength || receipt.amount().getCurrencyUnit().getDecimalPlaces() != 2) {
        return;
      }
      for (var behind = STATED.matcher(text); behind.find(); ) {
        var from = behind.start();
        var amount = behind.group(1).replaceAll("\\D", "");
        hits.replaceAll(h -> h.end() == from ? h.stating(Long.parseLong(amount)) : h);
      }
    }

    /** A number of several parts, such as of letters, a year and a count, with a slip in any. */
    private void findRepairedWhole(List<int[]> window) {
      var start = window.get(0)[0];
      var end = window.get(window.size() - 1)[1];
      if (end - start > LONGEST_NUMBER || isRead(start, end) || !joined(window)) {
        return;
      }
      var form = ReferenceIndex.compact(text.substring(start, end));
      if (form.chars().filter(Character::isDigit).count() > ReferenceIndex.FEWEST_FIGURES) {
        var found = index.wholeOneSlipAway(form);
        if (!found.isEmpty() && found.size() <= MOST_REPAIRS) {
          hit(found, Form.REPAIRED, start, end);
        }
      }
    }

    private boolean joined(List<int[]> window) {
      for (var i = 1; i < window.size(); i++) {
        if (!JOINER.matcher(text.substring(window.get(i - 1)[1], window.get(i)[0])).matches()) {
          return false;
        }
      }
      return true;
    }

    /**
     * A slip may turn a number into one that exists as well. Where the text names what this payer
     * does not pay, or what does not come to this amount, items one slip away are alternatives: the
     * payer's own, and those with which it would.
     */
    private void findMistaken(Predicate<String> likely) {
      var places = hits.stream().collect(Collectors.groupingBy(ReferenceHit::mention));
      var sum =
          places.values().stream()
              .mapToLong(h -> h.get(0).item().open().getAmountMinorLong())
              .sum();
      var missing = receipt.amount().getAmountMinorLong() - sum;
      for (var hit : List.copyOf(hits)) {
        var plain = hit.form() == Form.NUMBER || hit.form() == Form.DIGITS;
        if (!plain || hit.start() < 0 || places.size() > MOST_DOUBTED) {
          continue;
        }
        var strange = !likely.test(hit.item().customerId());
        var wanted = hit.item().open().getAmountMinorLong() + missing;
        if (strange || missing != 0 && !hit.item().total().equals(receipt.amount())) {
          var written = ReferenceIndex.compact(text.substring(hit.start(), hit.end()));
          index.oneSlipAway(written).stream()
              .filter(
                  i ->
                      strange && likely.test(i.customerId())
                          || missing != 0
                              && !i.settled()
                              && i.open().getAmountMinorLong() == wanted)
              .filter(i -> hits.stream().noneMatch(h -> h.item().equals(i)))
              .map(i -> hit.mistakenFor(i, Weights.of(Form.REPAIRED, hit.written().length())))
              .forEach(hits::add);
        }
      }
    }

    private void hit(List<OpenItem> items, Form form, int start, int end) {
      var written = text.substring(start, end);
      hit(
          items,
          form,
          start,
          end,
          form == Form.DIGITS ? index.weight(written, false) : Weights.of(form, written.length()));
    }

    private void hit(List<OpenItem> items, Form form, int start, int end, double full) {
      markRead(start, end);
      var written = (sameLength ? receipt.text() : text).substring(start, end);
      // one form of several items tells less; of a slip and of a list that is said by the
      // explanations themselves
      var several = form == Form.REPAIRED || form == Form.LISTED ? 0 : Math.log(items.size());
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

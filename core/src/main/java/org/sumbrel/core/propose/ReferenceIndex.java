package org.sumbrel.core.propose;

import java.text.Normalizer;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.Function;
import java.util.regex.Pattern;
import org.sumbrel.core.receivables.Invoice;
import org.sumbrel.core.receivables.OpenItem;

/**
 * Under which forms the items of a batch can be named: their numbers, orders and structured
 * references as they are written, part by part without leading zeros, and by their figures alone.
 */
final class ReferenceIndex {

  /** Fewer figures are too often something else to be taken for a number with a slip. */
  static final int FEWEST_FIGURES = 4;

  private static final int SHORTEST_FORM = 3;

  /** The weight of figures that hit an item by accident as rarely as can be told. */
  private static final double RAREST = 4.5;

  private static final double COMMONEST = 0.5;

  /** What it adds that a word before the figures says what they are. */
  private static final double LABELLED = 1.5;

  private static final Pattern PART = Pattern.compile("\\p{L}+|\\p{N}+");

  /** So many zeros that the count behind them is too short to be known without. */
  private static final Pattern PADDED = Pattern.compile("(?<!\\d)(0{2,}[1-9]\\d?)$");

  private static final Pattern ENDS_IN_DIGITS = Pattern.compile("\\p{L}{0,5}0*([1-9]\\d{2,11})");

  private final Map<String, List<OpenItem>> byNumber = new HashMap<>();
  private final Map<String, List<OpenItem>> byOrder = new HashMap<>();
  private final Map<String, List<OpenItem>> byCreditorReference = new HashMap<>();
  private final Map<String, List<OpenItem>> byParts = new HashMap<>();

  /** By the number with every letter that looks like a figure read as that figure. */
  private final Map<String, List<OpenItem>> byLook = new HashMap<>();

  private final Map<String, List<OpenItem>> byDigits = new HashMap<>();
  private final Map<String, List<OpenItem>> byOrderDigits = new HashMap<>();

  /** By a count that is filled up with zeros, as it stands there. */
  private final Map<String, List<OpenItem>> byPadded = new HashMap<>();

  /** How many different figures of each length name something. */
  private final int[] ofLength = new int[32];

  private ReferenceIndex() {}

  static ReferenceIndex over(Collection<? extends OpenItem> items) {
    var index = new ReferenceIndex();
    items.forEach(index::add);
    index.byDigits.keySet().forEach(figures -> index.ofLength[figures.length()]++);
    index.byOrderDigits.keySet().stream()
        .filter(figures -> !index.byDigits.containsKey(figures))
        .forEach(figures -> index.ofLength[figures.length()]++);
    return index;
  }

  private void add(OpenItem item) {
    var number = compact(item.number());
    put(byNumber, number, item);
    put(byLook, Slips.figuresForLetters(number), item);
    var digits = digitsOf(number);
    put(byDigits, digits, item);
    var padded = PADDED.matcher(item.number());
    if (padded.find()) {
      put(byPadded, padded.group(1), item);
    }
    var parts = parts(item.number());
    if (parts.size() > 1) {
      put(byParts, String.join("-", parts), item);
      // a number that is made of several figures, as of a year and a count, is called by the last
      var last = parts.get(parts.size() - 1);
      var figures = parts.stream().filter(p -> Character.isDigit(p.charAt(0))).count();
      if (figures > 1 && !last.equals(digits) && !digitsOf(last).isEmpty()) {
        put(byDigits, last, item);
        if (!Character.isDigit(parts.get(0).charAt(0))) {
          put(byParts, String.join("-", parts.subList(1, parts.size())), item);
        }
      }
    }
    if (item instanceof Invoice invoice) {
      var order = compact(invoice.orderReference());
      put(byOrder, order, item);
      put(byOrderDigits, digitsOf(order), item);
      put(byCreditorReference, compact(invoice.creditorReference()), item);
    }
  }

  private static void put(Map<String, List<OpenItem>> index, String form, OpenItem item) {
    if (form.length() >= SHORTEST_FORM) {
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

  /** Runs of letters and runs of figures, the figures without leading zeros. */
  private static List<String> parts(String text) {
    var parts = new ArrayList<String>();
    var runs = PART.matcher(text);
    while (runs.find()) {
      var run = runs.group();
      var zeros = 0;
      while (zeros < run.length() - 1 && run.charAt(zeros) == '0') {
        zeros++;
      }
      parts.add(run.substring(zeros).toUpperCase(Locale.ROOT));
    }
    return parts;
  }

  /** The figures of a number without its leading letters and zeros; empty where it has none. */
  static String digitsOf(String number) {
    var digits = ENDS_IN_DIGITS.matcher(number);
    return digits.matches() ? digits.group(1) : "";
  }

  List<OpenItem> number(String compact) {
    return byNumber.getOrDefault(compact, List.of());
  }

  List<OpenItem> order(String compact) {
    return byOrder.getOrDefault(compact, List.of());
  }

  List<OpenItem> creditorReference(String compact) {
    return byCreditorReference.getOrDefault(compact, List.of());
  }

  /** The number written part by part with other signs between them, or without leading zeros. */
  List<OpenItem> written(String text) {
    var parts = parts(text);
    var told = parts.size() > 1 && parts.get(parts.size() - 1).length() >= SHORTEST_FORM;
    return told || parts.size() > 2 && Character.isLetter(parts.get(0).charAt(0))
        ? byParts.getOrDefault(String.join("-", parts), List.of())
        : List.of();
  }

  /** Whose number has these figures, or ends in them. */
  List<OpenItem> digits(String digits) {
    return byDigits.getOrDefault(digits, List.of());
  }

  /** Whose number ends in this short count with its zeros, such as {@code 00012}. */
  List<OpenItem> padded(String written) {
    return byPadded.getOrDefault(written, List.of());
  }

  /** Whose order has these figures. */
  List<OpenItem> orderDigits(String digits) {
    return byOrderDigits.getOrDefault(digits, List.of());
  }

  /**
   * What bare figures count as evidence: the logarithm of how rarely figures of this length hit
   * anything by accident.
   *
   * @param written as they stand in the text, with leading zeros
   * @param labelled whether a word before them says that they are a number or an order
   */
  double weight(String written, boolean labelled) {
    var digits = written.replaceFirst("^\\D*0*", "");
    var length = Math.min(ofLength.length - 1, digits.length());
    // whoever writes the zeros too leaves fewer other readings
    var zeros = written.length() - digits.length();
    var possible = 9 * Math.pow(10, length - 1.0 + Math.min(3, zeros));
    var rare = Math.log(possible / Math.max(1, ofLength[length])) + (labelled ? LABELLED : 0);
    return Math.max(COMMONEST, Math.min(RAREST, rare));
  }

  /** Whose number the written form was before one slip, with letters read for figures first. */
  List<OpenItem> oneSlipAway(String written) {
    return oneSlipAway(written, this::meant);
  }

  /** The same for a number of several parts, of which only the whole form is looked up. */
  List<OpenItem> wholeOneSlipAway(String written) {
    return oneSlipAway(written, this::number);
  }

  private List<OpenItem> oneSlipAway(String written, Function<String, List<OpenItem>> items) {
    var look = Slips.figuresForLetters(written);
    var alike = byLook.getOrDefault(look, items.apply(look));
    if (!alike.isEmpty()) {
      return alike;
    }
    var found = new LinkedHashSet<OpenItem>();
    for (var form : Slips.undone(written)) {
      found.addAll(items.apply(form));
    }
    return List.copyOf(found);
  }

  /** Whose number, or figures of a number, this is. */
  List<OpenItem> meant(String form) {
    var whole = number(form);
    if (!whole.isEmpty()) {
      return whole;
    }
    var digits = digitsOf(form);
    return digits.length() >= FEWEST_FIGURES ? digits(digits) : List.of();
  }
}

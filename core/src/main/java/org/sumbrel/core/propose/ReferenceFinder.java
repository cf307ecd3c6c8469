package org.sumbrel.core.propose;

import java.util.Collection;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.regex.Pattern;
import org.sumbrel.core.propose.ReferenceHit.Form;
import org.sumbrel.core.receivables.CreditorReference;
import org.sumbrel.core.receivables.OpenItem;
import org.sumbrel.core.receivables.Receipt;
import org.sumbrel.core.receivables.ReferenceScheme;
import org.sumbrel.core.receivables.WrittenForm;

/** First stage: finds what a remittance text points at, with the weight of each hit in log-odds. */
final class ReferenceFinder {

  private static final int LONGEST_WINDOW = 6;

  /** So many figures in pieces that they are no two numbers side by side. */
  private static final int LONG_FIGURES = 6;

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
    var items = known.asking(asked).number(WrittenForm.compact(reference));
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
    var reading = new TextReading(receipt, known.asking(asked));
    new Scan(reading).run();
    if (doubting) {
      new SlipReader(reading).doubt(likely);
    }
    return reading.hits();
  }

  /** One pass over one text; each place in it is read once, as the strongest form it can be. */
  private static final class Scan {
    private final TextReading reading;
    private final ReferenceIndex.Asking index;

    Scan(TextReading reading) {
      this.reading = reading;
      this.index = reading.index();
    }

    void run() {
      var tokens = reading.tokens();
      findCreditorReferences(tokens);
      skip(LABELLED);
      for (var size = Math.min(LONGEST_WINDOW, tokens.size()); size >= 1; size--) {
        for (var first = 0; first + size <= tokens.size(); first++) {
          findInWindow(tokens.subList(first, first + size));
        }
      }
      findDigits(tokens);
      new ListReader(reading).read();
      findOrderDigits(tokens);
      new SlipReader(reading).read();
      findStated();
    }

    private void findCreditorReferences(List<int[]> tokens) {
      var matcher = CREDITOR.matcher(reading.text());
      while (matcher.find()) {
        for (var i = tokens.size() - 1; i >= 0; i--) {
          var end = tokens.get(i)[1];
          if (end > matcher.end() || end < matcher.start() + 5) {
            continue;
          }
          var reference = CreditorReference.parse(reading.text().substring(matcher.start(), end));
          var items = reference.map(r -> index.creditorReference(r.value())).orElse(List.of());
          if (!items.isEmpty()) {
            reading.hit(items, Form.CREDITOR_REFERENCE, matcher.start(), end);
            break;
          }
        }
      }
    }

    private void findInWindow(List<int[]> window) {
      var start = window.get(0)[0];
      var end = window.get(window.size() - 1)[1];
      if (reading.isRead(start, end) || !reading.joined(window)) {
        return;
      }
      var written = reading.text().substring(start, end);
      var form = WrittenForm.compact(written);
      if (form.length() < (window.size() > 1 ? 3 : 4)) {
        return;
      }
      var referenced = index.creditorReference(form);
      var numbered = index.number(form);
      if (!referenced.isEmpty()) {
        // a reference whose check digit fails may be anybody's
        var sure = ReferenceScheme.anyHolds(form);
        reading.hit(referenced, sure ? Form.CREDITOR_REFERENCE : Form.DIGITS, start, end);
      } else if (!numbered.isEmpty()) {
        hitNumber(numbered, start, end);
      } else if (!index.order(form).isEmpty()) {
        reading.hit(index.order(form), Form.ORDER, start, end);
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
          reading.hit(items, Form.DIGITS, start, end, index.weight(form, false));
        }
      }
    }

    /** A number that is written as a date is none, unless the amount says that it is meant. */
    private void hitNumber(List<OpenItem> items, int start, int end) {
      if (!OTHER_FIGURES.matcher(reading.text().substring(start, end)).matches()) {
        reading.hit(items, Form.NUMBER, start, end);
      } else if (items.stream().anyMatch(i -> i.open().equals(reading.receipt().amount()))) {
        reading.hit(items, Form.DIGITS, start, end);
      }
    }

    private void skip(Pattern other) {
      var places = other.matcher(reading.text());
      while (places.find()) {
        reading.markRead(places.start(), places.end());
      }
    }

    private void findDigits(List<int[]> tokens) {
      skip(OTHER_FIGURES);
      for (var token : tokens) {
        var digits = reading.digitsAt(token);
        if (mayName(digits, token)) {
          findDigits(digits, token);
        } else if (digits.isEmpty() && !reading.isRead(token[0], token[1])) {
          var written = reading.at(token);
          var items = index.padded(written);
          if (!items.isEmpty()) {
            reading.hit(items, Form.DIGITS, token[0], token[1], index.weight(written, false));
          }
        }
      }
    }

    private boolean mayName(String digits, int[] token) {
      return !digits.isEmpty() && !reading.isRead(token[0], token[1]) && !reading.isAmount(digits);
    }

    private void findDigits(String digits, int[] token) {
      var ahead = reading.text().substring(Math.max(0, token[0] - LABEL_LENGTH), token[0]);
      var ordered = index.orderDigits(digits);
      var numbered = index.digits(digits);
      if (!ordered.isEmpty() && ORDER_AHEAD.matcher(ahead).find()) {
        reading.hit(ordered, Form.ORDER, token[0], token[1]);
        return;
      }
      var labelled = ITEM_AHEAD.matcher(ahead).find();
      if (numbered.isEmpty() || !labelled && reading.isYear(digits)) {
        return;
      }
      var items = new LinkedHashSet<>(numbered);
      if (!labelled) {
        items.addAll(ordered);
      }
      var written = reading.at(token);
      reading.hit(
          List.copyOf(items), Form.DIGITS, token[0], token[1], index.weight(written, labelled));
    }

    /** What is left may be the figures of an order. */
    private void findOrderDigits(List<int[]> tokens) {
      for (var token : tokens) {
        var digits = reading.digitsAt(token);
        if (mayName(digits, token)
            && !reading.isYear(digits)
            && !index.orderDigits(digits).isEmpty()) {
          reading.hit(
              index.orderDigits(digits),
              Form.ORDER_DIGITS,
              token[0],
              token[1],
              index.weight(reading.at(token), false));
        }
      }
    }

    /** The amount that stands behind each reference, as lists of several have it. */
    private void findStated() {
      if (!reading.sameLength()
          || reading.receipt().amount().getCurrencyUnit().getDecimalPlaces() != 2) {
        return;
      }
      for (var behind = STATED.matcher(reading.text()); behind.find(); ) {
        var from = behind.start();
        var amount = behind.group(1).replaceAll("\\D", "");
        reading.replaceAll(h -> h.end() == from ? h.stating(Long.parseLong(amount)) : h);
      }
    }
  }
}

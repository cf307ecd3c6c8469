package org.sumbrel.core.propose;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.regex.MatchResult;
import java.util.regex.Pattern;
import org.joda.money.Money;
import org.sumbrel.core.money.MoneyText;
import org.sumbrel.core.receivables.Invoice;
import org.sumbrel.core.receivables.OpenItem;
import org.sumbrel.core.receivables.Receipt;
import org.sumbrel.core.receivables.WrittenForm;

/**
 * A list of references and amounts, pasted from a spreadsheet or a mail, read against the open
 * items. Every line that is not blank gives a row, in the list's order; a line that cannot be used
 * says why.
 */
public final class PastedList {

  /** What became of a line. */
  public enum Outcome {
    /** The item and how much of it are known. */
    UNDERSTOOD,
    /** The reference fits no item that is known. */
    UNKNOWN,
    /** The reference fits several items. */
    SEVERAL,
    /** The item is settled already. */
    SETTLED,
    /** More than is open. */
    TOO_MUCH,
    /** The item is in another currency than the receipt. */
    OTHER_CURRENCY,
    /** An earlier line names the same item. */
    TWICE,
    /** Nothing in the line names an item: a heading or a sum. */
    NO_REFERENCE
  }

  /**
   * One line.
   *
   * @param line its number, from 1
   * @param text as it stands there
   * @param item what it names, where that is one item
   * @param amount what is to be applied, in the item's sign; empty where it cannot be used
   * @param discount the early-payment discount contained in it, where the list's amount was less by
   *     exactly that
   * @param message what is to be known about it, as a sentence; may be empty where understood
   */
  public record Row(
      int line,
      String text,
      Outcome outcome,
      Optional<OpenItem> item,
      Optional<Money> amount,
      Optional<Money> discount,
      String message) {

    private static Row not(int line, String text, Outcome outcome, String message) {
      return new Row(
          line, text, outcome, Optional.empty(), Optional.empty(), Optional.empty(), message);
    }
  }

  /** A figure that can be an amount: signs and brackets, grouping of either kind, two decimals. */
  private static final Pattern FIGURE =
      Pattern.compile(
          "(?<![\\p{L}\\p{N}/-])[-−(]?\\s?(?:\\d{1,3}(?:[ ,.'’]\\d{3})+|\\d{1,13})(?:[.,]\\d{1,3})?\\s?[-−)]?(?![\\p{L}\\p{N}/])");

  private static final BigDecimal MOST = BigDecimal.valueOf(1_000_000_000_000L);

  private static final Pattern CURRENCY_WORDS =
      Pattern.compile(
          "(?<!\\p{L})(?:[A-Z]{3}(?=\\s*-?[\\d(])|[$€£])|(?<=\\d)\\s?(?:[A-Z]{3}|[$€£])(?!\\p{L})");

  private final Receipt receipt;
  private final int graceDays;
  private final ReferenceFinder references;
  private final Map<String, OpenItem> byNumber = new HashMap<>();
  private final Set<String> seen = new HashSet<>();

  private PastedList(Receipt receipt, int graceDays, Collection<? extends OpenItem> items) {
    this.receipt = receipt;
    this.graceDays = graceDays;
    this.references = ReferenceFinder.over(items);
    for (var item : items) {
      byNumber.put(WrittenForm.compact(item.number()), item);
    }
  }

  /**
   * Reads a list.
   *
   * @param receipt the money the list explains; its date decides on discounts
   * @param graceDays days after the last discount day on which it is still granted
   * @param items all that the list can name, settled ones too
   */
  public static List<Row> read(
      String text, Receipt receipt, int graceDays, Collection<? extends OpenItem> items) {
    var list = new PastedList(receipt, graceDays, items);
    var rows = new ArrayList<Row>();
    var number = 0;
    for (var line : text.lines().toList()) {
      number++;
      if (!line.isBlank()) {
        rows.add(list.row(number, line.strip()));
      }
    }
    return rows;
  }

  private Row row(int number, String line) {
    var plain = CURRENCY_WORDS.matcher(line.replace('"', ' ')).replaceAll(" ");
    var figures = FIGURE.matcher(plain).results().toList();
    // the amount is the last figure; a lone whole number can be the reference itself
    for (var i = figures.size() - 1; i >= 0; i--) {
      var figure = figures.get(i);
      var rest = plain.substring(0, figure.start()) + " " + plain.substring(figure.end());
      var hits = hits(rest);
      if (!hits.isEmpty()) {
        return row(number, line, hits, Optional.of(figure));
      }
    }
    var hits = hits(plain);
    if (!hits.isEmpty()) {
      return row(number, line, hits, Optional.empty());
    }
    // what is left beside the amount: a reference that nobody knows, or a heading or a sum
    var beside =
        figures.isEmpty() ? plain : plain.substring(0, figures.get(figures.size() - 1).start());
    return beside.matches(".*(\\d{3,}|\\p{L}[^\\s\\d]?\\d).*")
        ? Row.not(number, line, Outcome.UNKNOWN, "Nothing that is known has this reference.")
        : Row.not(number, line, Outcome.NO_REFERENCE, "No reference stands in this line.");
  }

  /**
   * What the text names. In a list a word that is a number in full names its item, however short it
   * is; in a sentence it would be too short to tell.
   */
  private List<ReferenceHit> hits(String text) {
    var whole =
        Arrays.stream(text.split("[\\s;|,]+"))
            .map(word -> byNumber.get(WrittenForm.compact(word)))
            .filter(Objects::nonNull)
            .distinct()
            .toList();
    if (whole.size() == 1) {
      var item = whole.get(0);
      return List.of(
          new ReferenceHit(item, ReferenceHit.Form.NUMBER, -1, -1, item.number(), 0, 0, 0));
    }
    return references.find(receipt.saying(text));
  }

  private Row row(int number, String line, List<ReferenceHit> hits, Optional<MatchResult> figure) {
    if (hits.size() > 1) {
      var names = hits.stream().map(h -> h.item().number()).limit(4).toList();
      return Row.not(
          number, line, Outcome.SEVERAL, "This may be " + String.join(" or ", names) + ".");
    }
    var item = hits.get(0).item();
    var name = item.number();
    if (!item.open().getCurrencyUnit().equals(receipt.amount().getCurrencyUnit())) {
      return found(
          number,
          line,
          Outcome.OTHER_CURRENCY,
          item,
          name + " is in " + item.open().getCurrencyUnit() + ".");
    }
    if (!seen.add(item.id())) {
      return found(number, line, Outcome.TWICE, item, name + " stands in an earlier line already.");
    }
    if (item.settled()) {
      return found(
          number,
          line,
          Outcome.SETTLED,
          item,
          name + " of " + MoneyText.grouped(item.total()) + " is settled already.");
    }
    if (figure.isEmpty()) {
      return understood(
          number, line, item, item.open(), zero(), "No amount is given; it is taken whole.");
    }
    var size = amount(figure.get().group());
    if (size.isEmpty()) {
      return understood(
          number, line, item, item.open(), zero(), "The amount is zero; it is taken whole.");
    }
    var amount = item.open().isNegative() ? size.get().negated() : size.get();
    var earned = earned(item);
    if (earned.isPositive() && amount.plus(earned).equals(item.open())) {
      return understood(
          number,
          line,
          item,
          item.open(),
          earned,
          "Less the discount of " + MoneyText.grouped(earned) + ".");
    }
    if (amount.abs().isGreaterThan(item.open().abs())) {
      return found(
          number,
          line,
          Outcome.TOO_MUCH,
          item,
          name
              + " has "
              + MoneyText.grouped(item.open())
              + " open, the list says "
              + MoneyText.grouped(amount)
              + ".");
    }
    return understood(
        number,
        line,
        item,
        amount,
        zero(),
        amount.equals(item.open())
            ? ""
            : "A part; " + MoneyText.grouped(item.open().minus(amount)) + " stays open.");
  }

  private static Row found(
      int number, String line, Outcome outcome, OpenItem item, String message) {
    return new Row(
        number, line, outcome, Optional.of(item), Optional.empty(), Optional.empty(), message);
  }

  private static Row understood(
      int number, String line, OpenItem item, Money amount, Money discount, String message) {
    return new Row(
        number,
        line,
        Outcome.UNDERSTOOD,
        Optional.of(item),
        Optional.of(amount),
        Optional.of(discount),
        message);
  }

  private Money earned(OpenItem item) {
    return item instanceof Invoice invoice
        ? invoice.discountEarned(invoice.open(), receipt.receivedOn(), graceDays)
        : zero();
  }

  private Money zero() {
    return Money.zero(receipt.amount().getCurrencyUnit());
  }

  /** The figure without its sign; empty where it is zero. */
  private Optional<Money> amount(String figure) {
    var unit = receipt.amount().getCurrencyUnit();
    var digits = figure.replaceAll("[^\\d.,]", "");
    var lastMark = Math.max(digits.lastIndexOf('.'), digits.lastIndexOf(','));
    var after = lastMark < 0 ? 0 : digits.length() - lastMark - 1;
    var marks = digits.chars().filter(c -> c == '.' || c == ',').count();
    // one mark with three digits behind it groups thousands, unless the currency has three decimals
    var decimal = lastMark >= 0 && (after != 3 || unit.getDecimalPlaces() == 3 && marks == 1);
    var plain =
        decimal
            ? digits.substring(0, lastMark).replaceAll("[.,]", "")
                + "."
                + digits.substring(lastMark + 1)
            : digits.replaceAll("[.,]", "");
    var value = new BigDecimal(plain);
    if (value.signum() == 0 || value.stripTrailingZeros().scale() > unit.getDecimalPlaces()) {
      return Optional.empty();
    }
    // more than anything can have open says no more than that it is too much
    return Optional.of(MoneyText.exact(value.min(MOST), unit));
  }
}

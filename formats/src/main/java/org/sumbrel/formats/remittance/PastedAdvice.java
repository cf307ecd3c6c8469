package org.sumbrel.formats.remittance;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.regex.MatchResult;
import java.util.regex.Pattern;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.sumbrel.core.receivables.RemittanceItem;
import org.sumbrel.formats.BrokenFile;
import org.sumbrel.formats.FileAmount;
import org.sumbrel.formats.Problem;

/**
 * A remittance advice pasted from a mail: a document and what is paid of it on each line, perhaps a
 * sum. The last amount of a line is what is paid, the first word with a figure in it the document.
 */
public final class PastedAdvice {

  /** The most lines; a longer list comes as a file. */
  public static final int MOST_LINES = 2_000;

  private static final int LONGEST = 1_000;

  /** With the decimals of the currency, thousands grouped or not, a sign before or behind. */
  private static final String AMOUNT =
      "(?<![\\p{L}\\p{N}/.,-])[-−(]?\\s?(?:\\d{1,3}(?:[ ,.'’]\\d{3})+|\\d{1,13})%s\\s?[-−)]?(?![\\p{L}\\p{N}/])";

  private static final Pattern SUM =
      Pattern.compile(
          "(?i)\\b(total|sum|summe|gesamt|payment amount|amount paid|montant total)\\b");
  private static final Pattern DATE =
      Pattern.compile("\\d{4}-\\d{2}-\\d{2}|\\d{1,2}[./-]\\d{1,2}[./-]\\d{2,4}");
  private static final Pattern WITH_FIGURE =
      Pattern.compile("[\\p{L}\\p{N}/._#-]*\\d[\\p{L}\\p{N}/._#-]*");

  private final CurrencyUnit currency;
  private final Pattern amounts;
  private final List<RemittanceItem> items = new ArrayList<>();
  private final List<Problem> problems = new ArrayList<>();
  private Money total;

  private PastedAdvice(CurrencyUnit currency) {
    this.currency = currency;
    var places = currency.getDecimalPlaces();
    this.amounts = Pattern.compile(AMOUNT.formatted(places == 0 ? "" : "[.,]\\d{" + places + "}"));
  }

  /** What a text says: the items, and the sum where a line names it. */
  public record Read(List<RemittanceItem> items, Optional<Money> total) {}

  /**
   * Reads a text.
   *
   * @throws BrokenFile with each line that cannot be read, or where there is none
   */
  public static Read read(String text, CurrencyUnit currency) throws BrokenFile {
    var advice = new PastedAdvice(currency);
    var lines = text.lines().toList();
    if (lines.size() > MOST_LINES) {
      throw new BrokenFile(
          MOST_LINES + 1,
          "more than %,d lines were pasted; take the list in as a file".formatted(MOST_LINES));
    }
    for (var n = 0; n < lines.size(); n++) {
      advice.line(lines.get(n), n + 1);
    }
    if (!advice.problems.isEmpty()) {
      throw new BrokenFile(advice.problems);
    }
    if (advice.items.isEmpty()) {
      throw new BrokenFile(
          1, "no line has a document and an amount such as \"LM-0020448  1,225.70\"");
    }
    return new Read(advice.items, Optional.ofNullable(advice.total));
  }

  private void line(String line, int number) {
    if (line.length() > LONGEST) {
      problems.add(new Problem(number, "the line has more than " + LONGEST + " characters"));
      return;
    }
    var found = amounts.matcher(line).results().toList();
    if (found.isEmpty()) {
      var document = document(line);
      if (document.isPresent() && !DATE.matcher(line).find() && !items.isEmpty()) {
        problems.add(
            new Problem(
                number,
                "no amount such as 1,234.50 stands in this line: " + FileAmount.shortened(line)));
      }
      return;
    }
    var last = found.get(found.size() - 1);
    var document = document(line.substring(0, last.start()));
    var amount = amount(last);
    if (SUM.matcher(line).find()) {
      total = amount;
    } else if (document.isEmpty()) {
      problems.add(
          new Problem(
              number, "no document's number stands in this line: " + FileAmount.shortened(line)));
    } else {
      var zero = Money.zero(currency);
      items.add(new RemittanceItem(document.get(), amount, zero, zero, ""));
    }
  }

  private Optional<String> document(String text) {
    return WITH_FIGURE
        .matcher(text)
        .results()
        .map(MatchResult::group)
        .filter(word -> !DATE.matcher(word).matches() && !amounts.matcher(word).matches())
        .findFirst();
  }

  private Money amount(MatchResult figure) {
    var written = figure.group();
    var digits = written.replaceAll("\\D", "");
    var value = new BigDecimal(digits).movePointLeft(currency.getDecimalPlaces());
    var negative = written.matches("(?s).*[-−(].*");
    return Money.of(currency, negative ? value.negate() : value);
  }
}

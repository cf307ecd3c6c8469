package org.sumbrel.formats.table;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.MatchResult;
import java.util.regex.Pattern;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.sumbrel.formats.FileAmount;

/** The decimal mark of a file's amounts, found from all its cells together, and their signs. */
final class AmountWriting {

  private static final int LONGEST = 60;

  /** What groups thousands and is never a decimal mark. */
  private static final String BLANKS_AND_QUOTES = "\\s\\u00A0\\u202F'’";

  private static final Pattern GROUPING_ONLY = Pattern.compile("[" + BLANKS_AND_QUOTES + "]");

  /** Plain; grouped by three with one mark throughout; grouped by two before the last three. */
  private static final Pattern FIGURES =
      Pattern.compile(
          "\\d+(?:[.,]\\d*)?|[.,]\\d+"
              + "|\\d{1,3}(?<group>[.,"
              + BLANKS_AND_QUOTES
              + "])\\d{3}(?:\\k<group>\\d{3})*(?:(?!\\k<group>)[.,]\\d*)?"
              + "|\\d{1,2}(?:,\\d{2})+,\\d{3}(?:\\.\\d*)?");

  /** One piece at either end of an amount that is none of its figures. */
  private static final Pattern OUTSIDE =
      Pattern.compile(
          "(?<brackets>^\\(.*\\)$)"
              + "|(?<code>^[A-Z]{3}(?![A-Za-z])|(?<![A-Za-z])[A-Z]{3}$)"
              + "|(?<word>(?<![A-Za-z])(?:(?i:CR|DR)\\.?|[CDHS])$)"
              + "|(?<sign>^[-+]|[-+]$)"
              + "|(?<symbol>^[$€£¥₹₽₩₪₫₱฿]|[$€£¥₹₽₩₪₫₱฿]$)");

  /** The currencies of a symbol; those of the others are many. */
  private static final Map<String, Set<String>> SYMBOLS =
      Map.of(
          "€", Set.of("EUR"),
          "¥", Set.of("JPY", "CNY"),
          "₹", Set.of("INR"),
          "₽", Set.of("RUB"),
          "₩", Set.of("KRW", "KPW"),
          "₪", Set.of("ILS"),
          "₫", Set.of("VND"),
          "₱", Set.of("PHP", "CUP"),
          "฿", Set.of("THB"));

  /** Which mark stands before the decimals; null where no cell has one. */
  private final Character mark;

  private AmountWriting(Character mark) {
    this.mark = mark;
  }

  /** Amounts with this mark before their decimals; what else groups figures groups thousands. */
  static AmountWriting with(char mark) {
    return new AmountWriting(mark);
  }

  /** The mark before the decimals, where any amount has one. */
  Optional<Character> mark() {
    return Optional.ofNullable(mark);
  }

  /**
   * An amount in pieces.
   *
   * @param figures with their marks, without blanks and quotes
   * @param currency the code it names, or empty
   * @param symbol the currency's symbol, or empty
   */
  private record Pieces(boolean negative, String figures, String currency, String symbol) {

    void require(CurrencyUnit expected) {
      var other =
          !currency.isEmpty() && !currency.equals(expected.getCode())
              ? currency
              : SYMBOLS
                      .getOrDefault(symbol, Set.of(expected.getCode()))
                      .contains(expected.getCode())
                  ? ""
                  : symbol;
      if (!other.isEmpty()) {
        throw new IllegalArgumentException(
            "the amount is in " + other + ", the rest in " + expected.getCode());
      }
    }
  }

  /** The cells do not tell, or contradict each other. */
  static final class Open extends Exception {
    private static final long serialVersionUID = 1L;

    private final String cell;

    Open(String cell, String message) {
      super(message);
      this.cell = cell;
    }

    /** The amount that raises the doubt. */
    String cell() {
      return cell;
    }
  }

  /**
   * The writing that all cells have in common.
   *
   * @throws Open where the mark is open or not one
   */
  static AmountWriting of(List<String> cells) throws Open {
    Character found = null;
    var foundIn = "";
    var open = "";
    for (var cell : cells) {
      var figures = pieces(cell).map(Pieces::figures).orElse("");
      var point = figures.lastIndexOf('.');
      var comma = figures.lastIndexOf(',');
      if (point < 0 && comma < 0) {
        continue;
      }
      var last = Math.max(point, comma);
      var c = figures.charAt(last);
      Character tells;
      if (point >= 0 && comma >= 0) {
        tells = c;
      } else if (figures.indexOf(c) != last) {
        // twice the same one: it groups thousands
        tells = other(c);
      } else if (figures.length() - last - 1 == 3
          && last >= 1
          && last <= 3
          && figures.charAt(0) != '0') {
        open = open.isEmpty() ? cell.strip() : open;
        continue;
      } else {
        tells = c;
      }
      if (found != null && !found.equals(tells)) {
        throw new Open(
            cell.strip(),
            "the decimal mark of the amounts is not one: \""
                + foundIn
                + "\" and \""
                + cell.strip()
                + "\"");
      }
      found = tells;
      foundIn = cell.strip();
    }
    if (found == null && !open.isEmpty()) {
      throw new Open(
          open, "\"" + open + "\" may be thousands or decimals, and no other amount tells which");
    }
    return new AmountWriting(found);
  }

  private static char other(char mark) {
    return mark == '.' ? ',' : '.';
  }

  /** The currency code that stands with an amount, or empty. */
  static String currency(String cell) {
    return pieces(cell).map(Pieces::currency).orElse("");
  }

  /**
   * The amount with its sign.
   *
   * @throws IllegalArgumentException where it is none
   */
  Money read(String cell, CurrencyUnit currency) {
    var pieces =
        pieces(cell)
            .orElseThrow(
                () ->
                    new IllegalArgumentException(
                        "\"" + FileAmount.shortened(cell.strip()) + "\" is not an amount"));
    pieces.require(currency);
    var figures = pieces.figures();
    var plain = figures;
    if (mark != null) {
      var groups = other(mark);
      requireGroups(figures, groups);
      plain = figures.replace(Character.toString(groups), "").replace(mark, '.');
    }
    var amount = FileAmount.parse(plain, currency);
    return pieces.negative() ? amount.negated() : amount;
  }

  /** Thousands are grouped by three before the mark; anything else is no amount. */
  private void requireGroups(String figures, char groups) {
    var whole = figures.indexOf(mark) < 0 ? figures : figures.substring(0, figures.indexOf(mark));
    if (figures.indexOf(groups) < 0) {
      return;
    }
    var parts = whole.split(Pattern.quote(Character.toString(groups)), -1);
    var right = figures.lastIndexOf(groups) < whole.length() && !parts[0].isEmpty();
    for (var n = 1; n < parts.length; n++) {
      right = right && (parts[n].length() == 3 || parts[n].length() == 2 && n < parts.length - 1);
    }
    if (!right) {
      throw new IllegalArgumentException(
          "\"" + FileAmount.shortened(figures) + "\" is not grouped like an amount");
    }
  }

  /**
   * Takes an amount apart from the outside to its figures: brackets or a sign or a word for debit
   * or credit, a currency as code or symbol. Each stands at most once; anything else is no amount.
   */
  private static Optional<Pieces> pieces(String cell) {
    var rest = cell.strip().replace('−', '-').replace('–', '-');
    Boolean negative = null;
    var currency = "";
    var symbol = "";
    while (rest.length() <= LONGEST && !FIGURES.matcher(rest).matches()) {
      var found = OUTSIDE.matcher(rest);
      if (!found.find()) {
        return Optional.empty();
      }
      var piece = found.group().strip();
      if (found.group("code") != null) {
        if (!currency.isEmpty()) {
          return Optional.empty();
        }
        currency = piece;
        rest = without(rest, found);
      } else if (found.group("symbol") != null) {
        if (!symbol.isEmpty()) {
          return Optional.empty();
        }
        symbol = piece;
        rest = without(rest, found);
      } else {
        if (negative != null) {
          return Optional.empty();
        }
        negative =
            found.group("brackets") != null
                || "-DS".indexOf(Character.toUpperCase(piece.charAt(0))) >= 0;
        rest =
            found.group("brackets") == null
                ? without(rest, found)
                : rest.substring(1, rest.length() - 1).strip();
      }
    }
    return rest.length() > LONGEST
        ? Optional.empty()
        : Optional.of(
            new Pieces(
                negative != null && negative,
                GROUPING_ONLY.matcher(rest).replaceAll(""),
                currency,
                symbol));
  }

  private static String without(String text, MatchResult piece) {
    return (text.substring(0, piece.start()) + text.substring(piece.end())).strip();
  }
}

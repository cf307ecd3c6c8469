package org.sumbrel.formats.table;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Pattern;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.sumbrel.formats.FileAmount;

/** The decimal mark of a file's amounts, found from all its cells together, and their signs. */
final class AmountWriting {

  private static final Pattern CODE =
      Pattern.compile("(?:^\\s*([A-Za-z]{3})\\b|\\b([A-Za-z]{3})\\s*$)");
  private static final Pattern SIGN_WORD = Pattern.compile("(?i)\\s*(CR|DR|C|D|H|S)\\.?$");
  private static final String SYMBOLS = "$€£¥₹₽₩₪₫₱฿";

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

  /** An amount in pieces: its sign, its figures with their marks, and a currency it may name. */
  private record Pieces(boolean negative, String figures, String currency) {}

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

  private static Optional<Pieces> pieces(String cell) {
    var text = cell.strip();
    if (text.isEmpty() || text.length() > 60) {
      return Optional.empty();
    }
    var negative = false;
    if (text.startsWith("(") && text.endsWith(")")) {
      negative = true;
      text = text.substring(1, text.length() - 1).strip();
    }
    var currency = "";
    var code = CODE.matcher(text);
    if (code.find()) {
      currency = (code.group(1) == null ? code.group(2) : code.group(1)).toUpperCase(Locale.ROOT);
      text = (text.substring(0, code.start()) + text.substring(code.end())).strip();
    }
    var word = SIGN_WORD.matcher(text);
    if (word.find()) {
      var letter = Character.toUpperCase(word.group(1).charAt(0));
      negative ^= letter == 'D' || letter == 'S';
      text = text.substring(0, word.start()).strip();
    }
    text = text.replace('−', '-').replace('–', '-');
    var figures = new StringBuilder();
    for (var i = 0; i < text.length(); i++) {
      var c = text.charAt(i);
      if (c >= '0' && c <= '9' || c == '.' || c == ',') {
        figures.append(c);
      } else if (c == '-' && (figures.length() == 0 || i == text.length() - 1)) {
        negative = !negative;
      } else if (c == '+' && (figures.length() == 0 || i == text.length() - 1)) {
        continue;
      } else if (!isBlankOrQuote(c) && SYMBOLS.indexOf(c) < 0) {
        return Optional.empty();
      }
    }
    return figures.length() == 0
        ? Optional.empty()
        : Optional.of(new Pieces(negative, figures.toString(), currency));
  }

  private static boolean isBlankOrQuote(char c) {
    return Character.isWhitespace(c) || c == '\u00A0' || c == '\u202F' || c == '\'' || c == '’';
  }
}

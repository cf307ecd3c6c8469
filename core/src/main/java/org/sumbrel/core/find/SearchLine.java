package org.sumbrel.core.find;

import java.math.BigDecimal;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.time.Month;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.regex.Pattern;
import org.sumbrel.core.money.TypedAmount;
import org.sumbrel.core.receivables.PaidBy;

/**
 * A typed search line, read. What is found fits every term:
 *
 * <ul>
 *   <li>{@code oskar flour} both words, anywhere; {@code "oskar lane"} the words as they stand;
 *       {@code -torn} not that word
 *   <li>{@code 1,204.50} that amount, or a reference with these digits; {@code 1200..1300}, {@code
 *       1200..}, {@code ..1300} an amount between; {@code gap:231.90} nearest to that amount first
 *   <li>{@code 2026-05-12} that day; {@code may}, {@code may 2025}, {@code 2026-05} that month;
 *       {@code before:}, {@code after:} a day or a month
 *   <li>{@code payer:}, {@code ref:}, {@code method:cheque} (cash, card, transfer)
 * </ul>
 *
 * @param terms what was understood
 * @param problems what was not, a sentence each; such a term finds nothing and leaves nothing out
 */
public record SearchLine(List<Term> terms, List<String> problems) {

  /** Longer lines are cut: nobody types them. */
  public static final int LONGEST = 400;

  /** The words that begin a term, in the order in which they are offered. */
  public static final List<String> KEYS =
      List.of("before:", "after:", "payer:", "ref:", "method:", "gap:");

  private static final Pattern TOKEN = Pattern.compile("-?(?:[a-z]+:)?\"[^\"]*\"?|\\S+");
  private static final Pattern DAY = Pattern.compile("\\d{4}-\\d{1,2}-\\d{1,2}");
  private static final Pattern YEAR_MONTH = Pattern.compile("\\d{4}-\\d{1,2}");
  private static final Pattern YEAR = Pattern.compile("(19|20)\\d\\d");

  public SearchLine {
    terms = List.copyOf(terms);
    problems = List.copyOf(problems);
  }

  /**
   * Reads a line.
   *
   * @param today by which a month without a year is the last one of that name
   */
  public static SearchLine read(String line, LocalDate today) {
    return new Reading(today).of(line.length() <= LONGEST ? line : line.substring(0, LONGEST));
  }

  /** Whether nothing was asked for. */
  public boolean isEmpty() {
    return terms.isEmpty();
  }

  /** The amount to which what is found is ordered, nearest first. */
  public Optional<BigDecimal> near() {
    return terms.stream()
        .filter(Term.Near.class::isInstance)
        .map(t -> ((Term.Near) t).amount())
        .findFirst();
  }

  /**
   * Things as the line asks for them: nearest to its amount first, or in the order they have.
   *
   * @param <F> the things
   */
  public <F extends Findable> List<F> inOrder(List<F> fitting) {
    return near()
        .map(
            figure ->
                fitting.stream().sorted(Comparator.comparing(one -> one.distance(figure))).toList())
        .orElse(fitting);
  }

  /** Whether something fits every term. */
  public boolean fits(Findable one) {
    return rule().test(one);
  }

  /** The rule that {@link #fits} goes by, for whoever holds many things against one line. */
  public Predicate<Findable> rule() {
    return terms.stream().map(SearchLine::rule).reduce(Predicate::and).orElse(one -> true);
  }

  private static Predicate<Findable> rule(Term term) {
    if (term instanceof Term.Word word) {
      return said(word.text());
    }
    if (term instanceof Term.Without without) {
      return said(without.text()).negate();
    }
    if (term instanceof Term.Figure figure) {
      var size = figure.amount().abs();
      return new SizeBetween(size, size).or(said(figure.text()));
    }
    if (term instanceof Term.Between between) {
      return new SizeBetween(between.from(), between.until());
    }
    if (term instanceof Term.Days days) {
      return one ->
          (days.from() == null || !one.on().isBefore(days.from()))
              && (days.until() == null || !one.on().isAfter(days.until()));
    }
    if (term instanceof Term.Payer payer) {
      return one -> one.names().contains(payer.text());
    }
    if (term instanceof Term.Reference reference) {
      return one -> one.references().contains(reference.text());
    }
    // an order leaves nothing out
    return term instanceof Term.Paid paid ? one -> one.paidBy() == paid.by() : one -> true;
  }

  private static Predicate<Findable> said(String text) {
    var sketch = Sketch.of(text);
    return one ->
        (one.sketch() & sketch) == sketch
            && (one.references().contains(text)
                || one.names().contains(text)
                || one.told().contains(text));
  }

  /** One reading of a line, token by token. */
  private static final class Reading {

    private final LocalDate today;
    private final List<Term> terms = new ArrayList<>();
    private final List<String> problems = new ArrayList<>();

    Reading(LocalDate today) {
      this.today = today;
    }

    SearchLine of(String line) {
      var tokens = new ArrayList<String>();
      var matcher = TOKEN.matcher(line);
      while (matcher.find()) {
        tokens.add(matcher.group());
      }
      for (var n = 0; n < tokens.size(); n++) {
        var token = tokens.get(n).toLowerCase(Locale.ROOT);
        var month = month(token);
        if (month.isPresent()) {
          var next = n + 1 < tokens.size() ? tokens.get(n + 1) : "";
          if (YEAR.matcher(next).matches()) {
            n++;
            days(YearMonth.of(Integer.parseInt(next), month.get()));
          } else {
            days(last(month.get()));
          }
        } else {
          read(token);
        }
      }
      return new SearchLine(terms, problems);
    }

    private void read(String token) {
      var colon = token.indexOf(':');
      if (token.startsWith("\"")) {
        word(unquoted(token));
      } else if (token.length() > 1 && token.startsWith("-") && !isFigure(token)) {
        var text = unquoted(token.substring(1));
        if (!text.isBlank()) {
          terms.add(new Term.Without(text));
        }
      } else if (colon > 0 && KEYS.contains(token.substring(0, colon + 1))) {
        keyed(token.substring(0, colon + 1), unquoted(token.substring(colon + 1)));
      } else if (token.contains("..")) {
        between(token);
      } else if (DAY.matcher(token).matches() || YEAR_MONTH.matcher(token).matches()) {
        day(token, token).ifPresent(terms::add);
      } else {
        word(token);
      }
    }

    private void word(String text) {
      var figure = TypedAmount.read(text);
      if (figure.isPresent()) {
        terms.add(new Term.Figure(text, figure.get().figure()));
      } else if (text.chars().anyMatch(Character::isLetterOrDigit)) {
        terms.add(new Term.Word(text));
      }
    }

    private void keyed(String key, String value) {
      if (value.isBlank()) {
        // somebody is still typing
        return;
      }
      switch (key) {
        case "payer:" -> terms.add(new Term.Payer(value));
        case "ref:" -> terms.add(new Term.Reference(value));
        case "method:" ->
            PaidBy.read(value)
                .ifPresentOrElse(
                    by -> terms.add(new Term.Paid(by)),
                    () ->
                        problems.add(
                            "“"
                                + value
                                + "” is no method; write method:cheque, cash, card or transfer."));
        case "gap:" ->
            TypedAmount.read(value)
                .ifPresentOrElse(
                    a -> terms.add(new Term.Near(a.figure().abs())),
                    () -> problems.add("“" + value + "” is no amount; write gap:231.90."));
        case "before:" ->
            day("before:" + value, value)
                .ifPresent(d -> terms.add(new Term.Days(null, d.from().minusDays(1))));
        case "after:" ->
            day("after:" + value, value)
                .ifPresent(d -> terms.add(new Term.Days(d.until().plusDays(1), null)));
        default -> throw new IllegalStateException(key);
      }
    }

    private void between(String token) {
      var parts = token.split("\\.\\.", -1);
      var from = end(parts[0]);
      var until = parts.length == 2 ? end(parts[1]) : null;
      if (parts.length != 2 || from == null || until == null) {
        problems.add("“" + token + "” is no range of amounts; write 1200..1300.");
        return;
      }
      if (from.isEmpty() && until.isEmpty()) {
        return;
      }
      terms.add(new Term.Between(from.orElse(null), until.orElse(null)));
    }

    /** An end of a range; empty where it has none, null where it is no amount. */
    private static Optional<BigDecimal> end(String text) {
      return text.isEmpty()
          ? Optional.empty()
          : TypedAmount.read(text).map(a -> Optional.of(a.figure().abs())).orElse(null);
    }

    /** The days that a day or a month stands for. */
    private Optional<Term.Days> day(String token, String value) {
      try {
        var month = month(value);
        if (month.isPresent()) {
          return Optional.of(whole(last(month.get())));
        }
        var parts = value.split("-");
        if (YEAR_MONTH.matcher(value).matches()) {
          return Optional.of(
              whole(YearMonth.of(Integer.parseInt(parts[0]), Integer.parseInt(parts[1]))));
        }
        if (DAY.matcher(value).matches()) {
          var day =
              LocalDate.of(
                  Integer.parseInt(parts[0]),
                  Integer.parseInt(parts[1]),
                  Integer.parseInt(parts[2]));
          return Optional.of(new Term.Days(day, day));
        }
      } catch (DateTimeException e) {
        // told below
      }
      problems.add("“" + token + "” is no day; write it like 2026-05-10, or a month like may.");
      return Optional.empty();
    }

    private void days(YearMonth month) {
      terms.add(whole(month));
    }

    private static Term.Days whole(YearMonth month) {
      return new Term.Days(month.atDay(1), month.atEndOfMonth());
    }

    private YearMonth last(Month month) {
      var year = month.getValue() <= today.getMonthValue() ? today.getYear() : today.getYear() - 1;
      return YearMonth.of(year, month);
    }

    /** A month by its English name, whole or its first three letters. */
    private static Optional<Month> month(String word) {
      for (var month : Month.values()) {
        var name = month.name().toLowerCase(Locale.ROOT);
        if (word.equals(name) || word.equals(name.substring(0, 3))) {
          return Optional.of(month);
        }
      }
      return Optional.empty();
    }

    private static boolean isFigure(String token) {
      return TypedAmount.read(token).isPresent();
    }

    private static String unquoted(String token) {
      return token.replace("\"", "").strip();
    }
  }
}

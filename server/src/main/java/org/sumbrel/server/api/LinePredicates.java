package org.sumbrel.server.api;

import jakarta.persistence.criteria.CriteriaBuilder;
import jakarta.persistence.criteria.Expression;
import jakarta.persistence.criteria.Predicate;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.joda.money.CurrencyUnit;
import org.sumbrel.core.find.PaidBy;
import org.sumbrel.core.find.SearchLine;
import org.sumbrel.core.find.Term;

/** Asks the database for what fits a search line, as {@link SearchLine#fits} says it. */
public final class LinePredicates {

  private static final char ESCAPE = '\\';

  /** Currencies whose amounts do not have the usual two digits, by their number of digits. */
  private static final Map<Integer, Set<String>> OTHER_DIGITS =
      CurrencyUnit.registeredCurrencies().stream()
          .filter(unit -> unit.getDecimalPlaces() >= 0 && unit.getDecimalPlaces() != 2)
          .collect(
              Collectors.groupingBy(
                  CurrencyUnit::getDecimalPlaces,
                  Collectors.mapping(CurrencyUnit::getCode, Collectors.toSet())));

  private static final Set<String> NOT_TWO =
      OTHER_DIGITS.values().stream().flatMap(Set::stream).collect(Collectors.toSet());

  private final CriteriaBuilder cb;
  private final Columns columns;

  private LinePredicates(CriteriaBuilder cb, Columns columns) {
    this.cb = cb;
    this.columns = columns;
  }

  /**
   * Where a thing keeps what a line asks for.
   *
   * @param names texts that name the payer or customer
   * @param namedElsewhere those whose customer's name, kept elsewhere, is like a pattern
   * @param amounts in minor units of {@code currency}
   * @param paidBy those that came by a method
   */
  public record Columns(
      List<Expression<String>> names,
      Function<String, Predicate> namedElsewhere,
      List<Expression<String>> references,
      List<Expression<String>> told,
      List<Expression<Long>> amounts,
      Expression<String> currency,
      Expression<LocalDate> on,
      Function<PaidBy, Predicate> paidBy) {}

  /** What fits the whole line. */
  public static Predicate of(SearchLine line, CriteriaBuilder cb, Columns columns) {
    var asked = new LinePredicates(cb, columns);
    return cb.and(line.terms().stream().map(asked::fits).toArray(Predicate[]::new));
  }

  /**
   * How far the first amount is from a figure, to order by; the figure in amounts of two digits.
   */
  public static Expression<Long> distance(CriteriaBuilder cb, Columns columns, BigDecimal figure) {
    var minor = figure.movePointRight(2).setScale(0, RoundingMode.HALF_EVEN).longValue();
    return cb.abs(cb.diff(cb.abs(columns.amounts().get(0)), minor));
  }

  private Predicate fits(Term term) {
    if (term instanceof Term.Word word) {
      return saidAnywhere(word.text());
    }
    if (term instanceof Term.Without without) {
      return cb.not(saidAnywhere(without.text()));
    }
    if (term instanceof Term.Figure figure) {
      return cb.or(
          amounts(figure.amount().abs(), figure.amount().abs()), saidAnywhere(figure.text()));
    }
    if (term instanceof Term.Between between) {
      return amounts(between.from(), between.until());
    }
    if (term instanceof Term.Days days) {
      var ends = new ArrayList<Predicate>();
      if (days.from() != null) {
        ends.add(cb.greaterThanOrEqualTo(columns.on(), days.from()));
      }
      if (days.until() != null) {
        ends.add(cb.lessThanOrEqualTo(columns.on(), days.until()));
      }
      return cb.and(ends.toArray(Predicate[]::new));
    }
    if (term instanceof Term.Payer payer) {
      return named(pattern(payer.text()));
    }
    if (term instanceof Term.Reference reference) {
      return anyOf(columns.references(), pattern(reference.text()));
    }
    // an order leaves nothing out
    return term instanceof Term.Paid paid ? columns.paidBy().apply(paid.by()) : cb.conjunction();
  }

  private Predicate saidAnywhere(String text) {
    var pattern = pattern(text);
    var texts = Stream.of(columns.references(), columns.told()).flatMap(List::stream).toList();
    return cb.or(named(pattern), anyOf(texts, pattern));
  }

  private Predicate named(String pattern) {
    return cb.or(anyOf(columns.names(), pattern), columns.namedElsewhere().apply(pattern));
  }

  private Predicate anyOf(List<Expression<String>> texts, String pattern) {
    return cb.or(
        texts.stream().map(t -> cb.like(cb.lower(t), pattern, ESCAPE)).toArray(Predicate[]::new));
  }

  private static String pattern(String text) {
    return "%" + text.replace("\\", "\\\\").replace("%", "\\%").replace("_", "\\_") + "%";
  }

  /** Amounts between two figures, whatever the sign, in each currency's own minor units. */
  private Predicate amounts(BigDecimal from, BigDecimal until) {
    var ways = new ArrayList<Predicate>();
    ways.add(cb.and(cb.not(columns.currency().in(NOT_TWO)), anyBetween(from, until, 2)));
    OTHER_DIGITS.forEach(
        (digits, codes) ->
            ways.add(cb.and(columns.currency().in(codes), anyBetween(from, until, digits))));
    return cb.or(ways.toArray(Predicate[]::new));
  }

  private Predicate anyBetween(BigDecimal from, BigDecimal until, int digits) {
    return cb.or(
        columns.amounts().stream()
            .map(amount -> between(cb.abs(amount), from, until, digits))
            .toArray(Predicate[]::new));
  }

  private Predicate between(Expression<Long> size, BigDecimal from, BigDecimal until, int digits) {
    var ends = new ArrayList<Predicate>();
    if (from != null) {
      ends.add(cb.ge(size, minor(from, digits, RoundingMode.CEILING)));
    }
    if (until != null) {
      ends.add(cb.le(size, minor(until, digits, RoundingMode.FLOOR)));
    }
    return cb.and(ends.toArray(Predicate[]::new));
  }

  private static long minor(BigDecimal figure, int digits, RoundingMode rounding) {
    return figure.movePointRight(digits).setScale(0, rounding).longValueExact();
  }
}

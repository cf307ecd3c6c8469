package org.sumbrel.core.exchange;

import java.math.BigDecimal;
import java.math.MathContext;
import java.math.RoundingMode;
import java.time.LocalDate;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.NavigableMap;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import org.joda.money.CurrencyUnit;

/**
 * Rates as they were quoted, and which of them counts on a day. A rate that was not quoted is
 * reckoned from others in two ways only, and says so; where neither leads anywhere there is none,
 * and nobody guesses one.
 */
public final class RateTable {

  /** Figures of a rate that is reckoned from others; half-even. */
  private static final MathContext FIGURES = new MathContext(10, RoundingMode.HALF_EVEN);

  private final Map<Pair, NavigableMap<LocalDate, Quote>> quotes = new HashMap<>();
  private final Set<CurrencyUnit> currencies = new TreeSet<>();
  private final int longestDays;

  private record Pair(CurrencyUnit from, CurrencyUnit to) {}

  /** What was quoted for a pair on a day. */
  public record Quote(LocalDate on, Rate rate) {}

  /** How a rate came about. */
  public enum How {
    /** Quoted just so. */
    QUOTED,
    /** One over what was quoted the other way round. */
    INVERSE,
    /** The product of two rates by way of a third currency. */
    ACROSS
  }

  /**
   * The rate that counts.
   *
   * @param by the third currency across which it leads, where it does
   * @param of the quotes from which it comes: one, or two where it leads across a third currency
   */
  public record Counting(Rate rate, How how, Optional<CurrencyUnit> by, List<Quote> of) {

    /** The day of its older quote. */
    public LocalDate on() {
      return of.stream().map(Quote::on).min(Comparator.naturalOrder()).orElseThrow();
    }
  }

  /**
   * A table.
   *
   * @param quotes at most one for each pair and day; of several the last counts
   * @param longestDays for how many days after its own a quote counts where none follows, as none
   *     is given on days without trade
   */
  public RateTable(Collection<Quote> quotes, int longestDays) {
    this.longestDays = longestDays;
    for (var quote : quotes) {
      var rate = quote.rate();
      this.quotes
          .computeIfAbsent(new Pair(rate.from(), rate.to()), pair -> new TreeMap<>())
          .put(quote.on(), quote);
      currencies.add(rate.from());
      currencies.add(rate.to());
    }
  }

  /**
   * The rate between two currencies that counts on a day: what was quoted, else the inverse of what
   * was quoted the other way round, else across the third currency whose quotes are the latest, of
   * several alike the first by code. A later day's quote never counts.
   *
   * @return empty where there is none
   */
  public Optional<Counting> on(CurrencyUnit from, CurrencyUnit to, LocalDate day) {
    return quotedEitherWay(from, to, day).or(() -> across(from, to, day));
  }

  private Optional<Counting> quotedEitherWay(CurrencyUnit from, CurrencyUnit to, LocalDate day) {
    return latest(from, to, day)
        .map(quote -> new Counting(quote.rate(), How.QUOTED, Optional.empty(), List.of(quote)))
        .or(
            () ->
                latest(to, from, day)
                    .map(
                        quote ->
                            new Counting(
                                inverse(quote.rate()),
                                How.INVERSE,
                                Optional.empty(),
                                List.of(quote))));
  }

  private Optional<Counting> across(CurrencyUnit from, CurrencyUnit to, LocalDate day) {
    return currencies.stream()
        .filter(third -> !third.equals(from) && !third.equals(to))
        .flatMap(third -> by(third, from, to, day).stream())
        .max(
            Comparator.comparing(Counting::on)
                .thenComparing(c -> c.by().orElseThrow().getCode(), Comparator.reverseOrder()));
  }

  private Optional<Counting> by(
      CurrencyUnit third, CurrencyUnit from, CurrencyUnit to, LocalDate day) {
    return quotedEitherWay(from, third, day)
        .flatMap(
            first -> quotedEitherWay(third, to, day).map(second -> joined(first, third, second)));
  }

  private static Counting joined(Counting first, CurrencyUnit third, Counting second) {
    var perUnit = first.rate().perUnit().multiply(second.rate().perUnit(), FIGURES);
    return new Counting(
        new Rate(first.rate().from(), second.rate().to(), perUnit),
        How.ACROSS,
        Optional.of(third),
        List.of(first.of().get(0), second.of().get(0)));
  }

  private static Rate inverse(Rate rate) {
    return new Rate(rate.to(), rate.from(), BigDecimal.ONE.divide(rate.perUnit(), FIGURES));
  }

  private Optional<Quote> latest(CurrencyUnit from, CurrencyUnit to, LocalDate day) {
    return Optional.ofNullable(quotes.get(new Pair(from, to)))
        .map(days -> days.floorEntry(day))
        .map(Map.Entry::getValue)
        .filter(quote -> !quote.on().plusDays(longestDays).isBefore(day));
  }
}

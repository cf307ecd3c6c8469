package org.sumbrel.server.rates;

import java.math.BigDecimal;
import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import org.joda.money.CurrencyUnit;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.core.exchange.RateTable;
import org.sumbrel.core.exchange.RateTable.Counting;
import org.sumbrel.core.exchange.RateTable.Quote;
import org.sumbrel.core.receivables.DayText;
import org.sumbrel.server.api.BadRequest;
import org.sumbrel.server.api.Conflict;
import org.sumbrel.server.rates.RateEntity.Origin;

/**
 * The rates of all companies together: they are taken in from files, from a service or by hand, and
 * none is ever changed or guessed.
 */
@Service
@Transactional
public class Rates {

  /** For how many days after its own a quote counts: over a weekend with holidays on both sides. */
  public static final int LONGEST_DAYS = 5;

  /** The most days that are asked of a service at once. */
  private static final int MOST_DAYS = 400;

  private final RateRepository rows;
  private final Optional<DailyRates> service;
  private final ApplicationEventPublisher events;
  private final Clock clock;

  Rates(
      RateRepository rows,
      Optional<DailyRates> service,
      ApplicationEventPublisher events,
      Clock clock) {
    this.events = events;
    this.rows = rows;
    this.service = service;
    this.clock = clock;
  }

  private record PairAndDay(CurrencyUnit from, CurrencyUnit to, LocalDate on) {
    static PairAndDay of(Quote quote) {
      return new PairAndDay(quote.rate().from(), quote.rate().to(), quote.on());
    }
  }

  /**
   * What became of rates that came in together.
   *
   * @param problems those that say otherwise than what is known, a sentence each
   */
  public record Taken(int fresh, int known, List<String> problems) {}

  /**
   * The rate between two currencies that counts on a day.
   *
   * @return empty where there is none
   */
  @Transactional(readOnly = true)
  public Optional<Counting> on(CurrencyUnit from, CurrencyUnit to, LocalDate day) {
    return tableOf(day, day).on(from, to, day);
  }

  /** All that counts between two days. */
  @Transactional(readOnly = true)
  public RateTable tableOf(LocalDate first, LocalDate last) {
    return new RateTable(
        rows.between(first.minusDays(LONGEST_DAYS), last).stream().map(RateEntity::quote).toList(),
        LONGEST_DAYS);
  }

  /** Takes in what a file quotes. What is known already stays as it is. */
  public Taken takeIn(Collection<Quote> quotes, Long intakeId, String by) {
    return take(quotes, Origin.FILE, intakeId, by);
  }

  private Taken take(Collection<Quote> quotes, Origin origin, Long intakeId, String by) {
    if (quotes.isEmpty()) {
      return new Taken(0, 0, List.of());
    }
    var days = quotes.stream().map(Quote::on).sorted().toList();
    requireNotAhead(days.get(days.size() - 1));
    var known = new HashMap<PairAndDay, Quote>();
    rows.between(days.get(0), days.get(days.size() - 1))
        .forEach(row -> known.put(PairAndDay.of(row.quote()), row.quote()));
    var fresh = new ArrayList<RateEntity>();
    var problems = new ArrayList<String>();
    for (var quote : quotes) {
      var twin = known.get(PairAndDay.of(quote));
      if (twin == null) {
        fresh.add(new RateEntity(quote, origin, "", intakeId, by, clock.instant()));
      } else if (twin.rate().perUnit().compareTo(quote.rate().perUnit()) != 0) {
        problems.add(
            words(quote)
                + ", where "
                + text(twin.rate().perUnit())
                + " is known; the known one stays");
      }
    }
    rows.saveAll(fresh);
    rows.flush();
    if (!fresh.isEmpty()) {
      events.publishEvent(new RatesKnown());
    }
    return new Taken(fresh.size(), quotes.size() - fresh.size(), problems);
  }

  /**
   * Keeps a rate that somebody typed. Where there is one of that day and pair, it stands in its
   * place.
   *
   * @param sure whether it is kept however far it is from the last one
   * @throws Conflict where it is far from the last one
   */
  public Long type(Quote quote, String reason, boolean sure, String by) {
    requireNotAhead(quote.on());
    var rate = quote.rate();
    on(rate.from(), rate.to(), quote.on())
        .filter(last -> !sure && rate.isFarFrom(last.rate()))
        .ifPresent(
            last -> {
              throw new Conflict(
                  "FAR_FROM_THE_LAST",
                  words(quote)
                      + " is more than a tenth away from "
                      + text(last.rate().perUnit())
                      + " of "
                      + DayText.of(last.on())
                      + ". Check the rate and which way round it is; nothing was kept.");
            });
    var kept =
        rows.saveAndFlush(new RateEntity(quote, Origin.HAND, reason, null, by, clock.instant()));
    rows.between(quote.on(), quote.on()).stream()
        .filter(row -> PairAndDay.of(row.quote()).equals(PairAndDay.of(quote)) && row != kept)
        .forEach(row -> row.replacedBy(kept));
    rows.flush();
    events.publishEvent(new RatesKnown());
    return kept.id();
  }

  /** The name of the service that can be asked; empty where none is connected. */
  public Optional<String> serviceName() {
    return service.map(DailyRates::name);
  }

  /**
   * What a service had.
   *
   * @param empty the days for which it had nothing
   */
  public record Fetched(Taken taken, List<LocalDate> empty) {}

  /**
   * Asks the service for some days and keeps what is new.
   *
   * @throws Conflict where there is none, or it does not answer; then nothing is kept
   */
  public Fetched fetch(LocalDate first, LocalDate last, String by) {
    requireNotAhead(last);
    if (first.isAfter(last) || first.plusDays(MOST_DAYS).isBefore(last)) {
      throw new BadRequest(
          "Ask for a period of one to "
              + MOST_DAYS
              + " days, not for "
              + first
              + " to "
              + last
              + ".");
    }
    var asked =
        service.orElseThrow(
            () ->
                new Conflict(
                    "NO_RATE_SERVICE",
                    "No service of daily rates is connected; take a file in or type the rate."));
    var quotes = new ArrayList<Quote>();
    var empty = new ArrayList<LocalDate>();
    try {
      for (var day = first; !day.isAfter(last); day = day.plusDays(1)) {
        var ofDay = asked.of(day);
        quotes.addAll(ofDay);
        if (ofDay.isEmpty()) {
          empty.add(day);
        }
      }
    } catch (DailyRates.Unreachable e) {
      throw new Conflict(
          "RATE_SERVICE_SILENT", asked.name() + " does not answer: " + e.getMessage());
    }
    return new Fetched(take(quotes, Origin.SERVICE, null, by), empty);
  }

  private void requireNotAhead(LocalDate day) {
    var today = LocalDate.now(clock);
    if (day.isAfter(today)) {
      throw new BadRequest(
          "A rate of "
              + DayText.of(day)
              + " cannot be known yet; today is "
              + DayText.of(today)
              + ".");
    }
  }

  /** How a rate that counts came about, as it is kept with what was settled at it. */
  public static String words(Counting counting) {
    var quotes = counting.of().stream().map(Rates::words).collect(Collectors.joining(" and "));
    var plain =
        "1 "
            + counting.rate().from()
            + " = "
            + text(counting.rate().perUnit())
            + " "
            + counting.rate().to();
    return switch (counting.how()) {
      case QUOTED -> quotes;
      case INVERSE -> plain + ", the other way round of " + quotes;
      case ACROSS ->
          plain + ", across " + counting.by().map(CurrencyUnit::getCode).orElse("") + ": " + quotes;
    };
  }

  /** Such as {@code 1 EUR = 1.0854 USD of 28 May 2026}. */
  static String words(Quote quote) {
    return "1 "
        + quote.rate().from()
        + " = "
        + text(quote.rate().perUnit())
        + " "
        + quote.rate().to()
        + " of "
        + DayText.of(quote.on());
  }

  static String text(BigDecimal rate) {
    return rate.stripTrailingZeros().toPlainString();
  }
}

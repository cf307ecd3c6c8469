package org.sumbrel.server.outside;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.Clock;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.joda.money.CurrencyUnit;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.stereotype.Component;
import org.sumbrel.core.exchange.Rate;
import org.sumbrel.core.exchange.RateTable.Quote;
import org.sumbrel.server.rates.DailyRates;

/**
 * Stands in for a service that publishes what one euro is worth, on each working day. The rates are
 * made up; those of a day are always the same.
 */
@Component
@ConditionalOnProperty("sumbrel.demo.enabled")
class SimulatedRates implements DailyRates {

  private static final CurrencyUnit BASE = CurrencyUnit.EUR;

  private static final List<Around> QUOTED =
      List.of(
          new Around(CurrencyUnit.USD, "1.0850", 4),
          new Around(CurrencyUnit.GBP, "0.8560", 5),
          new Around(CurrencyUnit.CHF, "0.9640", 4),
          new Around(CurrencyUnit.of("SEK"), "11.3400", 4),
          new Around(CurrencyUnit.JPY, "167.20", 2),
          new Around(CurrencyUnit.of("KWD"), "0.33310", 5));

  /** A rate about which the made-up ones move. */
  private record Around(CurrencyUnit currency, String middle, int decimals) {}

  private final SimulatedRatesRepository moods;
  private final Clock clock;

  SimulatedRates(SimulatedRatesRepository moods, Clock clock) {
    this.moods = moods;
    this.clock = clock;
  }

  @Override
  public String name() {
    return "The simulated rate service";
  }

  @Override
  public List<Quote> of(LocalDate day) throws Unreachable {
    var mood = behaviour();
    if (mood.offLine()) {
      throw new Unreachable("it is off-line.");
    }
    var weekend =
        day.getDayOfWeek() == DayOfWeek.SATURDAY || day.getDayOfWeek() == DayOfWeek.SUNDAY;
    var published = LocalDate.now(clock).minusDays(mood.late() ? 1 : 0);
    return weekend || day.isAfter(published) ? List.of() : madeUp(day);
  }

  RatesBehaviour behaviour() {
    return moods
        .findById(SimulatedRatesEntity.ONLY)
        .map(SimulatedRatesEntity::behaviour)
        .orElse(new RatesBehaviour(false, false));
  }

  void behave(RatesBehaviour now) {
    var row = moods.findById(SimulatedRatesEntity.ONLY).orElseGet(SimulatedRatesEntity::new);
    row.behave(now);
    moods.save(row);
  }

  /** A slow wave and a little noise. */
  static List<Quote> madeUp(LocalDate day) {
    var quotes = new ArrayList<Quote>();
    for (var at = 0; at < QUOTED.size(); at++) {
      var around = QUOTED.get(at);
      var wave = 0.012 * Math.sin(day.toEpochDay() / 17.0 + at);
      var noise = 0.004 * (new Random(day.toEpochDay() * 31 + at).nextDouble() - 0.5);
      var rate =
          new BigDecimal(around.middle())
              .multiply(BigDecimal.valueOf(1 + wave + noise))
              .setScale(around.decimals(), RoundingMode.HALF_EVEN);
      quotes.add(new Quote(day, new Rate(BASE, around.currency(), rate)));
    }
    return quotes;
  }
}

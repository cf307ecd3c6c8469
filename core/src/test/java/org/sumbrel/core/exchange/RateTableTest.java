package org.sumbrel.core.exchange;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.Combinators;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.junit.jupiter.api.Test;
import org.sumbrel.core.exchange.RateTable.How;
import org.sumbrel.core.exchange.RateTable.Quote;

class RateTableTest {

  private static final LocalDate FRIDAY = LocalDate.of(2026, 5, 29);
  private static final int WEEK = 7;
  private static final CurrencyUnit JPY = CurrencyUnit.JPY;
  private static final CurrencyUnit BHD = CurrencyUnit.of("BHD");

  private static Quote quote(LocalDate on, CurrencyUnit from, CurrencyUnit to, String perUnit) {
    return new Quote(on, new Rate(from, to, new BigDecimal(perUnit)));
  }

  private static RateTable table(Quote... quotes) {
    return new RateTable(List.of(quotes), WEEK);
  }

  @Test
  void takesTheLastQuoteUpToTheDayWhereItIsNotTooOld() {
    var table =
        table(
            quote(FRIDAY.minusDays(1), CurrencyUnit.EUR, CurrencyUnit.USD, "1.0810"),
            quote(FRIDAY, CurrencyUnit.EUR, CurrencyUnit.USD, "1.0835"));
    var sunday = table.on(CurrencyUnit.EUR, CurrencyUnit.USD, FRIDAY.plusDays(2)).orElseThrow();
    assertThat(sunday.rate().perUnit()).isEqualByComparingTo("1.0835");
    assertThat(sunday.how()).isEqualTo(How.QUOTED);
    assertThat(sunday.on()).isEqualTo(FRIDAY);
    assertThat(table.on(CurrencyUnit.EUR, CurrencyUnit.USD, FRIDAY.minusDays(1)))
        .hasValueSatisfying(c -> assertThat(c.rate().perUnit()).isEqualByComparingTo("1.0810"));
    assertThat(table.on(CurrencyUnit.EUR, CurrencyUnit.USD, FRIDAY.plusDays(WEEK))).isPresent();
    assertThat(table.on(CurrencyUnit.EUR, CurrencyUnit.USD, FRIDAY.plusDays(WEEK + 1))).isEmpty();
    assertThat(table.on(CurrencyUnit.EUR, CurrencyUnit.USD, FRIDAY.minusDays(2))).isEmpty();
  }

  @Test
  void turnsAQuoteRoundAndGoesAcrossAThirdCurrencyAndSaysSo() {
    var table =
        table(
            quote(FRIDAY, CurrencyUnit.EUR, CurrencyUnit.USD, "1.25"),
            quote(FRIDAY.minusDays(1), CurrencyUnit.EUR, CurrencyUnit.GBP, "0.80"),
            quote(FRIDAY.minusDays(3), CurrencyUnit.USD, CurrencyUnit.CHF, "0.90"),
            quote(FRIDAY.minusDays(3), CurrencyUnit.GBP, CurrencyUnit.CHF, "1.10"));
    var inverse = table.on(CurrencyUnit.USD, CurrencyUnit.EUR, FRIDAY).orElseThrow();
    assertThat(inverse.how()).isEqualTo(How.INVERSE);
    assertThat(inverse.rate().perUnit()).isEqualByComparingTo("0.8");
    // by EUR, whose older quote is a day old; by CHF they are three days old
    var across = table.on(CurrencyUnit.GBP, CurrencyUnit.USD, FRIDAY).orElseThrow();
    assertThat(across.how()).isEqualTo(How.ACROSS);
    assertThat(across.by()).contains(CurrencyUnit.EUR);
    assertThat(across.rate().perUnit()).isEqualByComparingTo("1.5625");
    assertThat(across.on()).isEqualTo(FRIDAY.minusDays(1));
    // two currencies lie between: nobody guesses
    assertThat(
            table(quote(FRIDAY, CurrencyUnit.EUR, CurrencyUnit.USD, "1.25"))
                .on(CurrencyUnit.GBP, CurrencyUnit.USD, FRIDAY))
        .isEmpty();
  }

  /** Digits by ISO 4217: none for the yen, two for the dollar, three for the dinar of Bahrain. */
  @Test
  void givesAmountsTheDigitsOfTheirCurrency() {
    var table =
        table(
            quote(FRIDAY, CurrencyUnit.USD, JPY, "149.875"),
            quote(FRIDAY, CurrencyUnit.USD, BHD, "0.376"));
    var dollars = Money.parse("USD 1234.57");
    assertThat(changed(table, dollars, JPY)).isEqualTo(Money.parse("JPY 185031"));
    assertThat(changed(table, dollars, BHD)).isEqualTo(Money.parse("BHD 464.198"));
    assertThat(changed(table, Money.parse("BHD 0.376"), JPY)).isEqualTo(Money.parse("JPY 150"));
  }

  private static Money changed(RateTable table, Money amount, CurrencyUnit to) {
    return table.on(amount.getCurrencyUnit(), to, FRIDAY).orElseThrow().rate().of(amount);
  }

  @Provide
  Arbitrary<List<Quote>> quotes() {
    var currency = Arbitraries.of("USD", "EUR", "GBP", "JPY", "BHD", "CHF").map(CurrencyUnit::of);
    var quote =
        Combinators.combine(
                currency,
                currency,
                Arbitraries.integers().between(0, 20),
                Arbitraries.longs().between(1, 999_999_999L))
            .filter((from, to, days, rate) -> !from.equals(to))
            .as(
                (from, to, days, rate) ->
                    new Quote(
                        FRIDAY.minusDays(days), new Rate(from, to, BigDecimal.valueOf(rate, 6))));
    return quote.list().ofMaxSize(25);
  }

  @Property(tries = 300)
  void whatCountsComesFromQuotesOfThatDayOrTheWeekBefore(@ForAll("quotes") List<Quote> quotes) {
    var table = new RateTable(quotes, WEEK);
    for (var from : currencies(quotes)) {
      for (var to : currencies(quotes)) {
        if (from.equals(to)) {
          continue;
        }
        var counting = table.on(from, to, FRIDAY);
        counting.ifPresent(
            c -> {
              assertThat(quotes).containsAll(c.of());
              assertThat(c.of())
                  .allMatch(
                      q -> !q.on().isAfter(FRIDAY) && !q.on().plusDays(WEEK).isBefore(FRIDAY));
              assertThat(c.rate().from()).isEqualTo(from);
              assertThat(c.rate().to()).isEqualTo(to);
              assertThat(c.of()).hasSize(c.how() == How.ACROSS ? 2 : 1);
            });
        // where one way is known, the other is
        assertThat(table.on(to, from, FRIDAY).isPresent()).isEqualTo(counting.isPresent());
      }
    }
  }

  private static List<CurrencyUnit> currencies(List<Quote> quotes) {
    var all = new ArrayList<CurrencyUnit>();
    quotes.forEach(q -> all.addAll(List.of(q.rate().from(), q.rate().to())));
    return all.stream().distinct().toList();
  }
}

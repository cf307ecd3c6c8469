package org.sumbrel.core.exchange;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.math.BigDecimal;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.junit.jupiter.api.Test;

class RateTest {

  private static Rate eurToUsd(String perUnit) {
    return new Rate(CurrencyUnit.EUR, CurrencyUnit.USD, new BigDecimal(perUnit));
  }

  private static Money money(String text) {
    return Money.parse(text);
  }

  /**
   * A sale in a foreign currency and its settlement, by the rule of IAS 21.21 and 21.28: the sale
   * at the rate of its day, the difference on settlement to profit or loss. The case has the shape
   * of the usual textbook example on the standard; its figures are from memory and made round, not
   * taken from a print.
   */
  @Test
  void realisesTheDifferenceBetweenTheRateOfTheSaleAndThatOfTheSettlement() {
    var sold = money("EUR 50000.00");
    var booked = eurToUsd("1.0750");
    assertThat(booked.of(sold)).isEqualTo(money("USD 53750.00"));
    // received at 1.0990: 54,950.00
    assertThat(booked.realisedOn(sold, eurToUsd("1.0990").of(sold)))
        .isEqualTo(money("USD 1200.00"));
    // and at a lower rate the other way round
    assertThat(booked.realisedOn(sold, eurToUsd("1.0600").of(sold)))
        .isEqualTo(money("USD -750.00"));
  }

  @Test
  void roundsHalfEvenToTheDigitsOfTheOtherCurrency() {
    assertThat(eurToUsd("1.005").of(money("EUR 1.00"))).isEqualTo(money("USD 1.00"));
    assertThat(eurToUsd("1.015").of(money("EUR 1.00"))).isEqualTo(money("USD 1.02"));
    var yen = new Rate(CurrencyUnit.USD, CurrencyUnit.JPY, new BigDecimal("156.25"));
    assertThat(yen.of(money("USD 1.00"))).isEqualTo(money("JPY 156"));
  }

  @Property
  void changesBackWithoutADifferenceAtTheRateAtWhichItWasChanged(
      @ForAll @IntRange(min = 1, max = 9_000_000) int given,
      @ForAll @IntRange(min = 1, max = 9_000_000) int got) {
    var euros = Money.ofMinor(CurrencyUnit.EUR, given);
    var dollars = Money.ofMinor(CurrencyUnit.USD, got);
    if (got * 1_000_000L < given) {
      return; // no six decimals tell such a rate
    }
    var rate = Rate.between(euros, dollars);
    // a rate of six decimals is off by half a millionth of the amount at most, and by its rounding
    assertThat(rate.realisedOn(euros, dollars).abs().getAmountMinorLong())
        .isLessThanOrEqualTo(given / 2_000_000 + 1);
  }

  @Test
  void isFarFromAnotherBeyondATenthEitherWay() {
    assertThat(eurToUsd("1.10").isFarFrom(eurToUsd("1.00"))).isFalse();
    assertThat(eurToUsd("1.1001").isFarFrom(eurToUsd("1.00"))).isTrue();
    assertThat(eurToUsd("0.8999").isFarFrom(eurToUsd("1.00"))).isTrue();
  }

  @Test
  void refusesWhatIsNoRate() {
    assertThatThrownBy(() -> eurToUsd("0")).hasMessage("a rate of 0 is not above 0");
    assertThatThrownBy(() -> new Rate(CurrencyUnit.EUR, CurrencyUnit.EUR, BigDecimal.ONE))
        .hasMessage("a rate from EUR to itself");
    assertThatThrownBy(() -> eurToUsd("1").of(money("USD 1.00")))
        .hasMessage("a rate of EUR is not one of USD 1.00");
  }
}

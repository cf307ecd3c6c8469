package org.sumbrel.core.money;

import static org.assertj.core.api.Assertions.assertThat;

import org.joda.money.Money;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class TypedAmountTest {

  @Test
  void meansTheMinorUnitsOfEachCurrency() {
    assertThat(TypedAmount.stored("1,204.00"))
        .contains("USD 120400", "EUR 120400", "JPY 1204", "KWD 1204000")
        .doesNotContain("USD 1204", "JPY 120400");
  }

  @Test
  void hasNoMeaningWhereTheCurrencyHasNoSuchDigits() {
    assertThat(TypedAmount.stored("12.345"))
        .contains("KWD 12345")
        .noneMatch(s -> s.startsWith("USD"));
    assertThat(TypedAmount.stored("12.5")).contains("USD 1250").noneMatch(s -> s.startsWith("JPY"));
  }

  @Test
  void comparesInTheAmountsOwnCurrency() {
    var typed = TypedAmount.read(" -7.5 ").orElseThrow();
    assertThat(typed.is(Money.parse("USD -7.50"))).isTrue();
    assertThat(typed.is(Money.parse("KWD -7.500"))).isTrue();
    assertThat(typed.is(Money.parse("USD 7.50"))).isFalse();
  }

  @ParameterizedTest
  @ValueSource(strings = {"", "oskar", "1.2.3", "1,2", "12,34.50", "1e5", "0x10", "12 34", "."})
  void takesNothingElseForAFigure(String text) {
    assertThat(TypedAmount.read(text)).isEmpty();
    assertThat(TypedAmount.stored(text)).isEmpty();
  }
}

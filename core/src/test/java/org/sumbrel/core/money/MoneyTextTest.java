package org.sumbrel.core.money;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.sumbrel.core.Books.usd;

import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.LongRange;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class MoneyTextTest {

  @Test
  void groupsForReadingAndStaysPlainForFiles() {
    assertThat(MoneyText.grouped(usd("-1204567.50"))).isEqualTo("-1,204,567.50");
    assertThat(MoneyText.plain(usd("-1204567.50"))).isEqualTo("-1204567.50");
    assertThat(MoneyText.grouped(Money.ofMajor(CurrencyUnit.JPY, 1500))).isEqualTo("1,500");
  }

  @Property
  void readsBackWhatItWrote(
      @ForAll @LongRange(min = -999_999_999_999L, max = 999_999_999_999L) long minor) {
    var money = Money.ofMinor(CurrencyUnit.USD, minor);
    assertThat(MoneyText.parse(MoneyText.plain(money), CurrencyUnit.USD)).isEqualTo(money);
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "",
        "1,204.50",
        "12.345",
        "abc",
        "1e999999999",
        "1e-999999999",
        "1e2147483647",
        "9999999999999999",
        "NaN"
      })
  void refusesWhatIsNoExactAmount(String text) {
    assertThatThrownBy(() -> MoneyText.parse(text, CurrencyUnit.USD))
        .isInstanceOf(IllegalArgumentException.class);
  }
}

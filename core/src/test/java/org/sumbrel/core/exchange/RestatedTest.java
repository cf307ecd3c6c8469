package org.sumbrel.core.exchange;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.junit.jupiter.api.Test;

class RestatedTest {

  private static final CurrencyUnit USD = CurrencyUnit.USD;

  /** ISO 4217 gives them two, no and three digits. */
  private static final Map<CurrencyUnit, Rate> RATES =
      Map.of(
          CurrencyUnit.EUR,
          new Rate(CurrencyUnit.EUR, USD, new BigDecimal("1.0854")),
          CurrencyUnit.JPY,
          new Rate(CurrencyUnit.JPY, USD, new BigDecimal("0.00643")),
          CurrencyUnit.of("KWD"),
          new Rate(CurrencyUnit.of("KWD"), USD, new BigDecimal("3.2571")));

  private static Optional<Money> inDollars(String... amounts) {
    return Restated.sum(
        List.of(amounts).stream().map(Money::parse).toList(),
        USD,
        unit -> Optional.ofNullable(RATES.get(unit)));
  }

  @Test
  void addsEachAtItsRateRoundedToTheDigitsOfTheTotal() {
    // 108.54 + 6.43 + 3.26 (of 3.2571) + 10.00
    assertThat(inDollars("EUR 100.00", "JPY 1000", "KWD 1.000", "USD 10.00"))
        .contains(Money.parse("USD 128.23"));
  }

  @Test
  void isNotKnownWhereARateIsMissingUnlessNothingIsToBeRestated() {
    assertThat(inDollars("EUR 100.00", "GBP 1.00")).isEmpty();
    assertThat(inDollars("EUR 100.00", "GBP 0.00")).contains(Money.parse("USD 108.54"));
  }

  /** The total is off the exact figure by no more than half a coin for each part. */
  @Property
  void isOffTheExactSumByNoMoreThanHalfACoinForEachPart(@ForAll long seed) {
    var random = new Random(seed);
    var amounts = new ArrayList<Money>();
    var exact = BigDecimal.ZERO;
    for (var unit : RATES.keySet()) {
      for (var n = 0; n < 1 + random.nextInt(6); n++) {
        var amount = Money.ofMinor(unit, random.nextInt(20_000_000) - 10_000_000);
        amounts.add(amount);
        exact = exact.add(amount.getAmount().multiply(RATES.get(unit).perUnit()));
      }
    }
    var sum = Restated.sum(amounts, USD, unit -> Optional.of(RATES.get(unit))).orElseThrow();
    assertThat(sum.getAmount().subtract(exact).abs())
        .isLessThanOrEqualTo(new BigDecimal("0.005").multiply(BigDecimal.valueOf(amounts.size())));
  }
}

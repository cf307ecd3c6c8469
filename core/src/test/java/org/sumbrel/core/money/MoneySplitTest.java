package org.sumbrel.core.money;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.sumbrel.core.Books.USD;
import static org.sumbrel.core.Books.usd;

import java.math.BigDecimal;
import java.util.List;
import java.util.stream.Stream;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import net.jqwik.api.constraints.LongRange;
import net.jqwik.api.constraints.Size;
import org.joda.money.Money;
import org.junit.jupiter.api.Test;

class MoneySplitTest {

  private static List<BigDecimal> weights(String... weights) {
    return Stream.of(weights).map(BigDecimal::new).toList();
  }

  /**
   * Source: the usual example of the largest remainder method with the Hare quota: 100 seats over
   * 47,000, 16,000, 15,800, 12,000, 6,100 and 3,100 votes give 47, 16, 16, 12, 6 and 3. Figures
   * recalled from memory of the reference article on the method.
   */
  @Test
  void apportionsTheReferenceExample() {
    assertThat(
            MoneySplit.inProportion(
                usd("1.00"), weights("47000", "16000", "15800", "12000", "6100", "3100")))
        .containsExactly(
            usd("0.47"), usd("0.16"), usd("0.16"), usd("0.12"), usd("0.06"), usd("0.03"));
  }

  @Test
  void givesTheOddCentToTheFirstOfEquals() {
    assertThat(MoneySplit.inProportion(usd("100.00"), weights("1", "1", "1")))
        .containsExactly(usd("33.34"), usd("33.33"), usd("33.33"));
    assertThat(MoneySplit.inProportion(usd("-0.01"), weights("0.5", "0.5")))
        .containsExactly(usd("-0.01"), usd("0.00"));
  }

  @Test
  void refusesSharesThatDivideNothing() {
    assertThatThrownBy(() -> MoneySplit.inProportion(usd("1.00"), weights("0", "0")))
        .hasMessageContaining("divide nothing");
    assertThatThrownBy(() -> MoneySplit.inProportion(usd("1.00"), weights("2", "-1")))
        .hasMessageContaining("divide nothing");
  }

  /** Parts add up to the cent, and none is a cent or more away from its exact share. */
  @Property(tries = 500)
  void partsAddUpAndAreFair(
      @ForAll @LongRange(min = -1_000_000, max = 1_000_000) long minor,
      @ForAll @Size(min = 1, max = 9) List<@IntRange(min = 0, max = 5_000) Integer> shares) {
    var sum = shares.stream().mapToLong(Integer::longValue).sum();
    if (sum == 0) {
      return;
    }
    var parts =
        MoneySplit.inProportion(
            Money.ofMinor(USD, minor), shares.stream().map(BigDecimal::valueOf).toList());
    assertThat(parts.stream().mapToLong(Money::getAmountMinorLong).sum()).isEqualTo(minor);
    for (var i = 0; i < parts.size(); i++) {
      var off = Math.abs(parts.get(i).getAmountMinorLong() * sum - minor * shares.get(i));
      assertThat(off).isLessThan(sum);
    }
  }
}

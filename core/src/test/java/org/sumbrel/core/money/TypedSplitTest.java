package org.sumbrel.core.money;

import static org.assertj.core.api.Assertions.assertThat;
import static org.sumbrel.core.Books.USD;
import static org.sumbrel.core.Books.usd;

import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import net.jqwik.api.constraints.LongRange;
import net.jqwik.api.constraints.Size;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.junit.jupiter.api.Test;

class TypedSplitTest {

  private static List<String> amounts(String whole, String... typed) {
    return TypedSplit.read(usd(whole), List.of(typed)).stream()
        .map(p -> p.amount().map(MoneyText::plain).orElse(p.refusal()))
        .toList();
  }

  @Test
  void readsAmountsSharesAndTheRest() {
    assertThat(amounts("1000.00", "40 %", "412.50", ""))
        .containsExactly("400.00", "412.50", "187.50");
    assertThat(amounts("1,000.00".replace(",", ""), "1,000")).containsExactly("1000.00");
    assertThat(amounts("-90.00", "50%", "")).containsExactly("-45.00", "-45.00");
  }

  @Test
  void sharesOfAHundredPerCentFillTheWholeToTheCent() {
    assertThat(amounts("100.00", "33.3333 %", "33.3333 %", "33.3334 %"))
        .containsExactly("33.33", "33.33", "33.34");
    assertThat(amounts("0.05", "50 %", "50 %")).containsExactly("0.03", "0.02");
  }

  @Test
  void refusesWhatIsNoPartWithItsReason() {
    assertThat(amounts("100.00", "60 %", "50 %"))
        .containsExactly("the shares come to 110 %", "the shares come to 110 %");
    assertThat(amounts("100.00", "half", "12.345", "0"))
        .containsExactly(
            "\"half\" is neither an amount nor a share such as 40 %",
            "12.345 has more than the 2 decimal digits of USD", "an amount of nothing is no part");
    assertThat(amounts("100.00", "100", ""))
        .containsExactly("100.00", "the other parts leave nothing for this one");
    assertThat(amounts("100.00", "", ""))
        .containsExactly("100.00", "only one part can take what is left");
    assertThat(
            TypedSplit.read(Money.ofMinor(CurrencyUnit.JPY, 101), List.of("50 %", "")).stream()
                .map(TypedSplit.Part::amount))
        .containsExactly(
            Optional.of(Money.ofMinor(CurrencyUnit.JPY, 51)),
            Optional.of(Money.ofMinor(CurrencyUnit.JPY, 50)));
  }

  /** Whatever shares are typed, with a blank part they come to the whole exactly. */
  @Property(tries = 300)
  void aBlankPartTakesWhatIsLeft(
      @ForAll @LongRange(min = 1_000, max = 9_999_999) long minor,
      @ForAll @Size(min = 1, max = 6) List<@IntRange(min = 1, max = 16) Integer> shares) {
    var whole = Money.ofMinor(USD, minor);
    var typed =
        IntStream.concat(shares.stream().mapToInt(Integer::intValue), IntStream.of(0))
            .mapToObj(share -> share == 0 ? "" : share + " %")
            .toList();
    var sum =
        TypedSplit.read(whole, typed).stream()
            .map(p -> p.amount().orElseThrow())
            .reduce(Money.zero(USD), Money::plus);
    assertThat(sum).isEqualTo(whole);
  }
}

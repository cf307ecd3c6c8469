package org.sumbrel.core.intake;

import static org.assertj.core.api.Assertions.assertThat;
import static org.sumbrel.core.Books.usd;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.sumbrel.core.intake.StatementChain.Gap;
import org.sumbrel.core.intake.StatementChain.Overlap;

class StatementChainTest {

  private static StatementSpan span(
      long key, int from, int until, Integer sequence, String opening, String closing) {
    return new StatementSpan(
        key,
        LocalDate.of(2026, 5, from),
        LocalDate.of(2026, 5, until),
        false,
        Optional.ofNullable(sequence),
        Optional.ofNullable(opening == null ? null : usd(opening)),
        opening == null || closing == null ? usd("0.00") : usd(closing).minus(usd(opening)),
        Optional.ofNullable(closing == null ? null : usd(closing)));
  }

  @Test
  void nothingIsFoundWhereEachOpensWithWhatTheLastClosed() {
    assertThat(
            StatementChain.of(
                List.of(
                    span(1, 1, 1, 1, "100.00", "120.00"),
                    span(2, 4, 4, 2, "120.00", "90.00"),
                    span(3, 5, 5, 3, "90.00", "95.00"))))
        .isEmpty();
  }

  @Test
  void aGapIsNamedWithWhatIsMissing() {
    var chain = List.of(span(2, 6, 6, 4, "150.00", "160.00"), span(1, 1, 1, 1, "100.00", "120.00"));
    assertThat(StatementChain.of(chain))
        .singleElement()
        .isInstanceOfSatisfying(
            Gap.class,
            gap -> {
              assertThat(gap.missing()).contains(usd("30.00"));
              assertThat(gap.numbers()).isEqualTo(2);
              assertThat(gap.before().key()).isEqualTo(1);
            });
  }

  /** One in between that says no balances counts with its movements. */
  @Test
  void aGapIsSeenPastAStatementWithoutBalances() {
    var between =
        new StatementSpan(
            2,
            LocalDate.of(2026, 5, 4),
            LocalDate.of(2026, 5, 4),
            true,
            Optional.empty(),
            Optional.empty(),
            usd("30.00"),
            Optional.empty());
    var first = span(1, 1, 1, null, "100.00", "120.00");
    assertThat(StatementChain.of(List.of(first, between, span(3, 5, 5, null, "155.00", "160.00"))))
        .singleElement()
        .isInstanceOfSatisfying(Gap.class, gap -> assertThat(gap.missing()).contains(usd("5.00")));
    assertThat(StatementChain.of(List.of(first, between, span(3, 5, 5, null, "150.00", "160.00"))))
        .isEmpty();
  }

  @Test
  void aLeftOutNumberIsAGapWhereBalancesAreOpen() {
    var chain = List.of(span(1, 1, 1, 1, null, null), span(2, 4, 4, 3, null, null));
    assertThat(StatementChain.of(chain))
        .singleElement()
        .isInstanceOfSatisfying(Gap.class, gap -> assertThat(gap.numbers()).isEqualTo(1));
  }

  /** 1 May 2026 is a Friday. */
  @Test
  void aWorkingDayThatNobodyCoversIsAGapWhereBalancesAreOpen() {
    assertThat(StatementChain.of(List.of(said(1, 1), said(4, 4)))).isEmpty();
    assertThat(StatementChain.of(List.of(said(1, 1), said(5, 5)))).hasSize(1);
  }

  /**
   * An opening that is not said is reckoned from the closing; where it fits, nothing is missing.
   */
  @Test
  void aReckonedOpeningProvesThatNothingIsMissing() {
    var next =
        new StatementSpan(
            9,
            LocalDate.of(2026, 5, 12),
            LocalDate.of(2026, 5, 12),
            true,
            Optional.empty(),
            Optional.empty(),
            usd("4.00"),
            Optional.of(usd("5.00")));
    assertThat(StatementChain.of(List.of(said(1, 1), next))).isEmpty();
  }

  private static StatementSpan said(int from, int until) {
    return new StatementSpan(
        from,
        LocalDate.of(2026, 5, from),
        LocalDate.of(2026, 5, until),
        true,
        Optional.empty(),
        Optional.empty(),
        usd("0.25"),
        Optional.of(usd(from + ".00")));
  }

  @Test
  void anOverlapIsNamedWithItsDays() {
    var chain =
        List.of(span(1, 1, 10, null, "100.00", "120.00"), span(2, 8, 15, null, "110.00", "130.00"));
    assertThat(StatementChain.of(chain))
        .singleElement()
        .isInstanceOfSatisfying(
            Overlap.class,
            overlap -> {
              assertThat(overlap.from()).isEqualTo(LocalDate.of(2026, 5, 8));
              assertThat(overlap.until()).isEqualTo(LocalDate.of(2026, 5, 10));
            });
  }

  @Test
  void theDayOnWhichOneEndsMayBeTheDayOnWhichTheNextBegins() {
    var chain =
        List.of(span(1, 1, 2, null, "100.00", "120.00"), span(2, 2, 3, null, "120.00", "130.00"));
    assertThat(StatementChain.of(chain)).isEmpty();
  }

  /** The same day told once more, such as in another format, is an overlap of nothing. */
  @Test
  void theSameDayOnceMoreIsNoGap() {
    var chain =
        List.of(
            span(1, 4, 4, 1, "100.00", "120.00"),
            span(2, 4, 4, null, null, "120.00"),
            span(3, 5, 5, 2, "120.00", "130.00"));
    assertThat(StatementChain.of(chain)).isEmpty();
  }

  /** A whole chain has no finding in any order; without one in its midst it has the gap. */
  @Property
  void findsWhatWasTakenOut(@ForAll Random random, @ForAll @IntRange(min = 3, max = 20) int count) {
    var chain = new ArrayList<StatementSpan>();
    var balance = Money.zero(CurrencyUnit.USD);
    for (var n = 0; n < count; n++) {
      var closing = balance.plus(Money.ofMinor(CurrencyUnit.USD, 1 + random.nextInt(1000)));
      var day = LocalDate.of(2026, 1, 1).plusDays(n);
      chain.add(
          new StatementSpan(
              n,
              day,
              day,
              true,
              Optional.empty(),
              Optional.of(balance),
              closing.minus(balance),
              Optional.of(closing)));
      balance = closing;
    }
    Collections.shuffle(chain, random);
    assertThat(StatementChain.of(chain)).isEmpty();
    var out = 1 + random.nextInt(count - 2);
    var missing = chain.stream().filter(s -> s.key() == out).findFirst().orElseThrow();
    chain.remove(missing);
    assertThat(StatementChain.of(chain))
        .singleElement()
        .isInstanceOfSatisfying(
            Gap.class,
            gap ->
                assertThat(gap.missing())
                    .contains(
                        missing.closing().orElseThrow().minus(missing.opening().orElseThrow())));
  }

  @ParameterizedTest
  @CsvSource({
    "4410027719,4410027719,true",
    "44 1002 7719,4410027719,true",
    "004410027719,4410027719,true",
    "10020030/4410027719,4410027719,true",
    "4410027719USD,4410027719,true",
    "DE89370400440532013000,DE89 3704 0044 0532 0130 00,true",
    "DE89370400440532013000,0532013000,true",
    "DE89370400440532013000,37040044/532013000EUR,true",
    "4410027719,4410027718,false",
    "4410027719,0027719,false",
    "4410027719,27719,false",
    "'',4410027719,false"
  })
  void accountNumbersAreTheSameInEveryWriting(String one, String other, boolean same) {
    assertThat(AccountNumber.same(one, other)).isEqualTo(same);
    assertThat(AccountNumber.same(other, one)).isEqualTo(same);
  }
}

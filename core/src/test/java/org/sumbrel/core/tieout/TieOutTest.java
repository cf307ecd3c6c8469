package org.sumbrel.core.tieout;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.Combinators;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import net.jqwik.api.constraints.IntRange;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.junit.jupiter.api.Test;
import org.sumbrel.core.tieout.Compared.KnownBy;
import org.sumbrel.core.tieout.TieOut.Kind;
import org.sumbrel.core.tieout.TieOut.Way;

class TieOutTest {

  private static final LocalDate FIRST = LocalDate.of(2026, 5, 1);

  private static Money usd(long minor) {
    return Money.ofMinor(CurrencyUnit.USD, minor);
  }

  /**
   * One thing that happens: at the bank on one day, in the books on another; each may be never.
   *
   * @param viaDeposit whether the books have it as a deposit or a refund, which the bank shows
   */
  private record Thing(long minor, Integer atBank, Integer inBooks, boolean viaDeposit) {}

  @Provide
  Arbitrary<List<Thing>> things() {
    var day = Arbitraries.integers().between(0, 20).injectNull(0.2);
    return Combinators.combine(
            Arbitraries.longs().between(-500_000, 500_000).filter(m -> m != 0),
            day,
            day,
            Arbitraries.of(true, false))
        .as(Thing::new)
        .list()
        .ofMaxSize(40);
  }

  private static boolean by(Integer day, int asOf) {
    return day != null && day <= asOf;
  }

  /**
   * Whatever happens at the bank and in the books, on whatever days: what is found explains the
   * whole way from one to the other, and without any one of it there is a gap of just that amount.
   */
  @Property
  void theGapIsZeroExactlyWhenEverythingIsExplained(
      @ForAll("things") List<Thing> things,
      @ForAll @IntRange(max = 20) int asOf,
      @ForAll long openingSeed,
      @ForAll @IntRange(max = 1000) int left) {
    var opening = openingSeed % 10_000_000;
    var day = FIRST.plusDays(asOf);
    var bank = opening;
    var books = opening;
    var ways = new ArrayList<Way>();
    for (var n = 0; n < things.size(); n++) {
      var thing = things.get(n);
      var amount = usd(thing.minor());
      var zero = usd(0);
      bank += by(thing.atBank(), asOf) ? thing.minor() : 0;
      books += by(thing.inBooks(), asOf) ? thing.minor() : 0;
      var inBooks = by(thing.inBooks(), asOf) ? amount : zero;
      if (thing.atBank() != null || thing.viaDeposit() && thing.inBooks() != null) {
        new Compared(
                thing.viaDeposit() && thing.inBooks() != null ? KnownBy.DEPOSIT : KnownBy.BANK,
                "t" + n,
                day,
                "t" + n,
                by(thing.atBank(), asOf) ? amount : zero,
                by(thing.inBooks(), asOf) ? amount : zero,
                (thing.atBank() == null) == (thing.inBooks() == null))
            .way()
            .ifPresent(ways::add);
      } else if (by(thing.inBooks(), asOf)) {
        ways.add(new Way(Kind.BOOK_ERROR, "b" + n, day, "b" + n, amount.negated()));
      }
    }
    var tieOut = new TieOut(day, usd(bank), usd(books), ways);
    assertThat(tieOut.gap()).isEqualTo(usd(0));
    assertThat(tieOut.tied()).isTrue();
    if (!ways.isEmpty()) {
      var fewer = new ArrayList<>(tieOut.ways());
      var without = fewer.remove(left % fewer.size());
      var broken = new TieOut(day, usd(bank), usd(books), fewer);
      assertThat(broken.tied()).isFalse();
      assertThat(broken.gap().abs()).isEqualTo(without.amount().abs());
    }
  }

  private static Compared compared(KnownBy by, long bank, long books, boolean agreeNow) {
    return new Compared(by, "1", FIRST, "x", usd(bank), usd(books), agreeNow);
  }

  @Test
  void tellsWhatIsUnexplainedFromWhatIsBookedLater() {
    assertThat(compared(KnownBy.BANK, 500, 0, false).way())
        .get()
        .extracting(Way::kind)
        .isEqualTo(Kind.UNEXPLAINED);
    assertThat(compared(KnownBy.BANK, 500, 0, true).way())
        .get()
        .extracting(Way::kind)
        .isEqualTo(Kind.BOOKED_LATER);
    assertThat(compared(KnownBy.BANK, 500, 200, false).way())
        .get()
        .extracting(Way::amount)
        .isEqualTo(usd(300));
    assertThat(compared(KnownBy.BANK, 500, 500, true).way()).isEmpty();
  }

  @Test
  void showsADepositThatCameInPart() {
    assertThat(compared(KnownBy.DEPOSIT, 400, 1_000, false).way())
        .get()
        .satisfies(
            way -> {
              assertThat(way.kind()).isEqualTo(Kind.IN_TRANSIT);
              assertThat(way.amount()).isEqualTo(usd(600));
            });
    assertThat(compared(KnownBy.REFUND, 0, -700, false).way())
        .get()
        .extracting(Way::kind)
        .isEqualTo(Kind.REFUND_OUTSTANDING);
    // a payout by which a processor takes more than it pays is no refund
    assertThat(compared(KnownBy.DEPOSIT, 0, -700, false).way())
        .get()
        .extracting(Way::kind)
        .isEqualTo(Kind.IN_TRANSIT);
  }
}

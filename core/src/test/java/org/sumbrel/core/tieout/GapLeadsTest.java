package org.sumbrel.core.tieout;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import net.jqwik.api.constraints.LongRange;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.junit.jupiter.api.Test;
import org.sumbrel.core.tieout.GapLeads.Figure;
import org.sumbrel.core.tieout.GapLeads.Lead;
import org.sumbrel.core.tieout.GapLeads.Place;
import org.sumbrel.core.tieout.GapLeads.Slip;

/**
 * That a transposition leaves a difference which nine divides, and a wrong sign one of twice the
 * amount, are rules of common practice, and arithmetic.
 */
class GapLeadsTest {

  private static final LocalDate DAY = LocalDate.of(2026, 5, 29);

  private static Money usd(String amount) {
    return Money.of(CurrencyUnit.USD, new BigDecimal(amount));
  }

  private static Figure at(Place place, String id, int daysAgo, String amount) {
    return new Figure(place, id, DAY.minusDays(daysAgo), "entry " + id, usd(amount));
  }

  private static List<Slip> slips(List<Lead> leads) {
    return leads.stream().map(Lead::slip).toList();
  }

  /** Two digits of any figure in the other order: the gap is divided by nine, and it is found. */
  @Property
  void findsEveryTransposition(
      @ForAll @LongRange(min = 10, max = 99_999_999) long right,
      @ForAll @IntRange(max = 6) int place) {
    var digits = Long.toString(right).toCharArray();
    var first = place % (digits.length - 1);
    var swapped = digits.clone();
    swapped[first] = digits[first + 1];
    swapped[first + 1] = digits[first];
    var wrong = Long.parseLong(new String(swapped));
    if (wrong == right) {
      return;
    }
    assertThat((wrong - right) % 9).isZero();
    for (var where : List.of(Place.BALANCE, Place.EXPLAINED, Place.WAITING, Place.LINE)) {
      var gap = where == Place.BALANCE ? wrong - right : right - wrong;
      var figure = new Figure(where, "wrong", DAY, "it", Money.ofMinor(CurrencyUnit.USD, wrong));
      if (wrong != 0) {
        assertThat(slips(GapLeads.of(Money.ofMinor(CurrencyUnit.USD, gap), List.of(figure))))
            .as("%d written as %d", right, wrong)
            .contains(Slip.TRANSPOSED);
      }
    }
  }

  @Test
  void namesNoTranspositionThatWouldNotCloseTheGap() {
    // nine divides 45.00, but no two digits of these give it
    assertThat(
            GapLeads.of(
                usd("45.00"),
                List.of(at(Place.EXPLAINED, "a", 1, "120.00"), at(Place.BALANCE, "", 0, "77.10"))))
        .isEmpty();
    assertThat(GapLeads.of(usd("0.00"), List.of(at(Place.WAITING, "a", 1, "120.00")))).isEmpty();
  }

  @Test
  void findsWhatStandsTwiceOrIsOneTooMany() {
    var figures =
        List.of(
            at(Place.EXPLAINED, "once", 3, "412.50"),
            at(Place.EXPLAINED, "again", 1, "412.50"),
            at(Place.WAITING, "other", 1, "88.00"));
    var leads = GapLeads.of(usd("-412.50"), figures);
    assertThat(slips(leads)).containsExactly(Slip.TWICE);
    assertThat(leads.get(0).figures()).extracting(Figure::id).containsExactly("again", "once");
    assertThat(leads.get(0).sentence()).contains("412.50 stands there twice");
    assertThat(slips(GapLeads.of(usd("-88.00"), figures))).containsExactly(Slip.TOO_MANY);
    assertThat(slips(GapLeads.of(usd("88.00"), figures))).containsExactly(Slip.ONE_MORE);
  }

  @Test
  void findsWhatIsKnownAndNotCounted() {
    var leads =
        GapLeads.of(
            usd("250.00"),
            List.of(
                at(Place.UNCOUNTED, "announced", 1, "250.00"),
                at(Place.UNCOUNTED, "left out", 1, "-250.00")));
    assertThat(slips(leads)).containsExactly(Slip.MISSING);
    assertThat(leads.get(0).figures().get(0).id()).isEqualTo("announced");
  }

  @Test
  void findsHalfTheGapWithTheWrongSign() {
    // taken in as 61.50 to us, and it went from us: the bank shows 123.00 less
    var leads = GapLeads.of(usd("-123.00"), List.of(at(Place.WAITING, "a", 1, "61.50")));
    assertThat(slips(leads)).containsExactly(Slip.WRONG_SIGN);
    assertThat(leads.get(0).sentence()).contains("61.50 may be -61.50");
    assertThat(GapLeads.of(usd("123.00"), List.of(at(Place.WAITING, "a", 1, "61.50")))).isEmpty();
  }

  @Test
  void findsAPointInAnotherPlace() {
    var leads = GapLeads.of(usd("-1093.50"), List.of(at(Place.EXPLAINED, "a", 1, "1215.00")));
    assertThat(slips(leads)).containsExactly(Slip.SHIFTED);
    assertThat(leads.get(0).sentence()).contains("121.50");
  }

  @Test
  void findsWhatAddsUpToIt() {
    var leads =
        GapLeads.of(
            usd("-300.05"),
            List.of(
                at(Place.WAITING, "a", 1, "100.03"),
                at(Place.WAITING, "b", 2, "200.02"),
                at(Place.WAITING, "c", 3, "77.77"),
                at(Place.EXPLAINED, "d", 3, "22.28")));
    assertThat(slips(leads)).containsExactly(Slip.ADDS_UP);
    assertThat(leads.get(0).figures()).extracting(Figure::id).containsExactlyInAnyOrder("a", "b");
  }
}

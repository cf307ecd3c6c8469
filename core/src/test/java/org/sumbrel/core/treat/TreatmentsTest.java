package org.sumbrel.core.treat;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import net.jqwik.api.constraints.Size;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.junit.jupiter.api.Test;
import org.sumbrel.core.money.MoneySum;
import org.sumbrel.core.treat.Condition.Direction;
import org.sumbrel.core.treat.Treatment.Way;
import org.sumbrel.core.treat.Trial.Became;
import org.sumbrel.core.treat.Trial.Past;

/** What treatments take and what they leave alone; made up, no source. */
class TreatmentsTest {

  private static final LocalDate DAY = LocalDate.of(2026, 5, 29);

  private static Money usd(String amount) {
    return Money.of(CurrencyUnit.USD, new BigDecimal(amount));
  }

  private static Treatable entry(String amount, String counterparty, String text) {
    return new Treatable("e", DAY, usd(amount), "b1", counterparty, "", text, "");
  }

  private static Condition words(Direction direction, String... words) {
    return new Condition(
        List.of(words), "", "", Optional.empty(), direction, Optional.empty(), Optional.empty());
  }

  private static Share share(String account, String percent, String tax) {
    return new Share(account, new BigDecimal(percent), new BigDecimal(tax), account);
  }

  private static Treatment treatment(int place, Condition condition, String cap, Way way) {
    return new Treatment(
        "t" + place,
        "Charges " + place,
        place,
        true,
        condition,
        List.of(share("charges", "100", "0")),
        usd(cap),
        way);
  }

  private static final Treatment CHARGES =
      treatment(1, words(Direction.FROM_US, "charges"), "20.00", Way.POSTS);

  @Test
  void takesWhatFitsUnderItsCap() {
    var all = new Treatments(List.of(CHARGES));
    var wire = all.of(entry("-18.00", "COPPERBECK", "WIRE CHARGES"), "").orElseThrow();
    assertThat(wire.way()).isEqualTo(Way.POSTS);
    assertThat(wire.why()).isEmpty();
    assertThat(all.of(entry("18.00", "COPPERBECK", "WIRE CHARGES"), "")).isEmpty();
    assertThat(all.of(entry("-18.00", "COPPERBECK", "INTEREST"), "")).isEmpty();
    var large = all.of(entry("-20.01", "COPPERBECK", "Wire-Charges"), "").orElseThrow();
    assertThat(large.way()).isEqualTo(Way.SUGGESTS);
    assertThat(large.why()).isEqualTo("20.01 is beyond the cap of 20.00 of \"Charges 1\".");
  }

  @Test
  void asksWhereWhoeverSentItHasSomethingOpen() {
    var all =
        new Treatments(List.of(treatment(1, words(Direction.TO_US, "bonus"), "500.00", Way.POSTS)));
    var verdict =
        all.of(entry("100.00", "PIAZZA FORNO", "BONUS"), "Piazza Forno has 943.60 open.")
            .orElseThrow();
    assertThat(verdict.way()).isEqualTo(Way.SUGGESTS);
    assertThat(verdict.why()).isEqualTo("Piazza Forno has 943.60 open. It may pay that.");
  }

  @Test
  void takesTheFirstInOrderThatIsOn() {
    var off =
        new Treatment(
            "t0",
            "Off",
            0,
            false,
            words(Direction.EITHER, "fee"),
            List.of(share("other", "100", "0")),
            usd("20.00"),
            Way.POSTS);
    var second = treatment(2, words(Direction.EITHER, "fee"), "20.00", Way.WAITS);
    var third = treatment(3, words(Direction.EITHER, "account"), "20.00", Way.POSTS);
    assertThat(
            new Treatments(List.of(third, second, off))
                .of(entry("-4.50", "", "ACCOUNT FEE"), "")
                .orElseThrow()
                .treatment())
        .isEqualTo(second);
  }

  @Test
  void fitsNothingOfAnotherAccountCounterpartyCurrencyOrAmount() {
    var condition =
        new Condition(
            List.of(),
            "Copperbeck Savings Bank",
            "",
            Optional.of("b1"),
            Direction.EITHER,
            Optional.of(usd("1.00")),
            Optional.of(usd("5.00")));
    assertThat(condition.fits(entry("3.17", "COPPERBECK SAVINGS BANK", ""))).isTrue();
    assertThat(condition.fits(entry("3.17", "COPPERBECK", ""))).isFalse();
    assertThat(condition.fits(entry("0.99", "COPPERBECK SAVINGS BANK", ""))).isFalse();
    assertThat(condition.fits(entry("-5.01", "COPPERBECK SAVINGS BANK", ""))).isFalse();
    var euros =
        new Treatable(
            "e", DAY, Money.parse("EUR 3.00"), "b1", "Copperbeck Savings Bank", "", "", "");
    assertThat(condition.fits(euros)).isFalse();
    assertThat(CHARGES.withinCap(Money.parse("EUR 3.00"))).isFalse();
    var elsewhere =
        new Treatable("e", DAY, usd("3.17"), "b2", "Copperbeck Savings Bank", "", "", "");
    assertThat(condition.fits(elsewhere)).isFalse();
  }

  @Test
  void findsNoWordAcrossTheCounterpartyAndTheText() {
    assertThat(words(Direction.EITHER, "wirecharge").fits(entry("-1.00", "WIRE", "CHARGE")))
        .isFalse();
  }

  @Test
  void refusesWhatFitsTooMuchOrContradictsItself() {
    assertThatThrownBy(() -> words(Direction.EITHER, " - ")).hasMessageContaining("fit too much");
    assertThatThrownBy(
            () ->
                new Condition(
                    List.of("fee"),
                    "",
                    "",
                    Optional.empty(),
                    Direction.EITHER,
                    Optional.of(usd("5.00")),
                    Optional.of(usd("1.00"))))
        .hasMessage("An amount of at least 5.00 is never at most 1.00.");
    assertThatThrownBy(() -> treatment(1, words(Direction.EITHER, "fee"), "0.00", Way.POSTS))
        .hasMessage("A cap of 0.00 is not above zero.");
    assertThatThrownBy(
            () ->
                new Treatment(
                    "t",
                    "Half",
                    1,
                    true,
                    words(Direction.EITHER, "fee"),
                    List.of(share("a", "50", "0")),
                    usd("5.00"),
                    Way.POSTS))
        .hasMessage("The shares come to 50 %, not to 100.");
    assertThatThrownBy(() -> share("a", "0", "0")).hasMessageContaining("not above 0");
    assertThatThrownBy(() -> share("a", "10", "100")).hasMessageContaining("below 100");
  }

  /** By hand: 6 % in 10.60 are 0.60; a third of 10.60 is 3.53, the rest takes what is left. */
  @Test
  void booksSharesWithTheTaxThatIsInThem() {
    var split =
        new Treatment(
            "t",
            "Split",
            1,
            true,
            words(Direction.EITHER, "fee"),
            List.of(share("a", "33.3333", "0"), share("b", "66.6667", "6")),
            usd("50.00"),
            Way.WAITS);
    var booked = split.booked(usd("-10.60"));
    assertThat(booked).extracting(a -> a.amount()).containsExactly(usd("3.53"), usd("7.07"));
    assertThat(booked).extracting(a -> a.tax()).containsExactly(usd("0.00"), usd("0.40"));
    var whole =
        new Treatment(
            "t",
            "Whole",
            1,
            true,
            words(Direction.EITHER, "fee"),
            List.of(share("a", "100", "6")),
            usd("50.00"),
            Way.WAITS);
    assertThat(whole.booked(usd("10.60")).get(0).tax()).isEqualTo(usd("-0.60"));
  }

  @Property
  void loseNothingOfAnEntryInTheirShares(
      @ForAll @IntRange(min = -5_000_000, max = 5_000_000) int cents,
      @ForAll @Size(min = 1, max = 6) List<@IntRange(min = 1, max = 16) Integer> weights,
      @ForAll @IntRange(max = 30) int tax) {
    var shares = new ArrayList<Share>();
    var left = 100;
    for (var n = 0; n < weights.size() - 1; n++) {
      shares.add(share("a" + n, Integer.toString(weights.get(n)), Integer.toString(tax)));
      left -= weights.get(n);
    }
    shares.add(share("rest", Integer.toString(left), "0"));
    var treatment =
        new Treatment(
            "t", "T", 1, true, words(Direction.EITHER, "x"), shares, usd("100000"), Way.POSTS);
    var amount = Money.ofMinor(CurrencyUnit.USD, cents);
    assertThat(MoneySum.of(CurrencyUnit.USD, treatment.booked(amount), a -> a.amount()))
        .isEqualTo(amount.negated());
  }

  @Property
  void neverPostBeyondTheirCapNorWhatMayPayAnInvoice(
      @ForAll @IntRange(min = -50_000, max = 50_000) int cents,
      @ForAll @IntRange(min = 1, max = 40_000) int cap,
      @ForAll Way way,
      @ForAll boolean open) {
    var treatment =
        treatment(
            1,
            words(Direction.EITHER, "fee"),
            Money.ofMinor(CurrencyUnit.USD, cap).getAmount().toPlainString(),
            way);
    var entry =
        new Treatable("e", DAY, Money.ofMinor(CurrencyUnit.USD, cents), "b", "", "", "", "a fee");
    var verdict = new Treatments(List.of(treatment)).of(entry, open ? "A has 1.00 open." : "");
    assertThat(verdict.isPresent()).isEqualTo(cents != 0);
    verdict.ifPresent(
        v -> {
          var held = open || Math.abs(cents) > cap;
          assertThat(v.way()).isEqualTo(held ? Way.SUGGESTS : way);
          assertThat(v.why().isEmpty()).isEqualTo(!held);
        });
  }

  @Test
  void areTriedOnThePastBeforeTheyAreKept() {
    var right = entry("-18.00", "BANK", "WIRE CHARGES");
    var elsewhere = entry("-4.50", "BANK", "CHARGES MAY");
    var wrong = entry("-12.00", "SHOP", "CHARGES REFUNDED");
    var waiting = entry("-1.00", "BANK", "CHARGES");
    var large = entry("-99.00", "BANK", "CHARGES");
    var other = entry("-1.00", "BANK", "INTEREST");
    var trial =
        Trial.of(
            CHARGES,
            List.of(
                new Past(right, Became.TO_ACCOUNTS, Set.of("charges")),
                new Past(elsewhere, Became.TO_ACCOUNTS, Set.of("office")),
                new Past(wrong, Became.PAYMENT, Set.of()),
                new Past(waiting, Became.NOTHING_YET, Set.of()),
                new Past(large, Became.TO_ACCOUNTS, Set.of("charges")),
                new Past(other, Became.TO_ACCOUNTS, Set.of("charges"))));
    assertThat(trial)
        .isEqualTo(
            new Trial(
                List.of(right),
                List.of(elsewhere),
                List.of(waiting),
                List.of(wrong),
                List.of(large)));
    assertThat(trial.caught()).isEqualTo(4);
  }
}

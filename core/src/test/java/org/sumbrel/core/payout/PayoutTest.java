package org.sumbrel.core.payout;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.math.BigDecimal;
import java.util.List;
import java.util.Optional;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.Combinators;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.junit.jupiter.api.Test;
import org.sumbrel.core.payout.PayoutStep.Kind;
import org.sumbrel.core.settle.FeeTerms;

/** What a payout comes to, and how it is told. */
class PayoutTest {

  private static Money usd(String amount) {
    return Money.of(CurrencyUnit.USD, new BigDecimal(amount));
  }

  private static PayoutItem item(PayoutItemType type, String gross, String fee) {
    var zero = usd("0");
    return new PayoutItem(
        1, "", type, "", "", "", Optional.empty(), usd(gross), usd(fee), zero, zero, "", "", "");
  }

  private static Payout payout(String previous, Optional<Money> claimed, PayoutItem... items) {
    return new Payout(
        "Chipfold",
        "P-9",
        CurrencyUnit.USD,
        Optional.empty(),
        Optional.empty(),
        Optional.empty(),
        usd(previous),
        claimed,
        List.of(items));
  }

  @Provide
  Arbitrary<Payout> payouts() {
    var cents = Arbitraries.longs().between(-500_000, 500_000);
    var items =
        Combinators.combine(Arbitraries.of(PayoutItemType.class), cents, cents)
            .as(
                (type, gross, fee) ->
                    new PayoutItem(
                        1,
                        "",
                        type,
                        "",
                        "",
                        "",
                        Optional.empty(),
                        Money.ofMinor(
                            CurrencyUnit.USD,
                            type.isFee()
                                ? 0
                                : type.sign() == 0 ? gross : type.sign() * Math.abs(gross)),
                        Money.ofMinor(CurrencyUnit.USD, fee),
                        usd("0"),
                        usd("0"),
                        "",
                        "",
                        ""))
            .list()
            .ofMaxSize(40);
    return Combinators.combine(items, cents)
        .as(
            (some, previous) ->
                new Payout(
                    "",
                    "",
                    CurrencyUnit.USD,
                    Optional.empty(),
                    Optional.empty(),
                    Optional.empty(),
                    Money.ofMinor(CurrencyUnit.USD, previous),
                    Optional.empty(),
                    some));
  }

  /** Counted here from the definition, item by item, without the payout's own sums. */
  @Property
  void comesToWhatItsItemsComeTo(@ForAll("payouts") Payout payout) {
    var cents = payout.previousBalance().getAmountMinorLong();
    for (var item : payout.items()) {
      if (item.type() != PayoutItemType.TRANSFER) {
        cents += item.gross().getAmountMinorLong() - item.fee().getAmountMinorLong();
      }
    }
    assertThat(payout.net().getAmountMinorLong()).isEqualTo(cents);
  }

  @Property
  void isToldInStepsThatEndInTheNet(@ForAll("payouts") Payout payout) {
    var steps = payout.steps();
    var after = 0L;
    for (var step : steps) {
      after += step.amount().getAmountMinorLong();
      assertThat(step.after().getAmountMinorLong()).isEqualTo(after);
    }
    assertThat(after).isEqualTo(payout.net().getAmountMinorLong());
    assertThat(steps.stream().map(PayoutStep::kind)).isSorted().doesNotHaveDuplicates();
  }

  @Property
  void isPaidOutOrStaysWithTheProcessor(@ForAll("payouts") Payout payout) {
    assertThat(payout.paidOut().plus(payout.carried())).isEqualTo(payout.net());
  }

  /**
   * A week's cards at 2.9 % and 0.30 each. Worked by hand: 100.00 − 3.20 and 250.00 − 7.55 make
   * 339.25; common practice for the shape of the fee, no source.
   */
  @Test
  void takesThePercentageAndTheFixedFee() {
    var terms = FeeTerms.parse("2.9 % + 0.30", CurrencyUnit.USD);
    var small = item(PayoutItemType.SALE, "100.00", terms.of(usd("100.00")).getAmount().toString());
    var large = item(PayoutItemType.SALE, "250.00", terms.of(usd("250.00")).getAmount().toString());
    var week = payout("0", Optional.empty(), small, large);
    assertThat(week.net()).isEqualTo(usd("339.25"));
    assertThat(week.steps())
        .containsExactly(
            new PayoutStep(Kind.SALES, usd("350.00"), 2, usd("350.00")),
            new PayoutStep(Kind.FEES, usd("-10.75"), 2, usd("339.25")));
  }

  @Test
  void tellsEveryKindOnItsOwn() {
    var week =
        payout(
            "12.00",
            Optional.of(usd("62.55")),
            item(PayoutItemType.SALE, "100.00", "3.20"),
            item(PayoutItemType.REFUND, "-20.00", "-0.45"),
            item(PayoutItemType.FEE, "0", "5.00"),
            item(PayoutItemType.FEE_REFUND, "0", "-1.30"),
            item(PayoutItemType.CHARGEBACK, "-15.00", "0"),
            item(PayoutItemType.RESERVE_HELD, "-10.00", "0"),
            item(PayoutItemType.RESERVE_RELEASED, "4.00", "0"),
            item(PayoutItemType.ADJUSTMENT, "-2.00", "0"),
            item(PayoutItemType.TRANSFER, "-62.55", "0"));
    assertThat(week.contradictions()).isEmpty();
    assertThat(week.carried()).isEqualTo(usd("0"));
    assertThat(week.steps().stream().map(s -> s.kind() + " " + s.amount().getAmount()))
        .containsExactly(
            "PREVIOUS_BALANCE 12.00",
            "SALES 100.00",
            "REFUNDS -20.00",
            "FEES -6.45",
            "ADJUSTMENTS -2.00",
            "CHARGEBACKS -15.00",
            "RESERVE_HELD -10.00",
            "RESERVE_RELEASED 4.00");
  }

  @Test
  void saysWhereItDoesNotAddUp() {
    var week = payout("0", Optional.of(usd("96.00")), item(PayoutItemType.SALE, "100.00", "3.20"));
    assertThat(week.contradictions())
        .containsExactly("payout P-9 says it comes to 96.00, its items come to 96.80: 0.80 more");
    var less =
        payout(
            "0",
            Optional.of(usd("96.80")),
            item(PayoutItemType.SALE, "100.00", "3.20"),
            item(PayoutItemType.TRANSFER, "-90.00", "0"));
    assertThat(less.contradictions())
        .containsExactly("payout P-9 says it comes to 96.80 and lists 90.00 as paid out");
    assertThat(less.carried()).isEqualTo(usd("6.80"));
  }

  @Test
  void sendsNothingWhereItComesToLessThanNothing() {
    var week = payout("0", Optional.empty(), item(PayoutItemType.REFUND, "-20.00", "0"));
    assertThat(week.paidOut()).isEqualTo(usd("0"));
    assertThat(week.carried()).isEqualTo(usd("-20.00"));
  }

  @Test
  void comesToTheSameWhateverSomebodySaysThatAnItemIs() {
    var levy = item(PayoutItemType.UNKNOWN, "-0.50", "0.10");
    var fee = levy.as(PayoutItemType.FEE);
    assertThat(fee.gross()).isEqualTo(usd("0"));
    assertThat(fee.fee()).isEqualTo(usd("0.60"));
    assertThat(levy.as(PayoutItemType.REFUND).fee()).isEqualTo(usd("0.10"));
    for (var type : List.of(PayoutItemType.FEE, PayoutItemType.REFUND, PayoutItemType.ADJUSTMENT)) {
      assertThat(levy.as(type).net()).isEqualTo(levy.net());
    }
    assertThatThrownBy(() -> levy.as(PayoutItemType.SALE))
        .isInstanceOf(IllegalArgumentException.class)
        .hasMessageContaining("-0.50");
  }

  @Test
  void hasNoFeeWithAGrossAndNoTaxBeyondWhatItIsIn() {
    assertThatThrownBy(() -> item(PayoutItemType.FEE, "1.00", "1.00"))
        .isInstanceOf(IllegalArgumentException.class);
    assertThatThrownBy(
            () ->
                new PayoutItem(
                    1,
                    "",
                    PayoutItemType.SALE,
                    "",
                    "",
                    "",
                    Optional.empty(),
                    usd("10.00"),
                    usd("0"),
                    usd("10.00"),
                    usd("0"),
                    "",
                    "",
                    ""))
        .isInstanceOf(IllegalArgumentException.class)
        .hasMessageContaining("not contained");
  }
}

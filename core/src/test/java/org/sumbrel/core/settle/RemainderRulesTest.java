package org.sumbrel.core.settle;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.sumbrel.core.Books.USD;
import static org.sumbrel.core.Books.invoice;
import static org.sumbrel.core.Books.policy;
import static org.sumbrel.core.Books.receipt;
import static org.sumbrel.core.Books.usd;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.joda.money.Money;
import org.sumbrel.core.money.MoneyText;
import org.sumbrel.core.settle.RemainderOption.Kind;

/**
 * Whatever the desk offers for a rest is honest: what is allowed explains it to the cent and can
 * then be posted.
 */
class RemainderRulesTest {

  private static Draft draft(Random random, int cents) {
    var applications = new ArrayList<Application>();
    var sum = 0L;
    for (var n = 0; n <= random.nextInt(4); n++) {
      var amount = Money.ofMinor(USD, 100 + random.nextInt(90_000));
      applications.add(Application.of(invoice("LM-" + n, "a", MoneyText.plain(amount)), amount));
      sum += amount.getAmountMinorLong();
    }
    var received = MoneyText.plain(Money.ofMinor(USD, Math.max(1, sum + cents)));
    return new Draft(
        receipt(received, "", ""), applications, List.of(), usd("0"), Optional.of("a"));
  }

  @Property(tries = 500)
  void whatIsAllowedCanThenBePosted(
      @ForAll Random random, @ForAll @IntRange(min = -3000, max = 3000) int cents) {
    var draft = draft(random, cents);
    for (var option : RemainderOption.of(draft, policy(), Authority.CLERK)) {
      if (option.allowed()) {
        var treated =
            RemainderOption.taken(
                draft, option.kind(), Optional.empty(), policy(), Authority.CLERK);
        assertThat(treated.tally().left()).isEqualTo(usd("0.00"));
        var say = option.approval().isEmpty() ? Authority.CLERK : Authority.SUPERVISOR;
        assertThat(treated.settle(policy(), say).receipt()).isEqualTo(draft.receipt());
        if (!option.approval().isEmpty()) {
          assertThatThrownBy(() -> treated.settle(policy(), Authority.CLERK))
              .isInstanceOfSatisfying(
                  SettlementRefused.class,
                  refused ->
                      assertThat(refused.code()).isEqualTo(SettlementRefused.Code.NEEDS_APPROVAL));
        }
      } else {
        assertThat(option.refusal()).isNotBlank();
      }
    }
  }

  @Property(tries = 500)
  void somethingIsAlwaysOfferedWhereSomethingIsLeft(
      @ForAll Random random, @ForAll @IntRange(min = -3000, max = 3000) int cents) {
    var draft = draft(random, cents);
    var options = RemainderOption.of(draft, policy(), Authority.CLERK);
    assertThat(options.isEmpty()).isEqualTo(draft.tally().left().isZero());
    assertThat(options)
        .allSatisfy(o -> assertThat(o.amount()).isEqualTo(draft.tally().left().abs()));
  }

  /**
   * Both limits of the tolerance must hold: 2.00 under or 1.00 over, and 5 % of what is applied.
   */
  @Property(tries = 500)
  void aWriteOffIsAllowedExactlyWithinBothLimits(
      @ForAll Random random, @ForAll @IntRange(min = -300, max = 300) int cents) {
    var draft = draft(random, cents);
    var left = draft.tally().left().getAmountMinorLong();
    var applied = draft.tally().applied().getAmountMinorLong();
    var within = (left < 0 ? -left <= 200 : left <= 100) && Math.abs(left) * 20 <= applied + 10;
    var exact = Math.abs(left) * 20 <= applied - 10;
    RemainderOption.of(draft, policy(), Authority.CLERK).stream()
        .filter(o -> o.kind() == Kind.WRITE_OFF)
        .forEach(
            o -> {
              // at the rounding of the percentage's own cent either answer is right
              if (within == ((left < 0 ? -left <= 200 : left <= 100) && exact)) {
                assertThat(o.allowed() && o.approval().isEmpty()).isEqualTo(within);
              }
            });
  }
}

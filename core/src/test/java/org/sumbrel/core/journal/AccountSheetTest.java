package org.sumbrel.core.journal;

import static org.assertj.core.api.Assertions.assertThat;
import static org.sumbrel.core.Books.TODAY;
import static org.sumbrel.core.Books.USD;
import static org.sumbrel.core.Books.usd;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import net.jqwik.api.constraints.Size;
import org.joda.money.Money;
import org.junit.jupiter.api.Test;
import org.sumbrel.core.journal.AccountSheet.Movement;
import org.sumbrel.core.journal.Cancelling.KnownBy;

class AccountSheetTest {

  private static Movement movement(long line, int daysAgo, String amount) {
    return new Movement(line, 100 + line, Optional.empty(), TODAY.minusDays(daysAgo), usd(amount));
  }

  @Test
  void eachLineHasTheBalanceAfterIt() {
    var sheet =
        AccountSheet.of(usd("10.00"), List.of(movement(1, 9, "25.00"), movement(2, 2, "-25.00")));

    assertThat(sheet.lines())
        .extracting(AccountSheet.Line::balance)
        .containsExactly(usd("35.00"), usd("10.00"));
    assertThat(sheet.closing()).isEqualTo(sheet.opening());
  }

  @Test
  void aFeeAndItsRefundAreSeenToCancel() {
    var fee = movement(1, 9, "25.00");
    var other = movement(2, 5, "18.00");
    var refund = movement(3, 2, "-25.00");

    var halves = Cancelling.among(List.of(fee, other, refund));

    assertThat(halves.keySet()).containsExactlyInAnyOrder(1L, 3L);
    assertThat(halves.get(1L).with()).isEqualTo(refund);
    assertThat(halves.get(3L).by()).isEqualTo(KnownBy.SAME_AMOUNT);
  }

  @Test
  void ofTwoFeesTheOneNearestToTheRefundIsGivenBack() {
    var halves =
        Cancelling.among(
            List.of(movement(1, 40, "25.00"), movement(2, 9, "25.00"), movement(3, 2, "-25.00")));

    assertThat(halves.keySet()).containsExactlyInAnyOrder(2L, 3L);
  }

  @Test
  void whatIsTooLongAgoIsNotTakenForTheSame() {
    var before = Cancelling.LONGEST + 1;

    assertThat(Cancelling.among(List.of(movement(1, before, "25.00"), movement(2, 0, "-25.00"))))
        .isEmpty();
  }

  @Test
  void aReversalIsKnownHoweverLongAgoAndWhateverElseFits() {
    var fee = movement(1, 300, "25.00");
    var nearer = movement(2, 1, "25.00");
    var reversal = new Movement(3, 103, Optional.of(fee.entryId()), TODAY, usd("-25.00"));

    var halves = Cancelling.among(List.of(fee, nearer, reversal));

    assertThat(halves.get(1L).by()).isEqualTo(KnownBy.REVERSAL);
    assertThat(halves.keySet()).containsExactlyInAnyOrder(1L, 3L);
  }

  /** Amounts of few values, so that many are alike. */
  @Property
  void pairsComeToNothingAndNothingIsUsedTwice(
      @ForAll @Size(max = 40) List<@IntRange(min = -4, max = 4) Integer> amounts) {
    var movements = new ArrayList<Movement>();
    for (var n = 0; n < amounts.size(); n++) {
      if (amounts.get(n) != 0) {
        movements.add(
            new Movement(
                n,
                n / 2,
                Optional.empty(),
                TODAY.minusDays(200 - 5L * n),
                Money.ofMinor(USD, amounts.get(n))));
      }
    }

    var halves = Cancelling.among(movements);

    var used = new HashSet<Long>();
    halves.forEach(
        (line, half) -> {
          var own = movements.stream().filter(m -> m.lineId() == line).findFirst().orElseThrow();
          assertThat(own.amount().plus(half.with().amount()).isZero()).isTrue();
          assertThat(halves.get(half.with().lineId()).with()).isEqualTo(own);
          assertThat(used.add(half.with().lineId())).isTrue();
        });
    var sheet = AccountSheet.of(usd("3.00"), movements);
    var sum = movements.stream().mapToLong(m -> m.amount().getAmountMinorLong()).sum();
    assertThat(sheet.closing()).isEqualTo(usd("3.00").plus(Money.ofMinor(USD, sum)));
    if (!movements.isEmpty()) {
      assertThat(sheet.lines().get(movements.size() - 1).balance()).isEqualTo(sheet.closing());
    }
  }

  @Test
  void theSubledgerIsHeldAgainstTheLedgerCustomerByCustomer() {
    var agreement =
        new Agreement(
            USD,
            List.of(
                new Agreement.Line("1", AccountRole.RECEIVABLE, usd("100.00"), usd("100.00")),
                new Agreement.Line("2", AccountRole.RECEIVABLE, usd("50.00"), usd("40.00")),
                new Agreement.Line("2", AccountRole.CLAIMS, usd("0.00"), usd("10.00"))));

    assertThat(agreement.agrees()).isFalse();
    assertThat(agreement.apart())
        .extracting(Agreement.Line::difference)
        .containsExactly(usd("-10.00"), usd("10.00"));
    assertThat(agreement.total(AccountRole.RECEIVABLE).difference()).isEqualTo(usd("-10.00"));
  }
}

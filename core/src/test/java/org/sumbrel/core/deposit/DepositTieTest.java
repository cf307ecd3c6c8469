package org.sumbrel.core.deposit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.sumbrel.core.Books.TODAY;
import static org.sumbrel.core.Books.USD;
import static org.sumbrel.core.Books.usd;
import static org.sumbrel.core.deposit.DepositTest.deposit;
import static org.sumbrel.core.deposit.DepositTest.held;
import static org.sumbrel.core.deposit.DepositTest.line;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.joda.money.Money;
import org.junit.jupiter.api.Test;
import org.sumbrel.core.deposit.DepositLine.Kind;
import org.sumbrel.core.money.MoneySum;
import org.sumbrel.core.receivables.PaidBy;

class DepositTieTest {

  private static InTransit transit(String id, String amount) {
    var deposit = deposit(List.of(held("r" + id, PaidBy.CASH, amount)));
    return new InTransit(id, "", deposit.total(), deposit);
  }

  private static BankCredit shown(String id, String amount) {
    return new BankCredit(id, TODAY, usd(amount), "");
  }

  @Test
  void letsTheBankShowADepositInPartsAndSeveralAsOne() {
    var part =
        DepositTie.of(List.of(transit("d", "100.00")), List.of(shown("e", "60.00")), List.of());
    assertThat(part.of("d")).isEqualTo(usd("60.00"));
    var both =
        DepositTie.of(
            List.of(transit("d1", "100.00"), transit("d2", "50.00")),
            List.of(shown("e", "150.00")),
            List.of());
    assertThat(both.parts())
        .containsExactly(
            new DepositTie.Part("d1", "e", usd("100.00")),
            new DepositTie.Part("d2", "e", usd("50.00")));
  }

  @Test
  void refusesADifferenceThatNothingExplains() {
    var one = List.of(transit("d", "4310.00"));
    var more = List.of(shown("e", "4400.00"));
    assertThatThrownBy(() -> DepositTie.of(one, more, List.of()))
        .isInstanceOf(DepositRefused.class)
        .hasMessageContaining("The bank shows 4,400.00")
        .hasMessageContaining("the deposit comes to 4,310.00")
        .hasMessageContaining("90.00 more at the bank");
    DepositTie.of(one, more, List.of(line(Kind.CASH_DIFFERENCE, "90.00")));
    // with a line the sums have to agree: a part is no explanation
    assertThatThrownBy(
            () ->
                DepositTie.of(
                    one, List.of(shown("e", "4000.00")), List.of(line(Kind.BANK_FEE, "-15.00"))))
        .hasMessageContaining("295.00 less");
  }

  /** What entries show and what deposits bring is the same, split in whatever way. */
  @Property(tries = 300)
  void sharesEveryCentOut(@ForAll Random random) {
    var deposits = new ArrayList<InTransit>();
    var total = 0L;
    for (var n = 0; n <= random.nextInt(4); n++) {
      var minor = 1 + random.nextInt(50_000);
      total += minor;
      deposits.add(transit("d" + n, Money.ofMinor(USD, minor).getAmount().toPlainString()));
    }
    var entries = new ArrayList<BankCredit>();
    for (var left = total; left > 0; ) {
      var minor = random.nextInt(3) == 0 ? left : 1 + (long) (random.nextDouble() * (left - 1));
      entries.add(
          shown("e" + entries.size(), Money.ofMinor(USD, minor).getAmount().toPlainString()));
      left -= minor;
    }
    var tie = DepositTie.of(deposits, entries, List.of());
    for (var deposit : deposits) {
      assertThat(tie.of(deposit.id())).isEqualTo(deposit.left());
    }
    for (var entry : entries) {
      var parts = tie.parts().stream().filter(p -> p.entryId().equals(entry.id())).toList();
      assertThat(MoneySum.of(USD, parts, DepositTie.Part::amount)).isEqualTo(entry.amount());
    }
    assertThat(tie.parts()).allMatch(p -> p.amount().isPositive());
  }
}

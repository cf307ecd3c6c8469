package org.sumbrel.core.receivables;

import static org.assertj.core.api.Assertions.assertThat;
import static org.sumbrel.core.Books.TODAY;
import static org.sumbrel.core.Books.USD;
import static org.sumbrel.core.Books.usd;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.joda.money.Money;
import org.junit.jupiter.api.Test;
import org.sumbrel.core.receivables.CustomerStatement.Movement;

/** What moved on a customer's account, with its running balance. */
class CustomerStatementTest {

  private static Movement on(int day, String text, String amount) {
    return new Movement(LocalDate.of(2026, 4, day), text, usd(amount), null);
  }

  /**
   * The three-column account of a customer as textbooks draw it, with the balance after each entry.
   * Source: the scheme of Wood and Sangster, Business Accounting 1, chapter on balancing off
   * accounts (three-column accounts), recalled from memory; the figures and days are ours, added up
   * by hand.
   */
  @Test
  void carriesTheBalanceAsATextbookAccountDoes() {
    var all =
        List.of(
            on(1, "Sales", "200.00"),
            on(11, "Sales", "50.00"),
            on(15, "Bank", "-180.00"),
            on(19, "Sales", "75.00"),
            on(30, "Bank", "-150.00"));
    var whole = CustomerStatement.of(USD, all, LocalDate.of(2026, 4, 1), TODAY);
    assertThat(whole.opening()).isEqualTo(usd("0.00"));
    assertThat(whole.lines())
        .extracting(l -> l.balance().getAmount().toString())
        .containsExactly("200.00", "250.00", "70.00", "145.00", "-5.00");
    assertThat(whole.closing()).isEqualTo(usd("-5.00"));
    assertThat(whole.charged()).isEqualTo(usd("325.00"));
    assertThat(whole.credited()).isEqualTo(usd("330.00"));

    var later =
        CustomerStatement.of(USD, all, LocalDate.of(2026, 4, 12), LocalDate.of(2026, 4, 29));
    assertThat(later.opening()).isEqualTo(usd("250.00"));
    assertThat(later.lines()).extracting(l -> l.movement().text()).containsExactly("Bank", "Sales");
    assertThat(later.closing()).isEqualTo(usd("145.00"));
  }

  /** Wherever a row of movements is cut, one statement ends with what the next begins with. */
  @Property(tries = 300)
  void followsOnTheOneBefore(
      @ForAll Random random,
      @ForAll @IntRange(max = 30) int count,
      @ForAll @IntRange(max = 60) int cut) {
    var all = new ArrayList<Movement>();
    for (var n = 0; n < count; n++) {
      all.add(
          new Movement(
              TODAY.minusDays(random.nextInt(60)),
              "m" + n,
              Money.ofMinor(
                  USD, random.nextInt(2) == 0 ? 1 + random.nextInt(900) : -1 - random.nextInt(900)),
              null));
    }
    var day = TODAY.minusDays(cut);
    var first = CustomerStatement.of(USD, all, LocalDate.EPOCH, day.minusDays(1));
    var second = CustomerStatement.of(USD, all, day, TODAY);
    assertThat(second.opening()).isEqualTo(first.closing());
    assertThat(first.lines().size() + second.lines().size()).isEqualTo(count);
    var sum = Money.zero(USD);
    for (var movement : all) {
      sum = sum.plus(movement.amount());
    }
    assertThat(second.closing()).isEqualTo(sum);
    assertThat(second.opening().plus(second.charged()).minus(second.credited())).isEqualTo(sum);
  }
}

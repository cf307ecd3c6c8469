package org.sumbrel.core.propose;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.sumbrel.core.Books.usd;

import java.util.Optional;
import org.joda.money.Money;
import org.junit.jupiter.api.Test;
import org.sumbrel.core.propose.UnattendedRule.Arrived;
import org.sumbrel.core.receivables.PaidBy;

class UnattendedRuleTest {

  private static final Optional<String> ANY = Optional.empty();
  private static final Optional<PaidBy> ANYHOW = Optional.empty();

  private static Arrived arrived(
      String amount, Standing standing, String customer, String account, PaidBy method) {
    return new Arrived(usd(amount), standing, Optional.ofNullable(customer), account, method);
  }

  private static Arrived clear(String amount, String customer, String account, PaidBy method) {
    return arrived(amount, Standing.CLEAR, customer, account, method);
  }

  @Test
  void coversOneCustomerUpToTheAmountItself() {
    var rule = new UnattendedRule(Optional.of("c1"), ANY, ANYHOW, usd("500.00"));
    assertThat(rule.covers(clear("500.00", "c1", "b1", PaidBy.CARD))).isTrue();
    assertThat(rule.covers(clear("500.01", "c1", "b1", PaidBy.CARD))).isFalse();
    assertThat(rule.covers(clear("10.00", "c2", "b1", PaidBy.CARD))).isFalse();
  }

  @Test
  void coversOneBankAccountOrOneMethodWhoeverPaid() {
    var account = new UnattendedRule(ANY, Optional.of("b1"), ANYHOW, usd("500.00"));
    assertThat(account.covers(clear("10.00", "c1", "b1", PaidBy.CARD))).isTrue();
    assertThat(account.covers(clear("10.00", "c1", "b2", PaidBy.CARD))).isFalse();
    var method = new UnattendedRule(ANY, ANY, Optional.of(PaidBy.CHEQUE), usd("500.00"));
    assertThat(method.covers(clear("10.00", "c2", "b2", PaidBy.CHEQUE))).isTrue();
    assertThat(method.covers(clear("10.00", "c2", "b2", PaidBy.TRANSFER))).isFalse();
  }

  @Test
  void coversNothingThatIsNotClearOrIsNobodysOrIsOtherMoney() {
    var rule = new UnattendedRule(ANY, Optional.of("b1"), ANYHOW, usd("500.00"));
    for (var standing : Standing.values()) {
      assertThat(rule.covers(arrived("10.00", standing, "c1", "b1", PaidBy.CARD)))
          .as(standing.name())
          .isEqualTo(standing == Standing.CLEAR);
    }
    assertThat(rule.covers(clear("10.00", null, "b1", PaidBy.CARD))).isFalse();
    var euros =
        new Arrived(Money.parse("EUR 10.00"), Standing.CLEAR, Optional.of("c1"), "b1", PaidBy.CARD);
    assertThat(rule.covers(euros)).isFalse();
  }

  @Test
  void isForExactlyOneOfTheThreeAndSomeAmount() {
    assertThatThrownBy(() -> new UnattendedRule(ANY, ANY, ANYHOW, usd("1.00")))
        .hasMessageContaining("0 are given");
    assertThatThrownBy(
            () -> new UnattendedRule(Optional.of("c"), Optional.of("b"), ANYHOW, usd("1.00")))
        .hasMessageContaining("2 are given");
    assertThatThrownBy(() -> new UnattendedRule(Optional.of("c"), ANY, ANYHOW, usd("0.00")))
        .hasMessageContaining("no amount");
  }
}

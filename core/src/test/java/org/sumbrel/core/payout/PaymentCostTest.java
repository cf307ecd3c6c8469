package org.sumbrel.core.payout;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.junit.jupiter.api.Test;
import org.sumbrel.core.settle.FeeTerms;

class PaymentCostTest {

  private static Money usd(String amount) {
    return Money.of(CurrencyUnit.USD, new BigDecimal(amount));
  }

  /** By hand: 2.9 % and 0.30 of 100.00 are 3.20; half of the sale given back leaves its fee. */
  @Test
  void isTheShareOfTheSales() {
    var fee = FeeTerms.parse("2.9 % + 0.30", CurrencyUnit.USD).of(usd("100.00"));
    assertThat(new PaymentCost(usd("100.00"), fee).percent()).contains(new BigDecimal("3.20"));
    assertThat(new PaymentCost(usd("300.00"), usd("10.00")).percent())
        .contains(new BigDecimal("3.33"));
    assertThat(new PaymentCost(usd("80.00"), usd("10.00")).percent())
        .contains(new BigDecimal("12.50"));
  }

  @Test
  void isNoShareOfNothing() {
    assertThat(new PaymentCost(usd("0.00"), usd("12.72")).percent()).isEmpty();
  }
}

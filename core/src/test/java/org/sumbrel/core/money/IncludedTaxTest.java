package org.sumbrel.core.money;

import static org.assertj.core.api.Assertions.assertThat;
import static org.sumbrel.core.Books.usd;

import java.math.BigDecimal;
import org.junit.jupiter.api.Test;

class IncludedTaxTest {

  /**
   * Source: the VAT fraction of HM Revenue and Customs' VAT guide (Notice 700): at 20 % the tax in
   * an amount that includes it is one sixth. Recalled from memory.
   */
  @Test
  void isTheSixthOfAnAmountAtTwentyPerCent() {
    assertThat(IncludedTax.in(usd("120.00"), BigDecimal.valueOf(20))).isEqualTo(usd("20.00"));
    assertThat(IncludedTax.in(usd("100.00"), BigDecimal.valueOf(20))).isEqualTo(usd("16.67"));
  }

  @Test
  void keepsTheSignAndRoundsHalfUp() {
    assertThat(IncludedTax.in(usd("-100.00"), BigDecimal.valueOf(20))).isEqualTo(usd("-16.67"));
    assertThat(IncludedTax.in(usd("0.03"), BigDecimal.valueOf(20))).isEqualTo(usd("0.01"));
    assertThat(IncludedTax.in(usd("55.00"), BigDecimal.ZERO)).isEqualTo(usd("0.00"));
  }
}

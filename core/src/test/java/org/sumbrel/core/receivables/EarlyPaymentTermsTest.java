package org.sumbrel.core.receivables;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.sumbrel.core.Books.usd;

import java.math.BigDecimal;
import java.time.LocalDate;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class EarlyPaymentTermsTest {

  private static final LocalDate ISSUED = LocalDate.of(2026, 5, 1);
  private final EarlyPaymentTerms terms = EarlyPaymentTerms.parse("2/10 net 30");

  /**
   * Source: Kieso, Weygandt and Warfield, Intermediate Accounting, chapter on cash and receivables:
   * sales of 10,000 on 2/10, n/30, of which 4,000 are paid within the discount period (discount 80,
   * cash 3,920) and 6,000 after it. Recalled from memory.
   */
  @Test
  void grantsTheTextbookDiscountOnThePartPaidInTime() {
    assertThat(terms.earned(usd("4000.00"), ISSUED, ISSUED.plusDays(10), 0))
        .isEqualTo(usd("80.00"));
    assertThat(terms.earned(usd("6000.00"), ISSUED, ISSUED.plusDays(11), 0)).isEqualTo(usd("0.00"));
  }

  /**
   * Source: the formula for the cost of trade credit in Brigham and Houston, Fundamentals of
   * Financial Management: 36.7 % for 2/10 net 30 with 360 days to a year, 37.2 % with 365. Figures
   * recalled from memory, the first also in the project's list of known checks.
   */
  @Test
  void costsWhatTheTextbookSaysNotToTake() {
    assertThat(terms.yearlyCostOfNotTaking(360)).isEqualTo(new BigDecimal("36.7"));
    assertThat(terms.yearlyCostOfNotTaking(365)).isEqualTo(new BigDecimal("37.2"));
  }

  @Test
  void countsTheDaysOfGrace() {
    assertThat(terms.earned(usd("100.00"), ISSUED, ISSUED.plusDays(13), 3)).isEqualTo(usd("2.00"));
    assertThat(terms.earned(usd("100.00"), ISSUED, ISSUED.plusDays(14), 3)).isEqualTo(usd("0.00"));
  }

  @Test
  void roundsHalfUpToTheCent() {
    assertThat(terms.earned(usd("0.25"), ISSUED, ISSUED, 0)).isEqualTo(usd("0.01"));
    assertThat(terms.earned(usd("0.24"), ISSUED, ISSUED, 0)).isEqualTo(usd("0.00"));
  }

  @ParameterizedTest
  @ValueSource(strings = {"2/10 net 30", "2/10, n/30", "2/10 n30", " 2 / 10 NET 30 "})
  void readsTheTermsAsPeopleWriteThem(String written) {
    assertThat(EarlyPaymentTerms.parse(written)).hasToString("2/10 net 30");
  }

  @ParameterizedTest
  @ValueSource(
      strings = {"", "net 30", "2/40 net 30", "0/10 net 30", "2 % 10 days", "100/10 net 30"})
  void refusesWhatIsNoTerms(String written) {
    assertThatThrownBy(() -> EarlyPaymentTerms.parse(written))
        .isInstanceOf(IllegalArgumentException.class);
  }
}

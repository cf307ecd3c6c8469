package org.sumbrel.core.settle;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.sumbrel.core.Books.USD;
import static org.sumbrel.core.Books.usd;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class FeeTermsTest {

  /** Common practice, no source: a percentage of the payment and a fixed part, rounded half-up. */
  @ParameterizedTest
  @CsvSource({
    "18.00, 500.00, 18.00",
    "2.9 %, 100.00, 2.90",
    "2.9 % + 0.30, 100.00, 3.20",
    "1.5% 0.25, 33.00, 0.75"
  })
  void reckonTheFee(String written, String gross, String fee) {
    assertThat(FeeTerms.parse(written, USD).of(usd(gross))).isEqualTo(usd(fee));
  }

  @Test
  void readBackWhatTheyWrite() {
    for (var written : new String[] {"18.00", "2.9 %", "2.9 % + 0.30"}) {
      assertThat(FeeTerms.parse(written, USD)).hasToString(written);
    }
  }

  @ParameterizedTest
  @ValueSource(strings = {"", "abc", "-3", "2.9 % + 0.305", "2.9 % of it"})
  void refuseWhatIsNoFee(String written) {
    assertThatThrownBy(() -> FeeTerms.parse(written, USD))
        .isInstanceOf(IllegalArgumentException.class);
  }
}

package org.sumbrel.core.tieout;

import static org.assertj.core.api.Assertions.assertThat;
import static org.sumbrel.core.Books.usd;

import org.junit.jupiter.api.Test;

class CentTrailTest {

  @Test
  void isWholeWhereEveryCentIsSomewhere() {
    var trail =
        new CentTrail(
            usd("130.00"),
            usd("60.00"),
            usd("15.00"),
            usd("5.00"),
            usd("2.50"),
            usd("7.50"),
            usd("30.00"),
            usd("10.00"));
    assertThat(trail.whole()).isTrue();
  }

  @Test
  void saysWhatIsMissingAndWhatIsCountedTwice() {
    var missing =
        new CentTrail(
            usd("100.00"),
            usd("60.00"),
            usd("0"),
            usd("0"),
            usd("0"),
            usd("0"),
            usd("0"),
            usd("39.99"));
    assertThat(missing.whole()).isFalse();
    assertThat(missing.gap()).isEqualTo(usd("0.01"));
    var twice =
        new CentTrail(
            usd("100.00"),
            usd("60.00"),
            usd("0"),
            usd("0"),
            usd("0"),
            usd("0"),
            usd("0"),
            usd("60.00"));
    assertThat(twice.gap()).isEqualTo(usd("-20.00"));
  }
}

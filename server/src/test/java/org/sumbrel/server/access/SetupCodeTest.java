package org.sumbrel.server.access;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.server.ApiTest;

/** The one-time code of the first administrator. */
@ApiTest
@Transactional
class SetupCodeTest {

  @Autowired private SetupCode codes;

  @Test
  void isTakenOnceHoweverItIsTyped() {
    var code = codes.renew();
    assertThat(code).matches("[A-HJ-NP-Z2-9]{4}(-[A-HJ-NP-Z2-9]{4}){2}");
    assertThat(codes.takes("AAAA-AAAA-AAAA")).isFalse();
    assertThat(codes.takes("")).isFalse();
    assertThat(codes.takes(" " + code.toLowerCase().replace("-", " "))).isTrue();
    assertThat(codes.takes(code)).isFalse();
  }

  @Test
  void isReplacedByTheNextOne() {
    var first = codes.renew();
    var second = codes.renew();
    assertThat(codes.takes(first)).isFalse();
    assertThat(codes.takes(second)).isTrue();
  }
}

package org.sumbrel.core.receivables;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.CharRange;
import net.jqwik.api.constraints.LongRange;
import net.jqwik.api.constraints.StringLength;
import org.iban4j.IbanUtil;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class StructuredReferencesTest {

  /** Source: ISO 11649:2009, annex B, example RF18 5390 0754 7034. */
  @Test
  void acceptsThePublishedCreditorReference() {
    assertThat(CreditorReference.parse("RF18 5390 0754 7034"))
        .map(CreditorReference::value)
        .contains("RF18539007547034");
    assertThat(CreditorReference.around("539007547034").value()).isEqualTo("RF18539007547034");
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "RF19 5390 0754 7034",
        "RF18 5390 0754 7043",
        "RF18",
        "18539007547034",
        "RF18 5390-0754"
      })
  void refusesAReferenceThatIsNotOne(String printed) {
    assertThat(CreditorReference.parse(printed)).isEmpty();
  }

  /**
   * Every single wrong character and every swap of neighbours is found: what ISO 7064 promises of
   * MOD 97-10.
   */
  @Property
  void findsOneWrongDigit(
      @ForAll @CharRange(from = '0', to = '9') @StringLength(min = 4, max = 18) String body,
      @ForAll Random random) {
    var good = CreditorReference.around(body).value();
    var at = 4 + random.nextInt(body.length());
    var wrong = (good.charAt(at) - '0' + 1 + random.nextInt(9)) % 10;
    var bad = good.substring(0, at) + wrong + good.substring(at + 1);
    assertThat(CreditorReference.parse(bad)).isEmpty();
  }

  /** Source: ISO 13616-1 and its registry of examples by country. */
  @ParameterizedTest
  @ValueSource(
      strings = {
        "GB82 WEST 1234 5698 7654 32", "DE89 3704 0044 0532 0130 00",
            "FR14 2004 1010 0505 0001 3M02 606",
        "BE68 5390 0754 7034", "CH93 0076 2011 6238 5295 7", "NO93 8601 1117 947"
      })
  void acceptsThePublishedAccountNumbers(String printed) {
    assertThat(Iban.parse(printed)).isPresent();
    var last = printed.length() - 1;
    assertThat(Iban.parse(printed.substring(0, last) + (printed.charAt(last) == '1' ? '2' : '1')))
        .isEmpty();
  }

  /** Compared with an independent library, on account numbers with right and wrong check digits. */
  @Property
  void agreesWithAnIndependentReader(
      @ForAll @LongRange(min = 0, max = 9_999_999_999L) long account,
      @ForAll @LongRange(min = 0, max = 99) long check) {
    var iban = "DE%02d37040044%010d".formatted(check, account);
    assertThat(Iban.parse(iban).isPresent()).isEqualTo(IbanUtil.isValid(iban));
  }
}

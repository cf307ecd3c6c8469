package org.sumbrel.core.receivables;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.CharRange;
import net.jqwik.api.constraints.IntRange;
import net.jqwik.api.constraints.LongRange;
import net.jqwik.api.constraints.StringLength;
import org.apache.commons.validator.routines.checkdigit.ABANumberCheckDigit;
import org.apache.commons.validator.routines.checkdigit.LuhnCheckDigit;
import org.iban4j.IbanUtil;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
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

  /**
   * Sources: SIX, Swiss Implementation Guidelines for the QR-bill (example reference); Finance
   * Finland, Forming a Finnish reference number (123456 has the check digit 1); Febelfin,
   * structured communication 090/9337/55493; the Norwegian ones worked by hand from the rule of
   * Bits' KID specification. The examples are recalled from memory.
   */
  @ParameterizedTest
  @CsvSource({
    "SWISS, 210000000003139471430009017",
    "FINNISH, 1234561",
    "BELGIAN, 090933755493",
    "KID_MOD10, 2345676",
    "KID_MOD11, 12345678903"
  })
  void acceptsThePublishedNationalReferences(ReferenceScheme scheme, String reference) {
    assertThat(scheme.holds(reference)).isTrue();
    var last = reference.length() - 1;
    for (var digit = '0'; digit <= '9'; digit++) {
      var other = reference.substring(0, last) + digit;
      assertThat(scheme.holds(other)).isEqualTo(other.equals(reference));
    }
  }

  /**
   * Sources: Federal Reserve, E-Payments Routing Directory (Boston 011000015, New York 021000018);
   * ISO/IEC 7812-1, annex B, by way of the usual example 79927398713. Recalled from memory.
   */
  @Test
  void reckonsThePublishedRoutingAndCardNumbers() {
    assertThat(CheckDigit.aba("01100001")).isEqualTo(5);
    assertThat(CheckDigit.aba("02100001")).isEqualTo(8);
    assertThat(CheckDigit.luhn("7992739871")).isEqualTo(3);
  }

  /** Compared with an independent library. */
  @Property
  void agreesWithIndependentCheckDigits(
      @ForAll @LongRange(min = 10_000_000, max = 99_999_999) long eight) throws Exception {
    var digits = String.valueOf(eight);
    assertThat(CheckDigit.aba(digits))
        .hasToString(ABANumberCheckDigit.ABAN_CHECK_DIGIT.calculate(digits));
    assertThat(CheckDigit.luhn(digits))
        .hasToString(LuhnCheckDigit.LUHN_CHECK_DIGIT.calculate(digits));
  }

  /** Modulo 10 recursive and modulo 97 find every single wrong digit. */
  @Property
  void findsOneWrongDigitOfANationalReference(
      @ForAll @CharRange(from = '0', to = '9') @StringLength(26) String body,
      @ForAll @IntRange(max = 25) int at) {
    var good = body + CheckDigit.mod10Recursive(body);
    var ten = body.substring(0, 10);
    var belgian = ten + "%02d".formatted(CheckDigit.belgian97(ten));
    assertThat(ReferenceScheme.SWISS.holds(good)).isTrue();
    assertThat(ReferenceScheme.BELGIAN.holds(belgian)).isTrue();
    assertThat(ReferenceScheme.SWISS.holds(oneMore(good, at))).isFalse();
    assertThat(ReferenceScheme.BELGIAN.holds(oneMore(belgian, at % 10))).isFalse();
  }

  private static String oneMore(String digits, int at) {
    return digits.substring(0, at) + (digits.charAt(at) - '0' + 1) % 10 + digits.substring(at + 1);
  }
}

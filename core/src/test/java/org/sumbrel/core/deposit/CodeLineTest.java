package org.sumbrel.core.deposit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;

/**
 * Code lines of American cheques. The routing numbers 111000025 and 021000021 are published ones
 * (the first is the worked example of the check digit in many descriptions of the ABA routing
 * transit number); both are from memory, as are the placements of ANSI X9.100-160.
 */
class CodeLineTest {

  @Test
  void readsThePersonalChequeWithItsNumberBehindTheAccount() {
    assertThat(CodeLine.parse("⑆111000025⑆ 1234567890⑈ 0101"))
        .isEqualTo(new CodeLine("111000025", "1234567890", "101"));
    assertThat(CodeLine.parse("T111000025T 123-456-7890U 0101"))
        .isEqualTo(new CodeLine("111000025", "1234567890", "101"));
  }

  @Test
  void readsTheBusinessChequeWithItsNumberInFront() {
    assertThat(CodeLine.parse("⑈002214⑈ ⑆021000021⑆ 7712004434⑈"))
        .isEqualTo(new CodeLine("021000021", "7712004434", "2214"));
  }

  @Test
  void readsTheNumberBeforeTheAccountAndLeavesTheAmountAside() {
    assertThat(CodeLine.parse("t021000021t 0371  7712004434u"))
        .isEqualTo(new CodeLine("021000021", "7712004434", "371"));
    assertThat(CodeLine.parse("⑆021000021⑆ 7712004434⑈ 371 ⑇0000064000⑇"))
        .isEqualTo(new CodeLine("021000021", "7712004434", "371"));
  }

  @Test
  void saysWhichDigitARoutingNumberWouldHaveToEndWith() {
    assertThatThrownBy(() -> CodeLine.parse("⑆111000026⑆ 1⑈"))
        .isInstanceOf(CodeLine.Unreadable.class)
        .hasMessageContaining("111000026")
        .hasMessageContaining("end with 5");
    assertThatThrownBy(() -> CodeLine.parse("⑆11100002⑆ 1⑈"))
        .hasMessageContaining("has nine digits")
        .hasMessageContaining("has 8");
    assertThatThrownBy(() -> CodeLine.parse("1234567890"))
        .hasMessageContaining("no routing number between two transit symbols");
  }

  /** 3, 7 and 1 share no divisor with 10, so that no single misread digit goes unseen. */
  @Property(tries = 300)
  void noSingleMisreadDigitOfARoutingNumberGoesUnseen(
      @ForAll @IntRange(max = 99_999_999) int eight,
      @ForAll @IntRange(max = 8) int place,
      @ForAll @IntRange(min = 1, max = 9) int by) {
    var front = "%08d".formatted(eight);
    var number = front + org.sumbrel.core.receivables.CheckDigit.aba(front);
    CodeLine.requireRouting(number);
    var misread = new StringBuilder(number);
    misread.setCharAt(place, (char) ('0' + (number.charAt(place) - '0' + by) % 10));
    assertThatThrownBy(() -> CodeLine.requireRouting(misread.toString()))
        .isInstanceOf(CodeLine.Unreadable.class);
  }
}

package org.sumbrel.formats.table;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.junit.jupiter.api.Test;
import org.sumbrel.core.money.MoneyText;
import org.sumbrel.core.receivables.RemittanceAdvice;
import org.sumbrel.formats.AnyFile;
import org.sumbrel.formats.BrokenFile;
import org.sumbrel.formats.FileContent;
import org.sumbrel.formats.Format;

/** Remittance advice as a list: one document a line, several payments a file. */
class RemittanceTableTest {

  private static FileContent read(String text) throws BrokenFile {
    return AnyFile.read(text.getBytes(StandardCharsets.UTF_8));
  }

  @Test
  void linesOfOnePaymentAreOneAdvice() throws Exception {
    var content =
        read(
            """
            Payment number;Payment date;Invoice number;Amount paid;Discount taken;Deduction;Deduction reason;Currency
            P-1;28.05.2026;LM-1;1.225,70;25,00;;;USD
            P-1;28.05.2026;LM-2;1.600,00;;-50,00;torn sacks;USD
            P-2;29.05.2026;LM-3;9,00;;;;USD
            """);
    assertThat(content.format()).isEqualTo(Format.REMITTANCE_CSV);
    assertThat(content.remittances())
        .extracting(RemittanceAdvice::trace)
        .containsExactly("P-1", "P-2");
    var first = content.remittances().get(0);
    assertThat(first.total()).hasToString("USD 2825.70");
    assertThat(first.items().get(0).discount()).hasToString("USD 25.00");
    assertThat(first.items().get(1).adjustment()).hasToString("USD -50.00");
    assertThat(first.items().get(1).reason()).isEqualTo("torn sacks");
  }

  @Test
  void aTotalThatDiffersIsToldAndTwoTotalsAreWrong() throws Exception {
    var head = "trace,reference,amount,total,currency\n";
    assertThat(read(head + "T1,A-1,5.00,6.00,USD\n").problems().get(0).message())
        .isEqualTo("the items of the advice add up to 5.00, the payment is 6.00");
    assertThatThrownBy(() -> read(head + "T1,A-1,5.00,6.00,USD\nT1,A-2,5.00,7.00,USD\n"))
        .isInstanceOf(BrokenFile.class)
        .hasMessageContaining("6.00 and as 7.00");
  }

  @Test
  void aLineWithoutADocumentOrAnAmountIsWrong() {
    assertThatThrownBy(() -> read("trace,reference,amount,currency\nT1,,5.00,USD\n"))
        .isInstanceOf(BrokenFile.class);
    assertThatThrownBy(() -> read("trace,reference,amount,currency\nT1,A-1,5.x,USD\n"))
        .isInstanceOf(BrokenFile.class);
  }

  /** What is written under our headings is read back as it was, to the cent. */
  @Property(tries = 100)
  void ourOwnListIsReadBack(@ForAll long seed) throws Exception {
    var random = new Random(seed);
    var list = OwnList.of("trace", "reference", "amount", "currency");
    var references = new ArrayList<String>();
    var sum = Money.zero(CurrencyUnit.USD);
    for (var n = 0; n < random.nextInt(1, 20); n++) {
      var reference = List.of("=A", "-7", "x;y", "\"q\"", "LM ", "é").get(random.nextInt(6)) + n;
      var amount = Money.ofMinor(CurrencyUnit.USD, random.nextInt(-9_999, 99_999));
      references.add(reference);
      sum = sum.plus(amount);
      list.row("T-" + (seed & 15), reference, MoneyText.plain(amount), "USD");
    }
    var advice = AnyFile.read(list.bytes()).remittances().get(0);
    assertThat(advice.items()).extracting(i -> i.reference()).isEqualTo(references);
    assertThat(advice.sum()).isEqualTo(sum);
  }
}

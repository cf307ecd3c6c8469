package org.sumbrel.formats.remittance;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import org.joda.money.CurrencyUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.sumbrel.formats.BrokenFile;

/** What people paste out of mails: a document and an amount on each line. */
class PastedAdviceTest {

  private static List<String> lines(String text, CurrencyUnit currency) throws BrokenFile {
    return PastedAdvice.read(text, currency).items().stream()
        .map(i -> i.reference() + " " + i.amount().getAmount())
        .toList();
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "LM-0020448  1,225.70 | LM-0020448 1225.70",
        "LM-0020448; 12.05.2026; 1.225,70 EUR | LM-0020448 1225.70",
        "Invoice 4711 of 2026-05-01: $ 1 225.70 | 4711 1225.70",
        "CN-0007  (84.10) | CN-0007 -84.10",
        "CN-0007  84.10- | CN-0007 -84.10",
        "RE/2026/17 gross 100.00 less 2.00 paid 98.00 | RE/2026/17 98.00",
        "PO-7731 3 pallets 9.50 | PO-7731 9.50"
      })
  void aLineIsADocumentAndTheLastAmount(String line, String read) throws Exception {
    assertThat(lines(line, CurrencyUnit.USD)).containsExactly(read);
  }

  @Test
  void passesOverWhatStandsAroundAndReadsTheSum() throws Exception {
    var read =
        PastedAdvice.read(
            "Dear all,\n\nwe have paid today (payment 77120):\nA-1 10.00\nA-2 20.00\nTotal: 30.00\n\nregards",
            CurrencyUnit.USD);
    assertThat(read.items()).hasSize(2);
    assertThat(read.total()).hasValueSatisfying(t -> assertThat(t).hasToString("USD 30.00"));
  }

  @Test
  void aCurrencyWithoutDecimals() throws Exception {
    assertThat(lines("A-1 12,000", CurrencyUnit.JPY)).containsExactly("A-1 12000");
  }

  @Test
  void namesEachLineThatCannotBeRead() {
    assertThatThrownBy(() -> PastedAdvice.read("A-1 10.00\nA-2\n 20.00", CurrencyUnit.USD))
        .isInstanceOfSatisfying(
            BrokenFile.class,
            broken ->
                assertThat(broken.problems()).extracting(p -> p.line()).containsExactly(2, 3));
    for (var text : List.of("", "hello", "x".repeat(2_000), "A-1 1.00\n".repeat(2_001))) {
      assertThatThrownBy(() -> PastedAdvice.read(text, CurrencyUnit.USD))
          .isInstanceOf(BrokenFile.class);
    }
  }
}

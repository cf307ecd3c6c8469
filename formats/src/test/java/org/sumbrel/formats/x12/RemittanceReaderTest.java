package org.sumbrel.formats.x12;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.sumbrel.core.money.MoneyText;
import org.sumbrel.formats.AnyFile;
import org.sumbrel.formats.BrokenFile;
import org.sumbrel.formats.FileBytes;
import org.sumbrel.formats.FileContent;
import org.sumbrel.formats.Format;
import org.sumbrel.formats.TestFiles;

/**
 * Remittance advice as X12 820. The layout of the segments (ASC X12 004010: BPR, TRN, N1, ENT, RMR,
 * ADX) is from memory, and the advice made up after it; no published example was at hand.
 */
class RemittanceReaderTest {

  private static final String ADVICE = TestFiles.text("x12/advice-820.edi");

  private static FileContent read(String text) throws BrokenFile {
    return AnyFile.read(text.getBytes(StandardCharsets.UTF_8));
  }

  @Test
  void readsThePaymentItsTraceAndWhatIsPaidOfEachDocument() throws Exception {
    var content = read(ADVICE);
    assertThat(content.format()).isEqualTo(Format.X12_820);
    assertThat(content.problems()).isEmpty();
    assertThat(content.remittances()).hasSize(1);
    var advice = content.remittances().get(0);
    assertThat(advice.trace()).isEqualTo("021000089340112");
    assertThat(advice.date()).contains(LocalDate.of(2026, 5, 29));
    assertThat(advice.payerName()).isEqualTo("Thistlebrook School Kitchens");
    assertThat(advice.total()).hasToString("USD 2741.60");
    assertThat(advice.items()).hasSize(3);
    var discounted = advice.items().get(0);
    assertThat(discounted.reference()).isEqualTo("LM-0020448");
    assertThat(MoneyText.plain(discounted.amount())).isEqualTo("1225.70");
    assertThat(MoneyText.plain(discounted.discount())).isEqualTo("25.00");
    var adjusted = advice.items().get(1);
    assertThat(MoneyText.plain(adjusted.adjustment())).isEqualTo("-50.00");
    assertThat(adjusted.reason()).isEqualTo("01 torn sacks");
    assertThat(MoneyText.plain(advice.items().get(2).amount())).isEqualTo("-84.10");
  }

  @Test
  void readsItOnOneLineWithOtherSeparatorsAndInAnotherCurrency() throws Exception {
    var text =
        ADVICE
            .replace("\n", "")
            .replace("TRN*1", "CUR*PR*EUR~TRN*1")
            .replace("SE*13*", "SE*14*")
            .replace('*', '|')
            .replace('~', '\'');
    var content = read(text);
    assertThat(content.problems()).isEmpty();
    assertThat(content.remittances().get(0).total()).hasToString("EUR 2741.60");
  }

  @Test
  void withoutACurrencyTheAccountsCounts() throws Exception {
    var content =
        AnyFile.read(
            FileBytes.of(ADVICE.getBytes(StandardCharsets.UTF_8)), Optional.of(CurrencyUnit.CAD));
    assertThat(content.remittances().get(0).total().getCurrencyUnit()).isEqualTo(CurrencyUnit.CAD);
  }

  @Test
  void anAdjustmentBeforeAnyDocumentStandsForItself() throws Exception {
    var content =
        read(
            ADVICE
                .replace("ENT*1~\n", "ENT*1~\nADX*-100*AA**rebate of May~\n")
                .replace("2741.60", "2641.60")
                .replace("SE*13*", "SE*14*"));
    assertThat(content.problems()).isEmpty();
    var first = content.remittances().get(0).items().get(0);
    assertThat(first.reference()).isEqualTo("rebate of May");
    assertThat(MoneyText.plain(first.adjustment())).isEqualTo("-100.00");
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "BPR*C*2741.60|BPR*C*2751.60|add up to 2,741.60, the payment is 2,751.60",
        "SE*13*|SE*12*|contradicts the envelope",
        "GE*1*17|GE*2*17|contradicts the envelope",
        "IEA*1*000000017|IEA*1*000000018|contradicts the envelope"
      })
  void whatContradictsItselfIsReadAndTold(String right, String wrong, String reason)
      throws Exception {
    assertThat(ADVICE).contains(right);
    var content = read(ADVICE.replace(right, wrong));
    assertThat(content.remittances()).hasSize(1);
    assertThat(content.problems()).anyMatch(p -> p.message().contains(reason));
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "BPR*C*2741.60|BPR*C*much|segment 4 (BPR): \"much\"",
        "BPR*C*2741.60*C|BPR*C**C|no BPR with the amount",
        "**1600*1650|**1600.001*1650|decimal digits",
        "**1600*1650|**1e9*1650|segment 12 (RMR)",
        "RMR*IV*LM-0020479|RMR*IV*|no number",
        "4410027719*20260529|4410027719*20261329|is not a date",
        "ADX*-50*|ADX**|no amount"
      })
  void namesTheSegmentThatIsWrong(String right, String wrong, String reason) {
    assertThat(ADVICE).contains(right);
    assertThatThrownBy(() -> read(ADVICE.replace(right, wrong)))
        .isInstanceOf(BrokenFile.class)
        .hasMessageContaining(reason);
  }

  @Test
  void cutOffAnywhereNothingOfItIsRead() {
    var text = ADVICE.strip();
    for (var length = 108; length < text.length() - 1; length += 11) {
      var cut = text.substring(0, length);
      assertThatThrownBy(() -> read(cut)).isInstanceOf(BrokenFile.class);
    }
  }

  @Test
  void otherTransactionSetsBesideAreToldAndPassedOver() throws Exception {
    var content =
        read(
            ADVICE.replace(
                "GE*1*17", "ST*997*0002~\nAK1*RA*17~\nAK9*A*1*1*1~\nSE*4*0002~\nGE*2*17"));
    assertThat(content.remittances()).hasSize(1);
    assertThat(content.problems())
        .anyMatch(p -> p.message().contains("transaction set 997 is passed over"));
  }

  /**
   * The order of the set's segments, from the table of an independent parser: Debian package
   * libx12-parser-perl 0.80, {@code cf/820_004010X061.cf}. There CUR is the "Non-US Dollars
   * Currency" and may be missing, so that without it dollars are meant.
   */
  private static final List<String> ORDER =
      List.of("ST", "BPR", "TRN", "CUR", "REF", "DTM", "N1", "N2", "N3", "N4", "PER", "ENT", "RMR");

  @Test
  void ourSamplesKeepTheOrderOfAnIndependentTable() throws Exception {
    for (var sample :
        List.of(
            ADVICE, Files.readString(Path.of("../examples/thistlebrook-advice-2026-05-29.edi")))) {
      var header =
          sample
              .lines()
              .map(line -> line.substring(0, line.indexOf('*')))
              .dropWhile(tag -> !tag.equals("ST"))
              .takeWhile(tag -> !tag.equals("RMR"))
              .map(ORDER::indexOf)
              .toList();
      assertThat(header).doesNotContain(-1).isSorted();
      assertThat(read(sample).remittances()).hasSize(1);
      assertThat(read(sample).problems()).isEmpty();
    }
    assertThat(read(ADVICE).remittances().get(0).total().getCurrencyUnit())
        .isEqualTo(CurrencyUnit.USD);
  }
}

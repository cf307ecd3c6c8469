package org.sumbrel.formats.mt;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.sumbrel.formats.TestFiles.amounts;
import static org.sumbrel.formats.TestFiles.only;
import static org.sumbrel.formats.TestFiles.read;
import static org.sumbrel.formats.TestFiles.sentences;

import com.prowidesoftware.swift.model.mt.mt9xx.MT940;
import java.time.LocalDate;
import org.joda.money.Money;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.sumbrel.formats.AnyFile;
import org.sumbrel.formats.BrokenFile;
import org.sumbrel.formats.Format;
import org.sumbrel.formats.TestFiles;
import org.sumbrel.formats.statement.EntryStatus;
import org.sumbrel.formats.statement.StatementEntry;

class MtReaderTest {

  private static String statement(String movements, String closing) {
    return ":20:X1\n:25:10020030/1234567\n:28C:14/1\n:60F:C260528EUR1000,\n"
        + movements
        + ":62F:C260529EUR"
        + closing
        + "\n-\n";
  }

  private static StatementEntry only61(String movement, String closing) throws BrokenFile {
    var entries = only(read(statement(movement, closing))).entries();
    assertThat(entries).hasSize(1);
    return entries.get(0);
  }

  /**
   * Source: SWIFT User Handbook, Category 9, the example of an MT940 (account 123-304958, opening
   * EUR 3,723,495, nine movements), written down from memory; the closing balance is the one that
   * its movements come to.
   */
  @Test
  void readsTheHandbooksExample() throws Exception {
    var content = AnyFile.read(TestFiles.bytes("mt/handbook-example.940"));

    assertThat(content.format()).isEqualTo(Format.MT940);
    assertThat(content.problems()).isEmpty();
    var statement = only(content);
    assertThat(statement.account()).isEqualTo("123-304958");
    assertThat(statement.sequence()).contains(123);
    assertThat(amounts(statement))
        .containsExactly(
            "-1.20",
            "30.20",
            "-250.00",
            "-450.00",
            "-500.00",
            "-1058.47",
            "-2500.00",
            "-3840.00",
            "-5000.00");
    assertThat(statement.entries().get(1).checkNumber()).isEqualTo("78911");
    assertThat(statement.entries().get(1).entryId()).isEqualTo("123464");
    assertThat(statement.entries().get(3).remittance()).isEqualTo("FAVOUR K. DESMID");
    assertThat(statement.entries().get(3).details().get(0).endToEnd()).isEqualTo("494933/DEV");
  }

  /** The same movements as the message that pw-swift-core makes of the whole text by itself. */
  @Test
  void readsLikeTheLibraryReadsTheWholeMessage() throws Exception {
    var text = TestFiles.text("mt/handbook-example.940");
    var message =
        MT940.parse(
            "{1:F01AAAABBXXAXXX0000000000}{2:I940AAAABBXXXXXXN}{4:\n" + text.replace("-\n", "-}"));
    var fields = message.getField61();
    var ours = only(read(text)).entries();
    assertThat(fields).hasSameSizeAs(ours);
    for (var n = 0; n < ours.size(); n++) {
      assertThat(fields.get(n).getAmountAsBigDecimal())
          .isEqualByComparingTo(ours.get(n).amount().abs().getAmount());
      assertThat(fields.get(n).getDebitCreditMark())
          .isEqualTo(ours.get(n).amount().isNegative() ? "D" : "C");
      assertThat(fields.get(n).getReferenceOfTheAccountServicingInstitution())
          .isEqualTo(ours.get(n).entryId());
    }
    assertThat(message.getField62F().getAmountAsBigDecimal())
        .isEqualByComparingTo(only(read(text)).closing().orElseThrow().amount().getAmount());
  }

  @Test
  void readsNumberedSubFieldsWithTheirSepaWords() throws Exception {
    var entry =
        only61(
            ":61:2605290529C20,50NTRFNONREF//B1\n"
                + ":86:166?00GUTSCHRIFT?20EREF+E-77?21SVWZ+INV 20418 AND INV 204?2219?30BANKDEFF\n"
                + "?31DE89370400440532013000?32CAFE TAMARISK?33LIMITED?34000?22ABWA+OSKAR\n",
            "1020,5");
    assertThat(entry.payerName()).isEqualTo("CAFE TAMARISK LIMITED");
    assertThat(entry.payerAccount()).isEqualTo("DE89370400440532013000");
    assertThat(entry.remittance()).isEqualTo("INV 20418 AND INV 204 19");
    assertThat(entry.bankText()).isEqualTo("GUTSCHRIFT");
    assertThat(entry.details().get(0).endToEnd()).isEqualTo("E-77");
    assertThat(entry.details().get(0).ultimatePayer()).isEqualTo("OSKAR");
  }

  @Test
  void aFullSubFieldGoesOnInTheNext() throws Exception {
    var entry =
        only61(
            ":61:2605290529C20,50NTRFNONREF//B1\n"
                + ":86:166?20123456789012345678901234567?2189 REST\n",
            "1020,5");
    assertThat(entry.remittance()).isEqualTo("12345678901234567890123456789 REST");
  }

  @Test
  void readsWordsBetweenSlashes() throws Exception {
    var entry =
        only61(
            ":61:2605290529C20,50NTRFABC//B1\n"
                + ":86:/TRTP/SEPA OVERBOEKING/IBAN/NL02ABNA0123456789/BIC/ABNANL2A/NAME/OSKAR\n"
                + "/REMI/INV 7/EREF/E9\n",
            "1020,5");
    assertThat(entry.payerName()).isEqualTo("OSKAR");
    assertThat(entry.payerAccount()).isEqualTo("NL02ABNA0123456789");
    assertThat(entry.remittance()).isEqualTo("INV 7");
    assertThat(entry.details().get(0).endToEnd()).isEqualTo("E9");
  }

  @Test
  void keepsFreeTextWhole() throws Exception {
    var entry =
        only61(
            ":61:2605290529C20,50NTRFABC//B1\n:86:INVOICE 20418 OSKAR / DAUGHTERS\nTHANK YOU\n",
            "1020,5");
    assertThat(entry.remittance()).isEqualTo("INVOICE 20418 OSKAR / DAUGHTERS THANK YOU");
  }

  @ParameterizedTest
  @CsvSource({
    "C,20.50,false,1020.5,BOOKED",
    "D,-20.50,false,979.5,BOOKED",
    "RC,-20.50,true,979.5,BOOKED",
    "RD,20.50,true,1020.5,BOOKED",
    "CR,20.50,false,1020.5,BOOKED",
    "EC,20.50,false,1000,PENDING"
  })
  void takesTheDirectionFromTheMark(
      String mark, String amount, boolean reversal, String closing, EntryStatus status)
      throws Exception {
    var content =
        read(statement(":61:2605290529" + mark + "20,50NTRFX//B1\n", closing.replace('.', ',')));
    assertThat(content.problems()).isEmpty();
    var entry = only(content).entries().get(0);
    assertThat(entry.amount()).isEqualTo(Money.parse("EUR " + amount));
    assertThat(entry.reversal()).isEqualTo(reversal);
    assertThat(entry.status()).isEqualTo(status);
  }

  @Test
  void readsSeveralStatementsWithAndWithoutBlocks() throws Exception {
    var one = statement(":61:260529C1,NTRFX//B1\n", "1001,");
    assertThat(read(one + one.replace("1234567", "7654321")).accounts()).hasSize(2);
    var blocks =
        "{1:F01AAAABBXXAXXX0000000000}{2:O9401200260529AAAABBXXAXXX00000000002605291200N}{4:\r\n"
            + one.replace("-\n", "-}").replace("\n", "\r\n")
            + "{5:{CHK:123456789ABC}}";
    assertThat(read(blocks + blocks).accounts()).hasSize(2);
  }

  /** The booking day has no year: it is the one nearest to the value date. */
  @Test
  void findsTheYearOfTheBookingDay() throws Exception {
    var entry = only61(":61:2601020101D1,NTRFX//B1\n", "999,");
    assertThat(entry.bookingDate()).isEqualTo(LocalDate.of(2026, 1, 1));
    var before = only61(":61:2601021231D1,NTRFX//B1\n", "999,");
    assertThat(before.bookingDate()).isEqualTo(LocalDate.of(2025, 12, 31));
    var leap = only61(":61:2402290229D1,NTRFX//B1\n", "999,");
    assertThat(leap.bookingDate()).isEqualTo(LocalDate.of(2024, 2, 29));
  }

  @Test
  void readsInterimReportsAndHoldsThemAgainstTheirTotals() throws Exception {
    var report =
        ":20:X1\n:25:1234567\n:28C:14/1\n:34F:EUR0,\n:13D:2605291200+0200\n:61:260529C10,NTRFX//B1\n"
            + ":61:260529D4,NTRFX//B2\n:90D:1EUR4,\n:90C:2EUR10,\n-\n";
    var content = read(report);
    assertThat(content.format()).isEqualTo(Format.MT942);
    assertThat(only(content).whole()).isFalse();
    assertThat(amounts(only(content))).containsExactly("10.00", "-4.00");
    assertThat(sentences(content))
        .singleElement()
        .asString()
        .contains("claims 2 credits", "holds 1");
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        ":61:26052XC1,NTRFX//B1|is not a date",
        ":61:2605320529C1,NTRFX//B1|is not a date",
        ":61:2605299999C1,NTRFX//B1|entry date",
        ":61:260529X1,NTRFX//B1|marks",
        ":61:260529C1e9,NTRFX//B1|amount",
        ":61:260529C1,005NTRFX//B1|decimal digits",
        ":61:junk|is not a date"
      })
  void namesLineAndReasonOfWhatItCannotRead(String movement, String reason) {
    assertThatThrownBy(() -> read(statement(movement + "\n", "1000,")))
        .isInstanceOfSatisfying(
            BrokenFile.class,
            broken ->
                assertThat(broken.problems())
                    .anySatisfy(
                        p -> {
                          assertThat(p.line()).isEqualTo(5);
                          assertThat(p.message()).contains(reason);
                        }));
  }

  @Test
  void saysWhereItIsCutOffOrDoesNotAddUp() throws Exception {
    var whole = statement(":61:260529C1,NTRFX//B1\n", "1001,");
    assertThatThrownBy(() -> read(whole.substring(0, whole.indexOf(":62F"))))
        .hasMessageContaining("cut off");
    assertThat(sentences(read(whole.replace("1001,", "1002,"))))
        .singleElement()
        .asString()
        .contains("1,000.00", "1.00", "1,002.00");
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "/NAME/ACME GMBH/REMI/INV 1",
        "166/NAME/ACME GMBH/REMI/INV 1",
        "/EREF/E1/ORDP/NAME/ACME GMBH/ADDR/X/REMI/USTD//INV 1",
        "/TRCD/100/CNTP/DE89370400440532013000/COBADEFFXXX/ACME GMBH///REMI/USTD//INV 1/",
        "/TRCD/100/CNTP/DE89370400440532013000/ACME GMBH/REMI/INV 1",
        "/CNTP///ACME GMBH/REMI/INV 1",
        "166?00CREDIT?20/EREF/E1?21/NAME/ACME GMBH?22/REMI/INV 1"
      })
  void findsTheNameAmongTheWords(String information) throws Exception {
    var entry = only61(":61:2605290529C10,00NTRFNONREF\n:86:" + information + "\n", "1010,");
    assertThat(entry.payerName()).isEqualTo("ACME GMBH");
    assertThat(entry.remittance()).isEqualTo("INV 1");
  }

  /** A slash in a free text begins no word. */
  @Test
  void leavesAFreeTextAsItIs() throws Exception {
    var entry =
        only61(":61:2605290529C10,00NTRFNONREF\n:86:INVOICES 12 AND 14 /NAME/ NO\n", "1010,");
    assertThat(entry.payerName()).isEmpty();
    assertThat(entry.remittance()).isEqualTo("INVOICES 12 AND 14 /NAME/ NO");
  }

  @Test
  void refusesAMovementWithoutAnAmount() {
    assertThatThrownBy(() -> read(statement(":61:2605290529CNTRFNONREF\n", "1000,")))
        .hasMessageContaining("amount");
  }

  @Test
  void listsInformationWithoutAMovement() throws Exception {
    var file = statement(":61:2605290529C10,00NTRFNONREF\n:86:A\n:86:INV 2 OF FORNO\n", "1010,");
    assertThat(sentences(read(file))).singleElement().asString().contains(":86:", ":61:");
  }
}

package org.sumbrel.formats.ofx;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.tuple;

import java.io.IOException;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.sumbrel.core.money.MoneyText;
import org.sumbrel.formats.AnyFile;
import org.sumbrel.formats.BrokenFile;
import org.sumbrel.formats.Format;

class OfxReaderTest {

  private static String file(String name) throws IOException {
    try (var in = OfxReaderTest.class.getResourceAsStream("/ofx/" + name)) {
      return new String(in.readAllBytes(), StandardCharsets.UTF_8);
    }
  }

  private static String statement(String transactions) {
    return "OFXHEADER:100\nDATA:OFXSGML\nVERSION:102\nENCODING:UTF-8\n\n<OFX><BANKMSGSRSV1><STMTTRNRS><STMTRS><CURDEF>USD"
        + "<BANKACCTFROM><BANKID>1<ACCTID>77<ACCTTYPE>CHECKING</BANKACCTFROM><BANKTRANLIST>\n"
        + transactions
        + "\n</BANKTRANLIST></STMTRS></STMTTRNRS></BANKMSGSRSV1></OFX>\n";
  }

  private static String transaction(String date, String amount, String id, String rest) {
    return "<STMTTRN><TRNTYPE>CREDIT<DTPOSTED>"
        + date
        + "<TRNAMT>"
        + amount
        + "<FITID>"
        + id
        + rest
        + "</STMTTRN>\n";
  }

  private static org.sumbrel.formats.FileContent read(String text) throws BrokenFile {
    return AnyFile.read(text.getBytes(StandardCharsets.UTF_8));
  }

  /**
   * Source: Open Financial Exchange specification 1.0.2 and 2.1.1, section 11 "Banking", example of
   * a statement download response (account 999988, cheque 1000 of 200.00, cash withdrawal of
   * 300.00, ledger balance 200.29); in SGML and in XML.
   */
  @ParameterizedTest
  @ValueSource(strings = {"specification-1.ofx", "specification-2.ofx"})
  void readsTheSpecificationsExample(String name) throws Exception {
    var content = read(file(name));

    assertThat(content.format()).isEqualTo(Format.OFX);
    assertThat(content.problems()).isEmpty();
    var account = content.accounts().get(0);
    assertThat(account.account()).isEqualTo("999988");
    assertThat(account.currency().getCode()).isEqualTo("USD");
    assertThat(account.closing())
        .hasValueSatisfying(
            closing -> {
              assertThat(MoneyText.plain(closing.amount())).isEqualTo("200.29");
              assertThat(closing.date()).isEqualTo(LocalDate.of(2005, 10, 29));
            });
    assertThat(account.entries())
        .extracting(
            e -> e.entryId(),
            e -> e.bookingDate().toString(),
            e -> MoneyText.plain(e.amount()),
            e -> e.checkNumber())
        .containsExactly(
            tuple("00002", "2005-10-04", "-200.00", "1000"),
            tuple("00003", "2005-10-20", "-300.00", ""));
  }

  @Test
  void readsNamesTextsAndAccountsWithTheirSpecialCharacters() throws Exception {
    var content =
        read(
            statement(
                transaction(
                    "20260528120000.000[-5:EST]",
                    "+1420,5",
                    "F1",
                    "<REFNUM>R9<NAME>OSKAR &amp; DAUGHTERS"
                        + "<BANKACCTTO><BANKID>2<ACCTID>5544<ACCTTYPE>CHECKING</BANKACCTTO><MEMO>INV 20418 &lt;MAY&gt; CAFÉ")));
    assertThat(content.accounts().get(0).entries())
        .singleElement()
        .satisfies(
            e -> {
              assertThat(MoneyText.plain(e.amount())).isEqualTo("1420.50");
              assertThat(e.bookingDate()).isEqualTo(LocalDate.of(2026, 5, 28));
              assertThat(e.payerName()).isEqualTo("OSKAR & DAUGHTERS");
              assertThat(e.payerAccount()).isEqualTo("5544");
              assertThat(e.bankReference()).isEqualTo("R9");
              assertThat(e.remittance()).isEqualTo("INV 20418 <MAY> CAFÉ");
            });
  }

  @Test
  void readsTheCharacterSetThatTheHeaderNames() throws Exception {
    var text =
        statement(transaction("20260528", "1.00", "F1", "<NAME>CAFÉ TAMARISK"))
            .replace("ENCODING:UTF-8", "ENCODING:USASCII\nCHARSET:1252");
    var content = AnyFile.read(text.getBytes(Charset.forName("windows-1252")));
    assertThat(content.accounts().get(0).entries().get(0).payerName()).isEqualTo("CAFÉ TAMARISK");
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "20260528|12.3x|F1|8|12.3x",
        "2026-05|12.30|F1|8|2026-05",
        "20261328|12.30|F1|8|20261328",
        "20260528|12.345|F1|8|decimal digits",
        "20260528|12.30||8|FITID"
      })
  void namesLineAndReasonOfWhatItCannotRead(
      String date, String amount, String id, int line, String reason) {
    var text =
        statement(
            transaction("20260527", "5.00", "F0", "")
                + transaction(date, amount, id == null ? "" : id, ""));
    assertThatThrownBy(() -> read(text))
        .isInstanceOfSatisfying(
            BrokenFile.class,
            broken ->
                assertThat(broken.problems())
                    .anySatisfy(
                        p -> {
                          assertThat(p.line()).isEqualTo(line);
                          assertThat(p.message()).contains(reason);
                        }));
  }

  @Test
  void saysWhereAFileIsCutOff() throws Exception {
    var whole = file("specification-1.ofx");
    assertThatThrownBy(() -> read(whole.substring(0, whole.length() - 200)))
        .isInstanceOf(BrokenFile.class)
        .hasMessageContaining("cut off");
  }

  @Test
  void countsARepeatedTransactionOnceAndSaysSo() throws Exception {
    var content =
        read(
            statement(
                transaction("20260528", "5.00", "F1", "")
                    + transaction("20260528", "5.00", "F1", "")
                    + transaction("20260528", "7.00", "F1", "")));
    assertThat(content.accounts().get(0).entries()).hasSize(2);
    assertThat(content.problems()).extracting(p -> p.line()).containsExactly(8, 9);
  }

  @Test
  void passesOverElementsThatAreEmptyAndUnclosed() throws Exception {
    var content =
        read(statement(transaction("20260528", "5.00", "F1", "<MEMO><NAME>PIAZZA FORNO")));
    assertThat(content.accounts().get(0).entries().get(0).payerName()).isEqualTo("PIAZZA FORNO");
  }

  @Test
  void keepsABareAmpersandAsBanksWriteIt() throws Exception {
    var content =
        read(
            statement(
                transaction("20260528", "5.00", "F1", "<NAME>&AMP OSKAR & SONS<MEMO>A &amp; B")));
    assertThat(content.accounts().get(0).entries().get(0).payerName())
        .isEqualTo("&AMP OSKAR & SONS");
    assertThat(content.accounts().get(0).entries().get(0).remittance()).isEqualTo("A & B");
  }

  @Test
  void refusesNestingWithoutEnd() {
    assertThatThrownBy(() -> read("OFXHEADER:100\n<OFX>" + "<A>".repeat(100_000) + "</OFX>"))
        .isInstanceOf(BrokenFile.class)
        .hasMessageContaining("within each other");
  }

  /** Total: any file cut anywhere is read or refused with a reason, never with another failure. */
  @Property(tries = 300)
  void endsInContentOrReasonWhereverItIsDamaged(
      @ForAll @IntRange(min = 0, max = 1700) int at, @ForAll byte put) throws IOException {
    for (var name : new String[] {"specification-1.ofx", "specification-2.ofx"}) {
      var bytes = file(name).getBytes(StandardCharsets.UTF_8);
      bytes[at % bytes.length] = put;
      try {
        assertThat(AnyFile.read(bytes).accounts()).isNotNull();
      } catch (BrokenFile broken) {
        assertThat(broken.problems()).isNotEmpty();
      }
    }
  }

  /** What stands unclosed is closed by what begins behind it; nothing of it is lost. */
  @ParameterizedTest
  @ValueSource(
      strings = {"</STMTTRN>", "</BANKTRANLIST>", "</STMTRS>", "</STMTTRNRS>", "</BANKACCTFROM>"})
  void readsOnWhereAnAggregateIsNotClosed(String missing) throws Exception {
    var whole =
        statement(
            transaction("20260528", "5.00", "F1", "<NAME>FIRST")
                + transaction("20260529", "6.00", "F2", "<NAME>SECOND"));
    var account = read(whole.replace(missing, "")).accounts().get(0);
    assertThat(account.account()).isEqualTo("77");
    assertThat(account.entries())
        .extracting(e -> e.entryId(), e -> e.payerName(), e -> MoneyText.plain(e.amount()))
        .containsExactly(tuple("F1", "FIRST", "5.00"), tuple("F2", "SECOND", "6.00"));
  }

  @Test
  void readsSeveralAccountsOfBanksAndCards() throws Exception {
    var one = statement(transaction("20260528", "5.00", "F1", ""));
    var body = one.substring(one.indexOf("<STMTTRNRS>"), one.indexOf("</BANKMSGSRSV1>"));
    var card =
        "<CREDITCARDMSGSRSV1><CCSTMTTRNRS><CCSTMTRS><CURDEF>EUR<CCACCTFROM><ACCTID>4000</CCACCTFROM><BANKTRANLIST>"
            + transaction("20260528", "-7.00", "F1", "")
            + "</BANKTRANLIST></CCSTMTRS></CCSTMTTRNRS></CREDITCARDMSGSRSV1>";
    var content =
        read(
            one.replace(body, body + body.replace("<ACCTID>77", "<ACCTID>78"))
                .replace("</OFX>", card + "</OFX>"));
    assertThat(content.accounts())
        .extracting(a -> a.account(), a -> a.currency().getCode(), a -> a.entries().size())
        .containsExactly(tuple("77", "USD", 1), tuple("78", "USD", 1), tuple("4000", "EUR", 1));
    assertThat(content.problems()).isEmpty();
  }

  @Test
  void passesOverInvestmentsWithAWord() throws Exception {
    var investment =
        "<INVSTMTMSGSRSV1><INVSTMTTRNRS><INVSTMTRS><CURDEF>USD<INVACCTFROM><ACCTID>99</INVACCTFROM><INVTRANLIST>"
            + "<INVBANKTRAN>"
            + transaction("20260528", "9.00", "F9", "")
            + "</INVBANKTRAN></INVTRANLIST></INVSTMTRS></INVSTMTTRNRS></INVSTMTMSGSRSV1>";
    var content =
        read(
            statement(transaction("20260528", "5.00", "F1", ""))
                .replace("</OFX>", investment + "</OFX>"));
    assertThat(content.accounts())
        .singleElement()
        .satisfies(a -> assertThat(a.entries()).hasSize(1));
    assertThat(content.problems())
        .singleElement()
        .satisfies(p -> assertThat(p.message()).contains("investment"));
  }

  @Test
  void readsPendingTransactionsApart() throws Exception {
    var pending =
        "<BANKTRANLISTP><DTASOF>20260529<STMTTRNP><TRNTYPE>CREDIT<DTTRAN>20260529<TRNAMT>9.00<NAME>SOON</STMTTRNP></BANKTRANLISTP>";
    var entries =
        read(statement(transaction("20260528", "5.00", "F1", ""))
                .replace("</BANKTRANLIST>", "</BANKTRANLIST>" + pending))
            .accounts()
            .get(0)
            .entries();
    assertThat(entries).extracting(e -> e.booked()).containsExactly(true, false);
  }

  @Test
  void readsDocumentTypesOfXmlNever() {
    assertThatThrownBy(
            () ->
                read(
                    "<?xml version=\"1.0\"?><?OFX OFXHEADER=\"200\"?><!DOCTYPE OFX [<!ENTITY x SYSTEM \"file:///etc/passwd\">]><OFX>&x;</OFX>"))
        .isInstanceOf(BrokenFile.class)
        .hasMessageContaining("document type");
  }

  @Test
  void listsATransactionThatIsNotClosed() throws Exception {
    var file =
        statement(
            transaction("20260528", "5.00", "A", "").replace("</STMTTRN>", "")
                + transaction("20260528", "6.00", "B", ""));
    var content = read(file);
    assertThat(content.accounts().get(0).entries()).hasSize(2);
    assertThat(content.problems())
        .singleElement()
        .satisfies(p -> assertThat(p.message()).contains("</STMTTRN>"));
    assertThat(
            read(statement(transaction("20260528", "5.00", "A", "").replace("</STMTTRN>", "")))
                .problems())
        .hasSize(1);
  }
}

package org.sumbrel.formats.camt;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.tuple;
import static org.sumbrel.formats.TestFiles.amounts;
import static org.sumbrel.formats.TestFiles.only;
import static org.sumbrel.formats.TestFiles.read;
import static org.sumbrel.formats.TestFiles.sentences;

import java.math.BigDecimal;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import org.joda.money.Money;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.sumbrel.formats.AnyFile;
import org.sumbrel.formats.BrokenFile;
import org.sumbrel.formats.Format;
import org.sumbrel.formats.TestFiles;
import org.sumbrel.formats.statement.EntryStatus;
import org.sumbrel.formats.statement.StatementEntry;

class CamtReaderTest {

  /** A statement of one account in EUR with these balances and entries. */
  static String statement(String inside) {
    return "<?xml version=\"1.0\" encoding=\"UTF-8\"?>\n"
        + "<Document xmlns=\"urn:iso:std:iso:20022:tech:xsd:camt.053.001.08\"><BkToCstmrStmt>"
        + "<GrpHdr><MsgId>M</MsgId><CreDtTm>2026-05-29T18:00:00</CreDtTm></GrpHdr>"
        + "<Stmt><Id>S</Id><CreDtTm>2026-05-29T18:00:00</CreDtTm>"
        + "<Acct><Id><IBAN>DE89370400440532013000</IBAN></Id><Ccy>EUR</Ccy></Acct>\n"
        + inside
        + "</Stmt></BkToCstmrStmt></Document>\n";
  }

  static String entry(String amount, String direction, String rest) {
    return "<Ntry><Amt Ccy=\"EUR\">"
        + amount
        + "</Amt><CdtDbtInd>"
        + direction
        + "</CdtDbtInd><Sts><Cd>BOOK</Cd></Sts><BookgDt><Dt>2026-05-28</Dt></BookgDt>"
        + rest
        + "</Ntry>\n";
  }

  static String transaction(String inside) {
    return "<NtryDtls><TxDtls>" + inside + "</TxDtls></NtryDtls>";
  }

  private static StatementEntry onlyEntry(String inside) throws BrokenFile {
    var entries = only(read(statement(inside))).entries();
    assertThat(entries).hasSize(1);
    return entries.get(0);
  }

  /**
   * Source: ISO 20022 Message Definition Report, Bank-to-Customer Cash Management, the business
   * example of a BankToCustomerStatement (camt.053.001.02: account 50000000054910000003, opening
   * SEK 500,000, three entries, closing SEK 435,678.50), written down from memory; the opening and
   * the entries agree with the closing. The counter value is rounded to cents here.
   */
  @Test
  void readsTheMessageDefinitionReportsExample() throws Exception {
    var content = AnyFile.read(TestFiles.bytes("camt/report-example-053.xml"));

    assertThat(content.format()).isEqualTo(Format.CAMT_053);
    assertThat(content.problems()).isEmpty();
    var statement = only(content);
    assertThat(statement.account()).isEqualTo("50000000054910000003");
    assertThat(statement.currency().getCode()).isEqualTo("SEK");
    assertThat(statement.opening().orElseThrow().amount()).isEqualTo(Money.parse("SEK 500000.00"));
    assertThat(statement.closing().orElseThrow().amount()).isEqualTo(Money.parse("SEK 435678.50"));
    assertThat(amounts(statement)).containsExactly("105678.50", "-200000.00", "30000.00");
    var first = statement.entries().get(0);
    assertThat(first.entryId()).isEqualTo("AAAASESS-FP-CN_98765/01");
    assertThat(first.bookingDate()).isEqualTo(LocalDate.of(2010, 10, 18));
    assertThat(first.payerName()).isEqualTo("MUELLER");
    assertThat(first.details().get(0).endToEnd()).isEqualTo("MUELL/FINP/RA12345");
    assertThat(statement.entries().get(2).details().get(0).exchange().orElseThrow())
        .satisfies(
            exchange -> {
              assertThat(exchange.source()).isEqualTo("EUR");
              assertThat(exchange.rate()).contains(new BigDecimal("9.2150"));
            });
  }

  @Test
  void keepsTheTransactionsOfABatchUnderItsEntry() throws Exception {
    var batch =
        onlyEntry(
            entry(
                "300.00",
                "CRDT",
                "<AcctSvcrRef>R1</AcctSvcrRef><NtryDtls><Btch><NbOfTxs>2</NbOfTxs></Btch>"
                    + "<TxDtls><Refs><EndToEndId>NOTPROVIDED</EndToEndId></Refs><Amt Ccy=\"EUR\">100.00</Amt>"
                    + "<CdtDbtInd>CRDT</CdtDbtInd><RltdPties><Dbtr><Pty><Nm>Piazza Forno</Nm></Pty></Dbtr>"
                    + "<DbtrAcct><Id><IBAN>DE02120300000000202051</IBAN></Id></DbtrAcct></RltdPties>"
                    + "<RmtInf><Ustrd>INV 1</Ustrd><Ustrd>AND 2</Ustrd></RmtInf></TxDtls>"
                    + "<TxDtls><AmtDtls><TxAmt><Amt Ccy=\"EUR\">200.00</Amt></TxAmt></AmtDtls>"
                    + "<RltdPties><Dbtr><Pty><Nm>Tamarisk</Nm></Pty></Dbtr><UltmtDbtr><Pty><Nm>Oskar</Nm></Pty></UltmtDbtr></RltdPties>"
                    + "<RmtInf><Strd><RfrdDocInf><Nb>INV 3</Nb></RfrdDocInf><RfrdDocAmt><RmtdAmt Ccy=\"EUR\">200.00</RmtdAmt></RfrdDocAmt>"
                    + "<CdtrRefInf><Ref>RF18539007547034</Ref></CdtrRefInf></Strd></RmtInf></TxDtls></NtryDtls>"));
    assertThat(batch.details())
        .extracting(
            d -> d.amount().orElseThrow().toString(), d -> d.payerName(), d -> d.remittance())
        .containsExactly(
            tuple("EUR 100.00", "Piazza Forno", "INV 1 AND 2"),
            tuple("EUR 200.00", "Tamarisk", "INV 3 200.00 RF18539007547034"));
    assertThat(batch.details().get(0).payerAccount()).isEqualTo("DE02120300000000202051");
    assertThat(batch.details().get(0).endToEnd()).isEmpty();
    assertThat(batch.payerName()).isEmpty();
    assertThat(batch.words())
        .contains("Piazza Forno", "INV 1 AND 2", "Tamarisk", "RF18539007547034", "Oskar");
  }

  @Test
  void saysWhereABatchDoesNotAddUp() throws Exception {
    var content =
        read(
            statement(
                entry(
                    "300.00",
                    "CRDT",
                    "<NtryDtls><Btch><NbOfTxs>3</NbOfTxs></Btch><TxDtls><Amt Ccy=\"EUR\">100.00</Amt></TxDtls>"
                        + "<TxDtls><Amt Ccy=\"EUR\">190.00</Amt></TxDtls></NtryDtls>")));
    assertThat(sentences(content))
        .anySatisfy(s -> assertThat(s).contains("claims 3", "lists 2"))
        .anySatisfy(s -> assertThat(s).contains("300.00", "290.00"));
    assertThat(content.problems()).allSatisfy(p -> assertThat(p.line()).isEqualTo(3));
  }

  @Test
  void aBatchWhoseBankKeptItsChargesAddsUp() throws Exception {
    var content =
        read(
            statement(
                entry(
                    "295.00",
                    "CRDT",
                    "<Chrgs><TtlChrgsAndTaxAmt Ccy=\"EUR\">5.00</TtlChrgsAndTaxAmt></Chrgs>"
                        + "<NtryDtls><TxDtls><Amt Ccy=\"EUR\">100.00</Amt></TxDtls>"
                        + "<TxDtls><Amt Ccy=\"EUR\">200.00</Amt></TxDtls></NtryDtls>")));
    assertThat(content.problems()).isEmpty();
    assertThat(only(content).entries().get(0).charges()).isEqualTo(Money.parse("EUR 5.00"));
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "<Chrgs><Amt Ccy=\"EUR\">3.00</Amt><CdtDbtInd>DBIT</CdtDbtInd></Chrgs><Chrgs><Amt Ccy=\"EUR\">2.00</Amt></Chrgs>",
        "<Chrgs><Rcrd><Amt Ccy=\"EUR\">7.00</Amt></Rcrd><Rcrd><Amt Ccy=\"EUR\">2.00</Amt><CdtDbtInd>CRDT</CdtDbtInd></Rcrd></Chrgs>",
        "<Chrgs><TtlChrgsAndTaxAmt Ccy=\"EUR\">5.00</TtlChrgsAndTaxAmt><Rcrd><Amt Ccy=\"EUR\">4.00</Amt></Rcrd></Chrgs>"
      })
  void readsChargesInTheirOldAndNewWriting(String charges) throws Exception {
    var entry = onlyEntry(entry("95.00", "CRDT", transaction(charges)));
    assertThat(entry.details().get(0).charges()).isEqualTo(Money.parse("EUR 5.00"));
  }

  @Test
  void readsWhatTheBankConverted() throws Exception {
    var entry =
        onlyEntry(
            entry(
                "90.00",
                "CRDT",
                transaction(
                    "<AmtDtls><InstdAmt><Amt Ccy=\"USD\">100.00</Amt><CcyXchg><SrcCcy>USD</SrcCcy><TrgtCcy>EUR</TrgtCcy>"
                        + "<UnitCcy>USD</UnitCcy><XchgRate>0.9</XchgRate></CcyXchg></InstdAmt></AmtDtls>")));
    var exchange = entry.details().get(0).exchange().orElseThrow();
    assertThat(exchange.instructed()).contains(Money.parse("USD 100.00"));
    assertThat(exchange.unit()).isEqualTo("USD");
    assertThat(exchange.rate()).contains(new BigDecimal("0.9"));
    assertThat(entry.details().get(0).amount()).contains(Money.parse("EUR 90.00"));
  }

  /** A credit taken back moves money from us; the other side is still the first payer. */
  @Test
  void aReversalKeepsItsPayer() throws Exception {
    var entry =
        onlyEntry(
            entry(
                "50.00",
                "DBIT",
                "<RvslInd>true</RvslInd>"
                    + transaction(
                        "<RltdPties><Dbtr><Nm>Piazza Forno</Nm></Dbtr><Cdtr><Nm>Larkstow Mill</Nm></Cdtr></RltdPties>")));
    assertThat(entry.amount()).isEqualTo(Money.parse("EUR -50.00"));
    assertThat(entry.reversal()).isTrue();
    assertThat(entry.payerName()).isEqualTo("Piazza Forno");
  }

  @Test
  void keepsPendingAndInformationalEntriesApart() throws Exception {
    var inside =
        entry("1.00", "CRDT", "")
            + entry("2.00", "CRDT", "").replace("BOOK", "PDNG")
            + entry("3.00", "CRDT", "").replace("BOOK", "INFO")
            + entry("4.00", "CRDT", "").replace("<Sts><Cd>BOOK</Cd></Sts>", "<Sts>PDNG</Sts>");
    var statement = only(read(statement(inside)));
    assertThat(statement.entries())
        .extracting(StatementEntry::status)
        .containsExactly(
            EntryStatus.BOOKED, EntryStatus.PENDING, EntryStatus.INFORMATION, EntryStatus.PENDING);
    assertThat(statement.movements()).isEqualTo(Money.parse("EUR 1.00"));
  }

  @Test
  void holdsTheFileAgainstItsOwnTotals() throws Exception {
    var content =
        read(
            statement(
                balance("OPBD", "100.00")
                    + balance("CLBD", "140.00")
                    + "<TxsSummry><TtlNtries><NbOfNtries>3</NbOfNtries><Sum>50.00</Sum></TtlNtries>"
                    + "<TtlCdtNtries><NbOfNtries>1</NbOfNtries><Sum>49.00</Sum></TtlCdtNtries></TxsSummry>\n"
                    + entry("50.00", "CRDT", "")));
    assertThat(sentences(content))
        .anySatisfy(s -> assertThat(s).contains("100.00", "50.00", "140.00", "-10.00"))
        .anySatisfy(s -> assertThat(s).contains("claims 3 entries", "holds 1"))
        .anySatisfy(s -> assertThat(s).contains("credit entries come to 49.00", "50.00"))
        .hasSize(3);
  }

  private static String balance(String type, String amount) {
    return "<Bal><Tp><CdOrPrtry><Cd>"
        + type
        + "</Cd></CdOrPrtry></Tp><Amt Ccy=\"EUR\">"
        + amount
        + "</Amt><CdtDbtInd>CRDT</CdtDbtInd><Dt><Dt>2026-05-28</Dt></Dt></Bal>";
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "10.005|CRDT|2026-05-28|decimal digits",
        "1e9999|CRDT|2026-05-28|1e9999",
        "NaN|CRDT|2026-05-28|NaN",
        "-1.00|CRDT|2026-05-28|negative",
        "1.00|PLUS|2026-05-28|PLUS",
        "1.00|CRDT|2026-02-30|2026-02-30",
        "1.00|CRDT|28.05.2026|28.05.2026"
      })
  void namesLineAndReasonOfWhatItCannotRead(
      String amount, String direction, String date, String reason) {
    var file =
        statement(
            entry("1.00", "CRDT", "") + entry(amount, direction, "").replace("2026-05-28", date));
    assertThatThrownBy(() -> read(file))
        .isInstanceOfSatisfying(
            BrokenFile.class,
            broken ->
                assertThat(broken.problems())
                    .anySatisfy(
                        p -> {
                          assertThat(p.line()).isEqualTo(4);
                          assertThat(p.message()).contains(reason);
                        }));
  }

  @Test
  void readsReportsNotificationsAndMessagesInsideAnEnvelope() throws Exception {
    var report =
        statement(entry("1.00", "CRDT", ""))
            .replace("BkToCstmrStmt", "BkToCstmrAcctRpt")
            .replace("camt.053", "camt.052")
            .replace("<Stmt>", "<Rpt>")
            .replace("</Stmt>", "</Rpt>");
    assertThat(read(report).format()).isEqualTo(Format.CAMT_052);
    assertThat(only(read(report)).whole()).isFalse();
    var notification =
        statement(entry("1.00", "CRDT", ""))
            .replace("BkToCstmrStmt", "BkToCstmrDbtCdtNtfctn")
            .replace("camt.053", "camt.054")
            .replace("<Stmt>", "<Ntfctn>")
            .replace("</Stmt>", "</Ntfctn>");
    assertThat(read(notification).format()).isEqualTo(Format.CAMT_054);
    var body = statement(entry("1.00", "CRDT", "")).replaceFirst("<\\?.*?\\?>", "");
    assertThat(
            read("<Envelope><AppHdr xmlns=\"urn:iso:std:iso:20022:tech:xsd:head.001.001.02\"><BizMsgIdr>1</BizMsgIdr></AppHdr>"
                    + body
                    + "</Envelope>")
                .accounts())
        .hasSize(1);
  }

  @ParameterizedTest
  @ValueSource(strings = {"ISO-8859-1", "UTF-16", "windows-1252"})
  void readsTheCharacterSetThatTheFileNames(String name) throws Exception {
    var file =
        statement(
                entry("1.00", "CRDT", transaction("<RmtInf><Ustrd>CAFÉ TAMARISK</Ustrd></RmtInf>")))
            .replace("UTF-8", name);
    assertThat(
            only(AnyFile.read(file.getBytes(Charset.forName(name)))).entries().get(0).remittance())
        .isEqualTo("CAFÉ TAMARISK");
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "<!DOCTYPE Document [<!ENTITY a \"aaaaaaaaaa\"><!ENTITY b \"&a;&a;&a;&a;&a;&a;&a;&a;\"><!ENTITY c \"&b;&b;&b;&b;&b;&b;\">]>",
        "<!DOCTYPE Document [<!ENTITY a SYSTEM \"file:///etc/passwd\">]>",
        "<!DOCTYPE Document SYSTEM \"http://localhost:1/evil.dtd\">"
      })
  void readsNoDocumentTypeAndFetchesNothing(String type) {
    var file = statement(entry("1.00", "CRDT", "")).replace("?>\n", "?>\n" + type);
    assertThatThrownBy(() -> read(file))
        .isInstanceOf(BrokenFile.class)
        .hasMessageContaining("document type");
  }

  @Test
  void refusesAnEntityThatIsNotXmlsOwn() {
    var file =
        statement(entry("1.00", "CRDT", transaction("<RmtInf><Ustrd>&evil;</Ustrd></RmtInf>")));
    assertThatThrownBy(() -> read(file)).isInstanceOf(BrokenFile.class);
  }

  @Test
  void tellsUnknownVersionsAndReadsThem() throws Exception {
    var content =
        read(statement(entry("1.00", "CRDT", "")).replace("camt.053.001.08", "camt.053.001.77"));
    assertThat(sentences(content)).singleElement().asString().contains("001.77");
    assertThat(only(content).entries()).hasSize(1);
  }

  @Test
  void refusesAnAmountInAnotherCurrencyThanTheAccounts() {
    var file = statement(entry("1.00", "CRDT", "")).replace("Amt Ccy=\"EUR\"", "Amt Ccy=\"USD\"");
    assertThatThrownBy(() -> read(file)).hasMessageContaining("USD").hasMessageContaining("EUR");
  }

  @Test
  void aPageOfALongerStatementHasInterimBalances() throws Exception {
    var first =
        statement(
            balance("OPBD", "100.00") + balance("ITBD", "150.00") + entry("50.00", "CRDT", ""));
    assertThat(only(read(first)).closing().orElseThrow().amount())
        .isEqualTo(Money.parse("EUR 150.00"));
    var last =
        statement(
            balance("ITBD", "150.00") + balance("CLBD", "149.00") + entry("1.00", "DBIT", ""));
    assertThat(only(read(last)).opening().orElseThrow().amount())
        .isEqualTo(Money.parse("EUR 150.00"));
    assertThat(read(last).problems()).isEmpty();
  }

  @Test
  void utf8IsReadByByte() throws Exception {
    var file =
        statement(entry("1.00", "CRDT", transaction("<RmtInf><Ustrd>😀 ok</Ustrd></RmtInf>")));
    assertThat(
            only(AnyFile.read(file.getBytes(StandardCharsets.UTF_8))).entries().get(0).remittance())
        .isEqualTo("😀 ok");
  }

  @Test
  void listsWhatIsOnlyForInformation() throws Exception {
    var entry = entry("10.00", "CRDT", "").replace("BOOK", "INFO");
    var content = read(statement(entry));
    assertThat(sentences(content)).singleElement().asString().contains("status INFO", "not booked");
    assertThat(only(content).entries().get(0).booked()).isFalse();
    assertThat(only(content).movements().isZero()).isTrue();
  }

  private static String parties(String debtor, String creditor) {
    return transaction("<RltdPties>" + debtor + creditor + "</RltdPties>");
  }

  private static String party(String side, String name, String iban) {
    return "<%1$s><Pty><Nm>%2$s</Nm></Pty></%1$s><%1$sAcct><Id><IBAN>%3$s</IBAN></Id></%1$sAcct>"
        .formatted(side, name, iban);
  }

  /** Whichever way the bank names the parties of a reversal, the other side is not the owner. */
  @ParameterizedTest
  @CsvSource({"CRDT,true", "CRDT,false", "DBIT,true", "DBIT,false"})
  void takesTheOtherSideOfAReversal(String direction, boolean ownerIsDebtor) throws Exception {
    var own = "DE89370400440532013000";
    var other = "FR1420041010050500013M02606";
    var rest =
        "<RvslInd>true</RvslInd>"
            + (ownerIsDebtor
                ? parties(party("Dbtr", "Us", own), party("Cdtr", "Oskar", other))
                : parties(party("Dbtr", "Oskar", other), party("Cdtr", "Us", own)));
    var entry = onlyEntry(entry("10.00", direction, rest));
    assertThat(entry.payerName()).isEqualTo("Oskar");
    assertThat(entry.payerAccount()).isEqualTo(other);
    assertThat(entry.reversal()).isTrue();
  }

  @ParameterizedTest
  @CsvSource({"CRDT,Dbtr", "CRDT,Cdtr", "DBIT,Dbtr", "DBIT,Cdtr"})
  void takesTheOnlySideThatAReversalNames(String direction, String side) throws Exception {
    var rest =
        "<RvslInd>true</RvslInd>"
            + transaction(
                "<RltdPties><%1$s><Pty><Nm>Oskar</Nm></Pty></%1$s></RltdPties>".formatted(side));
    assertThat(onlyEntry(entry("10.00", direction, rest)).payerName()).isEqualTo("Oskar");
  }
}

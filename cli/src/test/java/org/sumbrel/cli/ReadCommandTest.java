package org.sumbrel.cli;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.ByteArrayOutputStream;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class ReadCommandTest {

  @TempDir private Path folder;
  private final PrintStream realOut = System.out;
  private final PrintStream realErr = System.err;
  private final ByteArrayOutputStream out = new ByteArrayOutputStream();
  private final ByteArrayOutputStream err = new ByteArrayOutputStream();

  @BeforeEach
  void listen() {
    System.setOut(new PrintStream(out, true, StandardCharsets.UTF_8));
    System.setErr(new PrintStream(err, true, StandardCharsets.UTF_8));
  }

  @AfterEach
  void restore() {
    System.setOut(realOut);
    System.setErr(realErr);
  }

  private Path file(String text) throws Exception {
    return Files.writeString(folder.resolve("some.txt"), text);
  }

  @Test
  void printsOneDocumentInTheNormalForm() throws Exception {
    var path =
        file(
            "entry_id,booking_date,amount,currency,payer_name\nE1,2026-05-28,1420.5,USD,Café Tamarisk\n");
    assertThat(Sumbrel.run("read", path.toString(), "--as", "csv")).isZero();
    var document = new ObjectMapper().readTree(out.toString(StandardCharsets.UTF_8));
    assertThat(document.at("/format").asText()).isEqualTo("csv");
    var entry = document.at("/accounts/0/entries/0");
    assertThat(entry.at("/amount").asText()).isEqualTo("1420.50");
    assertThat(entry.at("/payerName").asText()).isEqualTo("Café Tamarisk");
    assertThat(entry.at("/status").asText()).isEqualTo("booked");
    assertThat(document.at("/accounts/0/opening").isNull()).isTrue();
    assertThat(err.toString(StandardCharsets.UTF_8)).isEmpty();
  }

  @Test
  void endsWithOneAndALineForEachProblem() throws Exception {
    var path =
        file("entry_id,booking_date,amount,currency\nE1,28.5.2026,1,USD\nE2,2026-05-28,x,USD\n");
    assertThat(Sumbrel.run("read", path.toString())).isEqualTo(1);
    assertThat(out.size()).isZero();
    assertThat(err.toString(StandardCharsets.UTF_8).lines())
        .hasSize(2)
        .first()
        .asString()
        .startsWith(path + ":2: ");
    assertThat(Sumbrel.run("read", folder.resolve("none").toString())).isEqualTo(1);
    assertThat(Sumbrel.run("read", file("customer_id,name\nC,D\n").toString(), "--as", "ofx"))
        .isEqualTo(1);
  }

  /** One message of camt.053, an entry of two payments, as the normal form has it. */
  @Test
  void printsABatchWithItsTransactions() throws Exception {
    var path =
        file(
            "<Document xmlns='urn:iso:std:iso:20022:tech:xsd:camt.053.001.08'><BkToCstmrStmt><Stmt><Id>S</Id>"
                + "<Acct><Id><IBAN>DE89370400440532013000</IBAN></Id><Ccy>EUR</Ccy></Acct>"
                + "<Ntry><Amt Ccy='EUR'>3.00</Amt><CdtDbtInd>CRDT</CdtDbtInd><Sts><Cd>BOOK</Cd></Sts><BookgDt><Dt>2026-05-28</Dt></BookgDt>"
                + "<NtryDtls><TxDtls><Amt Ccy='EUR'>1.00</Amt></TxDtls><TxDtls><Amt Ccy='EUR'>2.00</Amt></TxDtls></NtryDtls></Ntry>"
                + "</Stmt></BkToCstmrStmt></Document>");
    assertThat(Sumbrel.run("read", path.toString())).isZero();
    var document = new ObjectMapper().readTree(out.toString(StandardCharsets.UTF_8));
    assertThat(document.at("/format").asText()).isEqualTo("camt.053");
    assertThat(document.at("/accounts/0/entries")).hasSize(1);
    var details = document.at("/accounts/0/entries/0/details");
    assertThat(details.findValuesAsText("amount")).containsExactly("1.00", "2.00");
    assertThat(details.at("/0/charges").asText()).isEqualTo("0.00");
  }

  @Test
  void printsALockboxWithItsChequesAndWhatTheyPay() throws Exception {
    var path =
        file(
            "lockbox,batch,deposit_date,check_number,routing,account,check_amount,payer_name,reference,item_amount,batch_total,batch_count\n"
                + "4410,001,2026-05-29,2214,111000025,77000123,296.94,Three Rivers,LM-1,188.00,300.00,1\n"
                + "4410,001,2026-05-29,2214,111000025,77000123,296.94,Three Rivers,LM-2,108.94,300.00,1\n");
    assertThat(Sumbrel.run("read", path.toString(), "--currency", "USD")).isZero();
    var document = new ObjectMapper().readTree(out.toString(StandardCharsets.UTF_8));
    assertThat(document.at("/format").asText()).isEqualTo("lockbox-csv");
    var batch = document.at("/batches/0");
    assertThat(batch.at("/total").asText()).isEqualTo("300.00");
    assertThat(batch.at("/checkCount").asInt()).isEqualTo(1);
    assertThat(batch.at("/date").asText()).isEqualTo("2026-05-29");
    var cheque = batch.at("/checks/0");
    assertThat(cheque.at("/checkNumber").asText()).isEqualTo("2214");
    assertThat(cheque.at("/amount").asText()).isEqualTo("296.94");
    assertThat(cheque.at("/items").findValuesAsText("amount")).containsExactly("188.00", "108.94");
    assertThat(document.at("/problems/0/message").asText())
        .contains("says it comes to 300.00, its cheques come to 296.94");
  }

  @Test
  void readsATableByItsProfile() throws Exception {
    var profile =
        Files.writeString(
            folder.resolve("halage.yml"),
            """
            name: Halage export
            subject: statement
            separator: ";"
            character_set: windows-1252
            heading_line: 2
            headings: [Jour, Objet, Sorties, Rentrees]
            columns: { booking_date: [1], remittance: [2], debit: [3], credit: [4] }
            constants: { currency: EUR }
            dates: { booking_date: day-month-year }
            decimal_mark: ","
            pass_over_incomplete: true
            """);
    var path =
        file(
            "Banque du Halage;;;\nJour;Objet;Sorties;Rentrees\n03/04/2026;F-1;;1.420,5\n;Total;;1.420,5\n");
    assertThat(Sumbrel.run("read", path.toString())).isEqualTo(1);
    assertThat(Sumbrel.run("read", path.toString(), "--profile", profile.toString())).isZero();
    var document = new ObjectMapper().readTree(out.toString(StandardCharsets.UTF_8));
    assertThat(document.at("/accounts/0/entries/0/amount").asText()).isEqualTo("1420.50");
    assertThat(document.at("/accounts/0/entries/0/bookingDate").asText()).isEqualTo("2026-04-03");
    assertThat(document.at("/problems/0/line").asInt()).isEqualTo(4);
    Files.writeString(profile, "name: [");
    assertThat(Sumbrel.run("read", path.toString(), "--profile", profile.toString())).isEqualTo(1);
    assertThat(err.toString(StandardCharsets.UTF_8)).contains(profile + ":");
  }

  @Test
  void writesTheEntriesInAnotherFormat() throws Exception {
    var path =
        file(
            "entry_id,booking_date,amount,currency,account\nE1,2026-05-28,1420.5,USD,4410027719\n");
    assertThat(Sumbrel.run("read", path.toString(), "--to", "camt.053")).isZero();
    assertThat(out.toString(StandardCharsets.UTF_8)).contains("camt.053.001.08", "1420.50", "E1");
    assertThat(Sumbrel.run("read", path.toString(), "--to", "xlsx")).isEqualTo(2);
    assertThat(Sumbrel.run("read", file("customer_id,name\nC,D\n").toString(), "--to", "ofx"))
        .isEqualTo(1);
  }

  @Test
  void takesTheCurrencyThatIsSaidWhereTheFileIsSilent() throws Exception {
    var path = file("Date,Amount\n2026-05-28,5.00\n").toString();
    assertThat(Sumbrel.run("read", path)).isEqualTo(1);
    assertThat(Sumbrel.run("read", path, "--currency", "EUR")).isZero();
    assertThat(out.toString(StandardCharsets.UTF_8)).contains("\"EUR\"");
    assertThat(Sumbrel.run("read", path, "--currency", "XXQ")).isEqualTo(2);
  }

  @Test
  void endsWithTwoWhereTheCallIsWrong() {
    assertThat(Sumbrel.run("read")).isEqualTo(2);
    assertThat(Sumbrel.run("weave")).isEqualTo(2);
  }
}

package org.sumbrel.server.intake;

import static org.assertj.core.api.Assertions.assertThat;
import static org.sumbrel.server.TestBooks.expect;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.concurrent.Executors;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.context.TestPropertySource;
import org.springframework.test.web.servlet.MockMvc;
import org.sumbrel.server.ApiTest;
import org.sumbrel.server.Clerk;
import org.sumbrel.server.Clerk.Answer;

/**
 * Files taken in through the API: once, as a whole, or not at all. On books of their own, because
 * what other tests put on the account may be the same day and amount, and so known.
 */
@ApiTest
@TestPropertySource(properties = "sumbrel.test.books=intake")
class IntakeApiTest {

  private static final String HEAD =
      "entry_id,booking_date,amount,currency,payer_name,remittance\n";

  @Autowired private MockMvc web;
  private Clerk maren;
  private String account;

  @BeforeEach
  void sitDown() {
    maren = Clerk.maren(web);
    account =
        "?bankAccount=" + maren.get("/api/me").body().at("/companies/0/bankAccounts/0/id").asText();
  }

  private String state() {
    return maren.get("/api/flow").body() + " " + maren.get("/api/trial-balance").body();
  }

  @Test
  void customersBringTheirTermsAndHowTheirMoneyIsApplied() {
    var head = "customer_id,name,parent_id,payer_account,terms,oldest_first\n";
    expect(
        201,
        maren.drop(
            "c.csv", head + "CT1,Zqterms Bakery,,,2/10 net 30,yes\nCT2,Zqterms Branch,CT1,,,no\n"));
    expect(
        201,
        maren.drop(
            "i.csv",
            "number,customer_id,issue_date,due_date,currency,total,terms\n"
                + "CT-1,CT1,2026-05-20,2026-06-19,USD,100.00,\n"
                + "CT-2,CT1,2026-05-20,2026-06-19,USD,100.00,3/5 net 30\n"
                + "CT-3,CT2,2026-05-20,2026-06-19,USD,100.00,\n"));
    var id = maren.get("/api/customers?q=Zqterms Bakery").body().at("/rows/0/id").asLong();
    var account = maren.get("/api/customers/" + id).body();
    assertThat(account.at("/oldestFirst").asBoolean()).isTrue();
    assertThat(account.at("/branches").toString()).contains("Zqterms Branch");
    var items = maren.get("/api/open-items?q=CT-").body().at("/rows");
    assertThat(items.findValuesAsText("terms")).containsExactly("2/10 net 30", "3/5 net 30", "");
    // a list that is silent about them changes neither
    expect(201, maren.drop("c2.csv", "customer_id,name\nCT1,Zqterms Bakery\n"));
    assertThat(maren.get("/api/customers/" + id).body().at("/oldestFirst").asBoolean()).isTrue();
    assertThat(maren.drop("c3.csv", head + "CT1,Zqterms Bakery,,,,perhaps\n").text("/detail"))
        .contains("\"perhaps\" is neither yes nor no");
  }

  @Test
  void whatWasKnownIsListedWithTheFileThatBroughtIt() {
    var account =
        "?bankAccount=" + maren.get("/api/me").body().at("/companies/0/bankAccounts/1/id").asText();
    var head = "entry_id,booking_date,amount,currency,payer_name\n";
    var one = "KN1,2025-07-01,10.00,USD,Wren\nKN2,2025-07-01,11.00,USD,Lark\n";
    expect(201, maren.drop("first.csv", head + one, account));
    var second =
        expect(
                201,
                maren.drop("second.csv", head + one + "KN3,2025-07-01,12.00,USD,Finch\n", account))
            .body();
    var known = maren.get("/api/intakes/" + second.at("/id").asLong() + "/known").body();
    assertThat(known.findValuesAsText("title")).containsExactly("Wren", "Lark");
    assertThat(known.findValuesAsText("fileName")).containsOnly("first.csv");
    var records = maren.get("/api/intakes/" + second.at("/id").asLong() + "/records").body();
    assertThat(records.at("/rows").findValuesAsText("title")).containsExactly("Finch");
  }

  @Test
  void takesTheDaysStatementOnceAndTheSameFileChangesNothing() throws Exception {
    // in a month of its own: a statement tells of all movements of its days, so one that another
    // check has brought with the same day and amount would rightly be one of them
    var file =
        Files.readString(Path.of("../examples/larkstow-operating-2026-05-29.ofx"))
            .replace("202605", "202405");
    var first = expect(201, maren.drop("day.ofx", file)).body();
    assertThat(first.at("/fresh").asInt()).isEqualTo(first.at("/records").asInt()).isEqualTo(37);
    var state = state();
    var second = expect(201, maren.drop("copy of day.ofx", file)).body();
    assertThat(second.at("/fresh").asInt()).isZero();
    assertThat(second.at("/known").asInt()).isEqualTo(37);
    assertThat(second.at("/sameAs").asText()).isEqualTo("day.ofx");
    assertThat(state()).isEqualTo(state);
    assertThat(maren.get("/api/cent-trail").body().at("/whole").asBoolean()).isTrue();
    var standings = maren.get("/api/entries").body().at("/standings");
    assertThat(standings.findValuesAsText("standing"))
        .containsExactly("CLEAR", "TORN", "LEANING", "BLANK");
  }

  @Test
  void takesOnlyWhatIsNewOfAnOverlappingFile() {
    expect(
        201,
        maren.drop(
            "a.csv", HEAD + "OV1,2026-05-27,10.00,USD,A,\nOV2,2026-05-27,11.00,USD,B,\n", account));
    var answer =
        expect(
            201,
            maren.drop(
                "b.csv",
                HEAD + "OV2,2026-05-27,12.00,USD,B,\nOV3,2026-05-28,13.00,USD,C,\n",
                account));
    assertThat(answer.body().at("/fresh").asInt()).isEqualTo(1);
    assertThat(answer.body().at("/known").asInt()).isEqualTo(1);
    assertThat(answer.body().at("/problems/0").asText())
        .contains("11.00", "12.00", "the known one stays");
    assertThat(maren.get("/api/cent-trail").body().at("/whole").asBoolean()).isTrue();
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "BR1,2026-05-27,10.00,USD,A,;BR2,27.5.2026,11.00,USD,B,|Line 3: booking_date",
        "BR1,2026-05-27,10.00,EUR,A,|in EUR"
      })
  void keepsNothingOfABrokenFile(String rows, String reason) {
    var state = state();
    var answer = maren.drop("broken.csv", HEAD + rows.replace(";", "\n") + "\n", account);
    assertThat(answer.status()).isEqualTo(422);
    assertThat(answer.text("/code")).isEqualTo("BROKEN_FILE");
    assertThat(answer.text("/detail")).contains("Nothing of this file was kept", reason);
    assertThat(state()).isEqualTo(state);
  }

  @Test
  void saysWhoseAccountAStatementIsFor() throws Exception {
    var file = Files.readString(Path.of("../examples/larkstow-operating-2026-05-29.ofx"));
    var other = maren.get("/api/me").body().at("/companies/1/id").asText();
    var answer = maren.drop("day.ofx", file, "?company=" + other);
    assertThat(answer.text("/detail")).contains("4410027719", "belongs to Larkstow Mill Ltd");
    var unsure = maren.drop("x.csv", HEAD + "UN1,2026-05-27,10.00,USD,A,\n");
    assertThat(unsure.text("/detail")).contains("choose one");
    var profile =
        maren.drop("x.csv", HEAD + "UN1,2026-05-27,10.00,USD,A,\n", account + "&profile=mine");
    assertThat(profile.status()).isEqualTo(404);
    assertThat(profile.text("/detail")).contains("mine");
  }

  @Test
  void takesNewInvoicesAndCustomersWithTheirJournalEntries() throws Exception {
    expect(201, maren.drop("c.csv", Files.readString(Path.of("../examples/new-customers.csv"))));
    var file = Files.readString(Path.of("../examples/new-invoices.csv"));
    assertThat(expect(201, maren.drop("i.csv", file)).body().at("/fresh").asInt()).isEqualTo(4);
    assertThat(expect(201, maren.drop("i.csv", file)).body().at("/known").asInt()).isEqualTo(4);
    assertThat(maren.get("/api/trial-balance").body().at("/balanced").asBoolean()).isTrue();
    assertThat(maren.get("/api/journal-entries?q=LM-0020702").body().at("/rows")).hasSize(1);
  }

  @Test
  void takesAUblInvoiceForTheCustomerThatItNames() {
    var ubl =
        "<Invoice xmlns='urn:oasis:names:specification:ubl:schema:xsd:Invoice-2'><ID>UBL-1</ID><IssueDate>2026-05-04</IssueDate>"
            + "<DueDate>2026-06-03</DueDate><DocumentCurrencyCode>USD</DocumentCurrencyCode><AccountingCustomerParty><Party>"
            + "<PartyName><Name>Ublstone Cafe</Name></PartyName></Party></AccountingCustomerParty><LegalMonetaryTotal>"
            + "<PayableAmount currencyID='USD'>88.20</PayableAmount></LegalMonetaryTotal></Invoice>";
    var unknown = maren.drop("invoice.xml", ubl);
    assertThat(unknown.status()).isEqualTo(422);
    assertThat(unknown.text("/detail")).contains("nobody is called \"Ublstone Cafe\"");
    expect(201, maren.drop("c.csv", "customer_id,name\nUBLC,Ublstone Cafe\n"));
    assertThat(expect(201, maren.drop("invoice.xml", ubl)).body().at("/format").asText())
        .isEqualTo("ubl-invoice");
    var item = maren.get("/api/open-items?q=UBL-1").body().at("/rows/0");
    assertThat(item.at("/open/amount").asText()).isEqualTo("88.20");
    assertThat(item.at("/customerName").asText()).isEqualTo("Ublstone Cafe");
    expect(201, maren.drop("c.csv", "customer_id,name\nUBLD,Ublstone cafe\n"));
    assertThat(maren.drop("other.xml", ubl.replace("UBL-1", "UBL-2")).text("/detail"))
        .contains("are all called", "UBLC", "UBLD");
  }

  @Test
  void takesTheSameFileOnceWhenItComesTwiceAtTheSameMoment() throws Exception {
    var pool = Executors.newFixedThreadPool(3);
    for (var round = 0; round < 6; round++) {
      var text = new StringBuilder(HEAD);
      for (var n = 0; n < 50; n++) {
        text.append("SIM").append(round).append("-").append(n).append(",2026-05-27,1");
        text.append(round).append(".00,USD,A,\n");
      }
      Callable<Answer> drop = () -> maren.drop("twice.csv", text.toString(), account);
      var fresh = new ArrayList<Integer>();
      for (var answer : pool.invokeAll(List.of(drop, drop, drop))) {
        fresh.add(expect(201, answer.get()).body().at("/fresh").asInt());
      }
      assertThat(fresh).containsExactlyInAnyOrder(50, 0, 0);
    }
    pool.shutdown();
    assertThat(maren.get("/api/cent-trail").body().at("/whole").asBoolean()).isTrue();
  }
}

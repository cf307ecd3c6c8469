package org.sumbrel.server.intake;

import static org.assertj.core.api.Assertions.assertThat;
import static org.sumbrel.server.TestBooks.applied;
import static org.sumbrel.server.TestBooks.draft;
import static org.sumbrel.server.TestBooks.expect;

import com.fasterxml.jackson.databind.JsonNode;
import java.nio.charset.StandardCharsets;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.context.TestPropertySource;
import org.springframework.test.web.servlet.MockMvc;
import org.sumbrel.server.ApiTest;
import org.sumbrel.server.Clerk;
import org.sumbrel.server.TestBooks;

/** Intakes taken back: as if the file had never come, or not at all. */
@ApiTest
@TestPropertySource(properties = "sumbrel.test.books=intake")
class TakingBackTest {

  private static final String HEAD =
      "entry_id,booking_date,amount,currency,payer_name,remittance,status\n";

  @Autowired private MockMvc web;
  private Clerk maren;
  private String account;

  @BeforeEach
  void sitDown() {
    maren = Clerk.maren(web);
    account =
        "?bankAccount=" + maren.get("/api/me").body().at("/companies/0/bankAccounts/1/id").asText();
  }

  private String state() {
    return maren.get("/api/flow").body()
        + " "
        + maren.get("/api/trial-balance").body()
        + maren.get("/api/cent-trail").body();
  }

  private long take(String name, String text) {
    return expect(201, maren.drop(name, text, account)).body().at("/id").asLong();
  }

  private JsonNode takeBack(long id) {
    return expect(200, maren.post("/api/intakes/" + id + "/taking-back", "{}")).body();
  }

  private String refused(long id) {
    var answer = maren.post("/api/intakes/" + id + "/taking-back", "{}");
    assertThat(answer.status()).isEqualTo(409);
    return answer.text("/detail");
  }

  @Test
  void aStatementTakenBackLeavesNothingAndCanComeAgain() {
    var text =
        HEAD + "TB1,2026-03-02,10.00,USD,Heron Bakery,A,\nTB2,2026-03-02,-4.00,USD,Bank,B,\n";
    var before = state();
    var id = take("tb.csv", text);
    assertThat(state()).isNotEqualTo(before);
    var records = maren.get("/api/intakes/" + id + "/records").body().at("/rows");
    assertThat(records.findValuesAsText("state")).containsExactly("WAITING", "DEBIT");
    assertThat(records.at("/0/title").asText()).isEqualTo("Heron Bakery");
    assertThat(maren.get("/api/intakes/" + id).body().at("/against")).isEmpty();

    assertThat(takeBack(id).at("/intake/takenBackBy").asText()).isEqualTo("maren");
    assertThat(state()).isEqualTo(before);
    assertThat(maren.get("/api/intakes/" + id + "/records").body().at("/rows")).isEmpty();
    assertThat(refused(id)).contains("maren has taken tb.csv back already");
    // the file is there still, and comes in as if for the first time
    assertThat(maren.saved("/api/intakes/" + id + "/file")).isEqualTo(text);
    var again = expect(201, maren.drop("tb.csv", text, account)).body();
    assertThat(again.at("/fresh").asInt()).isEqualTo(2);
    assertThat(again.hasNonNull("sameAs")).isFalse();
  }

  @Test
  void givesALargeFileBackByteForByte() {
    var text = new StringBuilder(HEAD);
    for (var n = 0; n < 5_000; n++) {
      text.append("BB%d,2026-03-11,-0.01,USD,Bäckerei %d,\"a\r\nb\",\r\n".formatted(n, n));
    }
    var id = take("big.csv", text.toString());
    assertThat(maren.saved("/api/intakes/" + id + "/file")).isEqualTo(text.toString());
    assertThat(maren.get("/api/intakes/" + id).body().at("/sizeBytes").asLong())
        .isEqualTo(text.toString().getBytes(StandardCharsets.UTF_8).length);
    var page = maren.get("/api/intakes/" + id + "/records?limit=500").body();
    assertThat(page.at("/rows")).hasSize(500);
    assertThat(page.hasNonNull("next")).isTrue();
    takeBack(id);
    assertThat(maren.get("/api/intakes/999999/file").status()).isEqualTo(404);
  }

  @Test
  void whatIsSettledStays() {
    var books = new TestBooks(maren).invoices("77.00");
    var id =
        take(
            "paid.csv",
            HEAD + "TP1,2026-03-03,77.00,USD," + books.customer() + "," + books.number(0) + ",\n");
    var entry = maren.get("/api/intakes/" + id + "/records").body().at("/rows/0/id").asLong();
    expect(201, maren.post("/api/settlements", draft(entry, applied(books.item(0), "77.00"), "")));
    var before = state();
    assertThat(refused(id)).contains("1 entry of it was settled");
    assertThat(maren.get("/api/intakes/" + id).body().at("/against/0").asText())
        .isEqualTo("1 entry of it was settled.");
    var invoices = maren.get("/api/intakes").body().at("/rows");
    for (var intake : invoices) {
      if (intake.at("/fileName").asText().equals("invoices.csv")) {
        assertThat(refused(intake.at("/id").asLong())).contains("1 item of it was paid");
        break;
      }
    }
    assertThat(state()).isEqualTo(before);
  }

  @Test
  void aLaterFileThatCountsOnItsEntriesIsNamedAndGoesFirst() {
    var before = state();
    var first =
        take("one.csv", HEAD + "LF1,2026-03-04,10.00,USD,A,,\nLF2,2026-03-05,11.00,USD,B,,\n");
    var second =
        take("two.csv", HEAD + "LF2,2026-03-05,11.00,USD,B,,\nLF3,2026-03-06,12.00,USD,C,,\n");
    assertThat(refused(first)).contains("two.csv came later and counts on entries of these days");
    takeBack(second);
    takeBack(first);
    assertThat(state()).isEqualTo(before);
  }

  @Test
  void whatWasAnnouncedIsAnnouncedAgain() {
    var before = state();
    var first = take("announced.csv", HEAD + "AN1,2026-03-09,10.00,USD,Wren,W,pending\n");
    var announced = state();
    var second = take("booked.csv", HEAD + "AN1,2026-03-09,10.00,USD,Wren,W,\n");
    assertThat(refused(first)).contains("1 entry that it announced is booked by a later file");
    takeBack(second);
    assertThat(state()).isEqualTo(announced);
    assertThat(maren.get("/api/intakes/" + first + "/records").body().at("/rows/0/state").asText())
        .isEqualTo("PENDING");
    takeBack(first);
    assertThat(state()).isEqualTo(before);
  }

  @Test
  void invoicesAreMirroredInTheJournalAndTheirCustomersGo() {
    var before = maren.get("/api/trial-balance").body();
    var customers = maren.get("/api/customers?q=Zzinvoice").body().at("/rows").size();
    var id =
        expect(
                201,
                maren.drop(
                    "tbi.csv",
                    "number,kind,customer_id,customer_name,issue_date,due_date,currency,total,open\n"
                        + "TBI-1,invoice,TBI,Zzinvoice Deli,2026-05-01,2026-05-31,USD,100.00,40.00\n"
                        + "TBI-2,credit_note,TBI,Zzinvoice Deli,2026-05-01,2026-05-31,USD,8.00,8.00\n"))
            .body()
            .at("/id")
            .asLong();
    takeBack(id);
    var after = maren.get("/api/trial-balance").body();
    assertThat(after.at("/balanced").asBoolean()).isTrue();
    assertThat(balances(after)).isEqualTo(balances(before));
    assertThat(maren.get("/api/open-items?q=TBI-").body().at("/rows")).isEmpty();
    assertThat(maren.get("/api/journal-entries?q=TBI-1 taken back").body().at("/rows")).hasSize(1);
    // what is written in the journal names the customer, so he stays
    assertThat(maren.get("/api/customers?q=Zzinvoice").body().at("/rows").size())
        .isEqualTo(customers + 1);

    var list =
        expect(
                201,
                maren.drop(
                    "tbc.csv", "customer_id,name,parent_id\nTBC1,Zzparent,\nTBC2,Zzbranch,TBC1\n"))
            .body()
            .at("/id")
            .asLong();
    assertThat(maren.get("/api/customers?q=Zz").body().at("/rows").findValuesAsText("name"))
        .contains("Zzparent", "Zzbranch");
    takeBack(list);
    assertThat(maren.get("/api/customers?q=Zz").body().at("/rows").findValuesAsText("name"))
        .doesNotContain("Zzparent", "Zzbranch");
  }

  private static String balances(JsonNode trialBalance) {
    return trialBalance.findValues("balance").toString();
  }

  @Test
  void anAuditorTakesNothingBack() {
    var id = take("aud.csv", HEAD + "AU1,2026-03-10,10.00,USD,A,,\n");
    var tolly = new Clerk(web, "tolly", "AUDITOR");
    assertThat(tolly.post("/api/intakes/" + id + "/taking-back", "{}").status()).isEqualTo(403);
    assertThat(tolly.get("/api/intakes/" + id).status()).isEqualTo(200);
    takeBack(id);
  }
}

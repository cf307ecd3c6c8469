package org.sumbrel.server.intake;

import static org.assertj.core.api.Assertions.assertThat;
import static org.sumbrel.server.TestBooks.applied;
import static org.sumbrel.server.TestBooks.draft;
import static org.sumbrel.server.TestBooks.expect;

import com.fasterxml.jackson.databind.JsonNode;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.context.TestPropertySource;
import org.springframework.test.web.servlet.MockMvc;
import org.sumbrel.server.ApiTest;
import org.sumbrel.server.Clerk;
import org.sumbrel.server.TestBooks;

/**
 * Updates of known invoices: shown first, taken when accepted, refused where something is settled.
 */
@ApiTest
@TestPropertySource(properties = "sumbrel.test.books=intake")
class ItemUpdateApiTest {

  private static final String HEAD =
      "number,customer_id,customer_name,issue_date,due_date,currency,total,open,status\n";

  @Autowired private MockMvc web;
  private Clerk maren;
  private TestBooks books;

  @BeforeEach
  void invoiced() {
    maren = Clerk.maren(web);
    books = new TestBooks(maren).invoices("120.00", "80.00");
  }

  private JsonNode list(String name, String due, String open, String status) {
    var row =
        "%s,any,%s,2026-05-20,%s,USD,120.00,%s,%s\n"
            .formatted(books.number(0), books.customer(), due, open, status);
    return expect(201, maren.drop(name, HEAD + row)).body();
  }

  private JsonNode update() {
    for (var update : maren.get("/api/item-updates").body()) {
      if (update.at("/number").asText().equals(books.number(0))) {
        return update;
      }
    }
    throw new AssertionError("no update of " + books.number(0));
  }

  private Clerk.Answer decide(JsonNode update, boolean accept) {
    return maren.post(
        "/api/item-updates/" + update.at("/id").asLong() + "/decision",
        "{\"accept\":" + accept + "}");
  }

  private JsonNode item() {
    return maren.get("/api/open-items?q=" + books.number(0)).body().at("/rows/0");
  }

  private void requireSoundBooks() {
    assertThat(maren.get("/api/trial-balance").body().at("/balanced").asBoolean()).isTrue();
  }

  @Test
  void anotherDueDateIsShownBeforeItIsTaken() {
    var intake = list("due.csv", "2026-07-31", "120.00", "");
    assertThat(intake.at("/problems/0").asText())
        .isEqualTo("1 known item is told otherwise here; decide under Differences to decide");
    assertThat(item().at("/dueOn").asText()).isEqualTo("2026-06-19");
    var update = update();
    assertThat(update.at("/kind").asText()).isEqualTo("DUE_DATE");
    assertThat(update.at("/before/dueOn").asText()).isEqualTo("2026-06-19");
    assertThat(update.at("/after/dueOn").asText()).isEqualTo("2026-07-31");
    expect(204, decide(update, true));
    assertThat(item().at("/dueOn").asText()).isEqualTo("2026-07-31");
    assertThat(decide(update, false).text("/detail")).isEqualTo("maren accepted this already.");
    // the same list once more asks nothing
    assertThat(list("due.csv", "2026-07-31", "120.00", "").at("/problems")).isEmpty();
  }

  @Test
  void refusedItIsNotAskedAgain() {
    list("due.csv", "2026-08-31", "120.00", "");
    expect(204, decide(update(), false));
    assertThat(item().at("/dueOn").asText()).isEqualTo("2026-06-19");
    assertThat(list("due.csv", "2026-08-31", "120.00", "").at("/problems")).isEmpty();
  }

  @Test
  void aCancelledOneGoesWithItsMirrorInTheJournal() {
    var before = maren.get("/api/trial-balance").body();
    list("cancelled.csv", "2026-06-19", "120.00", "Cancelled");
    var update = update();
    assertThat(update.hasNonNull("after")).isFalse();
    expect(204, decide(update, true));
    assertThat(item().isMissingNode()).isTrue();
    assertThat(maren.get("/api/trial-balance").body()).isNotEqualTo(before);
    requireSoundBooks();
    assertThat(maren.get("/api/journal-entries?q=cancelled, as").body().toString())
        .contains(books.number(0) + " cancelled, as cancelled.csv says");
  }

  @Test
  void aSettledOneCannotBeTakenAway() {
    var entry = books.credit("50.00", books.number(0));
    expect(201, maren.post("/api/settlements", draft(entry, applied(books.item(0), "50.00"), "")));
    list("cancelled.csv", "2026-06-19", "120.00", "void");
    var update = update();
    assertThat(update.at("/against").asText())
        .contains("cannot be taken away: 50.00 of it is settled")
        .contains("Reverse that settlement first.");
    var refused = decide(update, true);
    assertThat(refused.status()).isEqualTo(409);
    assertThat(refused.text("/detail")).contains("cannot be taken away");
    assertThat(item().at("/open/amount").asText()).isEqualTo("70.00");

    var settlement = maren.get("/api/settlements?limit=1").body().at("/rows/0/id").asLong();
    expect(
        200,
        maren.post("/api/settlements/" + settlement + "/reversal", "{\"reason\":\"cancelled\"}"));
    expect(204, decide(update(), true));
    assertThat(item().isMissingNode()).isTrue();
    requireSoundBooks();
  }

  @Test
  void whatWasPaidElsewhereLowersTheBalance() {
    list("paid.csv", "2026-06-19", "45.00", "");
    var update = update();
    assertThat(update.at("/kind").asText()).isEqualTo("PAID_ELSEWHERE");
    assertThat(update.at("/after/open/amount").asText()).isEqualTo("45.00");
    expect(204, decide(update, true));
    assertThat(item().at("/open/amount").asText()).isEqualTo("45.00");
    requireSoundBooks();
    // what has changed meanwhile is told with both figures
    list("paid2.csv", "2026-06-19", "30.00", "");
    var entry = books.credit("5.00", books.number(0));
    expect(201, maren.post("/api/settlements", draft(entry, applied(books.item(0), "5.00"), "")));
    assertThat(decide(update(), true).text("/detail")).contains("has 40.00 open by now, not 45.00");
  }

  @Test
  void whatIsOpenThereAndSettledHereIsNoQuestion() {
    var entry = books.credit("120.00", books.number(0));
    expect(201, maren.post("/api/settlements", draft(entry, applied(books.item(0), "120.00"), "")));
    assertThat(list("again.csv", "2026-06-19", "120.00", "open").at("/problems")).isEmpty();
  }

  @Test
  void aCancelledOneThatNobodyKnowsIsPassedOver() {
    var intake =
        expect(
                201,
                maren.drop(
                    "unknown.csv",
                    HEAD + "UNKNOWN-77,any,Any,2026-05-20,2026-06-19,USD,9.00,9.00,cancelled\n"))
            .body();
    assertThat(intake.at("/fresh").asInt()).isZero();
    assertThat(intake.at("/passedOver").asInt()).isEqualTo(1);
  }

  @Test
  void itsIntakeStaysOnceAnUpdateIsAccepted() {
    var intake = list("keep.csv", "2026-09-30", "120.00", "");
    var path = "/api/intakes/" + intake.at("/id").asLong() + "/taking-back";
    expect(204, decide(update(), true));
    assertThat(maren.post(path, "{}").text("/detail")).contains("1 update that it told");
  }
}

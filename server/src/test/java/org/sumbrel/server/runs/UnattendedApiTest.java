package org.sumbrel.server.runs;

import static org.assertj.core.api.Assertions.assertThat;
import static org.awaitility.Awaitility.await;
import static org.sumbrel.server.TestBooks.expect;

import com.fasterxml.jackson.databind.JsonNode;
import java.time.Duration;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import org.sumbrel.server.ApiTest;
import org.sumbrel.server.Clerk;
import org.sumbrel.server.TestBooks;

/** Posting without a hand: off until somebody says so, marked, listed, taken back as a whole. */
@ApiTest
class UnattendedApiTest {

  @Autowired private MockMvc web;
  private Clerk maren;
  private Clerk osric;

  @BeforeEach
  void sitDown() {
    maren = Clerk.maren(web);
    osric = Clerk.osric(web);
  }

  @AfterEach
  void endAndCount() {
    for (var rule : rules()) {
      expect(204, osric.delete("/api/unattended/rules/" + rule.at("/id").asText()));
    }
    assertThat(maren.get("/api/trial-balance").body().at("/balanced").asBoolean()).isTrue();
    assertThat(maren.get("/api/cent-trail").body().at("/whole").asBoolean()).isTrue();
  }

  private JsonNode rules() {
    return expect(200, maren.get("/api/unattended/rules")).body();
  }

  private static String rule(String customer, String upTo) {
    return "{\"customerId\":%s,\"upTo\":{\"amount\":\"%s\",\"currency\":\"USD\"}}"
        .formatted(customer, upTo);
  }

  private String customer(TestBooks books) {
    return maren
        .get("/api/open-items?q=" + books.number(0))
        .body()
        .at("/rows/0/customerId")
        .asText();
  }

  private String status(long entry) {
    return maren.get("/api/entries/" + entry).text("/status");
  }

  private void awaitSettled(long entry) {
    await().atMost(Duration.ofSeconds(30)).until(() -> status(entry).equals("SETTLED"));
  }

  private int standing() {
    var days = expect(200, maren.get("/api/unattended/days?currency=USD")).body();
    return days.isEmpty() ? 0 : days.at("/0/standing").asInt();
  }

  @Test
  void postsWhatARuleCoversAndTakesTheDayBackAsAWhole() {
    var books = new TestBooks(maren).invoices("211.40", "98.75", "5000.00", "66.10");
    var customer = customer(books);
    var other = new TestBooks(maren).invoices("133.30");
    var before = books.credit("211.40", books.number(0));
    assertThat(status(before)).isEqualTo("WAITING");

    expect(201, osric.post("/api/unattended/rules", rule(customer, "500.00")));
    // what stood clear already is posted, and what comes
    awaitSettled(before);
    var next = books.credit("98.75", books.number(1));
    awaitSettled(next);
    var large = books.credit("5000.00", books.number(2));
    var others = other.credit("133.30", other.number(0));
    assertThat(status(large)).isEqualTo("WAITING");
    assertThat(status(others)).isEqualTo("WAITING");

    var settlements = maren.get("/api/settlements?customer=" + customer).body().at("/rows");
    assertThat(settlements.findValuesAsText("origin")).containsOnly("UNATTENDED").hasSize(2);
    assertThat(settlements.at("/0/postedBy").asText()).isEqualTo("without a hand");
    assertThat(books.open(0)).isEmpty();

    var day = maren.get("/api/unattended/days?currency=USD").body().at("/0");
    assertThat(day.at("/standing").asInt()).isGreaterThanOrEqualTo(2);
    var path = "/api/unattended/days/" + day.at("/on").asText() + "/reversal?currency=USD";
    var reason = "{\"reason\":\"the price list was wrong\"}";
    assertThat(maren.post(path, reason).status()).isEqualTo(403);
    var back = expect(200, osric.post(path, reason)).body();
    assertThat(back.at("/reversed").asInt()).isEqualTo(day.at("/standing").asInt());
    assertThat(back.at("/kept")).isEmpty();
    assertThat(status(before)).isEqualTo("WAITING");
    assertThat(books.open(0)).isEqualTo("211.40");
    assertThat(standing()).isZero();

    // what was taken back is left to people, though the rule still holds
    var last = books.credit("66.10", books.number(3));
    awaitSettled(last);
    assertThat(status(before)).isEqualTo("WAITING");
    expect(200, osric.post(path, reason));
  }

  @Test
  void leavesAloneWhatSomebodyWorksOn() {
    var books = new TestBooks(maren).invoices("75.15", "86.25");
    var held = books.credit("75.15", books.number(0));
    expect(
        200,
        maren.put(
            "/api/drafts/entry-" + held,
            "{\"entryId\":%s,\"applications\":[],\"adjustments\":[]}".formatted(held)));
    expect(201, osric.post("/api/unattended/rules", rule(customer(books), "500.00")));
    var next = books.credit("86.25", books.number(1));
    awaitSettled(next);
    assertThat(status(held)).isEqualTo("WAITING");
    var day = maren.get("/api/unattended/days?currency=USD").body().at("/0/on").asText();
    expect(
        200,
        osric.post(
            "/api/unattended/days/" + day + "/reversal?currency=USD", "{\"reason\":\"test\"}"));
  }

  @Test
  void coversAMethodOrABankAccountWhoeverPaid() {
    var books = new TestBooks(maren).invoices("41.10", "42.20", "43.30");
    var limit = "\"upTo\":{\"amount\":\"50.00\",\"currency\":\"USD\"}}";
    expect(201, osric.post("/api/unattended/rules", "{\"method\":\"CARD\"," + limit));
    var card = books.credit("41.10", "card " + books.number(0));
    awaitSettled(card);
    var transfer = books.credit("42.20", books.number(1));
    assertThat(status(transfer)).isEqualTo("WAITING");
    var account = maren.get("/api/me").body().at("/companies/0/bankAccounts/0/id").asText();
    expect(201, osric.post("/api/unattended/rules", "{\"bankAccountId\":" + account + "," + limit));
    awaitSettled(transfer);
    assertThat(rules()).hasSize(2);
    var day = maren.get("/api/unattended/days?currency=USD").body().at("/0/on").asText();
    expect(
        200,
        osric.post(
            "/api/unattended/days/" + day + "/reversal?currency=USD", "{\"reason\":\"test\"}"));
    assertThat(status(card)).isEqualTo("WAITING");
  }

  @Test
  void refusesRulesThatSayNothing() {
    var books = new TestBooks(maren).invoices("10.00");
    assertThat(maren.post("/api/unattended/rules", rule(customer(books), "10.00")).status())
        .isEqualTo(403);
    var none = osric.post("/api/unattended/rules", rule("null", "10.00"));
    assertThat(none.status()).isEqualTo(400);
    assertThat(none.text("/detail")).contains("one customer, one bank account or one method");
    assertThat(osric.post("/api/unattended/rules", rule(customer(books), "0.00")).status())
        .isEqualTo(400);
    assertThat(osric.delete("/api/unattended/rules/999999").status()).isEqualTo(404);
    assertThat(rules()).isEmpty();
  }
}

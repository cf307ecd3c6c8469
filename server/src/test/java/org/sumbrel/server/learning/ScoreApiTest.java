package org.sumbrel.server.learning;

import static org.assertj.core.api.Assertions.assertThat;
import static org.sumbrel.server.TestBooks.applied;
import static org.sumbrel.server.TestBooks.draft;
import static org.sumbrel.server.TestBooks.expect;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import org.sumbrel.server.ApiTest;
import org.sumbrel.server.Clerk;
import org.sumbrel.server.TestBooks;

/** How good the engine is on the company's own money, and what another policy would do. */
@ApiTest
class ScoreApiTest {

  @Autowired private MockMvc web;
  private Clerk maren;
  private Clerk supervisor;

  @BeforeEach
  void sitDown() {
    maren = Clerk.maren(web);
    supervisor = Clerk.osric(web);
  }

  private JsonNode score(boolean rehearsed) {
    return expect(200, maren.get("/api/score?currency=USD&rehearsed=" + rehearsed)).body();
  }

  private static int of(JsonNode score, String what) {
    return score.at("/all/" + what).asInt();
  }

  @Test
  void countsWhatStoodThereAgainstWhatWasPosted() {
    var books = new TestBooks(maren).invoices("812.35", "345.60");
    var before = score(false);
    var right = books.credit("812.35", books.number(0));
    assertThat(maren.get("/api/entries/" + right).text("/standing")).isEqualTo("CLEAR");
    expect(201, maren.post("/api/settlements", draft(right, applied(books.item(0), "812.35"), "")));
    // what names one item, and is posted as another's
    var other = new TestBooks(maren).invoices("345.60");
    var wrong = books.credit("345.60", books.number(1));
    expect(201, maren.post("/api/settlements", draft(wrong, applied(other.item(0), "345.60"), "")));
    var after = score(false);
    assertThat(of(after, "receipts") - of(before, "receipts")).isEqualTo(2);
    assertThat(of(after, "right") - of(before, "right")).isEqualTo(1);
    assertThat(of(after, "clear") - of(before, "clear")).isEqualTo(2);
    assertThat(of(after, "clearRight") - of(before, "clearRight")).isEqualTo(1);
    var named = 0;
    for (var kind : after.at("/kinds")) {
      named += kind.at("/code").asText().equals("reference.exact") ? 1 : 0;
    }
    assertThat(named).isEqualTo(1);
    var sum = 0;
    for (var group : after.at("/reliability")) {
      assertThat(group.at("/said").asDouble())
          .isBetween(group.at("/from").asDouble(), group.at("/to").asDouble());
      sum += group.at("/receipts").asInt();
    }
    assertThat(sum).isLessThanOrEqualTo(of(after, "receipts"));
  }

  @Test
  void rehearsesTheMoneyOfTheLastDays() {
    var books = new TestBooks(maren).invoices("613.25");
    var before = score(true);
    var entry = books.credit("613.25", books.number(0));
    expect(201, maren.post("/api/settlements", draft(entry, applied(books.item(0), "613.25"), "")));
    var after = score(true);
    assertThat(of(after, "receipts") - of(before, "receipts")).isEqualTo(1);
    assertThat(of(after, "clearRight") - of(before, "clearRight")).isEqualTo(1);
    assertThat(of(after, "right")).isLessThanOrEqualTo(of(after, "receipts"));
  }

  @Test
  void saysBeforehandWhatAPolicyWouldChange() {
    var books = new TestBooks(maren).invoices("427.90");
    var entry = books.credit("427.90", books.number(0));
    var policy = (ObjectNode) supervisor.get("/api/policies/USD").body();
    var same = effect(policy);
    assertThat(same.at("/changing").asInt()).isZero();
    assertThat(same.at("/now")).isEqualTo(same.at("/then"));

    // nothing is ever that sure
    policy.put("clearAt", 1.0);
    var strict = effect(policy);
    assertThat(clear(strict, "now")).isPositive();
    assertThat(clear(strict, "then")).isZero();
    assertThat(strict.at("/changing").asInt()).isEqualTo(clear(strict, "now"));
    assertThat(strict.at("/then/clearRight").asInt()).isZero();
    assertThat(strict.at("/then/byHand").asInt())
        .isEqualTo(
            strict.at("/now/clearRight").asInt()
                + strict.at("/now/clearWrong").asInt()
                + strict.at("/now/byHand").asInt());
    // it was only looked at
    assertThat(maren.get("/api/entries/" + entry).text("/standing")).isEqualTo("CLEAR");

    var held = supervisor.get("/api/policies/USD").body();
    expect(200, supervisor.put("/api/policies/USD", policy.toString()));
    assertThat(maren.get("/api/entries/" + entry).text("/standing")).isNotEqualTo("CLEAR");
    var back = (ObjectNode) held;
    back.put("version", supervisor.get("/api/policies/USD").body().at("/version").asLong());
    expect(200, supervisor.put("/api/policies/USD", back.toString()));
    assertThat(maren.get("/api/entries/" + entry).text("/standing")).isEqualTo("CLEAR");
  }

  private JsonNode effect(ObjectNode policy) {
    return expect(200, supervisor.post("/api/policies/USD/effect", policy.toString())).body();
  }

  private static int clear(JsonNode effect, String when) {
    for (var stands : effect.at("/waiting")) {
      if (stands.at("/standing").asText().equals("CLEAR")) {
        return stands.at("/" + when).asInt();
      }
    }
    return 0;
  }

  @Test
  void isForThoseWhoDecidePolicies() {
    var policy = maren.get("/api/policies/USD").body().toString();
    assertThat(maren.post("/api/policies/USD/effect", policy).status()).isEqualTo(403);
    assertThat(supervisor.post("/api/policies/XQZ/effect", policy).status()).isEqualTo(400);
  }
}

package org.sumbrel.server.tieout;

import static org.assertj.core.api.Assertions.assertThat;
import static org.sumbrel.server.TestBooks.applied;
import static org.sumbrel.server.TestBooks.draft;
import static org.sumbrel.server.TestBooks.expect;

import com.fasterxml.jackson.databind.JsonNode;
import java.math.BigDecimal;
import java.util.Collections;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.Executors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.test.web.servlet.MockMvc;
import org.sumbrel.server.ApiTest;
import org.sumbrel.server.Clerk;
import org.sumbrel.server.TestBooks;
import org.sumbrel.testing.TestDepth;

/** The cent trail and the flow: they add up, and they notice what does not. */
@ApiTest
class CentTrailApiTest {

  @Autowired private MockMvc web;
  @Autowired private JdbcClient jdbc;
  private Clerk maren;

  @BeforeEach
  void sitDown() {
    maren = Clerk.maren(web);
  }

  private static BigDecimal amount(JsonNode node, String path) {
    return new BigDecimal(node.at(path + "/amount").asText());
  }

  @Test
  void followsMoneyFromWaitingToAppliedAndOnAccount() {
    var books = new TestBooks(maren).invoices("100.00");
    var before = maren.get("/api/cent-trail").body().at("/totals/0");
    var entry = books.credit("130.00", "ahead");
    var arrived = maren.get("/api/cent-trail").body().at("/totals/0");
    assertThat(amount(arrived, "/arrived").subtract(amount(before, "/arrived")))
        .isEqualByComparingTo("130");
    assertThat(amount(arrived, "/waiting").subtract(amount(before, "/waiting")))
        .isEqualByComparingTo("130");
    var owner =
        maren.get("/api/open-items?q=" + books.number(0)).body().at("/rows/0/customerId").asText();
    var onAccount =
        ",\"onAccount\":%s,\"onAccountCustomerId\":%s}".formatted(TestBooks.money("30.00"), owner);
    var call = draft(entry, applied(books.item(0), "100.00"), "").replaceAll("}$", "") + onAccount;
    expect(201, maren.post("/api/settlements", call));
    var after = maren.get("/api/cent-trail").body().at("/totals/0");
    assertThat(amount(after, "/applied").subtract(amount(before, "/applied")))
        .isEqualByComparingTo("100");
    assertThat(amount(after, "/onAccount").subtract(amount(before, "/onAccount")))
        .isEqualByComparingTo("30");
    assertThat(amount(after, "/waiting")).isEqualByComparingTo(amount(before, "/waiting"));
    assertThat(amount(after, "/gap")).isEqualByComparingTo("0");
  }

  /** Who looks while others post sees each entry once, waiting or posted, and no cent missing. */
  @Test
  void isWholeAtEveryMomentWhileOthersPost() throws Exception {
    var count = TestDepth.pick(32, 80);
    var books =
        new TestBooks(maren).invoices(Collections.nCopies(count, "10.00").toArray(String[]::new));
    var entries = books.credits(Collections.nCopies(count, "10.00"));
    var arrived = maren.get("/api/flow").body().at("/arrived");
    var pool = Executors.newFixedThreadPool(4);
    var clerks = Stream.generate(() -> Clerk.maren(web)).limit(4).toList();
    var posting =
        CompletableFuture.allOf(
            IntStream.range(0, clerks.size())
                .mapToObj(
                    c ->
                        CompletableFuture.runAsync(
                            () -> {
                              for (var n = c; n < entries.size(); n += clerks.size()) {
                                var item = applied(books.item(n), "10.00");
                                var whole = draft(entries.get(n), item, "");
                                expect(201, clerks.get(c).post("/api/settlements", whole));
                              }
                            },
                            pool))
                .toArray(CompletableFuture[]::new));
    do {
      var flow = maren.get("/api/flow").body();
      assertThat(amount(flow, "/gap")).isEqualByComparingTo("0");
      assertThat(flow.at("/arrived")).isEqualTo(arrived);
      assertThat(maren.get("/api/cent-trail").body().at("/whole").asBoolean()).isTrue();
    } while (!posting.isDone());
    posting.get();
    pool.shutdown();
  }

  @Test
  void addsUpForEachIntakeAndInAll() {
    var trail = maren.get("/api/cent-trail").body();
    var sum = BigDecimal.ZERO;
    for (var intake : trail.at("/intakes")) {
      var parts = BigDecimal.ZERO;
      for (var part :
          List.of(
              "/applied",
              "/onAccount",
              "/toAccounts",
              "/shelved",
              "/returned",
              "/banked",
              "/waiting")) {
        parts = parts.add(amount(intake.at("/trail"), part));
      }
      assertThat(parts).isEqualByComparingTo(amount(intake.at("/trail"), "/arrived"));
      sum = sum.add(parts);
    }
    assertThat(sum).isEqualByComparingTo(amount(trail.at("/totals/0"), "/arrived"));
  }

  /**
   * Damage done behind the application's back must show; it is undone again for the other tests.
   */
  @Test
  void showsACentThatIsMissing() {
    var id =
        jdbc.sql("select max(id) from bank_entry where status = 'WAITING'")
            .query(Long.class)
            .single();
    jdbc.sql("update bank_entry set amount_minor = amount_minor - 1 where id = :id")
        .param("id", id)
        .update();
    try {
      var trail = maren.get("/api/cent-trail").body();
      assertThat(trail.at("/whole").asBoolean()).isFalse();
      assertThat(amount(trail.at("/totals/0"), "/gap")).isEqualByComparingTo("0.01");
      assertThat(amount(maren.get("/api/flow").body(), "/gap")).isEqualByComparingTo("0.01");
    } finally {
      jdbc.sql("update bank_entry set amount_minor = amount_minor + 1 where id = :id")
          .param("id", id)
          .update();
    }
    assertThat(maren.get("/api/cent-trail").body().at("/whole").asBoolean()).isTrue();
  }

  @Test
  void joinsTheTilesOfTheFlow() {
    var flow = maren.get("/api/flow").body();
    assertThat(amount(flow, "/arrived/amount"))
        .isEqualByComparingTo(amount(flow, "/waiting/amount").add(amount(flow, "/posted/amount")));
    assertThat(flow.at("/since").asText()).isEqualTo("2026-05-01");
    // of another company its own money, in its own currency
    var export = maren.get("/api/me").body().at("/companies/1/id").asText();
    var theirs = maren.get("/api/flow?company=" + export + "&currency=EUR").body();
    assertThat(theirs.at("/arrived/amount/currency").asText()).isEqualTo("EUR");
    assertThat(amount(theirs, "/arrived/amount"))
        .isEqualByComparingTo(
            amount(theirs, "/waiting/amount").add(amount(theirs, "/posted/amount")))
        .isNotEqualByComparingTo(amount(flow, "/arrived/amount"));
  }
}

package org.sumbrel.server.runs;

import static java.util.stream.Collectors.joining;
import static org.assertj.core.api.Assertions.assertThat;
import static org.awaitility.Awaitility.await;
import static org.sumbrel.server.TestBooks.applied;
import static org.sumbrel.server.TestBooks.draft;
import static org.sumbrel.server.TestBooks.expect;

import com.fasterxml.jackson.databind.JsonNode;
import java.time.Duration;
import java.util.List;
import java.util.stream.IntStream;
import java.util.stream.StreamSupport;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.DefaultApplicationArguments;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.transaction.support.TransactionTemplate;
import org.sumbrel.server.ApiTest;
import org.sumbrel.server.Clerk;
import org.sumbrel.server.TestBooks;

/**
 * Runs through the API: what is posted, refused and left as a draft; stopped, continued,
 * interrupted, two at once. The books are whole after every test.
 */
@ApiTest
class RunApiTest {

  @Autowired private MockMvc web;
  @Autowired private RunRepository rows;
  @Autowired private RunWorker worker;
  @Autowired private TransactionTemplate transaction;
  private Clerk maren;

  @BeforeEach
  void sitDown() {
    maren = Clerk.maren(web);
  }

  @AfterEach
  void booksAreWhole() {
    assertThat(maren.get("/api/trial-balance").body().at("/balanced").asBoolean()).isTrue();
    assertThat(maren.get("/api/cent-trail").body().at("/whole").asBoolean()).isTrue();
  }

  private static String run(List<Long> entries) {
    return "{\"currency\":\"USD\",\"allClear\":false,\"except\":[],\"entryIds\":%s}"
        .formatted(entries);
  }

  private long started(List<Long> entries) {
    return expect(202, maren.post("/api/runs", run(entries))).body().at("/id").asLong();
  }

  private JsonNode ended(long id) {
    await()
        .atMost(Duration.ofSeconds(60))
        .until(() -> !"RUNNING".equals(maren.get("/api/runs/" + id).text("/state")));
    return maren.get("/api/runs/" + id).body();
  }

  private List<JsonNode> lines(long id, String state) {
    var body = expect(200, maren.get("/api/runs/" + id + "/lines?limit=500&state=" + state)).body();
    return StreamSupport.stream(body.at("/rows").spliterator(), false).toList();
  }

  /** So many invoices of odd amounts and, for each, a credit that names it. */
  private List<Long> clearOnes(int count, int from) {
    var amounts =
        IntStream.range(0, count).mapToObj(n -> (from + 7 * n) + ".13").toArray(String[]::new);
    var books = new TestBooks(maren).invoices(amounts);
    var csv =
        IntStream.range(0, count)
            .mapToObj(
                n ->
                    "run-%d-%d,2026-05-28,%s,USD,%s,INV %s"
                        .formatted(from, n, amounts[n], books.customer(), books.number(n)))
            .collect(
                joining(
                    "\n", "entry_id,booking_date,amount,currency,payer_name,remittance\n", "\n"));
    var account = maren.get("/api/me").body().at("/companies/0/bankAccounts/0/id").asLong();
    expect(201, maren.drop("run-statement.csv", csv, "?bankAccount=" + account));
    var word = books.customer().split(" ")[0];
    var rows = maren.get("/api/entries?limit=500&standing=CLEAR&q=" + word).body().at("/rows");
    assertThat(rows).hasSize(count);
    return StreamSupport.stream(rows.spliterator(), false).map(r -> r.at("/id").asLong()).toList();
  }

  @Test
  void postsWhatStandsClearAndSaysOfTheRestWhyNot() {
    var clear = clearOnes(2, 61_100);
    var blank = new TestBooks(maren).credit("13.13", "nothing of the kind");
    var id = started(List.of(clear.get(0), clear.get(1), blank));
    var run = ended(id);
    assertThat(run.at("/state").asText()).isEqualTo("DONE");
    assertThat(run.at("/posted").asInt()).isEqualTo(2);
    assertThat(run.at("/refused").asInt()).isEqualTo(1);
    assertThat(run.at("/postedAmount/amount").asText()).isEqualTo("122207.26");
    assertThat(lines(id, "REFUSED").get(0).at("/refusal").asText())
        .contains("no longer stands clear");
    var settlement =
        maren.get("/api/settlements/" + lines(id, "POSTED").get(0).at("/settlementId").asText());
    assertThat(settlement.text("/origin")).isEqualTo("CLEAR");
    assertThat(settlement.body().at("/applications")).hasSize(1);
  }

  @Test
  void leavesWhatIsRefusedAsADraftWithItsReason() {
    var books = new TestBooks(maren).invoices("81234.11", "81235.22");
    var first = books.credit("81234.11", "flour");
    var second = books.credit("81235.22", "meal");
    expect(
        200,
        maren.put(
            "/api/drafts/entry-" + first, draft(first, applied(books.item(0), "81234.11"), "")));
    expect(
        200,
        maren.put(
            "/api/drafts/entry-" + second, draft(second, applied(books.item(1), "80000.22"), "")));
    var own = expect(200, maren.get("/api/runs/drafts")).body();
    assertThat(own.findValuesAsText("entryId"))
        .contains(Long.toString(first), Long.toString(second));

    var run = ended(started(List.of(first, second)));
    assertThat(run.at("/posted").asInt()).isEqualTo(1);
    assertThat(run.at("/refused").asInt()).isEqualTo(1);
    var left = maren.get("/api/drafts/entry-" + second).body().at("/held");
    assertThat(left.at("/state").asText()).isEqualTo("REFUSED");
    assertThat(left.at("/note").asText()).contains("81,235.22", "80,000.22", "1,235.00");
    assertThat(left.at("/draft/applications/0/amount/amount").asText()).isEqualTo("80000.22");
    assertThat(maren.get("/api/drafts/entry-" + first).body().at("/held").isNull()).isTrue();
  }

  @Test
  void stopsAndContinuesWhereItWas() {
    var clear = clearOnes(60, 50_100);
    var id = started(clear);
    var stopped = maren.post("/api/runs/" + id + "/stopping", "{}");
    // a fast machine may have ended it before the stop arrives; it must then say so
    var run = ended(id);
    if (stopped.status() == 200) {
      assertThat(run.at("/state").asText()).isIn("STOPPED", "DONE");
    } else {
      assertThat(stopped.text("/detail")).contains("has ended already");
    }
    if (run.at("/state").asText().equals("STOPPED")) {
      assertThat(run.at("/posted").asInt()).isLessThan(60);
      assertThat(Clerk.osric(web).post("/api/runs/" + id + "/continuing", "{}").status())
          .isEqualTo(200);
      run = ended(id);
    }
    assertThat(run.at("/state").asText()).isEqualTo("DONE");
    assertThat(run.at("/posted").asInt()).isEqualTo(60);
    assertThat(lines(id, "POSTED").stream().map(l -> l.at("/settlementId").asLong()).distinct())
        .hasSize(60);
  }

  @Test
  void goesOnAfterAStartFromWhatTheLinesSay() {
    var clear = clearOnes(5, 40_100);
    var id = started(clear.subList(0, 5));
    ended(id);
    // as a process leaves it that was killed before it could say that it had ended
    transaction.executeWithoutResult(
        t -> rows.move(id, RunEntity.State.DONE, RunEntity.State.RUNNING, null));
    worker.run(new DefaultApplicationArguments());
    var run = ended(id);
    assertThat(run.at("/state").asText()).isEqualTo("DONE");
    assertThat(run.at("/posted").asInt()).isEqualTo(5);
  }

  @Test
  void twoRunsAtOnceDoNoHarm() {
    var clear = clearOnes(30, 30_100);
    var first = started(clear);
    var second =
        expect(202, Clerk.osric(web).post("/api/runs", run(clear))).body().at("/id").asLong();
    var one = ended(first);
    var other = ended(second);
    assertThat(one.at("/posted").asInt() + other.at("/posted").asInt()).isEqualTo(30);
    assertThat(one.at("/refused").asInt() + other.at("/refused").asInt()).isEqualTo(30);
    for (var line : lines(second, "REFUSED")) {
      assertThat(line.at("/refusal").asText()).containsAnyOf("settled already", "no longer waits");
      assertThat(
              maren
                  .get("/api/drafts/entry-" + line.at("/entryId").asText())
                  .body()
                  .at("/held")
                  .isNull())
          .isTrue();
    }
  }

  @Test
  void isStartedOnceByOneKeyAndStoppedOnlyByItsOwnerOrASupervisor() {
    var clear = clearOnes(1, 20_100);
    var first = expect(202, maren.post("/api/runs", run(clear), "key-run-1")).body();
    var again = expect(202, maren.post("/api/runs", run(clear), "key-run-1")).body();
    assertThat(again.at("/id").asLong()).isEqualTo(first.at("/id").asLong());
    var other = new Clerk(web, "pell", "CLERK");
    var refused = other.post("/api/runs/" + first.at("/id").asText() + "/stopping", "{}");
    assertThat(refused.status()).isEqualTo(403);
    assertThat(refused.text("/detail")).contains("started by maren");
    ended(first.at("/id").asLong());
    assertThat(maren.post("/api/runs", run(List.of())).text("/detail"))
        .contains("Nothing is chosen");
  }
}

package org.sumbrel.server.learning;

import static org.assertj.core.api.Assertions.assertThat;
import static org.sumbrel.server.TestBooks.applied;
import static org.sumbrel.server.TestBooks.draft;
import static org.sumbrel.server.TestBooks.expect;

import com.fasterxml.jackson.databind.JsonNode;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import org.sumbrel.server.ApiTest;
import org.sumbrel.server.Clerk;
import org.sumbrel.server.TestBooks;

/** What is learned of payers: offered with what it would do, held to, and forgotten again. */
@ApiTest
class LearningApiTest {

  private static final AtomicInteger NEXT = new AtomicInteger(1);

  @Autowired private MockMvc web;
  private Clerk maren;

  @BeforeEach
  void sitDown() {
    maren = Clerk.maren(web);
  }

  /** Credits of these amounts from a payer, with his account; their ids in this order. */
  private List<Long> credits(String payer, String account, String... amounts) {
    var csv =
        new StringBuilder(
            "entry_id,booking_date,amount,currency,payer_name,payer_account,remittance\n");
    for (var amount : amounts) {
      csv.append(
          "L%d,2026-05-28,%s,USD,%s,%s,goods\n"
              .formatted(NEXT.getAndIncrement(), amount, payer, account));
    }
    var bank = maren.get("/api/me").body().at("/companies/0/bankAccounts/0/id").asLong();
    expect(201, maren.drop("statement.csv", csv.toString(), "?bankAccount=" + bank));
    var ids = new ArrayList<Long>();
    maren
        .get("/api/entries?limit=500&q=" + payer.split(" ")[0])
        .body()
        .at("/rows")
        .forEach(row -> ids.add(row.at("/id").asLong()));
    return ids.stream().sorted().toList();
  }

  private JsonNode entry(Long id) {
    return expect(200, maren.get("/api/entries/" + id)).body();
  }

  /** The amount may point at an item, but nothing says who sent it. */
  private void assertPayerUnknown(Long id) {
    assertThat(entry(id).at("/standing").asText()).isNotEqualTo("CLEAR");
    assertThat(entry(id).at("/proposals/0/evidence").findValuesAsText("code"))
        .noneMatch(code -> code.startsWith("payer."));
  }

  private String customer(TestBooks books) {
    return maren
        .get("/api/open-items?q=" + books.number(0))
        .body()
        .at("/rows/0/customerId")
        .asText();
  }

  private static String remembering(String draft, String what) {
    return draft.substring(0, draft.length() - 1) + ",\"remember\":\"" + what + "\"}";
  }

  @Test
  void remembersAPayerAtTheCorrectionAndForgetsHimAgain() {
    var books = new TestBooks(maren).invoices("731.10", "228.45", "64.90");
    var customer = customer(books);
    var waiting = credits("Vexmoor Trust", "", "731.10", "228.45");
    assertPayerUnknown(waiting.get(1));

    var offers =
        expect(
                200,
                maren.get("/api/entries/" + waiting.get(0) + "/alias-offers?customer=" + customer))
            .body();
    assertThat(offers).hasSize(1);
    assertThat(offers.at("/0/what").asText()).isEqualTo("TEXT");
    assertThat(offers.at("/0/written").asText()).isEqualTo("Vexmoor Trust");
    assertThat(offers.at("/0/explainsNow").asInt()).isEqualTo(1);
    assertThat(offers.at("/0/rightBefore").asInt()).isZero();
    // asking has not taught anything
    assertPayerUnknown(waiting.get(1));

    var posted =
        expect(
            201,
            maren.post(
                "/api/settlements",
                remembering(draft(waiting.get(0), applied(books.item(0), "731.10"), ""), "TEXT")));
    var next = entry(waiting.get(1));
    assertThat(next.at("/payerId").asText()).isEqualTo(customer);
    assertThat(next.at("/standing").asText()).isEqualTo("CLEAR");
    assertThat(next.at("/proposals/0/applications/0/number").asText()).isEqualTo(books.number(1));

    var known = maren.get("/api/customers/" + customer + "/payers").body();
    assertThat(known.at("/aliases")).hasSize(1);
    assertThat(known.at("/aliases/0/by").asText()).isEqualTo("maren");
    assertThat(known.at("/past/0/payerName").asText()).isEqualTo("Vexmoor Trust");
    assertThat(known.at("/past/0/times").asInt()).isEqualTo(1);

    // nothing is offered twice
    assertThat(
            maren
                .get("/api/entries/" + waiting.get(1) + "/alias-offers?customer=" + customer)
                .body())
        .isEmpty();

    // forgotten: the alias, and that he paid before
    var alias = known.at("/aliases/0/id").asText();
    expect(204, maren.delete("/api/payer-aliases/" + alias));
    assertThat(maren.delete("/api/payer-aliases/" + alias).status()).isEqualTo(404);
    expect(
        204,
        maren.post(
            "/api/customers/" + customer + "/payers/forgetting",
            "{\"payerName\":\"Vexmoor Trust\",\"payerAccount\":\"\"}"));
    assertPayerUnknown(waiting.get(1));
    assertThat(maren.get("/api/customers/" + customer + "/payers").body().at("/past")).isEmpty();
    assertThat(posted.text("/status")).isEqualTo("POSTED");
  }

  @Test
  void learnsNothingFromASettlementThatIsTakenBack() {
    var books = new TestBooks(maren).invoices("512.30", "77.15");
    var customer = customer(books);
    var waiting = credits("Quorndale Nominees", "GB-Q-7781", "512.30", "77.15");
    var offers =
        maren.get("/api/entries/" + waiting.get(0) + "/alias-offers?customer=" + customer).body();
    assertThat(offers.findValuesAsText("what")).containsExactly("TEXT", "ACCOUNT");
    var posted =
        expect(
            201,
            maren.post(
                "/api/settlements",
                remembering(
                    draft(waiting.get(0), applied(books.item(0), "512.30"), ""), "ACCOUNT")));
    assertThat(entry(waiting.get(1)).at("/standing").asText()).isEqualTo("CLEAR");
    assertThat(entry(waiting.get(1)).at("/proposals/0/evidence").findValuesAsText("code"))
        .contains("payer.account");
    expect(
        200,
        maren.post(
            "/api/settlements/" + posted.text("/id") + "/reversal", "{\"reason\":\"mistake\"}"));
    assertPayerUnknown(waiting.get(1));
    assertThat(maren.get("/api/customers/" + customer + "/payers").body().at("/aliases")).isEmpty();
  }

  /**
   * Of two that are as good the second is taken: the next payment of this payer is led by its like.
   */
  @Test
  void remembersWhichExplanationWasTakenForAPayer() {
    var books = new TestBooks(maren).invoices("183.20", "95.40");
    // the same amounts a month later
    expect(
        201,
        maren.drop(
            "later.csv",
            "number,kind,customer_id,customer_name,issue_date,due_date,currency,total,open\n"
                + "%1$s-L,invoice,%3$s,%4$s,2026-05-20,2026-07-19,USD,183.20,183.20\n%2$s-L,invoice,%3$s,%4$s,2026-05-20,2026-07-19,USD,95.40,95.40\n"
                    .formatted(
                        books.number(0),
                        books.number(1),
                        books.number(0).split("-")[0],
                        books.customer())));
    var first = books.credit("183.20", "bread");
    var second = books.credit("95.40", "rolls");
    assertThat(numbers(first)).containsExactly(books.number(0), books.number(0) + "-L");
    assertThat(numbers(second)).containsExactly(books.number(1), books.number(1) + "-L");
    var item = entry(first).at("/proposals/1/applications/0/itemId").asLong();
    var draft = draft(first, applied(item, "183.20"), "");
    var taken = draft.substring(0, draft.length() - 1) + ",\"explanation\":2}";
    var posted = expect(201, maren.post("/api/settlements", taken));
    var next = entry(second);
    assertThat(numbers(second)).startsWith(books.number(1) + "-L");
    assertThat(next.at("/proposals/0/evidence").findValuesAsText("text"))
        .contains("what is due later was chosen for this payer before, once");

    var customer = customerOf(posted.body());
    var known = maren.get("/api/customers/" + customer + "/payers").body();
    assertThat(known.at("/chosen/0/manner").asText()).isEqualTo("LATER");
    assertThat(known.at("/chosen/0/times").asInt()).isEqualTo(1);
    expect(
        204,
        maren.post(
            "/api/customers/" + customer + "/payers/forgetting",
            "{\"payerName\":\"%s\",\"payerAccount\":\"\"}".formatted(books.customer())));
    assertThat(numbers(second)).startsWith(books.number(1));
    assertThat(maren.get("/api/customers/" + customer + "/payers").body().at("/chosen")).isEmpty();
  }

  private static String customerOf(JsonNode settlement) {
    return settlement.at("/applications/0/customerId").asText();
  }

  /** What the first item of each explanation is. */
  private List<String> numbers(Long entry) {
    var numbers = new ArrayList<String>();
    entry(entry)
        .at("/proposals")
        .forEach(p -> numbers.add(p.at("/applications/0/number").asText()));
    return numbers;
  }

  @Test
  void refusesToRememberWhatIsNotThere() {
    var books = new TestBooks(maren).invoices("41.00");
    var other = new TestBooks(maren).invoices("59.00");
    var entry = credits("Umbermill Estates", "", "100.00").get(0);
    var both = applied(books.item(0), "41.00") + "," + applied(other.item(0), "59.00");
    var answer = maren.post("/api/settlements", remembering(draft(entry, both, ""), "TEXT"));
    assertThat(answer.status()).isEqualTo(400);
    assertThat(answer.text("/detail")).contains("one customer");
    var account = maren.post("/api/settlements", remembering(draft(entry, both, ""), "ACCOUNT"));
    assertThat(account.status()).isEqualTo(400);
    assertThat(books.open(0)).isEqualTo("41.00");
  }
}

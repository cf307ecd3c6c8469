package org.sumbrel.server.settle;

import static org.assertj.core.api.Assertions.assertThat;
import static org.sumbrel.server.TestBooks.adjusted;
import static org.sumbrel.server.TestBooks.applied;
import static org.sumbrel.server.TestBooks.draft;
import static org.sumbrel.server.TestBooks.expect;
import static org.sumbrel.server.TestBooks.money;

import java.util.ArrayList;
import java.util.concurrent.Callable;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import org.sumbrel.server.ApiTest;
import org.sumbrel.server.Clerk;
import org.sumbrel.server.Clerk.Answer;
import org.sumbrel.server.TestBooks;

/**
 * Settlements through the API: posted, refused with the figures, reversed; the books are whole
 * after every test.
 */
@ApiTest
class SettlementApiTest {

  @Autowired private MockMvc web;
  private Clerk maren;

  @BeforeEach
  void sitDown() {
    maren = Clerk.maren(web);
  }

  @AfterEach
  void booksAreWhole() {
    var trial = maren.get("/api/trial-balance").body();
    assertThat(trial.at("/balanced").asBoolean()).isTrue();
    assertThat(trial.at("/totals/0/difference/amount").asText()).isEqualTo("0.00");
    assertThat(maren.get("/api/cent-trail").body().at("/whole").asBoolean()).isTrue();
    assertThat(maren.get("/api/flow").body().at("/gap/amount").asText()).isEqualTo("0.00");
  }

  private TestBooks books(String... amounts) {
    return new TestBooks(maren).invoices(amounts);
  }

  private static void assertRefused(Answer answer, int status, String code, String... figures) {
    assertThat(answer.status()).as(answer.toString()).isEqualTo(status);
    assertThat(answer.text("/code")).isEqualTo(code);
    assertThat(answer.text("/detail")).contains(figures);
  }

  @Test
  void splitsOneReceiptOverTwoInvoicesAndWritesTheRestOff() {
    var books = books("600.00", "400.40");
    var entry = books.credit("1000.00", "flour");
    var posted =
        expect(
            201,
            maren.post(
                "/api/settlements",
                draft(
                    entry,
                    applied(books.item(0), "600.00") + "," + applied(books.item(1), "400.40"),
                    adjusted("WRITE_OFF", "0.40"))));
    assertThat(posted.body().at("/applications")).hasSize(2);
    assertThat(TestBooks.written(maren, posted.body())).hasSize(4);
    assertThat(posted.text("/postedBy")).isEqualTo("maren");
    assertThat(books.open(0)).isEmpty();
    assertThat(maren.get("/api/entries/" + entry).text("/status")).isEqualTo("SETTLED");
  }

  @Test
  void putsEveryBalanceBackOnReversal() {
    var books = books("600.00", "500.00");
    var entry = books.credit("1000.00", "flour");
    var flow = maren.get("/api/flow").body();
    var balances = maren.balances();
    var trail = maren.get("/api/cent-trail").body();
    var items = applied(books.item(0), "600.00") + "," + applied(books.item(1), "400.00");
    var id = expect(201, maren.post("/api/settlements", draft(entry, items, ""))).text("/id");
    assertThat(books.open(1)).isEqualTo("100.00");

    var reversed =
        expect(
            200,
            maren.post("/api/settlements/" + id + "/reversal", "{\"reason\":\"wrong invoice\"}"));

    assertThat(reversed.text("/status")).isEqualTo("REVERSED");
    assertThat(reversed.text("/reversal/reason")).isEqualTo("wrong invoice");
    assertThat(books.open(0)).isEqualTo("600.00");
    assertThat(books.open(1)).isEqualTo("500.00");
    assertThat(maren.get("/api/flow").body()).isEqualTo(flow);
    assertThat(maren.balances()).isEqualTo(balances);
    assertThat(maren.get("/api/cent-trail").body()).isEqualTo(trail);
    assertThat(maren.get("/api/entries/" + entry).text("/status")).isEqualTo("WAITING");
    assertRefused(
        maren.post("/api/settlements/" + id + "/reversal", "{\"reason\":\"again\"}"),
        409,
        "ALREADY_REVERSED",
        "maren");
  }

  @Test
  void keepsAFeeAndMoneyOnAccountWhereTheyBelong() {
    var books = books("515.00");
    var fee = books.credit("500.00", "wire");
    expect(
        201,
        maren.post(
            "/api/settlements",
            draft(fee, applied(books.item(0), "515.00"), adjusted("BANK_FEE", "15.00"))));
    var over = books.credit("40.00", "ahead");
    var owner =
        maren
            .get("/api/customers?q=" + books.customer().split(" ")[0])
            .body()
            .at("/rows/0/id")
            .asText();
    var kept =
        expect(
            201,
            maren.post(
                "/api/settlements",
                "{\"entryId\":%d,\"applications\":[],\"adjustments\":[],\"onAccount\":%s,\"onAccountCustomerId\":%s}"
                    .formatted(over, money("40.00"), owner)));
    assertThat(kept.text("/onAccountCustomer")).isEqualTo(books.customer());
    var account = maren.get("/api/customers/" + owner).body();
    assertThat(account.at("/owes/0/amount").asText()).isEqualTo("-40.00");
    assertThat(account.at("/openItems/0/kind").asText()).isEqualTo("ON_ACCOUNT");
  }

  @Test
  void refusesToReverseMoneyOnAccountThatWasUsed() {
    var books = books("100.00");
    var ahead = books.credit("40.00", "ahead");
    var owner =
        maren
            .get("/api/customers?q=" + books.customer().split(" ")[0])
            .body()
            .at("/rows/0/id")
            .asText();
    var onAccount =
        ",\"onAccount\":%s,\"onAccountCustomerId\":%s}".formatted(money("40.00"), owner);
    var kept =
        expect(
                201,
                maren.post(
                    "/api/settlements", draft(ahead, "", "").replaceAll("}$", "") + onAccount))
            .text("/id");
    var items = maren.get("/api/customers/" + owner).body().at("/openItems");
    var held = items.get(0).at("/kind").asText().equals("ON_ACCOUNT") ? items.get(0) : items.get(1);
    var rest = books.credit("60.00", "rest");
    var both = applied(books.item(0), "100.00") + "," + applied(held.at("/id").asLong(), "-40.00");
    var used = expect(201, maren.post("/api/settlements", draft(rest, both, ""))).text("/id");
    assertRefused(
        maren.post("/api/settlements/" + kept + "/reversal", "{\"reason\":\"x\"}"),
        422,
        "ON_ACCOUNT_USED",
        "40.00");
    expect(200, maren.post("/api/settlements/" + used + "/reversal", "{\"reason\":\"x\"}"));
    expect(200, maren.post("/api/settlements/" + kept + "/reversal", "{\"reason\":\"x\"}"));
    assertThat(books.open(0)).isEqualTo("100.00");
  }

  @Test
  void refusesWhatDoesNotBalanceWithTheFigures() {
    var books = books("600.00");
    var entry = books.credit("700.00", "flour");
    var answer = maren.post("/api/settlements", draft(entry, applied(books.item(0), "600.00"), ""));
    assertRefused(answer, 422, "UNBALANCED", "700.00", "600.00", "100.00");
    assertThat(answer.text("/figures/left/amount")).isEqualTo("100.00");
    assertRefused(
        maren.post("/api/settlements", draft(entry, applied(books.item(0), "700.00"), "")),
        422,
        "OVER_APPLIED",
        "600.00",
        "700.00");
    assertRefused(
        maren.post(
            "/api/settlements",
            draft(entry, applied(books.item(0), "600.00"), adjusted("WRITE_OFF", "-100.00"))),
        422,
        "BEYOND_TOLERANCE",
        "100.00",
        "1.00");
    assertThat(books.open(0)).isEqualTo("600.00");
  }

  @Test
  void refusesWhatIsSettledAlreadyAndSaysByWhom() {
    var books = books("600.00", "600.00");
    var entry = books.credit("600.00", "flour");
    var other = books.credit("600.00", "flour again");
    var first = books.item(0);
    expect(
        201,
        maren.post(
            "/api/settlements", draft(Math.min(entry, other), applied(first, "600.00"), "")));
    assertRefused(
        maren.post(
            "/api/settlements",
            draft(Math.min(entry, other), applied(books.item(1), "600.00"), "")),
        409,
        "ALREADY_SETTLED",
        "600.00",
        "maren");
    assertRefused(
        maren.post("/api/settlements", draft(Math.max(entry, other), applied(first, "600.00"), "")),
        422,
        "ALREADY_SETTLED",
        books.number(0),
        "600.00");
  }

  @Test
  void refusesWhatChangedSinceItWasLookedAt() {
    var books = books("600.00");
    var item = maren.get("/api/open-items?q=" + books.number(0)).body().at("/rows/0");
    var entry = books.credit("100.00", "part");
    expect(201, maren.post("/api/settlements", draft(entry, applied(books.item(0), "100.00"), "")));
    var later = books.credit("500.00", "rest");
    var stale =
        applied(item.at("/id").asLong(), "500.00")
            .replaceAll("}$", ",\"itemVersion\":" + item.at("/version") + "}");
    assertRefused(
        maren.post("/api/settlements", draft(later, stale, "")),
        409,
        "STALE",
        books.number(0),
        "500.00");
  }

  @Test
  void postsOnceHoweverOftenTheSameCallComes() {
    var books = books("600.00");
    var entry = books.credit("600.00", "flour");
    var call = draft(entry, applied(books.item(0), "600.00"), "");
    var first = expect(201, maren.post("/api/settlements", call, "key-" + entry)).text("/id");
    assertThat(expect(201, maren.post("/api/settlements", call, "key-" + entry)).text("/id"))
        .isEqualTo(first);
    assertRefused(
        maren.post("/api/settlements", call.replace("600.00", "500.00"), "key-" + entry),
        409,
        "KEY_REUSED",
        "nothing was posted");
  }

  @Test
  void leavesExactlyOneOfTwoSimultaneousPosts() throws Exception {
    for (var round = 0; round < 5; round++) {
      var books = books("600.00");
      books.credit("600.00", "one");
      books.credit("600.00", "two");
      var item = books.item(0);
      var entries =
          maren.get("/api/entries?q=" + books.customer().split(" ")[0]).body().at("/rows");
      assertThat(entries).hasSize(2);
      var start = new CountDownLatch(1);
      var pool = Executors.newFixedThreadPool(2);
      var answers = new ArrayList<Future<Answer>>();
      for (var entry : entries) {
        var call = draft(entry.at("/id").asLong(), applied(item, "600.00"), "");
        Callable<Answer> post =
            () -> {
              start.await();
              return maren.post("/api/settlements", call);
            };
        answers.add(pool.submit(post));
      }
      start.countDown();
      var statuses = new ArrayList<Integer>();
      for (var answer : answers) {
        statuses.add(answer.get().status());
        if (answer.get().status() != 201) {
          assertThat(answer.get().text("/detail")).contains(books.number(0), "600.00");
        }
      }
      pool.shutdown();
      assertThat(statuses).containsExactlyInAnyOrder(201, 422);
    }
  }

  @Test
  void showsWhatADraftComesToAndChangesNothing() {
    var books = books("1038.08");
    var entry = books.credit("1020.08", "wire");
    var call = draft(entry, applied(books.item(0), "1038.08"), "");
    var preview = expect(200, maren.post("/api/settlements/preview", call)).body();
    assertThat(preview.at("/tally/left/amount").asText()).isEqualTo("-18.00");
    assertThat(preview.at("/refusal").asText()).contains("18.00");
    assertThat(preview.at("/options").findValuesAsText("kind"))
        .contains("BANK_FEE", "LEAVE_OWING", "WRITE_OFF");
    var treated = expect(200, maren.post("/api/settlements/preview?treat=BANK_FEE", call)).body();
    assertThat(treated.at("/refusal").isNull()).isTrue();
    assertThat(treated.at("/lines").findValuesAsText("account"))
        .contains("Bank fees", "Accounts receivable");
    var overLimit =
        expect(200, maren.post("/api/settlements/preview?treat=WRITE_OFF", call)).body();
    assertThat(overLimit.at("/needsApproval").asBoolean()).isTrue();
    assertThat(overLimit.at("/refusal").asText()).contains("18.00", "limit is 2.00", "supervisor");
    assertThat(books.open(0)).isEqualTo("1038.08");
  }

  @Test
  void postsAClaimThatIsProposedWithItsCustomerAndReason() {
    var books = books("700.00");
    var entry = books.credit("655.00", "INV " + books.number(0) + " less damaged goods");
    var proposed = maren.get("/api/entries/" + entry).body().at("/proposals/0");
    assertThat(proposed.at("/adjustments/0/kind").asText()).isEqualTo("CLAIM");
    assertThat(proposed.at("/adjustments/0/reason").asText()).isEqualTo("DAMAGED");
    assertThat(proposed.at("/adjustments/0/customerId").asLong())
        .isEqualTo(proposed.at("/customerId").asLong());

    expect(
        201,
        maren.post(
            "/api/settlements",
            draft(
                entry,
                applied(books.item(0), "700.00"),
                proposed.at("/adjustments/0").toString())));
    assertThat(maren.get("/api/open-items?q=" + books.number(0)).body().at("/rows")).isEmpty();
    var open =
        maren.get("/api/customers/" + proposed.at("/customerId").asText()).body().at("/openItems");
    assertThat(open.at("/0/kind").asText()).isEqualTo("CLAIM");
    assertThat(open.at("/0/claimReason").asText()).isEqualTo("DAMAGED");
    assertThat(open.at("/0/open/amount").asText()).isEqualTo("45.00");
  }

  @Test
  void letsAClerkReverseOnlyHisOwn() {
    var books = books("600.00");
    var entry = books.credit("600.00", "flour");
    var id =
        expect(
                201,
                Clerk.osric(web)
                    .post("/api/settlements", draft(entry, applied(books.item(0), "600.00"), "")))
            .text("/id");
    assertRefused(
        maren.post("/api/settlements/" + id + "/reversal", "{\"reason\":\"x\"}"),
        403,
        "NOT_ALLOWED",
        "posted by osric");
    expect(
        200, Clerk.osric(web).post("/api/settlements/" + id + "/reversal", "{\"reason\":\"x\"}"));
  }
}

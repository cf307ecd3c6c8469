package org.sumbrel.server.lockbox;

import static org.assertj.core.api.Assertions.assertThat;
import static org.awaitility.Awaitility.await;
import static org.sumbrel.server.TestBooks.adjusted;
import static org.sumbrel.server.TestBooks.applied;
import static org.sumbrel.server.TestBooks.draft;
import static org.sumbrel.server.TestBooks.expect;
import static org.sumbrel.server.lockbox.MailedBatch.item;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.math.BigDecimal;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDateTime;
import java.util.LinkedHashMap;
import java.util.Map;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import org.sumbrel.server.ApiTest;
import org.sumbrel.server.Clerk;
import org.sumbrel.server.TestBooks;

/**
 * Lockbox batches through the API: from the bank's file to what is posted and taken back. The books
 * are whole after every test.
 */
@ApiTest
class LockboxApiTest {

  @Autowired private MockMvc web;
  @Autowired private Clock clock;
  private Clerk maren;
  private Clerk osric;

  @BeforeEach
  void sitDown() {
    maren = Clerk.maren(web);
    osric = Clerk.osric(web);
  }

  @AfterEach
  void booksAreWhole() {
    assertThat(maren.get("/api/trial-balance").body().at("/balanced").asBoolean()).isTrue();
    var trail = maren.get("/api/cent-trail").body();
    assertThat(trail.at("/whole").asBoolean()).as(trail.toString()).isTrue();
    var pouch = maren.get("/api/receipts").body();
    assertThat(pouch.at("/onHand")).isEqualTo(pouch.at("/inBooks"));
  }

  private JsonNode intake(MailedBatch batch) {
    return expect(201, maren.drop("mail-" + batch.number() + ".txt", batch.file())).body();
  }

  private long batchOf(JsonNode intake) {
    return maren
        .get("/api/lockbox-batches?intake=" + intake.at("/id").asText())
        .body()
        .at("/rows/0/id")
        .asLong();
  }

  private JsonNode batch(long id) {
    return expect(200, maren.get("/api/lockbox-batches/" + id)).body();
  }

  /** The cheques of a batch by their number in it. */
  private Map<String, JsonNode> cheques(long id, String query) {
    var found = new LinkedHashMap<String, JsonNode>();
    expect(200, maren.get("/api/lockbox-batches/" + id + "/cheques" + query))
        .body()
        .at("/rows")
        .forEach(c -> found.put(c.at("/item").asText(), c));
    return found;
  }

  private static long entry(JsonNode cheque) {
    return cheque.at("/entry/id").asLong();
  }

  private String state(long id, int item) {
    return cheques(id, "").get(String.valueOf(item)).at("/state").asText();
  }

  private JsonNode run(Clerk who, long batch, String body) {
    return expect(202, who.post("/api/lockbox-batches/" + batch + "/runs", body)).body();
  }

  private JsonNode ended(JsonNode run) {
    var path = "/api/runs/" + run.at("/id").asText();
    await()
        .atMost(Duration.ofSeconds(60))
        .until(() -> !"RUNNING".equals(maren.get(path).text("/state")));
    return maren.get(path).body();
  }

  private static void assertTotals(JsonNode batch, String... parts) {
    var totals = batch.at("/totals");
    assertThat(
            new String[] {
              totals.at("/control/amount").asText(),
              totals.at("/applied/amount").asText(),
              totals.at("/onAccount/amount").asText(),
              totals.at("/differences/amount").asText(),
              totals.at("/left/amount").asText()
            })
        .isEqualTo(parts);
  }

  @Test
  void settlesABatchFromTheFileToTheDeposit() {
    var books = new TestBooks(maren).invoices("310.01", "420.02", "530.03", "640.04");
    var payer = books.customer();
    var mailed =
        new MailedBatch()
            // two invoices on one cheque; 1.60 under; nothing that fits; no slip at all
            .cheque(
                payer,
                "7711",
                "730.03",
                item(books.number(0), "310.01"),
                item(books.number(1), "420.02"))
            .cheque(payer, "7711", "528.43", item(books.number(2), "528.43"))
            .cheque("Somebody Unheard Of", "990011", "77.77")
            .cheque(payer, "7711", "640.04");
    var intake = intake(mailed);
    assertThat(intake.at("/fresh").asInt()).isEqualTo(4);
    var id = batchOf(intake);

    var first = batch(id);
    assertThat(first.at("/batch/blocked").asBoolean()).isFalse();
    assertThat(first.at("/totals/items").asInt()).isEqualTo(3);
    assertThat(first.at("/totals/itemTotal/amount").asText()).isEqualTo("1258.46");
    assertThat(state(id, 1)).isEqualTo("CLEAR");
    assertThat(state(id, 2)).isEqualTo("SHORT");
    assertThat(state(id, 3)).isEqualTo("UNEXPLAINED");
    assertThat(state(id, 4)).isEqualTo("CLEAR");
    assertTotals(first, "1976.27", "1898.50", "0.00", "0.00", "77.77");
    // it is at the bank from the beginning, and nobody holds it in the office
    assertThat(first.at("/slip").asText()).isEqualTo("4410-" + mailed.number());
    var deposit = maren.get("/api/deposits/" + first.at("/depositId").asText()).body();
    assertThat(deposit.at("/total/amount").asText()).isEqualTo("1976.27");
    assertThat(deposit.at("/bankAccount").asText()).isEqualTo("Lockbox USD");
    assertThat(
            maren
                .post("/api/deposits/" + first.at("/depositId").asText() + "/opening", "{}")
                .text("/code"))
        .isEqualTo("MAILED");

    // what is changed by hand moves the totals before anything is posted
    var under = entry(cheques(id, "").get("2"));
    expect(
        200,
        maren.put(
            "/api/drafts/entry-" + under,
            draft(under, applied(books.item(2), "530.03"), adjusted("WRITE_OFF", "1.60"))));
    assertTotals(batch(id), "1976.27", "1900.10", "0.00", "-1.60", "77.77");
    assertThat(cheques(id, "?show=BY_HAND").keySet()).containsExactly("2");
    assertThat(cheques(id, "?show=UNEXPLAINED").keySet()).containsExactly("3");
    assertThat(cheques(id, "?state=BY_HAND").get("2").at("/by").asText()).isEqualTo("maren");

    // the rest posts, the unexplained stays and the totals say so
    var run = ended(run(maren, id, "{}"));
    assertThat(run.at("/posted").asInt()).isEqualTo(3);
    assertThat(run.at("/lockboxBatchId").asLong()).isEqualTo(id);
    var after = batch(id);
    assertTotals(after, "1976.27", "1900.10", "0.00", "-1.60", "77.77");
    assertThat(after.at("/batch/posted").asInt()).isEqualTo(3);
    assertThat(after.at("/batch/waiting/amount").asText()).isEqualTo("77.77");
    // settled items are not among the open ones
    assertThat(books.open(2)).isEmpty();

    // the bank shows the deposit, and the two are joined
    var lockbox = first.at("/bankAccountId").asText();
    expect(
        201,
        maren.drop(
            "box-statement.csv",
            "entry_id,booking_date,amount,currency,payer_name,remittance\nbox-%s,2026-05-28,1976.27,USD,,LOCKBOX 4410-%s\n"
                .formatted(mailed.number(), mailed.number()),
            "?bankAccount=" + lockbox));
    var shown = maren.get("/api/entries?q=4410-" + mailed.number()).text("/rows/0/id");
    var match = maren.get("/api/entries/" + shown + "/deposit-matches").body().at("/0");
    assertThat(match.at("/deposits/0/id").asText()).isEqualTo(first.at("/depositId").asText());
    expect(
        200,
        maren.post(
            "/api/deposit-ties",
            "{\"depositIds\":[%s],\"entryIds\":[%s],\"lines\":[]}"
                .formatted(first.at("/depositId").asText(), shown)));
    assertThat(batch(id).at("/shown").asBoolean()).isTrue();

    // everything leads back to cheque and batch
    var settlement =
        maren
            .get("/api/settlements/" + cheques(id, "").get("1").at("/settlementId").asText())
            .body();
    var came = "/api/entries/" + settlement.at("/entryId").asText() + "/lockbox-batch";
    assertThat(maren.get(came).body().at("/cheque/batchId").asLong()).isEqualTo(id);
    assertThat(maren.get(came).text("/cheque/item")).isEqualTo("1");
    var written =
        maren.get("/api/journal-entries/" + settlement.at("/journalEntryId").asText()).body();
    assertThat(written.at("/source/lockboxBatchId").asLong()).isEqualTo(id);
    assertThat(maren.get("/api/journal-entries?q=batch " + mailed.number()).body().at("/rows"))
        .allSatisfy(row -> assertThat(row.at("/source/lockboxBatchId").asLong()).isEqualTo(id))
        .hasSize(4);

    // while something is posted the file cannot go; the whole batch can be reversed
    var taking = "/api/intakes/" + intake.at("/id").asText() + "/taking-back";
    assertThat(maren.post(taking, "").status()).isEqualTo(409);
    var reversal = "/api/lockbox-batches/" + id + "/reversal";
    var reversed = expect(200, maren.post(reversal, "{\"reason\":\"wrong day\"}")).body();
    assertThat(reversed.at("/reversed").asInt()).isEqualTo(3);
    assertThat(books.open(2)).isEqualTo("530.03");
    assertThat(batch(id).at("/batch/posted").asInt()).isZero();
    var again = maren.post(reversal, "{\"reason\":\"again\"}");
    assertThat(again.status()).isEqualTo(409);
    assertThat(again.text("/detail")).contains("Nothing of this batch is posted");
  }

  @Test
  void reversesNothingWhereSomethingLaterDependsOnIt() {
    var books = new TestBooks(maren).invoices("222.20", "90.00");
    var id =
        batchOf(
            intake(
                new MailedBatch()
                    .cheque(books.customer(), "8811", "222.20", item(books.number(0), "222.20"))
                    .cheque(books.customer(), "8811", "90.50")));
    var kept = entry(cheques(id, "").get("2"));
    var customer = maren.get("/api/open-items?q=" + books.number(1)).text("/rows/0/customerId");
    var draft =
        "{\"entryId\":%d,\"applications\":[],\"adjustments\":[],\"onAccount\":%s,\"onAccountCustomerId\":%s,\"onAccountFor\":\" PO-9001 \"}"
            .formatted(kept, TestBooks.money("90.50"), customer);
    expect(200, maren.put("/api/drafts/entry-" + kept, draft));
    assertTotals(batch(id), "312.70", "222.20", "90.50", "0.00", "0.00");
    assertThat(ended(run(maren, id, "{}")).at("/posted").asInt()).isEqualTo(2);
    // what stays on account is used for the other invoice
    var items = maren.get("/api/customers/" + customer).body().at("/openItems");
    var credit = -1L;
    for (var open : items) {
      if (open.at("/kind").asText().equals("ON_ACCOUNT")) {
        // the prepayment names its order
        assertThat(open.at("/orderReference").asText()).isEqualTo("PO-9001");
        credit = open.at("/id").asLong();
      }
    }
    var use =
        "{\"accountOf\":%s,\"applications\":[%s,%s],\"adjustments\":[]}"
            .formatted(customer, applied(books.item(1), "90.00"), applied(credit, "-90.00"));
    expect(201, maren.post("/api/settlements", use));

    var refused =
        maren.post("/api/lockbox-batches/" + id + "/reversal", "{\"reason\":\"mistake\"}");
    assertThat(refused.status()).isEqualTo(409);
    assertThat(refused.text("/detail")).contains("Nothing was reversed, because of cheque");
    assertThat(batch(id).at("/batch/posted").asInt()).isEqualTo(2);
    // settled items are not among the open ones
    assertThat(books.open(0)).isEmpty();
  }

  @Test
  void knowsTheSameFileAndRefusesOneThatContradictsIt() {
    var books = new TestBooks(maren).invoices("118.18");
    var mailed =
        new MailedBatch()
            .cheque(books.customer(), "6611", "118.18", item(books.number(0), "118.18"));
    var intake = intake(mailed);
    var before = batch(batchOf(intake));
    var again = intake(mailed);
    assertThat(again.at("/known").asInt()).isEqualTo(1);
    assertThat(again.at("/fresh").asInt()).isZero();
    assertThat(batch(batchOf(intake))).isEqualTo(before);

    mailed.cheque(books.customer(), "6611", "9.99");
    var refused = maren.drop("corrected.txt", mailed.file());
    assertThat(refused.status()).isEqualTo(422);
    assertThat(refused.body().toString())
        .contains("was taken in already, with 1 cheques of 118.18", "2 of 128.17");

    // taken back as a whole, the corrected one may come
    expect(200, maren.post("/api/intakes/" + intake.at("/id").asText() + "/taking-back", ""));
    assertThat(maren.get("/api/lockbox-batches/" + before.at("/batch/id").asText()).status())
        .isEqualTo(404);
    assertThat(intake(mailed).at("/fresh").asInt()).isEqualTo(2);

    // the same cheques under another number are said to have come before
    var twice =
        new MailedBatch()
            .cheque(books.customer(), "6611", "300.00")
            .cheque(books.customer(), "6611", "300.01");
    intake(twice);
    var elsewhere =
        twice
            .file()
            .replace("7" + twice.number(), "7999")
            .replace("5" + twice.number(), "5999")
            .replace("\n6" + twice.number(), "\n6999");
    var told = expect(201, maren.drop("elsewhere.txt", elsewhere)).body();
    assertThat(told.at("/problems").toString()).contains("of 300.00 was recorded already on");
  }

  @Test
  void blocksABatchThatContradictsItselfUntilASupervisorAcceptsIt() {
    var books = new TestBooks(maren).invoices("505.05");
    var intake =
        intake(
            new MailedBatch()
                .cheque(books.customer(), "5511", "505.05", item(books.number(0), "505.05"))
                .claiming("515.05"));
    var id = batchOf(intake);
    var batch = batch(id);
    assertThat(batch.at("/batch/blocked").asBoolean()).isTrue();
    assertThat(batch.at("/depositId").isNull()).isTrue();
    assertThat(batch.at("/contradictions/0").asText())
        .startsWith("line ")
        .contains("says it comes to 515.05, its cheques come to 505.05: 10.00 less");
    // in nobody's pouch either, so that nobody carries it to a bank
    var pouch = maren.get("/api/receipts").body();
    assertThat(pouch.at("/receipts").findValuesAsText("id"))
        .doesNotContain(String.valueOf(entry(cheques(id, "").get("1"))));
    assertThat(pouch.at("/inMailRoom/amount").asText()).isEqualTo("505.05");
    assertThat(new BigDecimal(pouch.at("/inBooks/amount").asText()))
        .isEqualByComparingTo(
            new BigDecimal(pouch.at("/onHand/amount").asText()).add(new BigDecimal("505.05")));

    var post = maren.post("/api/lockbox-batches/" + id + "/runs", "{}");
    assertThat(post.status()).isEqualTo(400);
    assertThat(post.text("/detail")).contains("515.05", "supervisor");
    var cheque = entry(cheques(id, "").get("1"));
    var alone = maren.post("/api/settlements", draft(cheque, applied(books.item(0), "505.05"), ""));
    assertThat(alone.status()).isEqualTo(409);
    assertThat(alone.text("/code")).isEqualTo("HELD_BACK");
    var general =
        "{\"currency\":\"USD\",\"allClear\":false,\"except\":[],\"entryIds\":[%d]}"
            .formatted(cheque);
    var run = ended(expect(202, maren.post("/api/runs", general)).body());
    assertThat(run.at("/refused").asInt()).isEqualTo(1);
    expect(204, maren.delete("/api/drafts/entry-" + cheque));

    var acceptance = "/api/lockbox-batches/" + id + "/acceptance";
    assertThat(maren.post(acceptance, "{\"reason\":\"it is fine\"}").status()).isEqualTo(403);
    assertThat(osric.post(acceptance, "{\"reason\":\" \"}").status()).isEqualTo(400);
    var accepted =
        expect(200, osric.post(acceptance, "{\"reason\":\"the bank wrote a new total\"}")).body();
    assertThat(accepted.at("/accepted/by").asText()).isEqualTo("osric");
    assertThat(accepted.at("/accepted/why").asText()).isEqualTo("the bank wrote a new total");
    assertThat(accepted.at("/depositId").isNull()).isFalse();
    assertThat(osric.post(acceptance, "{\"reason\":\"twice\"}").status()).isEqualTo(409);
    assertThat(ended(run(maren, id, "{}")).at("/posted").asInt()).isEqualTo(1);
  }

  private void asksForASecondPerson(boolean asks) {
    var policy = osric.get("/api/policies/USD").body();
    ((ObjectNode) policy).put("batchesReleased", asks);
    expect(200, osric.put("/api/policies/USD", policy.toString()));
  }

  @Test
  void waitsForASecondPersonAndForItsTime() {
    var books = new TestBooks(maren).invoices("612.12", "713.13");
    var id =
        batchOf(
            intake(
                new MailedBatch()
                    .cheque(books.customer(), "4411", "612.12", item(books.number(0), "612.12"))
                    .cheque(books.customer(), "4411", "713.13", item(books.number(1), "713.13"))));
    asksForASecondPerson(true);
    try {
      assertThat(batch(id).at("/needsRelease").asBoolean()).isTrue();
      var cheque = entry(cheques(id, "").get("1"));
      var alone =
          maren.post("/api/settlements", draft(cheque, applied(books.item(0), "612.12"), ""));
      assertThat(alone.status()).isEqualTo(409);
      assertThat(alone.text("/detail")).contains("a second person releases");

      var waits = run(maren, id, "{}");
      assertThat(waits.at("/state").asText()).isEqualTo("WAITS");
      var path = "/api/runs/" + waits.at("/id").asText();
      assertThat(maren.post(path + "/release", "").status()).isEqualTo(403);
      var second = maren.post("/api/lockbox-batches/" + id + "/runs", "{}");
      assertThat(second.text("/code")).isEqualTo("RUN_BEFORE");
      assertThat(books.open(0)).isEqualTo("612.12");
      var off = expect(200, maren.post(path + "/calling-off", "")).body();
      assertThat(off.at("/state").asText()).isEqualTo("CALLED_OFF");
      assertThat(osric.post(path + "/release", "").status()).isEqualTo(409);

      // released, and for a time that has not come: it waits still
      var later = run(maren, id, "{\"notBefore\":\"2026-05-30T09:00\"}");
      var laterPath = "/api/runs/" + later.at("/id").asText();
      var released = expect(200, osric.post(laterPath + "/release", "")).body();
      assertThat(released.at("/state").asText()).isEqualTo("WAITS");
      assertThat(released.at("/releasedBy").asText()).isEqualTo("osric");
      assertThat(osric.post(laterPath + "/release", "").status()).isEqualTo(409);
      expect(200, maren.post(laterPath + "/calling-off", ""));

      var now = run(maren, id, "{}");
      expect(200, osric.post("/api/runs/" + now.at("/id").asText() + "/release", ""));
      var done = ended(now);
      assertThat(done.at("/state").asText()).isEqualTo("DONE");
      assertThat(done.at("/posted").asInt()).isEqualTo(2);
      // settled items are not among the open ones
      assertThat(books.open(1)).isEmpty();
    } finally {
      asksForASecondPerson(false);
    }
  }

  @Test
  void beginsByItselfWhenItsTimeHasCome() {
    var books = new TestBooks(maren).invoices("614.14");
    var id =
        batchOf(
            intake(
                new MailedBatch()
                    .cheque(books.customer(), "4412", "614.14", item(books.number(0), "614.14"))));
    var time = LocalDateTime.now(clock).plusSeconds(4);
    var run = run(maren, id, "{\"notBefore\":\"%s\"}".formatted(time));
    assertThat(run.at("/state").asText()).isEqualTo("WAITS");
    assertThat(books.open(0)).isEqualTo("614.14");
    var path = "/api/runs/" + run.at("/id").asText();
    await()
        .atMost(Duration.ofSeconds(60))
        .until(() -> "DONE".equals(maren.get(path).text("/state")));
    var done = maren.get(path).body();
    assertThat(done.at("/posted").asInt()).isEqualTo(1);
    assertThat(Instant.parse(done.at("/endedAt").asText()))
        .isAfterOrEqualTo(time.atZone(clock.getZone()).toInstant());
    assertThat(books.open(0)).isEmpty();
  }

  @Test
  void readsADamagedNumberOnASlip() {
    // two of one amount: nothing but the damaged number says which
    expect(
        201,
        maren.drop(
            "invoices.csv",
            "number,kind,customer_id,customer_name,issue_date,due_date,currency,total,open\n"
                + "ZQ-0048817,invoice,ZQD,Zqdamaged Ovens,2026-05-20,2026-06-19,USD,818.18,818.18\n"
                + "ZQ-0048902,invoice,ZQD,Zqdamaged Ovens,2026-05-20,2026-06-19,USD,818.18,818.18\n"));
    var id =
        batchOf(
            intake(
                new MailedBatch()
                    .cheque("Zqdamaged Ovens", "4413", "818.18", item("ZQ-OO489O2", "818.18"))));
    var cheque = cheques(id, "").get("1");
    assertThat(cheque.at("/entry/segments").findValuesAsText("number"))
        .containsExactly("ZQ-0048902");
    assertThat(cheque.at("/state").asText()).isEqualTo("CLEAR");
  }

  @Test
  void seesThatAParentPaysForItsBranches() {
    var parent = "Zqfamily Schools";
    expect(
        201,
        maren.drop(
            "family.csv",
            "customer_id,name,parent_id\nZQF,%s,\nZQF1,Zqnorth Hall,ZQF\nZQF2,Zqsouth Hall,ZQF\n"
                .formatted(parent)));
    expect(
        201,
        maren.drop(
            "invoices.csv",
            "number,kind,customer_id,customer_name,issue_date,due_date,currency,total,open\n"
                + "ZQF-1,invoice,ZQF1,Zqnorth Hall,2026-05-20,2026-06-19,USD,310.07,310.07\n"
                + "ZQF-2,invoice,ZQF2,Zqsouth Hall,2026-05-20,2026-06-19,USD,205.11,205.11\n"));
    var id = batchOf(intake(new MailedBatch().cheque(parent, "4414", "515.18")));
    var cheque = cheques(id, "").get("1");
    assertThat(cheque.at("/entry/segments").findValuesAsText("number"))
        .containsExactlyInAnyOrder("ZQF-1", "ZQF-2");
    assertThat(cheque.at("/state").asText()).isEqualTo("CLEAR");
  }

  @Test
  void learnsWhoPaysFromTheAccountOnTheCodeLine() {
    var books = new TestBooks(maren).invoices("1012.21", "2013.34");
    var account = "55" + Math.abs(books.customer().hashCode() % 1_000_000);
    var first =
        batchOf(
            intake(
                new MailedBatch()
                    .cheque("", account, "1012.21", item(books.number(0), "1012.21"))));
    assertThat(ended(run(maren, first, "{}")).at("/posted").asInt()).isEqualTo(1);
    // no name, no slip: the account alone says who it is
    var next = batchOf(intake(new MailedBatch().cheque("", account, "2013.34")));
    var cheque = cheques(next, "").get("1");
    assertThat(cheque.at("/state").asText()).isEqualTo("CLEAR");
    assertThat(cheque.at("/entry/payer").asText()).isEqualTo(books.customer());
    assertThat(cheque.at("/entry/segments/0/number").asText()).isEqualTo(books.number(1));
  }

  @Test
  void needsAnAccountForALockboxThatNobodyKnows() {
    var books = new TestBooks(maren).invoices("12.12");
    var file =
        new MailedBatch()
            .cheque(books.customer(), "1", "12.12", item(books.number(0), "12.12"))
            .file()
            .replace("0004410", "0008877");
    var refused = maren.drop("other-box.txt", file);
    assertThat(refused.status()).isEqualTo(422);
    assertThat(refused.body().toString())
        .contains("lockbox 8877 belongs to no bank account of Larkstow Mill Ltd yet");
    var account = maren.get("/api/me").body().at("/companies/0/bankAccounts/0/id").asText();
    var taken = expect(201, maren.drop("other-box.txt", file, "?bankAccount=" + account)).body();
    assertThat(batch(batchOf(taken)).at("/batch/lockbox").asText()).isEqualTo("8877");
  }

  @Test
  void readsTheListOfABankByAProfileMadeOnce() {
    var books = new TestBooks(maren).invoices("71.71", "82.82");
    // a line for each document: the cheque stands on two of them and is one receipt all the same
    var list =
        "Box;Lot;Day banked;Check serial;Check sum;Paid by;Bill;Of it\n"
            + "4410;L7;2026-05-28;55501;154.53;%s;%s;71.71\n"
                .formatted(books.customer(), books.number(0))
            + "4410;L7;2026-05-28;55501;154.53;%s;%s;82.82\n"
                .formatted(books.customer(), books.number(1))
            + "4410;L7;2026-05-28;55502;10.00;%s;;\n".formatted(books.customer());
    assertThat(maren.drop("list.csv", list).status()).isEqualTo(422);
    var said =
        "{\"subject\":\"lockbox\",\"columns\":{\"lockbox\":[1],\"batch\":[2],\"deposit_date\":[3],\"check_number\":[4],"
            + "\"check_amount\":[5],\"payer_name\":[6],\"reference\":[7],\"item_amount\":[8]}}";
    var profile =
        (ObjectNode)
            expect(200, maren.send("/api/profiles/preview", "list.csv", list, "profile", said))
                .body()
                .at("/profile");
    expect(201, maren.post("/api/profiles", profile.put("name", "Copperbeck box").toString()));

    var intake = expect(201, maren.drop("list.csv", list)).body();
    assertThat(intake.at("/format").asText()).isEqualTo("lockbox-csv");
    assertThat(intake.at("/profile").asText()).isEqualTo("Copperbeck box");
    var id = batchOf(intake);
    assertThat(batch(id).at("/totals/cheques").asInt()).isEqualTo(2);
    assertThat(batch(id).at("/totals/control/amount").asText()).isEqualTo("164.53");
    assertThat(batch(id).at("/totals/items").asInt()).isEqualTo(2);
    var two = cheques(id, "?state=CLEAR").values().iterator().next();
    assertThat(two.at("/entry/segments").findValuesAsText("number"))
        .containsExactly(books.number(0), books.number(1));
    // the next list of the bank needs no word
    var next = list.replace("L7", "L8").replace("5550", "5560").replace("2026-05-28", "2026-05-29");
    assertThat(expect(201, maren.drop("next.csv", next)).body().at("/fresh").asInt()).isEqualTo(2);
  }

  @Test
  void leavesAColleaguesDraftInTheBatch() {
    var books = new TestBooks(maren).invoices("333.33", "444.44");
    var id =
        batchOf(
            intake(
                new MailedBatch()
                    .cheque(books.customer(), "3311", "333.33", item(books.number(0), "333.33"))
                    .cheque(books.customer(), "3311", "444.44", item(books.number(1), "444.44"))));
    var cheque = entry(cheques(id, "").get("1"));
    expect(
        200,
        osric.put(
            "/api/drafts/entry-" + cheque, draft(cheque, applied(books.item(0), "333.33"), "")));
    assertThat(batch(id).at("/ready/cheques").asInt()).isEqualTo(1);
    assertThat(osric.get("/api/lockbox-batches/" + id).body().at("/ready/cheques").asInt())
        .isEqualTo(2);
    assertThat(ended(run(maren, id, "{}")).at("/posted").asInt()).isEqualTo(1);
    assertThat(ended(run(osric, id, "{}")).at("/posted").asInt()).isEqualTo(1);
    assertThat(batch(id).at("/batch/waiting/amount").asText()).isEqualTo("0.00");
  }

  @Test
  void keepsTheFileWhileARunOfItWaits() {
    var books = new TestBooks(maren).invoices("211.11");
    var intake =
        intake(
            new MailedBatch()
                .cheque(books.customer(), "2211", "211.11", item(books.number(0), "211.11")));
    var run = run(maren, batchOf(intake), "{\"notBefore\":\"2026-05-30T09:00\"}");
    var taking = "/api/intakes/" + intake.at("/id").asText() + "/taking-back";
    assertThat(maren.post(taking, "").text("/detail")).contains("is not at its end");
    expect(200, maren.post("/api/runs/" + run.at("/id").asText() + "/calling-off", ""));
    expect(200, maren.post(taking, ""));
    // what was called off stays on record
    assertThat(maren.get("/api/runs/" + run.at("/id").asText()).text("/state"))
        .isEqualTo("CALLED_OFF");
  }

  @Test
  void keepsNothingOfABatchOfWhichSomethingWouldBeCut() {
    var list =
        "lockbox,batch,deposit_date,check_number,check_amount,payer_name\n4410,L9,2026-05-28,%s,10.00,X\n"
            .formatted("9".repeat(80));
    var refused = maren.drop("long.csv", list);
    assertThat(refused.status()).isEqualTo(422);
    assertThat(refused.body().toString())
        .contains("the number of a cheque has 80 characters", "64 can be kept");
  }
}

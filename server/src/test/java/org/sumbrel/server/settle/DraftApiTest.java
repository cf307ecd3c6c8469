package org.sumbrel.server.settle;

import static org.assertj.core.api.Assertions.assertThat;
import static org.sumbrel.server.TestBooks.applied;
import static org.sumbrel.server.TestBooks.draft;
import static org.sumbrel.server.TestBooks.expect;
import static org.sumbrel.server.TestBooks.money;

import com.fasterxml.jackson.databind.JsonNode;
import java.math.BigDecimal;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import org.sumbrel.server.ApiTest;
import org.sumbrel.server.Clerk;
import org.sumbrel.server.Clerk.Answer;
import org.sumbrel.server.TestBooks;

/** Drafts that are kept, passed on and approved; money that is no customer's; the shelf. */
@ApiTest
class DraftApiTest {

  @Autowired private MockMvc web;
  private Clerk maren;
  private Clerk osric;

  @BeforeEach
  void people() {
    maren = Clerk.maren(web);
    osric = Clerk.osric(web);
  }

  private static void assertRefused(Answer answer, int status, String code, String... words) {
    assertThat(answer.status()).as(answer.toString()).isEqualTo(status);
    assertThat(answer.text("/code")).isEqualTo(code);
    assertThat(answer.text("/detail")).contains(words);
  }

  private static String writeOff(String amount) {
    return TestBooks.adjusted("WRITE_OFF", amount);
  }

  private static String withVersion(TestBooks books, int item, String amount, long version) {
    return "{\"itemId\":%d,\"amount\":%s,\"itemVersion\":%d}"
        .formatted(books.item(item), money(amount), version);
  }

  private static JsonNode kept(Answer answer) {
    return expect(200, answer).body().at("/held");
  }

  @Test
  void keepsWhatWasTypedUntilItIsPosted() {
    var books = new TestBooks(maren).invoices("100.00", "250.00");
    var entry = books.credit("130.00", "two parts");
    var subject = "/api/drafts/entry-" + entry;
    assertThat(maren.get(subject).body().at("/held").isNull()).isTrue();

    var first = kept(maren.put(subject, draft(entry, applied(books.item(0), "100.00"), "")));
    assertThat(first.at("/by").asText()).isEqualTo("maren");
    var both = applied(books.item(0), "100.00") + "," + applied(books.item(1), "30.00");
    expect(200, maren.put(subject, draft(entry, both, "")));

    var found = kept(osric.get(subject));
    assertThat(found.at("/draft/applications")).hasSize(2);
    assertThat(books.open(1)).isEqualTo("250.00");
    expect(201, maren.post("/api/settlements", draft(entry, both, "")));
    assertThat(books.open(1)).isEqualTo("220.00");
    assertThat(maren.get(subject).body().at("/held").isNull()).isTrue();
  }

  @Test
  void isHeldByOnePersonAndCanBeTakenOver() {
    var books = new TestBooks(maren).invoices("100.00");
    var entry = books.credit("100.00", "held");
    var subject = "/api/drafts/entry-" + entry;
    var whole = draft(entry, applied(books.item(0), "100.00"), "");
    expect(200, maren.put(subject, whole));
    assertRefused(osric.put(subject, whole), 409, "HELD", "maren works on this since");
    assertRefused(osric.post("/api/settlements", whole), 409, "HELD", "Take it over first");
    assertRefused(osric.delete(subject), 409, "HELD", "maren");
    expect(200, osric.post(subject + "/holder", ""));
    assertRefused(maren.post("/api/settlements", whole), 409, "HELD", "osric");
    expect(201, osric.post("/api/settlements", whole));
  }

  @Test
  void noticesAChangeInAnotherWindow() {
    var books = new TestBooks(maren).invoices("100.00");
    var entry = books.credit("100.00", "windows");
    var subject = "/api/drafts/entry-" + entry;
    var empty = draft(entry, "", "");
    var version = kept(maren.put(subject, empty)).at("/version").asText();
    var whole = draft(entry, applied(books.item(0), "100.00"), "");
    expect(200, maren.put(subject, whole, "\"" + version + "\""));
    assertRefused(maren.put(subject, empty, "\"" + version + "\""), 409, "STALE", "another window");
  }

  @Test
  void saysWhatChangedUnderneathAndBringsTheDraftUpToIt() {
    var books = new TestBooks(maren).invoices("100.00", "80.00");
    var entry = books.credit("180.00", "changed");
    var other = books.credit("130.00", "first");
    var parts = withVersion(books, 0, "100.00", 0) + "," + withVersion(books, 1, "80.00", 0);
    expect(200, maren.put("/api/drafts/entry-" + entry, draft(entry, parts, "")));
    var taken = applied(books.item(0), "100.00") + "," + applied(books.item(1), "30.00");
    var settlement = expect(201, osric.post("/api/settlements", draft(other, taken, "")));

    var view = expect(200, maren.put("/api/drafts/entry-" + entry, draft(entry, parts, ""))).body();
    assertThat(view.at("/view/changes/0").asText())
        .contains(books.number(0), "by osric with settlement " + settlement.text("/id"), "0.00");
    assertThat(view.at("/view/changes/1").asText()).contains(books.number(1), "50.00");
    var adjusted = view.at("/view/adjusted/applications");
    assertThat(adjusted).hasSize(1);
    assertThat(adjusted.at("/0/amount/amount").asText()).isEqualTo("50.00");
    assertRefused(
        maren.post("/api/settlements", draft(entry, parts, "")), 409, "STALE", "osric", "Nothing");
  }

  @Test
  void goesToASupervisorAboveTheClerksLimit() {
    var books = new TestBooks(maren).invoices("500.00");
    var entry = books.credit("470.00", "short by thirty");
    var subject = "/api/drafts/entry-" + entry;
    var short30 = draft(entry, applied(books.item(0), "500.00"), writeOff("30.00"));
    assertRefused(
        maren.post("/api/settlements", short30), 422, "NEEDS_APPROVAL", "30.00", "limit is 2.00");
    expect(200, maren.put(subject, short30));
    expect(200, maren.post(subject + "/handing", "{\"note\":\"agreed\"}"));
    assertRefused(
        maren.post(subject + "/verdict", "{\"approved\":true}"), 403, "NOT_ALLOWED", "supervisor");

    expect(200, osric.post(subject + "/verdict", "{\"approved\":false,\"note\":\"ask again\"}"));
    var returned = kept(maren.get(subject));
    assertThat(returned.at("/state").asText()).isEqualTo("RETURNED");
    assertThat(returned.at("/note").asText()).isEqualTo("ask again");
    assertThat(books.open(0)).isEqualTo("500.00");

    expect(200, maren.post(subject + "/handing", "{}"));
    expect(200, osric.post(subject + "/verdict", "{\"approved\":true}"));
    assertThat(maren.get("/api/open-items?q=" + books.number(0)).body().at("/rows")).isEmpty();
    var posted = maren.get("/api/settlements?q=" + books.number(0)).body().at("/rows/0");
    assertThat(posted.at("/postedBy").asText()).isEqualTo("osric");
    assertThat(posted.at("/draftedBy").asText()).isEqualTo("maren");
  }

  @Test
  void letsNobodyApproveHisOwn() {
    var books = new TestBooks(osric).invoices("500.00");
    var entry = books.credit("440.00", "short by sixty");
    var subject = "/api/drafts/entry-" + entry;
    var short60 = draft(entry, applied(books.item(0), "500.00"), writeOff("60.00"));
    // above the supervisor's own 50.00 nobody decides
    assertRefused(osric.post("/api/settlements", short60), 422, "BEYOND_TOLERANCE", "50.00");
    expect(200, osric.put(subject, short60));
    expect(200, osric.post(subject + "/handing", "{}"));
    assertRefused(
        osric.post(subject + "/verdict", "{\"approved\":true}"), 403, "NOT_ALLOWED", "his own");
    var second = new Clerk(web, "ulla", "SUPERVISOR");
    assertRefused(
        second.post(subject + "/verdict", "{\"approved\":true}"), 422, "BEYOND_TOLERANCE", "60.00");
  }

  @Test
  void makesAClaimThatIsCreditedWithoutMoney() {
    var books = new TestBooks(maren).invoices("1000.00");
    var entry = books.credit("725.00", "less damages");
    var customer = maren.get("/api/open-items?q=" + books.number(0)).text("/rows/0/customerId");
    var claim =
        "{\"kind\":\"CLAIM\",\"amount\":%s,\"customerId\":%s,\"reason\":\"DAMAGED\",\"text\":\"wet\"}"
            .formatted(money("275.00"), customer);
    var posted =
        expect(
            201,
            maren.post("/api/settlements", draft(entry, applied(books.item(0), "1000.00"), claim)));
    var open = maren.get("/api/customers/" + customer).body().at("/openItems");
    assertThat(open).hasSize(1);
    assertThat(open.at("/0/number").asText()).isEqualTo("CL-" + posted.text("/id"));
    assertThat(open.at("/0/claimReason").asText()).isEqualTo("DAMAGED");

    books.creditNote("275.00");
    var proposed = maren.get("/api/customers/" + customer + "/oldest-first").body();
    assertThat(proposed.at("/applications")).hasSize(2);
    var applied = expect(201, maren.post("/api/settlements", proposed.toString()));
    assertThat(applied.body().at("/entryId").isNull()).isTrue();
    assertThat(maren.get("/api/customers/" + customer).body().at("/openItems")).isEmpty();
    // the claim has been used since, so its settlement cannot be taken back before that is
    var id = posted.text("/id");
    assertRefused(
        maren.post("/api/settlements/" + id + "/reversal", "{\"reason\":\"x\"}"),
        422,
        "ON_ACCOUNT_USED",
        "275.00");
    var second = applied.text("/id");
    expect(200, maren.post("/api/settlements/" + second + "/reversal", "{\"reason\":\"x\"}"));
    expect(200, maren.post("/api/settlements/" + id + "/reversal", "{\"reason\":\"x\"}"));
    assertThat(books.open(0)).isEqualTo("1000.00");
    assertThat(maren.get("/api/trial-balance").body().at("/balanced").asBoolean()).isTrue();
  }

  @Test
  void promisesARefundThatNoDraftUsesUp() {
    var books = new TestBooks(maren).invoices("100.00");
    var entry = books.credit("140.00", "paid too much");
    var customer = maren.get("/api/open-items?q=" + books.number(0)).text("/rows/0/customerId");
    var refund =
        "{\"kind\":\"REFUND\",\"amount\":%s,\"customerId\":%s}"
            .formatted(money("-40.00"), customer);
    expect(
        201,
        maren.post("/api/settlements", draft(entry, applied(books.item(0), "100.00"), refund)));
    var open = maren.get("/api/customers/" + customer).body().at("/openItems/0");
    assertThat(open.at("/kind").asText()).isEqualTo("REFUND");
    assertThat(open.at("/open/amount").asText()).isEqualTo("-40.00");
    assertThat(maren.get("/api/customers/" + customer + "/oldest-first").body().at("/applications"))
        .isEmpty();
  }

  @Test
  void warnsBeforeIncomeIsCountedTwice() {
    var books = new TestBooks(maren).invoices("411.17");
    var entry = books.credit("411.17", "perhaps rent");
    var account = account("4800");
    var toAccount =
        "{\"kind\":\"TO_ACCOUNT\",\"amount\":%s,\"accountId\":%s,\"text\":\"rent\"}"
            .formatted(money("-411.17"), account);
    var findings = expect(200, maren.get("/api/entries/" + entry + "/double-counting")).body();
    assertThat(findings.at("/0/sentence").asText()).contains(books.number(0), "411.17");
    var call = draft(entry, "", toAccount);
    var before = toAccounts();
    assertRefused(
        maren.post("/api/settlements", call), 409, "COUNTED_TWICE", books.number(0), "411.17");
    var despite = call.substring(0, call.length() - 1) + ",\"despite\":\"it is the rent\"}";
    var posted = expect(201, maren.post("/api/settlements", despite));
    assertThat(TestBooks.written(maren, posted.body()).findValuesAsText("account"))
        .contains("Other income");
    assertThat(books.open(0)).isEqualTo("411.17");
    assertThat(toAccounts().subtract(before)).isEqualByComparingTo("411.17");
  }

  /** What of all that arrived went to accounts, in a trail that is whole. */
  private BigDecimal toAccounts() {
    var trail = maren.get("/api/cent-trail").body();
    assertThat(trail.at("/whole").asBoolean()).isTrue();
    return new BigDecimal(trail.at("/totals/0/toAccounts/amount").asText());
  }

  @Test
  void booksWithTaxToTheAccountThatWasNamed() {
    var books = new TestBooks(maren);
    var entry = books.credit("106.00", "sale of a pallet");
    var toAccount =
        "{\"kind\":\"TO_ACCOUNT\",\"amount\":%s,\"accountId\":%s,\"taxCode\":\"SALES6\",\"text\":\"\"}"
            .formatted(money("-106.00"), account("4800"));
    var posted = expect(201, maren.post("/api/settlements", draft(entry, "", toAccount))).body();
    assertThat(TestBooks.written(maren, posted).toString()).contains("100.00", "6.00", "Tax");
    var receivable = maren.get("/api/ledger-accounts").body().findValuesAsText("code");
    assertThat(receivable).doesNotContain("1100", "1010", "1190");
    // takes back what it booked, on the same accounts
    var id = posted.at("/id").asText();
    expect(200, maren.post("/api/settlements/" + id + "/reversal", "{\"reason\":\"x\"}"));
    var mirror = maren.get("/api/journal-entries?limit=1").body().at("/rows/0/lines");
    assertThat(mirror.findValuesAsText("account")).contains("Other income", "Tax");
  }

  private String account(String code) {
    for (var account : maren.get("/api/ledger-accounts").body()) {
      if (account.at("/code").asText().equals(code)) {
        return account.at("/id").asText();
      }
    }
    throw new AssertionError("no account " + code);
  }

  @Test
  void readsAPastedList() {
    var books = new TestBooks(maren).invoices("100.00", "250.00");
    var entry = books.credit("300.00", "list");
    var text = books.number(0) + "\\t100.00\\n" + books.number(1) + "\\t200.00\\nX-99999\\t5.00";
    var rows =
        expect(
                200,
                maren.post("/api/entries/" + entry + "/pasted-list", "{\"text\":\"" + text + "\"}"))
            .body();
    assertThat(rows.findValuesAsText("outcome"))
        .containsExactly("UNDERSTOOD", "UNDERSTOOD", "UNKNOWN");
    assertThat(rows.at("/1/message").asText()).contains("50.00 stays open");
  }

  @Test
  void writesAnInvoiceThatIsMissing() {
    var books = new TestBooks(maren).invoices("1.00");
    var customer = maren.get("/api/open-items?q=" + books.number(0)).text("/rows/0/customerId");
    var call =
        "{\"customerId\":%s,\"issuedOn\":\"2026-05-28\",\"dueOn\":\"2026-06-27\",\"total\":%s,\"taxCode\":\"SALES6\",\"terms\":\"2/10 net 30\"%s}";
    var written =
        expect(201, maren.post("/api/invoices", call.formatted(customer, money("212.00"), "")));
    assertThat(written.text("/number")).startsWith("SB-260528-");
    var entry = maren.get("/api/journal-entries?limit=1").body().at("/rows/0/lines");
    assertThat(entry.toString()).contains("200.00", "12.00");
    var number = ",\"number\":\"" + written.text("/number") + "\"";
    assertRefused(
        maren.post("/api/invoices", call.formatted(customer, money("5.00"), number)),
        409,
        "NUMBER_TAKEN",
        written.text("/number"));
    assertThat(maren.post("/api/invoices", call.formatted(customer, money("-5.00"), "")).status())
        .isEqualTo(400);
    var like = maren.get("/api/invoices/like/" + written.text("/itemId") + "?issuedOn=2026-07-01");
    assertThat(like.text("/dueOn")).as("as many days to pay").isEqualTo("2026-07-31");
    assertThat(like.text("/total/amount")).isEqualTo("212.00");
    assertThat(like.text("/taxCode")).isEqualTo("SALES6");
    assertThat(like.text("/terms")).isEqualTo("2/10 net 30");
    assertThat(expect(201, maren.post("/api/invoices", like.body().toString())).text("/number"))
        .startsWith("SB-260701-");
  }

  @Test
  void dividesAnAmountAsItIsTyped() {
    var call = "{\"whole\":%s,\"parts\":[\"33.3333 %%\",\"40\",\"\",\"a third\"]}";
    var parts = expect(200, maren.post("/api/splits", call.formatted(money("100.00")))).body();
    assertThat(parts.at("/0/amount/amount").asText()).isEqualTo("33.33");
    assertThat(parts.at("/1/amount/amount").asText()).isEqualTo("40.00");
    assertThat(parts.at("/2/amount/amount").asText()).isEqualTo("26.67");
    assertThat(parts.at("/3/refusal").asText()).contains("a third");
  }

  @Test
  void saysWhenMoneyOnAccountCouldBeApplied() {
    var books = new TestBooks(maren).invoices("1.00");
    var customer = maren.get("/api/open-items?q=" + books.number(0)).text("/rows/0/customerId");
    var entry = books.credit("91.00", "in advance");
    var call = draft(entry, applied(books.item(0), "1.00"), "");
    expect(
        201,
        maren.post(
            "/api/settlements",
            call.substring(0, call.length() - 1)
                + ",\"onAccount\":%s,\"onAccountCustomerId\":%s}"
                    .formatted(money("90.00"), customer)));
    assertThat(maren.get("/api/applicable").body().findValuesAsText("customerId"))
        .doesNotContain(customer);
    var more =
        "{\"customerId\":%s,\"issuedOn\":\"2026-05-28\",\"dueOn\":\"2026-06-27\",\"total\":%s}"
            .formatted(customer, money("60.00"));
    expect(201, maren.post("/api/invoices", more));
    var row = maren.get("/api/applicable").body();
    assertThat(row.findValuesAsText("customerId")).contains(customer);
    var proposed = maren.get("/api/customers/" + customer + "/oldest-first").body();
    expect(201, maren.post("/api/settlements", proposed.toString()));
    var left = maren.get("/api/customers/" + customer).body().at("/openItems");
    assertThat(left).hasSize(1);
    assertThat(left.at("/0/open/amount").asText()).isEqualTo("-30.00");
  }

  @Test
  void shelvesAndTakesBackWithoutLosingACent() {
    var books = new TestBooks(maren);
    var entry = books.credit("66.60", "twice");
    var path = "/api/entries/" + entry + "/shelving";
    expect(204, maren.post(path, "{\"reason\":\"DUPLICATE\",\"note\":\"seen before\"}"));
    assertRefused(maren.post(path, "{\"reason\":\"PRIVATE\"}"), 409, "CHANGED_MEANWHILE", "66.60");
    assertRefused(
        maren.post("/api/settlements", draft(entry, "", writeOff("1.00"))),
        409,
        "SHELVED",
        "66.60");
    var trail = maren.get("/api/cent-trail").body();
    assertThat(trail.at("/whole").asBoolean()).isTrue();
    assertThat(trail.at("/totals").findValues("shelved").toString()).contains("66.60");
    assertThat(maren.get("/api/shelved").body().at("/0/note").asText()).isEqualTo("seen before");
    expect(204, maren.delete(path));
    assertThat(maren.get("/api/entries/" + entry).text("/status")).isEqualTo("WAITING");
  }

  @Test
  void decidesPoliciesOnceAtATime() {
    var policy = maren.get("/api/policies/USD").body();
    assertThat(policy.at("/clerk/writeOff/under/amount").asText()).isEqualTo("2.00");
    var changed = policy.toString().replace("\"discountGraceDays\":3", "\"discountGraceDays\":4");
    assertThat(maren.put("/api/policies/USD", changed).status()).isEqualTo(403);
    var decided = expect(200, osric.put("/api/policies/USD", changed)).body();
    assertThat(decided.at("/discountGraceDays").asInt()).isEqualTo(4);
    assertRefused(osric.put("/api/policies/USD", changed), 409, "STALE", "changed");
    var wrong = decided.toString().replace("\"discountGraceDays\":4", "\"discountGraceDays\":-4");
    assertThat(osric.put("/api/policies/USD", wrong).text("/detail")).contains("-4", "Nothing");
    var back = decided.toString().replace("\"discountGraceDays\":4", "\"discountGraceDays\":3");
    expect(200, osric.put("/api/policies/USD", back));
  }
}

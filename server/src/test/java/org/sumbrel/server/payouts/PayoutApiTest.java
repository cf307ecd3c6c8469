package org.sumbrel.server.payouts;

import static org.assertj.core.api.Assertions.assertThat;
import static org.sumbrel.server.TestBooks.expect;

import com.fasterxml.jackson.databind.JsonNode;
import java.io.IOException;
import java.math.BigDecimal;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import java.util.concurrent.Executors;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.concurrent.locks.LockSupport;
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
 * Payouts through the API: from the processor's file to what is booked and taken back. The books
 * are whole after every test.
 */
@ApiTest
class PayoutApiTest {

  private static final AtomicInteger NEXT = new AtomicInteger(1);

  private static final String HEAD =
      "processor,payout,payout_date,type,item,related,reference,date,gross,tax,fee,net,payout_net,currency\n";

  @Autowired private MockMvc web;
  private Clerk maren;
  private Clerk osric;
  private String number;

  @BeforeEach
  void sitDown() {
    maren = Clerk.maren(web);
    osric = Clerk.osric(web);
    number = "T" + NEXT.getAndIncrement();
  }

  @AfterEach
  void booksAreWhole() {
    assertThat(maren.get("/api/trial-balance").body().at("/balanced").asBoolean()).isTrue();
    for (var proof : expect(200, maren.get("/api/processors/clearing")).body()) {
      assertThat(proof.at("/difference/amount").asText()).as(proof.toString()).isEqualTo("0.00");
      assertThat(proof.at("/reserve")).isEqualTo(proof.at("/reserveExplained"));
    }
    var trail = maren.get("/api/cent-trail").body();
    assertThat(trail.at("/whole").asBoolean()).as(trail.toString()).isTrue();
  }

  /** One line; ids of items are made from the payout's number, so that no test meets another's. */
  private String line(
      String type,
      String id,
      String related,
      String reference,
      String gross,
      String fee,
      String net) {
    return "Testfold,%s,2026-05-28,%s,%s,%s,%s,2026-05-26,%s,,%s,%s,%%s,USD\n"
        .formatted(
            number,
            type,
            number + "-" + id,
            related.isEmpty() ? "" : number + "-" + related,
            reference,
            gross,
            fee,
            net);
  }

  private long take(String total, String... lines) {
    var intake =
        expect(201, maren.drop("payout-" + number + ".csv", HEAD + filled(total, lines))).body();
    assertThat(intake.at("/format").asText()).isEqualTo("payout-csv");
    return maren
        .get("/api/payouts?intake=" + intake.at("/id").asText())
        .body()
        .at("/rows/0/id")
        .asLong();
  }

  private static String filled(String total, String... lines) {
    return String.join("", lines).replace("%s", total);
  }

  private JsonNode payout(long id) {
    return expect(200, maren.get("/api/payouts/" + id)).body();
  }

  private Map<String, JsonNode> items(long id) {
    var found = new HashMap<String, JsonNode>();
    maren
        .get("/api/payouts/" + id + "/items")
        .body()
        .at("/rows")
        .forEach(i -> found.put(i.at("/number").asText().replace(number + "-", ""), i));
    return found;
  }

  private String join(long id, String item) {
    return items(id).get(item).at("/join/kind").asText();
  }

  private long operating() {
    return maren.get("/api/me").body().at("/companies/0/bankAccounts/0/id").asLong();
  }

  private JsonNode post(long id) {
    expect(
        200,
        maren.post(
            "/api/payouts/" + id + "/posting", "{\"bankAccountId\":%d}".formatted(operating())));
    return ended(id);
  }

  private void reverse(long id) {
    expect(200, maren.post("/api/payouts/" + id + "/reversal", "{\"reason\":\"wrong week\"}"));
    ended(id);
  }

  /**
   * The payout, when nothing is done with it any more: a slow machine goes on behind the scenes.
   */
  private JsonNode ended(long id) {
    var view = payout(id);
    for (var n = 0; n < 600 && view.at("/job").isObject(); n++) {
      assertThat(view.at("/job/refused").isNull()).isTrue();
      LockSupport.parkNanos(50_000_000);
      view = payout(id);
    }
    return view;
  }

  /** What stands on every account, by its name. */
  private Map<String, String> books() {
    var balances = new HashMap<String, String>();
    maren
        .get("/api/trial-balance")
        .body()
        .at("/accounts")
        .forEach(
            a ->
                balances.put(
                    a.at("/account").asText(),
                    new BigDecimal(a.at("/debit/amount").asText())
                        .subtract(new BigDecimal(a.at("/credit/amount").asText()))
                        .toPlainString()));
    return balances;
  }

  private Map<String, String> change(Map<String, String> before) {
    var change = new HashMap<String, String>();
    books()
        .forEach(
            (name, balance) -> {
              var was = new BigDecimal(before.getOrDefault(name, "0.00"));
              var by = new BigDecimal(balance).subtract(was);
              if (by.signum() != 0) {
                change.put(name, by.toPlainString());
              }
            });
    return change;
  }

  @Test
  void booksAPayoutFromTheFileToTheBankAndTakesItBack() {
    var books = new TestBooks(maren).invoices("150.00", "80.00");
    var before = books();
    var id =
        take(
            "251.35",
            line("sale", "1", "", books.number(0), "150.00", "4.65", "145.35"),
            line("sale", "2", "", "WEB-" + number, "106.00", "3.37", "102.63"),
            line("refund", "3", "2", "", "-26.50", "-0.37", "-26.13"),
            line("fee", "4", "", "", "", "0.50", ""),
            line("reserve held", "5", "", "", "-20.00", "0.00", "-20.00"),
            line("reserve released", "6", "", "", "50.00", "0.00", "50.00"));
    var view = payout(id);
    assertThat(view.at("/contradictions")).isEmpty();
    assertThat(maren.get("/api/payouts/" + id + "/booking").body().at("/refused").isNull())
        .isTrue();
    assertThat(view.at("/steps").findValuesAsText("kind"))
        .containsExactly("SALES", "REFUNDS", "FEES", "RESERVE_HELD", "RESERVE_RELEASED");
    assertThat(view.at("/steps/4/after/amount").asText()).isEqualTo("251.35");
    assertThat(join(id, "1")).isEqualTo("INVOICE");
    assertThat(join(id, "2")).isEqualTo("NEW");
    assertThat(join(id, "3")).isEqualTo("SALE");
    // sale and refund side by side: 3.37 kept, 0.37 of it given back
    var pair = maren.get("/api/payouts/" + id + "/pairs").body().at("/0");
    assertThat(pair.at("/sale/gross/amount").asText()).isEqualTo("106.00");
    assertThat(pair.at("/back/0/fee/amount").asText()).isEqualTo("-0.37");
    assertThat(pair.at("/left/amount").asText()).isEqualTo("79.50");
    assertThat(pair.at("/kept/amount").asText()).isEqualTo("3.00");
    // nothing is booked by looking
    assertThat(change(before)).isEmpty();

    var posted = post(id);
    assertThat(posted.at("/payout/postedBy").asText()).isEqualTo("maren");
    assertThat(books.open(0)).isEmpty();
    var change = change(before);
    assertThat(change)
        .containsEntry("Operating USD", "251.35")
        .containsEntry("Accounts receivable", "-150.00")
        .containsEntry("Sales", "-106.00")
        .containsEntry("Sales refunds", "26.50")
        .containsEntry("Processing fees", "8.15")
        .containsEntry("Reserve Testfold", "-30.00")
        .doesNotContainKey("Clearing Testfold");
    var settlement = maren.get("/api/settlements/" + posted.at("/settlementId").asText()).body();
    assertThat(settlement.at("/payer").asText()).isEqualTo("payout " + number + " of Testfold");
    assertThat(settlement.at("/payoutId").asLong()).isEqualTo(id);
    // a settlement of a payout goes only with the whole
    var alone =
        maren.post(
            "/api/settlements/" + posted.at("/settlementId").asText() + "/reversal",
            "{\"reason\":\"no\"}");
    assertThat(alone.text("/code")).isEqualTo("PAID_OUT");
    assertThat(maren.post("/api/payouts/" + id + "/posting", "{}").text("/code"))
        .isEqualTo("POSTED");

    // the bank shows it in its own statement
    var deposit = posted.at("/arrival/depositId").asLong();
    assertThat(maren.post("/api/deposits/" + deposit + "/opening", "").text("/code"))
        .isEqualTo("PAID_OUT");
    var credit = new TestBooks(maren).credit("251.35", "TESTFOLD " + number);
    expect(
        200,
        maren.post(
            "/api/deposit-ties",
            "{\"depositIds\":[%d],\"entryIds\":[%d],\"lines\":[]}".formatted(deposit, credit)));
    assertThat(payout(id).at("/arrival/shown").asBoolean()).isTrue();
    var shown = maren.post("/api/payouts/" + id + "/reversal", "{\"reason\":\"wrong week\"}");
    assertThat(shown.text("/code")).isEqualTo("TIED");
    expect(200, maren.delete("/api/deposits/" + deposit + "/tie"));
    reverse(id);
    assertThat(change(before)).isEmpty();
    assertThat(books.open(0)).isEqualTo("150.00");
    assertThat(payout(id).at("/payout/postedBy").isNull()).isTrue();
    // and once more, as if nothing had been
    post(id);
    assertThat(change(before)).isEqualTo(change);
  }

  @Test
  void doesNotRecordASaleAgainThatIsRecorded() {
    var books = new TestBooks(maren).invoices("412.00");
    var customer =
        maren
            .get("/api/customers?q=" + books.customer().split(" ")[0])
            .body()
            .at("/rows/0/id")
            .asLong();
    // a card slip that paid the invoice, and one that says nothing
    card("412.00", books.number(0), customer, "[" + books.item(0) + "]");
    card("77.00", "", customer, "[]");
    assertThat(books.open(0)).isEmpty();
    var before = books();
    var id =
        take(
            "474.82",
            line("sale", "1", "", books.number(0), "412.00", "12.25", "399.75"),
            line("sale", "2", "", "", "77.00", "1.93", "75.07"));
    assertThat(join(id, "1")).isEqualTo("RECEIPT");
    var asked = items(id).get("2");
    assertThat(asked.at("/join/kind").asText()).isEqualTo("ASKED");
    assertThat(asked.at("/asked").asText())
        .isEqualTo(
            "A receipt of the same amount was recorded on 26 May 2026; it may be this sale.");
    assertThat(asked.at("/candidates").findValuesAsText("kind")).containsExactly("RECEIPT", "NEW");
    var refused =
        maren.post(
            "/api/payouts/" + id + "/posting", "{\"bankAccountId\":%d}".formatted(operating()));
    assertThat(refused.text("/code")).isEqualTo("PAYOUT_REFUSED");
    assertThat(refused.text("/detail")).contains("the 77.00 of line 3 belong to");

    var item = asked.at("/id").asText();
    var wrong =
        maren.put("/api/payouts/" + id + "/items/" + item + "/join", "{\"kind\":\"LOOSE\"}");
    assertThat(wrong.status()).isEqualTo(400);
    // a receipt of another amount would not be what the bank shows
    var other = items(id).get("1").at("/join/target").asText();
    assertThat(
            maren
                .put(
                    "/api/payouts/" + id + "/items/" + item + "/join",
                    "{\"kind\":\"RECEIPT\",\"target\":%s}".formatted(other))
                .text("/detail"))
        .contains("No card receipt of 77.00 that waits to be paid out");
    expect(
        200,
        maren.put(
            "/api/payouts/" + id + "/items/" + item + "/join",
            "{\"kind\":\"RECEIPT\",\"target\":%s}"
                .formatted(asked.at("/candidates/0/target").asText())));
    assertThat(items(id).get("2").at("/decidedBy").asText()).isEqualTo("maren");
    // looking again leaves alone what somebody decided
    assertThat(maren.post("/api/payouts/" + id + "/joining", "").body().at("/changed").asInt())
        .isZero();
    var posted = post(id);
    assertThat(change(before))
        .containsEntry("Operating USD", "474.82")
        .containsEntry("Processing fees", "14.18")
        .containsEntry("Processor clearing", "-489.00")
        .doesNotContainKey("Sales")
        .doesNotContainKey("Accounts receivable");
    // what is paid out is not in the pouch any more
    var deposit = maren.get("/api/deposits/" + posted.at("/arrival/depositId").asText()).body();
    assertThat(deposit.at("/receipts")).hasSize(2);
    assertThat(deposit.at("/payoutId").asLong()).isEqualTo(id);
    expect(200, maren.post("/api/payouts/" + id + "/reversal", "{\"reason\":\"again\"}"));
    assertThat(change(before)).isEmpty();
  }

  private void card(String amount, String reference, long customer, String items) {
    expect(
        201,
        maren.post(
            "/api/receipts",
            "{\"method\":\"CARD\",\"receivedOn\":\"2026-05-26\",\"amount\":%s,\"reference\":\"%s\",\"customerId\":%d,\"itemIds\":%s}"
                .formatted(TestBooks.money(amount), reference, customer, items)));
  }

  @Test
  void makesAClaimOfAChargebackAndPutsItBackWhenReversed() {
    var books = new TestBooks(maren).invoices("230.00");
    var first = take("223.00", line("sale", "1", "", books.number(0), "230.00", "7.00", "223.00"));
    post(first);
    var sold = number;
    number = "T" + NEXT.getAndIncrement();
    var before = books();
    // a later payout takes the sale back, without saying more than its number
    var back =
        "Testfold,%s,2026-05-28,chargeback,%s-1,%s-1,,2026-05-27,-230.00,,15.00,-245.00,-45.00,USD\n"
            .formatted(number, number, sold);
    var more = line("sale", "2", "", "WEB-" + number, "200.00", "0.00", "200.00");
    var id = take("-45.00", back, more);
    assertThat(items(id).get("1").at("/join/name").asText()).isEqualTo(books.number(0));
    expect(200, maren.post("/api/payouts/" + id + "/posting", "{}"));
    // nothing was sent: what we owe the processor stands on its clearing account
    assertThat(payout(id).at("/carried/amount").asText()).isEqualTo("0.00");
    assertThat(change(before))
        .containsEntry("Claims on customers", "230.00")
        .containsEntry("Processing fees", "15.00")
        .containsEntry("Sales", "-200.00")
        .containsEntry("Processor clearing", "-45.00")
        .doesNotContainKey("Operating USD");
    expect(200, maren.post("/api/payouts/" + id + "/reversal", "{\"reason\":\"won\"}"));
    assertThat(change(before)).isEmpty();
  }

  @Test
  void holdsBackWhatContradictsItselfUntilASupervisorAcceptsIt() {
    var id =
        take(
            "96.00",
            line("sale", "1", "", "WEB-" + number, "100.00", "3.20", "96.80"),
            line("loyalty levy", "2", "", "", "-0.50", "0.00", "-0.50"));
    var view = payout(id);
    assertThat(view.at("/payout/blocked").asBoolean()).isTrue();
    assertThat(view.at("/contradictions").toString())
        .contains("says it comes to 96.00, its items come to 96.30: 0.30 more")
        .contains("\\\"loyalty levy\\\" is no type of item that is known");
    var body = "{\"bankAccountId\":%d}".formatted(operating());
    assertThat(maren.post("/api/payouts/" + id + "/posting", body).text("/detail"))
        .contains("contradicts itself");
    var reason = "{\"reason\":\"the processor confirmed 96.00\"}";
    assertThat(maren.post("/api/payouts/" + id + "/acceptance", reason).status()).isEqualTo(403);
    expect(200, osric.post("/api/payouts/" + id + "/acceptance", reason));
    assertThat(osric.post("/api/payouts/" + id + "/acceptance", reason).status()).isEqualTo(409);
    // what it is has to be said all the same; it is never dropped
    assertThat(maren.post("/api/payouts/" + id + "/posting", body).text("/detail"))
        .contains("Line 3 is \"loyalty levy\", of -0.50; say what that is first.");
    var levy = items(id).get("2").at("/id").asText();
    assertThat(
            maren
                .put("/api/payouts/" + id + "/items/" + levy + "/type", "{\"type\":\"SALE\"}")
                .status())
        .isEqualTo(400);
    expect(200, maren.put("/api/payouts/" + id + "/items/" + levy + "/type", "{\"type\":\"FEE\"}"));
    var before = books();
    post(id);
    // what was sent is less than the items come to: the rest stays with the processor
    assertThat(change(before))
        .containsEntry("Operating USD", "96.00")
        .containsEntry("Processing fees", "3.70")
        .containsEntry("Sales", "-100.00");
    assertThat(payout(id).at("/carried/amount").asText()).isEqualTo("0.30");
    var proof = clearing();
    assertThat(proof.at("/items").findValuesAsText("words"))
        .contains("Not sent with payout " + number);
    assertThat(proof.at("/onItsWay").findValuesAsText("number")).contains(number);
  }

  private JsonNode clearing() {
    for (var proof : maren.get("/api/processors/clearing").body()) {
      if (proof.at("/processor").asText().equals("Testfold")) {
        return proof;
      }
    }
    throw new AssertionError("nothing of Testfold");
  }

  @Test
  void tellsWhatPaymentCostByMethod() {
    var lines =
        "processor,payout,payout_date,type,item,related,reference,date,gross,fee,net,method,currency\n"
            + "Costfold,C1,2026-04-30,sale,c1,,CO-1,2026-04-10,100.00,3.20,96.80,card,USD\n"
            + "Costfold,C1,2026-04-30,sale,c2,,CO-2,2026-04-11,200.00,2.00,198.00,wallet,USD\n"
            + "Costfold,C1,2026-04-30,refund,c3,c1,,2026-04-12,-50.00,-0.70,-49.30,,USD\n"
            + "Costfold,C1,2026-04-30,fee,c4,,,2026-04-30,,9.00,,,USD\n";
    var intake = expect(201, maren.drop("cost.csv", lines)).body();
    var id =
        maren
            .get("/api/payouts?intake=" + intake.at("/id").asText())
            .body()
            .at("/rows/0/id")
            .asLong();
    post(id);
    var rows = new HashMap<String, String>();
    for (var row : maren.get("/api/processors/cost").body()) {
      if (row.at("/processor").asText().equals("Costfold")) {
        rows.put(
            row.at("/month").asText() + " " + row.at("/method").asText(),
            row.at("/kept/amount").asText() + " " + row.at("/percent").asText());
      }
    }
    // what came back of a fee lessens what its sale's method cost
    assertThat(rows)
        .containsOnly(
            Map.entry("2026-04 card", "2.50 2.5"),
            Map.entry("2026-04 wallet", "2.00 1.0"),
            Map.entry("2026-04 ", "9.00 null"));
  }

  @Test
  void knowsTheSamePayoutAndRefusesOneThatDiffers() {
    var lines =
        new String[] {
          line("sale", "1", "", "WEB-1" + number, "100.00", "3.20", "96.80"),
          line("sale", "2", "", "WEB-2" + number, "50.00", "1.75", "48.25")
        };
    var id = take("145.05", lines);
    var again = expect(201, maren.drop("again.csv", HEAD + filled("145.05", lines) + "\n")).body();
    assertThat(again.at("/fresh").asInt()).isZero();
    assertThat(again.at("/known").asInt()).isEqualTo(2);
    var other = maren.drop("other.csv", HEAD + filled("96.80", lines[0]));
    assertThat(other.status()).isEqualTo(422);
    assertThat(other.text("/detail"))
        .contains("was taken in already, with 2 items that come to 145.05")
        .contains("this file has 1 that come to 96.80");
    // taken back with its file, unless it is booked
    var intake = payout(id).at("/intakeId").asText();
    post(id);
    assertThat(maren.post("/api/intakes/" + intake + "/taking-back", "").text("/detail"))
        .contains("Payout " + number + " of Testfold is booked; reverse it first.");
    expect(200, maren.post("/api/payouts/" + id + "/reversal", "{\"reason\":\"twice\"}"));
    expect(200, maren.post("/api/intakes/" + intake + "/taking-back", ""));
    assertThat(maren.get("/api/payouts/" + id).status()).isEqualTo(404);
    assertThat(take("96.80", lines[0])).isPositive();
  }

  @Test
  void tellsOfMoneyAtTheBankThatLooksLikeAPayout() {
    var id = take("96.90", line("sale", "1", "", "WEB-" + number, "100.00", "3.10", "96.90"));
    var known = new TestBooks(maren).credit("96.90", "TESTFOLD " + number);
    var without = new TestBooks(maren).credit("17.31", "WEEKLY PAYOUT " + number);
    var other = new TestBooks(maren).credit("17.32", "FLOUR " + number);
    var seen = new HashMap<Long, JsonNode>();
    maren
        .get("/api/processors/at-the-bank")
        .body()
        .forEach(s -> seen.put(s.at("/entryId").asLong(), s));
    assertThat(seen).containsKeys(known, without).doesNotContainKey(other);
    assertThat(seen.get(known).at("/payoutId").asLong()).isEqualTo(id);
    assertThat(seen.get(known).at("/processor").asText()).isEqualTo("Testfold");
    assertThat(seen.get(without).at("/payoutId").isNull()).isTrue();
    // announced and not there: listed until the bank has shown it, booked or not
    assertThat(onItsWay()).contains(number + " ");
    post(id);
    assertThat(onItsWay()).contains(number + " Operating USD");
    for (var one : maren.get("/api/processors/at-the-bank").body()) {
      if (one.at("/entryId").asLong() == known) {
        assertThat(one.at("/payoutId").asLong()).isEqualTo(id);
        assertThat(one.at("/booked").asBoolean()).isTrue();
      }
    }
    expect(
        200,
        maren.post(
            "/api/deposit-ties",
            "{\"depositIds\":[%s],\"entryIds\":[%d],\"lines\":[]}"
                .formatted(payout(id).at("/arrival/depositId").asText(), known)));
    assertThat(onItsWay()).doesNotContain(number);
  }

  private String onItsWay() {
    var said = new StringBuilder();
    for (var one : clearing().at("/onItsWay")) {
      said.append(one.at("/number").asText() + " " + one.at("/bankAccount").asText() + "\n");
    }
    return said.toString();
  }

  @Test
  void booksAMarketplacesPayoutWithASaleThatWasChanged() throws IOException {
    var before = books();
    var file = Files.readString(Path.of("../examples/grocers-row-payout-2026-05-28.csv"));
    var intake = expect(201, maren.drop("market.csv", file)).body();
    var rows = maren.get("/api/payouts?intake=" + intake.at("/id").asText()).body().at("/rows");
    assertThat(rows).hasSize(2);
    var euros = rows.get(0);
    var dollars = rows.get(1);
    assertThat(dollars.at("/paidOut/amount").asText()).isEqualTo("2119.04");
    assertThat(euros.at("/net/currency").asText()).isEqualTo("EUR");
    // 42.24 euros became 45.83 dollars: at 1.10 they would have been 46.46
    for (var part : rows) {
      var exchange = "/api/payouts/" + part.at("/id").asText() + "/exchange";
      assertThat(maren.get(exchange).body().at("/perUnit").asText()).isEqualTo("1.084991");
      assertThat(maren.get(exchange + "?rate=1.10").body().at("/difference/amount").asText())
          .isEqualTo("-0.63");
      assertThat(maren.get(exchange + "?rate=0").text("/detail")).contains("above 0");
    }
    // nothing was sent of the euros: all was changed
    expect(200, maren.post("/api/payouts/%d/posting".formatted(euros.at("/id").asLong()), "{}"));
    ended(euros.at("/id").asLong());
    post(dollars.at("/id").asLong());
    for (var proof : maren.get("/api/processors/clearing").body()) {
      if (proof.at("/processor").asText().equals("Grocer's Row")) {
        assertThat(proof.at("/books/amount").asText()).isEqualTo("0.00");
        assertThat(proof.at("/difference/amount").asText()).isEqualTo("0.00");
      }
    }
    assertThat(change(before)).containsEntry("Operating USD", "2119.04");
    reverse(dollars.at("/id").asLong());
    reverse(euros.at("/id").asLong());
    assertThat(change(before)).isEmpty();
  }

  private String back(String type, String sold, String gross, String net) {
    return "Testfold,%s,2026-05-28,%s,%s-%s,%s-1,,2026-05-27,%s,,0.00,%s,%%s,USD\n"
        .formatted(number, type, number, type.length(), sold, gross, net);
  }

  @Test
  void opensAnInvoiceAgainOrMakesAClaimAndSettlesItWhenTheChargebackIsWon() {
    var books = new TestBooks(maren).invoices("230.00");
    post(take("223.00", line("sale", "1", "", books.number(0), "230.00", "7.00", "223.00")));
    var sold = number;
    number = "T" + NEXT.getAndIncrement();
    var lost =
        take(
            "70.00",
            back("chargeback", sold, "-230.00", "-230.00"),
            line("sale", "2", "", "WEB-" + number, "300.00", "0.00", "300.00"));
    var chargeback = items(lost).get("10");
    assertThat(chargeback.at("/concerns/name").asText()).isEqualTo(books.number(0));
    var join = "/api/payouts/%d/items/%s/join".formatted(lost, chargeback.at("/id").asText());
    var sale = chargeback.at("/join/target").asText();
    expect(200, maren.put(join, "{\"kind\":\"REOPEN\",\"target\":%s}".formatted(sale)));
    var other = items(lost).get("2").at("/id").asText();
    var before = books();
    post(lost);
    assertThat(books.open(0)).isEqualTo("230.00");
    assertThat(change(before)).containsEntry("Accounts receivable", "230.00");
    // won in the next payout: the invoice is settled again
    number = "T" + NEXT.getAndIncrement();
    var won = take("230.00", back("chargeback won", sold, "230.00", "230.00"));
    assertThat(items(won).get("14").at("/concerns/name").asText()).isEqualTo(books.number(0));
    post(won);
    assertThat(books.open(0)).isEmpty();
    assertThat(change(before)).doesNotContainKey("Accounts receivable");
    // what was settled since cannot be taken back before that is
    assertThat(
            maren.post("/api/payouts/" + lost + "/reversal", "{\"reason\":\"no\"}").text("/detail"))
        .contains("230.00 of the 230.00 that were opened again of " + books.number(0));
    reverse(won);
    reverse(lost);
    // and as a claim, which the won chargeback settles
    expect(200, maren.put(join, "{\"kind\":\"SALE\",\"target\":%s}".formatted(sale)));
    post(lost);
    assertThat(books.open(0)).isEmpty();
    assertThat(change(before)).containsEntry("Claims on customers", "230.00");
    expect(200, maren.post("/api/payouts/" + won + "/joining", "{}"));
    assertThat(items(won).get("14").at("/concerns/name").asText()).startsWith("CL-");
    post(won);
    assertThat(change(before)).doesNotContainKey("Claims on customers");
    reverse(won);
    reverse(lost);
    assertThat(change(before)).isEmpty();
    expect(
        400,
        maren.put(
            "/api/payouts/%d/items/%s/join".formatted(lost, other),
            "{\"kind\":\"REOPEN\",\"target\":%s}".formatted(sale)));
  }

  @Test
  void paysOutACreditNoteWithARefundThatNamesIt() {
    var books = new TestBooks(maren).invoices("80.00");
    books.creditNote("-30.00");
    var note = maren.get("/api/open-items?q=" + books.number(90)).body().at("/rows/0/id").asLong();
    var id =
        take(
            "70.00",
            line("sale", "1", "", "WEB-" + number, "100.00", "0.00", "100.00"),
            line("refund", "2", "", books.number(90), "-30.00", "0.00", "-30.00"));
    assertThat(items(id).get("2").at("/join/name").asText()).isEqualTo(books.number(90));
    var before = books();
    post(id);
    assertThat(change(before))
        .containsEntry("Accounts receivable", "30.00")
        .doesNotContainKey("Sales refunds");
    reverse(id);
    // a sale does not pay it, and said to be of no known sale it is a refund like others
    var sale = items(id).get("1").at("/id").asText();
    assertThat(
            maren
                .put(
                    "/api/payouts/%d/items/%s/join".formatted(id, sale),
                    "{\"kind\":\"INVOICE\",\"target\":%d}".formatted(note))
                .status())
        .isEqualTo(400);
    var refund = items(id).get("2").at("/id").asText();
    expect(
        200,
        maren.put("/api/payouts/%d/items/%s/join".formatted(id, refund), "{\"kind\":\"LOOSE\"}"));
    post(id);
    assertThat(change(before))
        .containsEntry("Sales refunds", "30.00")
        .doesNotContainKey("Accounts receivable");
  }

  @Test
  void writesNewSalesByDayOrOneByOne() {
    var id =
        take(
            "150.00",
            line("sale", "1", "", "WEB-1" + number, "100.00", "0.00", "100.00"),
            line("sale", "2", "", "WEB-2" + number, "50.00", "0.00", "50.00"));
    var path = "/api/payouts/" + id + "/booking";
    assertThat(maren.get(path).body().at("/lines")).hasSize(2);
    assertThat(maren.get(path + "?eachSale=true").body().at("/lines")).hasSize(3);
    var before = books();
    expect(
        200,
        maren.post(
            "/api/payouts/" + id + "/posting",
            "{\"bankAccountId\":%d,\"eachSale\":true}".formatted(operating())));
    var settlement = ended(id).at("/settlementId").asText();
    assertThat(maren.get("/api/settlements/" + settlement).body().toString())
        .contains("Sale WEB-1" + number, "Sale WEB-2" + number);
    assertThat(change(before)).containsEntry("Sales", "-150.00");
  }

  @Test
  void takesTheSamePayoutOnceWhenItComesTwiceAtTheSameMoment() throws Exception {
    var pool = Executors.newFixedThreadPool(3);
    for (var round = 0; round < 4; round++) {
      // every other round a processor that nobody knew before
      var processor = round % 2 == 0 ? "Testfold" : "Newfold " + number;
      var text =
          "processor,payout,type,item,gross,fee,net,currency\n%s,%s-%d,sale,1,10.00,0.30,9.70,USD\n"
              .formatted(processor, number, round);
      Callable<Answer> drop = () -> maren.drop("payout.csv", text);
      var fresh = new ArrayList<Integer>();
      for (var answer : pool.invokeAll(List.of(drop, drop, drop))) {
        fresh.add(expect(201, answer.get()).body().at("/fresh").asInt());
      }
      assertThat(fresh).containsExactlyInAnyOrder(1, 0, 0);
    }
    pool.shutdown();
  }
}

package org.sumbrel.server.pouch;

import static org.assertj.core.api.Assertions.assertThat;
import static org.sumbrel.server.TestBooks.expect;
import static org.sumbrel.server.TestBooks.money;

import com.fasterxml.jackson.databind.JsonNode;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import org.sumbrel.server.ApiTest;
import org.sumbrel.server.Clerk;
import org.sumbrel.server.TestBooks;

/** Receipts in the office: recorded, settled, banked, seen at the bank, and the books with them. */
@ApiTest
class PouchApiTest {

  @Autowired private MockMvc web;
  private Clerk maren;
  private long account;
  private final List<Long> made = new ArrayList<>();
  private final List<Long> recorded = new ArrayList<>();

  @BeforeEach
  void sitDown() {
    maren = Clerk.maren(web);
    account = maren.get("/api/me").body().at("/companies/0/bankAccounts/0/id").asLong();
  }

  @AfterEach
  void theBooksAreWhole() {
    assertThat(maren.get("/api/trial-balance").body().at("/balanced").asBoolean()).isTrue();
    var trail = maren.get("/api/cent-trail").body();
    assertThat(trail.at("/whole").asBoolean()).as(trail.toString()).isTrue();
    var pouch = pouch();
    assertThat(pouch.at("/onHand")).isEqualTo(pouch.at("/inBooks"));
  }

  private JsonNode pouch() {
    return expect(200, maren.get("/api/receipts")).body();
  }

  private String receipt(String method, String amount, String from, String reference, String more) {
    return "{\"method\":\"%s\",\"receivedOn\":\"2026-05-28\",\"amount\":%s,\"from\":\"%s\",\"reference\":\"%s\"%s}"
        .formatted(method, money(amount), from, reference, more);
  }

  private JsonNode record(
      String method, String amount, String from, String reference, String more) {
    var body =
        expect(201, maren.post("/api/receipts", receipt(method, amount, from, reference, more)))
            .body();
    recorded.add(body.at("/receipt/id").asLong());
    return body;
  }

  private String deposit(String receipts, String lines, String more) {
    return "{\"bankAccountId\":%d,\"on\":\"2026-05-28\",\"slip\":\"0412\",\"receiptIds\":[%s],\"lines\":[%s],\"counted\":[]%s}"
        .formatted(account, receipts, lines, more);
  }

  private JsonNode make(JsonNode... receipts) {
    var ids =
        List.of(receipts).stream()
            .map(r -> r.at("/receipt/id").asText())
            .collect(Collectors.joining(","));
    var body = expect(201, maren.post("/api/deposits", deposit(ids, "", ""))).body();
    made.add(body.at("/id").asLong());
    return body;
  }

  private long shown(String amount, String text) {
    var key = "PB" + System.nanoTime();
    expect(
        201,
        maren.drop(
            "bank-" + key + ".csv",
            "entry_id,booking_date,amount,currency,payer_name,remittance\n"
                + "%s,2026-05-29,%s,USD,,%s %s\n".formatted(key, amount, text, key),
            "?bankAccount=" + account));
    return maren.get("/api/entries?limit=500&q=" + key).body().at("/rows/0/id").asLong();
  }

  private JsonNode tie(Object deposits, Object entries, String lines) {
    return expect(200, maren.post("/api/deposit-ties", ties(deposits, entries, lines))).body();
  }

  private static String ties(Object deposits, Object entries, String lines) {
    return "{\"depositIds\":[%s],\"entryIds\":[%s],\"lines\":[%s]}"
        .formatted(deposits, entries, lines);
  }

  @Test
  void settlesWhatAChequePaysAndBanksItWithOthers() {
    var books = new TestBooks(maren).invoices("188.00", "115.00", "64.00");
    var found =
        expect(
                200,
                maren.get(
                    "/api/receipts/lookup?on=2026-05-28&words="
                        + books.number(0)
                        + ","
                        + books.number(1)
                        + ",nothing"))
            .body();
    assertThat(found.at("/items")).hasSize(2);
    assertThat(found.at("/unknown/0").asText()).isEqualTo("nothing");
    assertThat(found.at("/open/amount").asText()).isEqualTo("303.00");
    // 2/10 net 30, received in time
    assertThat(found.at("/net/amount").asText()).isEqualTo("296.94");

    var before = new java.math.BigDecimal(pouch().at("/onHand/amount").asText());
    var cheque =
        record(
            "CHEQUE",
            "296.94",
            books.customer(),
            "2214",
            ",\"itemIds\":[%d,%d]".formatted(books.item(0), books.item(1)));
    assertThat(cheque.at("/left").isNull()).isTrue();
    assertThat(cheque.at("/receipt/status").asText()).isEqualTo("SETTLED");
    assertThat(cheque.at("/receipt/pays")).hasSize(2);
    assertThat(books.open(0)).isEmpty();
    // not to the cent: it is recorded all the same, and waits
    var short_ =
        record(
            "CHEQUE",
            "60.00",
            books.customer(),
            "371",
            ",\"text\":\"%s\",\"itemIds\":[%d]".formatted(books.number(2), books.item(2)));
    assertThat(short_.at("/left").asText()).contains("waits on the desk");
    assertThat(short_.at("/receipt/status").asText()).isEqualTo("WAITING");
    assertThat(books.open(2)).isEqualTo("64.00");
    var entry = maren.get("/api/entries/" + short_.at("/receipt/id").asText()).body();
    assertThat(entry.at("/recorded").asBoolean()).isTrue();
    assertThat(entry.at("/proposals/0/applications/0/number").asText()).isEqualTo(books.number(2));
    assertThat(new java.math.BigDecimal(pouch().at("/onHand/amount").asText()).subtract(before))
        .isEqualByComparingTo("356.94");

    var deposit = make(cheque, short_);
    assertThat(deposit.at("/status").asText()).isEqualTo("MADE");
    assertThat(deposit.at("/total/amount").asText()).isEqualTo("356.94");
    assertThat(pouch().at("/onHand/amount").asText()).isEqualTo(before.setScale(2).toPlainString());
    var again = maren.post("/api/deposits", deposit(cheque.at("/receipt/id").asText(), "", ""));
    assertThat(again.status()).isEqualTo(409);
    assertThat(again.text("/detail"))
        .contains("Cheque 2214 of 296.94", "is in deposit " + deposit.at("/id").asText());

    var bank = shown("356.94", "COUNTER DEPOSIT 0412");
    var match = maren.get("/api/entries/" + bank + "/deposit-matches").body().at("/0");
    assertThat(match.at("/kind").asText()).isEqualTo("AGREES");
    assertThat(match.at("/deposits/0/id").asLong()).isEqualTo(deposit.at("/id").asLong());
    var tied = tie(deposit.at("/id"), bank, "").at("/0");
    assertThat(tied.at("/status").asText()).isEqualTo("TIED");
    assertThat(tied.at("/left/amount").asText()).isEqualTo("0.00");
    assertThat(maren.get("/api/entries/" + bank).text("/status")).isEqualTo("BANKED");
    var second = maren.post("/api/deposit-ties", ties(deposit.at("/id"), bank, ""));
    assertThat(second.status()).isEqualTo(409);
    assertThat(maren.post("/api/deposits/" + deposit.at("/id") + "/opening", "{}").status())
        .isEqualTo(409);
    // what is banked is settled from the desk as before
    expect(
        201,
        maren.post(
            "/api/settlements",
            TestBooks.draft(
                short_.at("/receipt/id").asLong(), TestBooks.applied(books.item(2), "60.00"), "")));
    var free =
        expect(200, maren.delete("/api/deposits/" + deposit.at("/id").asText() + "/tie")).body();
    assertThat(free.at("/status").asText()).isEqualTo("MADE");
    assertThat(maren.get("/api/entries/" + bank).text("/status")).isEqualTo("WAITING");
    tie(deposit.at("/id"), bank, "");
  }

  @Test
  void explainsADepositThatTheBankCountedOtherwise() {
    var cheque = record("CHEQUE", "410.00", "Zqcounter Deli", "90117", "");
    var cash = record("CASH", "640.00", "Zqcounter shop", "", "");
    var deposit = make(cheque, cash);
    var bank = shown("1140.00", "COUNTER DEPOSIT 0412");
    var matches = maren.get("/api/deposits/" + deposit.at("/id").asText() + "/matches").body();
    assertThat(matches.at("/0/kind").asText()).isEqualTo("NEAR");
    assertThat(matches.at("/0/gap/amount").asText()).isEqualTo("90.00");
    assertThat(matches.at("/0/fixes").findValuesAsText("says"))
        .anyMatch(s -> s.contains("640.00") && s.contains("730.00"));
    var refused = maren.post("/api/deposit-ties", ties(deposit.at("/id"), bank, ""));
    assertThat(refused.status()).isEqualTo(422);
    assertThat(refused.text("/detail")).contains("1,140.00", "1,050.00", "90.00 more");
    var line =
        "{\"kind\":\"CASH_DIFFERENCE\",\"amount\":%s,\"words\":\"\"}".formatted(money("90.00"));
    var tied = tie(deposit.at("/id"), bank, line).at("/0");
    assertThat(tied.at("/status").asText()).isEqualTo("TIED");
    assertThat(tied.at("/total/amount").asText()).isEqualTo("1140.00");
    var untied =
        expect(200, maren.delete("/api/deposits/" + deposit.at("/id").asText() + "/tie")).body();
    assertThat(untied.at("/total/amount").asText()).isEqualTo("1050.00");
    assertThat(untied.at("/lines")).isEmpty();
    tie(deposit.at("/id"), bank, line);
  }

  @Test
  void takesADepositInPartsAndTwoAsOne() {
    var first = make(record("CASH", "100.00", "Zqparts", "", ""));
    var part = shown("60.00", "COUNTER DEPOSIT");
    var partly = tie(first.at("/id"), part, "").at("/0");
    assertThat(partly.at("/status").asText()).isEqualTo("MADE");
    assertThat(partly.at("/left/amount").asText()).isEqualTo("40.00");
    var second = make(record("CASH", "25.00", "Zqparts", "", ""));
    var both = shown("65.00", "COUNTER DEPOSIT");
    var match = maren.get("/api/entries/" + both + "/deposit-matches").body().at("/0");
    assertThat(match.at("/kind").asText()).isEqualTo("TOGETHER");
    var tied = tie(first.at("/id") + "," + second.at("/id"), both, "");
    assertThat(tied.findValuesAsText("status")).contains("TIED").doesNotContain("MADE");
    // untying one frees what was tied with it
    maren.delete("/api/deposits/" + second.at("/id").asText() + "/tie");
    assertThat(maren.get("/api/deposits/" + first.at("/id").asText()).text("/left/amount"))
        .isEqualTo("100.00");
    assertThat(maren.get("/api/entries/" + part).text("/status")).isEqualTo("WAITING");
    tie(first.at("/id") + "," + second.at("/id"), part + "," + both, "");
  }

  @Test
  void opensADepositAgainAndGivesItUp() {
    var cheque = record("CHEQUE", "77.00", "Zqopen Deli", "58", "");
    var deposit = make(cheque);
    var id = deposit.at("/id").asText();
    expect(200, maren.post("/api/deposits/" + id + "/opening", "{}"));
    var kept = deposit(cheque.at("/receipt/id").asText(), line("LOOSE_CASH", "20.00"), "");
    var made = expect(200, maren.put("/api/deposits/" + id, kept)).body();
    assertThat(made.at("/total/amount").asText()).isEqualTo("97.00");
    expect(200, maren.post("/api/deposits/" + id + "/opening", "{}"));
    expect(204, maren.delete("/api/deposits/" + id));
    assertThat(maren.get("/api/receipts").body().at("/receipts").findValuesAsText("reference"))
        .contains("58");
    expect(
        204,
        maren.post(
            "/api/receipts/" + cheque.at("/receipt/id").asText() + "/withdrawal",
            "{\"reason\":\"given back\"}"));
    assertThat(maren.get("/api/entries/" + cheque.at("/receipt/id").asText()).text("/status"))
        .isEqualTo("WITHDRAWN");
  }

  private static String line(String kind, String amount) {
    return "{\"kind\":\"%s\",\"amount\":%s,\"words\":\"\"}".formatted(kind, money(amount));
  }

  @Test
  void opensTheInvoiceAgainWhoseChequeCameBack() {
    var books = new TestBooks(maren).invoices("512.40");
    var pays = ",\"text\":\"%s\",\"itemIds\":[%d]".formatted(books.number(0), books.item(0));
    // the discount of 2 per cent is earned: 512.40 less 10.25
    var cheque = record("CHEQUE", "502.15", books.customer(), "991", pays);
    var id = cheque.at("/receipt/id").asText();
    assertThat(books.open(0)).isEmpty();
    assertThat(maren.get("/api/entries/" + id + "/return-candidates").body()).isEmpty();
    var deposit = make(cheque);
    var bank = shown("502.15", "COUNTER DEPOSIT 0412");
    tie(deposit.at("/id"), bank, "");
    var key = "RC" + System.nanoTime();
    expect(
        201,
        maren.drop(
            "return.csv",
            "entry_id,booking_date,amount,currency,payer_name,remittance\n"
                + "%s,2026-05-29,-514.15,USD,,RETURNED CHEQUE 991\n".formatted(key),
            "?bankAccount=" + account));
    var debit = maren.get("/api/entries/" + id + "/return-candidates").body().at("/0");
    assertThat(debit.at("/amount/amount").asText()).isEqualTo("-514.15");
    // found from the debit too, by number and amount, with who may be charged
    var takenBack = maren.get("/api/entries/" + debit.at("/id").asText() + "/taken-back").body();
    assertThat(takenBack.at("/0/entryId").asText()).isEqualTo(id);
    assertThat(takenBack.at("/0/checkNumber").asText()).isEqualTo("991");
    assertThat(takenBack.at("/0/owners/0/name").asText()).isEqualTo(books.customer());
    var customer = cheque.at("/receipt/settlementId").asText();
    var owner = maren.get("/api/settlements/" + customer).body().at("/applications/0/customerId");
    var back =
        expect(
                200,
                maren.post(
                    "/api/entries/" + id + "/return",
                    "{\"debitId\":%s,\"chargeFeeTo\":%s,\"backInPouch\":true,\"reason\":\"no cover\"}"
                        .formatted(debit.at("/id"), owner)))
            .body();
    assertThat(back.at("/fee/amount").asText()).isEqualTo("12.00");
    assertThat(books.open(0)).isEqualTo("512.40");
    assertThat(maren.get("/api/entries/" + id).text("/status")).isEqualTo("RETURNED");
    var again = pouch().at("/receipts");
    assertThat(again.findValuesAsText("reference")).contains("991");
    assertThat(maren.get("/api/deposits/" + deposit.at("/id").asText()).text("/status"))
        .isEqualTo("TIED");
  }

  @Test
  void refusesWhatCannotBeWithTheFigures() {
    assertRefused(receipt("CASH", "0.00", "A", "", ""), 422, "above zero");
    var tomorrow = receipt("CASH", "5.00", "A", "", "").replace("2026-05-28", "2026-05-30");
    assertRefused(tomorrow, 422, "after today");
    assertRefused(
        receipt("CHEQUE", "5.00", "A", "1", ",\"routing\":\"111000026\""), 400, "end with 5");
    assertRefused(
        receipt("CASH", "5.00", "A", "", "").replace("USD", "JPY").replace("5.00", "5"),
        400,
        "no bank account in JPY");
    assertThat(maren.get("/api/code-line?text=T111000025T 7712004434U 0101").text("/chequeNumber"))
        .isEqualTo("101");
    assertThat(maren.get("/api/code-line?text=12345").status()).isEqualTo(400);
    var cheque = record("CHEQUE", "33.00", "Zqtwice Deli", "4711", "");
    assertRefused(
        receipt("CHEQUE", "33.00", "Zqtwice Deli", "4711", ""), 409, "was recorded on 28 May 2026");
    record("CHEQUE", "33.00", "Zqtwice Deli", "4711", ",\"again\":true");
    var ahead = record("CHEQUE", "12.00", "Zqahead Deli", "5", ",\"heldUntil\":\"2026-06-04\"");
    var held = maren.post("/api/deposits", deposit(ahead.at("/receipt/id").asText(), "", ""));
    assertThat(held.status()).isEqualTo(422);
    assertThat(held.text("/detail")).contains("is dated 4 June 2026");
    var counted =
        deposit(cheque.at("/receipt/id").asText(), line("LOOSE_CASH", "20.00"), "")
            .replace(
                "\"counted\":[]",
                "\"counted\":[{\"piece\":%s,\"pieces\":3}]".formatted(money("5.00")));
    var wrong = maren.post("/api/deposits", counted);
    assertThat(wrong.status()).isEqualTo(422);
    assertThat(wrong.text("/detail")).contains("20.00", "15.00 was counted: 5.00 less");
    var slip =
        maren.post(
            "/api/deposits",
            deposit(cheque.at("/receipt/id").asText(), "", ",\"slipTotal\":" + money("43.00")));
    assertThat(slip.text("/detail")).contains("43.00", "33.00", "10.00 less");
    var pdf = make(cheque).at("/id").asText();
    assertThat(maren.saved("/api/deposits/" + pdf + "/slip.csv"))
        .contains("0412,2026-05-28,cheque,4711,Zqtwice Deli,33.00,USD", "total,,,33.00");
    assertThat(maren.get("/api/deposits/999999").status()).isEqualTo(404);
  }

  private void assertRefused(String receipt, int status, String says) {
    var answer = maren.post("/api/receipts", receipt);
    assertThat(answer.status()).isEqualTo(status);
    assertThat(answer.text("/detail")).contains(says);
  }
}

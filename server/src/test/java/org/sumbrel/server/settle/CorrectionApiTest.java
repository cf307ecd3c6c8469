package org.sumbrel.server.settle;

import static org.assertj.core.api.Assertions.assertThat;
import static org.sumbrel.server.TestBooks.adjusted;
import static org.sumbrel.server.TestBooks.applied;
import static org.sumbrel.server.TestBooks.draft;
import static org.sumbrel.server.TestBooks.expect;

import com.fasterxml.jackson.databind.JsonNode;
import java.util.stream.IntStream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import org.sumbrel.server.ApiTest;
import org.sumbrel.server.Clerk;
import org.sumbrel.server.TestBooks;

/**
 * What is posted and wrong, corrected in one step each: redone, one application taken back, moved
 * to another customer, returned by the bank. The books are whole after every test.
 */
@ApiTest
class CorrectionApiTest {

  @Autowired private MockMvc web;
  private Clerk maren;

  @BeforeEach
  void sitDown() {
    maren = Clerk.maren(web);
  }

  @AfterEach
  void booksAreWhole() {
    assertThat(maren.get("/api/trial-balance").body().at("/balanced").asBoolean()).isTrue();
    assertThat(maren.get("/api/cent-trail").body().at("/whole").asBoolean()).isTrue();
    assertThat(maren.get("/api/flow").body().at("/gap/amount").asText()).isEqualTo("0.00");
  }

  private static String why(String reason) {
    return "{\"reason\":\"%s\"}".formatted(reason);
  }

  private long posted(String call) {
    return expect(201, maren.post("/api/settlements", call)).body().at("/id").asLong();
  }

  private JsonNode settlement(long id) {
    return expect(200, maren.get("/api/settlements/" + id)).body();
  }

  private long customer(TestBooks books, int item) {
    return maren
        .get("/api/open-items?q=" + books.number(item))
        .body()
        .at("/rows/0/customerId")
        .asLong();
  }

  @Test
  void reversesAndKeepsTheSameAsADraft() {
    var books = new TestBooks(maren).invoices("3100.00");
    var item = books.item(0);
    var entry = books.credit("3099.20", "flour");
    var id = posted(draft(entry, applied(item, "3100.00", "0.00"), adjusted("WRITE_OFF", "0.80")));
    var redone =
        expect(200, maren.post("/api/settlements/" + id + "/redoing", why("wrong invoice"))).body();
    assertThat(redone.at("/draft").asText()).isEqualTo("entry-" + entry);
    assertThat(redone.at("/reversed/status").asText()).isEqualTo("REVERSED");
    var held = maren.get("/api/drafts/entry-" + entry).body().at("/held");
    assertThat(held.at("/by").asText()).isEqualTo("maren");
    assertThat(held.at("/draft/applications/0/itemId").asLong()).isEqualTo(item);
    assertThat(held.at("/draft/adjustments/0/kind").asText()).isEqualTo("WRITE_OFF");
    assertThat(books.open(0)).isEqualTo("3100.00");

    var again = posted(held.at("/draft").toString());
    assertThat(settlement(again).at("/replaces").asLong()).isEqualTo(id);
    assertThat(settlement(id).at("/replacedBy").asLong()).isEqualTo(again);
    var chain = expect(200, maren.get("/api/open-items/" + item + "/settlements")).body();
    assertThat(chain.findValuesAsText("status")).containsExactly("REVERSED", "POSTED");
    assertThat(chain.at("/0/reversal/reason").asText()).isEqualTo("wrong invoice");
  }

  @Test
  void takesOneApplicationOfTwelveBack() {
    var amounts = IntStream.range(0, 12).mapToObj(n -> (400 + n) + ".50").toArray(String[]::new);
    var books = new TestBooks(maren).invoices(amounts);
    var owner = customer(books, 0);
    var items = IntStream.range(0, 12).mapToLong(books::item).toArray();
    var parts =
        IntStream.range(0, 12)
            .mapToObj(n -> applied(items[n], amounts[n]))
            .reduce((a, b) -> a + "," + b)
            .orElseThrow();
    var entry = books.credit("4872.00", "twelve weeks");
    var id = posted(draft(entry, parts, ""));

    var now =
        expect(
                200,
                maren.post(
                    "/api/settlements/" + id + "/applications/" + items[4] + "/taking-back",
                    why("not that week")))
            .body();
    assertThat(now.at("/applications")).hasSize(11);
    assertThat(now.at("/onAccount/amount").asText()).isEqualTo("404.50");
    assertThat(now.at("/replaces").asLong()).isEqualTo(id);
    assertThat(books.open(4)).isEqualTo("404.50");
    assertThat(maren.get("/api/open-items?q=" + books.number(5)).body().at("/rows")).isEmpty();
    assertThat(settlement(id).at("/replacedBy").asLong()).isEqualTo(now.at("/id").asLong());
    var account = maren.get("/api/customers/" + owner).body().at("/openItems");
    assertThat(account.findValuesAsText("kind")).containsExactlyInAnyOrder("INVOICE", "ON_ACCOUNT");
  }

  @Test
  void refusesToTakeACreditBackThatTheRestNeeds() {
    var books = new TestBooks(maren).invoices("900.00");
    books.creditNote("-100.00");
    var note = books.item(90);
    var entry = books.credit("800.00", "less credit");
    var id =
        posted(draft(entry, applied(books.item(0), "900.00") + "," + applied(note, "-100.00"), ""));
    var refused =
        maren.post("/api/settlements/" + id + "/applications/" + note + "/taking-back", why("x"));
    assertThat(refused.status()).isEqualTo(422);
    assertThat(refused.text("/detail")).contains("takes 100.00 more than was received");
    assertThat(settlement(id).at("/status").asText()).isEqualTo("POSTED");
  }

  @Test
  void movesAReceiptToAnotherCustomer() {
    var wrong = new TestBooks(maren).invoices("5150.00");
    var right = new TestBooks(maren).invoices("77.00");
    var to = customer(right, 0);
    var entry = wrong.credit("5132.00", "flour");
    var id = posted(draft(entry, applied(wrong.item(0), "5150.00"), adjusted("BANK_FEE", "18.00")));
    var move = "{\"customerId\":%d,\"reason\":\"paid by the other one\"}".formatted(to);
    var now = expect(200, maren.post("/api/settlements/" + id + "/moving", move)).body();
    assertThat(now.at("/onAccount/amount").asText()).isEqualTo("5150.00");
    assertThat(now.at("/adjustments/0/kind").asText()).isEqualTo("BANK_FEE");
    assertThat(wrong.open(0)).isEqualTo("5150.00");
    var account = maren.get("/api/customers/" + to).body();
    assertThat(account.at("/owes/0/amount").asText()).isEqualTo("-5073.00");
    // and where that money is used, the move cannot be taken back over it
    var used =
        "{\"accountOf\":%d,\"applications\":[%s,%s],\"adjustments\":[]}"
            .formatted(
                to,
                applied(right.item(0), "77.00"),
                applied(
                    maren
                        .get("/api/open-items?customer=" + to + "&q=OA")
                        .body()
                        .at("/rows/0/id")
                        .asLong(),
                    "-77.00"));
    posted(used);
    var refused = maren.post("/api/settlements/" + now.at("/id").asText() + "/moving", move);
    assertThat(refused.status()).isEqualTo(422);
    assertThat(refused.text("/detail")).contains("77.00", "5,150.00", "reverse that first");
  }

  /** Debits of one day on the account, by what they say. */
  private long debit(String amount, String text) {
    var account = maren.get("/api/me").body().at("/companies/0/bankAccounts/0/id").asLong();
    var intake =
        expect(
                201,
                maren.drop(
                    "debit.csv",
                    "entry_id,booking_date,amount,currency,payer_name,remittance\n%s,2026-05-29,%s,USD,Bank,%s\n"
                        .formatted(text.replace(' ', '-'), amount, text),
                    "?bankAccount=" + account))
            .body();
    return maren
        .get("/api/intakes/" + intake.at("/id").asText() + "/records")
        .body()
        .at("/rows/0/id")
        .asLong();
  }

  private static String returned(long debit, Long fee, Long owner) {
    return "{\"debitId\":%d,\"feeDebitId\":%s,\"chargeFeeTo\":%s,\"reason\":\"no cover\"}"
        .formatted(debit, fee, owner);
  }

  @Test
  void takesAReturnedChequeBackWithItsFeeChargedOn() {
    var books = new TestBooks(maren).invoices("7612.30");
    var owner = customer(books, 0);
    var entry = books.credit("7612.30", "cheque");
    var id = posted(draft(entry, applied(books.item(0), "7612.30"), ""));
    var debit = debit("-7612.30", "RETURNED CHEQUE " + entry);
    var fee = debit("-12.00", "RETURN FEE " + entry);

    var candidates = expect(200, maren.get("/api/entries/" + entry + "/return-candidates")).body();
    assertThat(candidates.at("/0/id").asLong()).isEqualTo(debit);
    var fees = maren.get("/api/entries/" + entry + "/return-candidates?debit=" + debit).body();
    assertThat(fees.findValuesAsText("id")).contains(Long.toString(fee));

    var cost = "/api/entries/" + entry + "/return-cost?debit=" + debit;
    assertThat(expect(200, maren.get(cost)).text("/amount")).isEqualTo("0.00");
    assertThat(maren.get(cost + "&feeDebit=" + fee).text("/amount")).isEqualTo("12.00");
    var made =
        expect(200, maren.post("/api/entries/" + entry + "/return", returned(debit, fee, owner)))
            .body();
    assertThat(made.at("/fee/amount").asText()).isEqualTo("12.00");
    assertThat(made.at("/settlementId").asLong()).isEqualTo(id);
    assertThat(books.open(0)).isEqualTo("7612.30");
    var account = maren.get("/api/customers/" + owner).body();
    assertThat(account.at("/owes/0/amount").asText()).isEqualTo("7624.30");
    assertThat(account.at("/openItems").findValuesAsText("number")).contains("FEE-" + entry);
    var view = settlement(id);
    assertThat(view.at("/returned/fee/amount").asText()).isEqualTo("12.00");
    assertThat(view.at("/reversal/reason").asText()).contains("Returned by the bank: no cover");
    var again = maren.post("/api/settlements", draft(entry, applied(books.item(0), "7612.30"), ""));
    assertThat(again.status()).isEqualTo(409);
    assertThat(again.text("/detail")).contains("The bank took these 7,612.30 back");
    var twice = maren.post("/api/entries/" + entry + "/return", returned(debit, null, null));
    assertThat(twice.text("/detail")).contains("neither wait nor are settled");
  }

  @Test
  void bearsAFeeThatTheBankTookWithTheReturnAndRefusesLess() {
    var books = new TestBooks(maren).invoices("6100.00");
    var entry = books.credit("6100.00", "transfer");
    var tooLittle = debit("-6099.00", "RECALL SHORT " + entry);
    var refused = maren.post("/api/entries/" + entry + "/return", returned(tooLittle, null, null));
    assertThat(refused.status()).isEqualTo(422);
    assertThat(refused.text("/detail")).contains("6,099.00", "6,100.00 had arrived", "1.00 of it");
    var debit = debit("-6115.00", "RECALLED TRANSFER " + entry);
    var made =
        expect(200, maren.post("/api/entries/" + entry + "/return", returned(debit, null, null)))
            .body();
    assertThat(made.at("/fee/amount").asText()).isEqualTo("15.00");
    assertThat(made.at("/settlementId").isNull()).isTrue();
    assertThat(made.at("/feeItemId").isNull()).isTrue();
    assertThat(maren.get("/api/entries/" + entry).text("/status")).isEqualTo("RETURNED");
  }
}

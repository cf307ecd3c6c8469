package org.sumbrel.server.payouts;

import static org.assertj.core.api.Assertions.assertThat;
import static org.sumbrel.server.TestBooks.expect;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.sumbrel.server.ApiTest;
import org.sumbrel.server.TestBooks;

/** What the items of payouts belong to through the API, and what is booked of that. */
@ApiTest
class PayoutJoinsApiTest extends PayoutsThroughTheApi {

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
    nextNumber();
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

  private String back(String type, String sold, String gross, String net) {
    return "Testfold,%s,2026-05-28,%s,%s-%s,%s-1,,2026-05-27,%s,,0.00,%s,%%s,USD\n"
        .formatted(number, type, number, type.length(), sold, gross, net);
  }

  @Test
  void opensAnInvoiceAgainOrMakesAClaimAndSettlesItWhenTheChargebackIsWon() {
    var books = new TestBooks(maren).invoices("230.00");
    post(take("223.00", line("sale", "1", "", books.number(0), "230.00", "7.00", "223.00")));
    var sold = number;
    nextNumber();
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
    nextNumber();
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
  void standsAlsoWhereWhatItBelongedToIsTakenBack() {
    var books = new TestBooks(maren).invoices("61.00");
    var invoices = maren.get("/api/intakes").body().at("/rows/0/id").asText();
    var first = take("61.00", line("sale", "1", "", books.number(0), "61.00", "0.00", "61.00"));
    var sold = number;
    nextNumber();
    var id = take("-61.00", back("chargeback", sold, "-61.00", "-61.00"));
    assertThat(items(id).get("10").at("/concerns/name").asText()).isEqualTo(books.number(0));
    // the invoice goes with its file, then the payout that it was sold with
    var taken = payout(first).at("/intakeId").asText();
    for (var intake : List.of(invoices, taken)) {
      expect(200, maren.post("/api/intakes/" + intake + "/taking-back", "{}"));
      assertThat(maren.get("/api/payouts/" + id + "/items").status()).isEqualTo(200);
    }
    assertThat(maren.get("/api/payouts/" + id + "/booking").status()).isEqualTo(200);
    expect(200, maren.post("/api/payouts/" + id + "/joining", "{}"));
    assertThat(items(id).get("10").at("/join/kind").asText()).isEqualTo("LOOSE");
  }
}

package org.sumbrel.server.pouch;

import static org.assertj.core.api.Assertions.assertThat;
import static org.hamcrest.Matchers.containsString;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.header;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;
import static org.sumbrel.server.TestBooks.expect;
import static org.sumbrel.server.TestBooks.money;

import com.fasterxml.jackson.databind.JsonNode;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import org.sumbrel.server.ApiTest;
import org.sumbrel.server.Clerk;

/** What was sold on the spot: a till's day and a single sale, in the books and in the pouch. */
@ApiTest
class TakingsApiTest {

  @Autowired private MockMvc web;
  @Autowired private ChequePictures pictures;
  private Clerk maren;
  private long company;
  private long account;

  @BeforeEach
  void sitDown() {
    maren = Clerk.maren(web);
    company = maren.get("/api/me").body().at("/companies/0/id").asLong();
    account = maren.get("/api/me").body().at("/companies/0/bankAccounts/0/id").asLong();
  }

  @AfterEach
  void theBooksAreWhole() {
    assertThat(maren.get("/api/trial-balance").body().at("/balanced").asBoolean()).isTrue();
    var trail = maren.get("/api/cent-trail").body();
    assertThat(trail.at("/whole").asBoolean()).as(trail.toString()).isTrue();
    var pouch = maren.get("/api/receipts").body();
    assertThat(pouch.at("/onHand")).isEqualTo(pouch.at("/inBooks"));
  }

  private static String paid(String method, String amount, String reference) {
    return "{\"method\":\"%s\",\"amount\":%s,\"reference\":\"%s\"}"
        .formatted(method, money(amount), reference);
  }

  private static String takings(String sold, String taxed, String more, String... paid) {
    return "{\"on\":\"2026-05-28\",\"name\":\"Zqtill 1\",\"sales\":[{\"amount\":%s%s}]%s,\"paid\":[%s]}"
        .formatted(money(sold), taxed, more, String.join(",", paid));
  }

  private JsonNode lines(JsonNode takings) {
    var id = takings.at("/journalEntryId").asText();
    for (var entry : maren.get("/api/journal-entries?limit=20").body().at("/rows")) {
      if (entry.at("/id").asText().equals(id)) {
        return entry.at("/lines");
      }
    }
    throw new AssertionError("no journal entry " + id);
  }

  @Test
  void booksADayOfATillAsOneEntryAndTakesItBack() {
    var call =
        takings(
            "848.00",
            ",\"tax\":" + money("48.00"),
            ",\"tillCash\":" + money("412.60"),
            paid("CASH", "410.60", ""),
            paid("CHEQUE", "120.00", "7781"),
            paid("CARD", "315.40", "batch 12"));
    var before = maren.get("/api/takings").body();
    var preview = expect(200, maren.post("/api/takings/preview", call)).body();
    assertThat(preview).hasSize(5);
    assertThat(maren.get("/api/takings").body()).isEqualTo(before);

    var booked = expect(201, maren.post("/api/takings", call)).body();

    assertThat(booked.at("/difference/amount").asText()).isEqualTo("-2.00");
    assertThat(booked.at("/paid").findValuesAsText("status")).containsOnly("SOLD");
    assertThat(booked.at("/byMethod").findValuesAsText("method"))
        .containsExactly("CHEQUE", "CASH", "CARD");
    assertThat(booked.at("/byMethod/1/amount/amount").asText()).isEqualTo("410.60");
    assertThat(maren.get("/api/takings").body().get(0)).isEqualTo(booked);
    var days = maren.get("/api/receipts").body().at("/byDay");
    assertThat(days.findValuesAsText("receivedOn")).isSorted().contains("2026-05-28");
    assertThat(lines(booked)).isEqualTo(preview);
    assertThat(preview.findValuesAsText("account"))
        .contains("Receipts on hand", "Cash differences");
    // in the pouch with the rest, and nothing for the desk
    var cheque = booked.at("/paid/1/id").asText();
    assertThat(maren.get("/api/receipts").body().at("/receipts").findValuesAsText("id"))
        .contains(cheque);
    assertThat(maren.get("/api/entries?limit=500&q=zqtill").body().at("/rows").toString())
        .doesNotContain("WAITING");
    var alone = maren.post("/api/receipts/" + cheque + "/withdrawal", "{\"reason\":\"x\"}");
    assertThat(alone.status()).isEqualTo(409);
    assertThat(alone.text("/detail")).contains("Cheque 7781 of 120.00", "takings");

    var back = "/api/takings/" + booked.at("/id").asText() + "/withdrawal";
    var deposit = expect(201, maren.post("/api/deposits", deposit(cheque))).body();
    var refused = maren.post(back, "{\"reason\":\"typed twice\"}");
    assertThat(refused.status()).isEqualTo(409);
    assertThat(refused.text("/detail")).contains("Cheque 7781 of 120.00 is in deposit");
    expect(200, maren.post("/api/deposits/" + deposit.at("/id").asText() + "/opening", "{}"));
    expect(204, maren.delete("/api/deposits/" + deposit.at("/id").asText()));
    expect(204, maren.post(back, "{\"reason\":\"typed twice\"}"));
    assertThat(maren.get("/api/takings").body().findValuesAsText("id"))
        .doesNotContain(booked.at("/id").asText());
    // who comes later is told who was first
    var late = maren.post(back, "{\"reason\":\"again\"}");
    assertThat(late.status()).isEqualTo(409);
    assertThat(late.text("/detail")).contains("were taken back by maren already");
    var gone = maren.post("/api/deposits", deposit(cheque));
    assertThat(gone.status()).isEqualTo(409);
    assertThat(gone.text("/detail")).contains("Cheque 7781 of 120.00 was taken out by maren");
  }

  private String deposit(String receipts) {
    return "{\"bankAccountId\":%d,\"on\":\"2026-05-28\",\"slip\":\"0431\",\"receiptIds\":[%s],\"lines\":[],\"counted\":[]}"
        .formatted(account, receipts);
  }

  @Test
  void recordsASaleOnTheSpotWithTheTaxOfItsCode() {
    var sale =
        expect(
                201,
                maren.post(
                    "/api/takings",
                    takings("53.00", ",\"taxCode\":\"SALES6\"", "", paid("CASH", "53.00", ""))))
            .body();
    assertThat(sale.at("/tax/amount").asText()).isEqualTo("3.00");
    assertThat(sale.at("/difference/amount").asText()).isEqualTo("0.00");
    assertThat(sale.at("/paid/0/from").asText()).isEqualTo("Zqtill 1");
    assertThat(lines(sale)).hasSize(3);
  }

  @Test
  void refusesATillThatContradictsItselfWithTheFigures() {
    var wrong =
        maren.post(
            "/api/takings",
            takings("848.00", "", ",\"tillCash\":" + money("400.00"), paid("CASH", "400.00", "")));
    assertThat(wrong.status()).isEqualTo(422);
    assertThat(wrong.text("/code")).isEqualTo("DOES_NOT_AGREE");
    assertThat(wrong.text("/detail")).contains("848.00", "differ by 448.00", "come to 400.00");
    assertThat(wrong.text("/figures/paid/amount")).isEqualTo("400.00");
    var mixed =
        maren.post(
            "/api/takings",
            takings("8.00", "", "", paid("CASH", "8.00", "").replace("USD", "EUR")));
    assertThat(mixed.text("/detail")).contains("8.00 is in EUR");
    assertThat(
            maren
                .post(
                    "/api/takings",
                    takings("8.00", ",\"accountId\":-1", "", paid("CASH", "8.00", "")))
                .status())
        .isEqualTo(404);
  }

  @Test
  void aChequeOfASaleThatComesBackStandsInSuspenseUntilItIsPresentedAgain() {
    var sale =
        expect(
                201,
                maren.post(
                    "/api/takings", takings("61.00", "", "", paid("CHEQUE", "61.00", "8812"))))
            .body();
    var id = sale.at("/paid/0/id").asText();
    var deposit = expect(201, maren.post("/api/deposits", deposit(id))).body();
    var key = "TK" + System.nanoTime();
    expect(
        201,
        maren.drop(
            key + ".csv",
            "entry_id,booking_date,amount,currency,payer_name,remittance\n"
                + "%s,2026-05-29,61.00,USD,,COUNTER %s\n%sR,2026-05-29,-61.00,USD,,RETURNED CHEQUE 8812\n"
                    .formatted(key, key, key),
            "?bankAccount=" + account));
    var bank = maren.get("/api/entries?limit=500&q=" + key).body().at("/rows/0/id").asText();
    expect(
        200,
        maren.post(
            "/api/deposit-ties",
            "{\"depositIds\":[%s],\"entryIds\":[%s],\"lines\":[]}"
                .formatted(deposit.at("/id"), bank)));
    var debit = maren.get("/api/entries/" + id + "/return-candidates").body().at("/0/id").asText();
    expect(
        200,
        maren.post(
            "/api/entries/" + id + "/return",
            "{\"debitId\":%s,\"backInPouch\":true,\"reason\":\"no cover\"}".formatted(debit)));
    var again =
        maren.get("/api/receipts").body().at("/receipts").findParents("reference").stream()
            .filter(r -> r.at("/reference").asText().equals("8812"))
            .toList();
    assertThat(again).hasSize(1);
    assertThat(again.get(0).at("/status").asText()).isEqualTo("SOLD");
  }

  @Test
  void keepsThePictureOfAChequeWithItsReceiptAndLetsNoScriptRunInIt() throws Exception {
    var picture = pictures.keep(company, "<svg xmlns=\"http://www.w3.org/2000/svg\"/>");
    var body =
        "{\"method\":\"CHEQUE\",\"receivedOn\":\"2026-05-28\",\"amount\":%s,\"from\":\"Zqpicture\",\"reference\":\"1\",\"pictureId\":%d}"
            .formatted(money("6.00"), picture);
    var recorded = expect(201, maren.post("/api/receipts", body)).body();
    assertThat(recorded.at("/receipt/pictureId").asLong()).isEqualTo(picture);
    web.perform(get("/api/receipts/pictures/" + picture).with(Clerk.signedIn("maren", "CLERK")))
        .andExpect(status().isOk())
        .andExpect(content().contentTypeCompatibleWith("image/svg+xml"))
        .andExpect(header().string("Content-Security-Policy", containsString("sandbox")));
    assertThat(
            maren
                .post(
                    "/api/receipts", body.replace(":" + picture, ":987654").replace("6.00", "7.00"))
                .status())
        .isEqualTo(404);
  }
}

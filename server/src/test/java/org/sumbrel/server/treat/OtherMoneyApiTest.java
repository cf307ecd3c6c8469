package org.sumbrel.server.treat;

import static org.assertj.core.api.Assertions.assertThat;
import static org.sumbrel.server.TestBooks.expect;

import org.junit.jupiter.api.Test;
import org.sumbrel.server.ApiTest;
import org.sumbrel.server.TestBooks;

/** Transfers between own accounts, and refunds: money that moves and is no receipt. */
@ApiTest
class OtherMoneyApiTest extends MoneyThroughTheApi {

  private String underWay() {
    for (var row : maren.get("/api/trial-balance").body().at("/accounts")) {
      if (row.at("/code").asText().equals("1090")) {
        return row.at("/debit/amount").asText() + " " + row.at("/credit/amount").asText();
      }
    }
    return "0.00 0.00";
  }

  @Test
  void joinsBothSidesOfATransferDaysApart() {
    var out = entry(0, "2026-05-26", "-5117.00", "TO LOCKBOX ACCOUNT", "OWN");
    var in = entry(1, "2026-05-29", "5117.00", "FROM OPERATING", "OWN");
    var before = underWay();
    var ways = expect(200, maren.get("/api/entries/" + in + "/ways")).body();
    assertThat(ways.at("/transfers/0/entryId").asLong()).isEqualTo(out);
    assertThat(ways.at("/transfers/0/days").asInt()).isEqualTo(-3);
    assertThat(ways.at("/transfers/0/named").asBoolean()).isTrue();
    expect(201, maren.post("/api/entries/" + in + "/transfer", "{\"otherEntryId\":" + out + "}"));
    assertThat(status(out)).isEqualTo("PAID");
    assertThat(status(in)).isEqualTo("SETTLED");
    assertThat(underWay()).isEqualTo(before);
    // one side taken back takes the other with it
    expect(
        200,
        maren.post(
            "/api/settlements/" + settlementOf(out).at("/id").asText() + "/reversal",
            "{\"reason\":\"no transfer\"}"));
    assertThat(status(out)).isEqualTo("DEBIT");
    assertThat(status(in)).isEqualTo("WAITING");
    assertThat(underWay()).isEqualTo(before);
  }

  @Test
  void awaitsTheOtherSideWhereItHasNotCome() {
    var before = underWay();
    var out = entry(0, "2026-05-27", "-73.11", "TO LOCKBOX ACCOUNT", "OWN");
    var ways = maren.get("/api/entries/" + out + "/ways").body();
    assertThat(ways.at("/transfers")).isEmpty();
    assertThat(ways.at("/speaksOfOne").asBoolean()).isTrue();
    assertThat(ways.at("/ownAccounts/0/id").asLong()).isEqualTo(account(1));
    expect(
        201,
        maren.post(
            "/api/entries/" + out + "/transfer", "{\"otherBankAccountId\":" + account(1) + "}"));
    assertThat(underWay()).isNotEqualTo(before);
    var in = entry(1, "2026-05-29", "73.11", "", "CREDIT");
    var other = maren.get("/api/entries/" + in + "/ways").body();
    assertThat(other.at("/transfers/0/awaitsThis").asBoolean()).isTrue();
    expect(201, maren.post("/api/entries/" + in + "/transfer", "{\"otherEntryId\":" + out + "}"));
    assertThat(underWay()).isEqualTo(before);
  }

  @Test
  void refusesWhatAreNotTheTwoSidesOfOne() {
    var out = entry(0, "2026-05-10", "-19.01", "TO LOCKBOX ACCOUNT", "OWN");
    var late = entry(1, "2026-05-29", "19.01", "", "");
    var path = "/api/entries/" + out + "/transfer";
    assertThat(maren.post(path, "{\"otherEntryId\":" + late + "}").text("/code"))
        .isEqualTo("NO_TRANSFER");
    expect(400, maren.post(path, "{}"));
    expect(400, maren.post(path, "{\"otherBankAccountId\":" + account(0) + "}"));
    assertThat(status(out)).isEqualTo("DEBIT");
  }

  @Test
  void joinsAMistakeOfTheBankWithWhatPutItRight() {
    var charged = entry(0, "2026-05-20", "-27.03", "COPPERBECK", "CHARGE OF ANOTHER");
    var back = entry(0, "2026-05-28", "27.03", "COPPERBECK", "CORRECTION");
    var ways = expect(200, maren.get("/api/entries/" + charged + "/ways")).body();
    assertThat(ways.at("/corrections/0/entryId").asLong()).isEqualTo(back);
    assertThat(ways.at("/corrections/0/days").asInt()).isEqualTo(8);
    var path = "/api/entries/" + charged + "/bank-correction";
    assertThat(maren.post(path, "{\"otherEntryId\":" + charged + "}").text("/code"))
        .isEqualTo("NO_CORRECTION");
    expect(201, maren.post(path, "{\"otherEntryId\":" + back + "}"));
    assertThat(status(charged)).isEqualTo("PAID");
    assertThat(status(back)).isEqualTo("SETTLED");
    expect(
        200,
        maren.post(
            "/api/settlements/" + settlementOf(back).at("/id").asText() + "/reversal",
            "{\"reason\":\"two things\"}"));
    assertThat(status(charged)).isEqualTo("DEBIT");
  }

  @Test
  void paysACreditNoteOut() {
    var books = new TestBooks(maren).invoices("10.00");
    books.creditNote("55.70");
    var debit = entry(0, "2026-05-28", "-55.70", books.customer(), "REFUND");
    var owed = expect(200, maren.get("/api/entries/" + debit + "/refunds")).body().at("/owed/0");
    assertThat(owed.at("/customer").asText()).isEqualTo(books.customer());
    var item = owed.at("/itemId").asLong();
    var tooMuch = TestBooks.draft(debit, TestBooks.applied(item, "-60.00"), "");
    assertThat(maren.post("/api/settlements", tooMuch).status()).isGreaterThanOrEqualTo(400);
    expect(
        201,
        maren.post(
            "/api/settlements", TestBooks.draft(debit, TestBooks.applied(item, "-55.70"), "")));
    assertThat(status(debit)).isEqualTo("PAID");
    assertThat(books.open(90)).isEmpty();
    expect(
        200,
        maren.post(
            "/api/settlements/" + settlementOf(debit).at("/id").asText() + "/reversal",
            "{\"reason\":\"another's\"}"));
    assertThat(books.open(90)).isEqualTo("-55.70");
    assertThat(status(debit)).isEqualTo("DEBIT");
  }

  @Test
  void aRefundThatWasSentIsOutstandingUntilTheBankShowsIt() {
    var books = new TestBooks(maren).invoices("10.00");
    books.creditNote("31.08");
    var sent =
        expect(
                201,
                maren.post(
                    "/api/refunds",
                    "{\"bankAccountId\":%d,\"items\":[%s],\"words\":\"cheque 41\"}"
                        .formatted(account(0), TestBooks.applied(books.item(90), "-31.08"))))
            .body();
    assertThat(books.open(90)).isEmpty();
    var debit = entry(0, "2026-05-29", "-31.08", "CHEQUE 41", "");
    var ways = maren.get("/api/entries/" + debit + "/refunds").body();
    assertThat(ways.at("/sent/0/settlementId")).isEqualTo(sent.at("/id"));
    var other = entry(0, "2026-05-29", "-31.09", "CHEQUE 42", "");
    var shown = "/api/refunds/" + sent.at("/id").asText() + "/shown";
    assertThat(maren.post(shown, "{\"entryId\":" + other + "}").text("/code"))
        .isEqualTo("OTHER_AMOUNT");
    expect(200, maren.post(shown, "{\"entryId\":" + debit + "}"));
    assertThat(status(debit)).isEqualTo("PAID");
    assertThat(maren.post(shown, "{\"entryId\":" + debit + "}").status()).isEqualTo(409);
    expect(
        200,
        maren.post(
            "/api/settlements/" + sent.at("/id").asText() + "/reversal",
            "{\"reason\":\"stopped\"}"));
    assertThat(books.open(90)).isEqualTo("-31.08");
    assertThat(status(debit)).isEqualTo("DEBIT");
  }
}

package org.sumbrel.server.tieout;

import static org.assertj.core.api.Assertions.assertThat;
import static org.sumbrel.server.TestBooks.expect;

import com.fasterxml.jackson.databind.JsonNode;
import java.math.BigDecimal;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.sumbrel.server.ApiTest;
import org.sumbrel.server.TestBooks;
import org.sumbrel.server.treat.MoneyThroughTheApi;

/** A bank account tied out through the API: by a statement or a typed balance, closed, reopened. */
@ApiTest
class TieOutApiTest extends MoneyThroughTheApi {

  private String path(int account, String rest) {
    return "/api/bank-accounts/" + account(account) + "/tie-out" + rest;
  }

  private JsonNode look(String asOf) {
    return expect(200, maren.get(path(0, "?asOf=" + asOf))).body();
  }

  private JsonNode look(String asOf, BigDecimal typed) {
    return expect(200, maren.get(path(0, "?asOf=" + asOf + "&balance=" + typed))).body();
  }

  private static BigDecimal figure(JsonNode looked, String name) {
    return new BigDecimal(looked.at("/figures/" + name + "/amount").asText());
  }

  /** What the bank must show for all to agree, as the entries are. */
  private BigDecimal right() {
    var looked = look("2026-05-29", BigDecimal.ZERO.setScale(2));
    return figure(looked, "statement").subtract(figure(looked, "gap"));
  }

  private static int ways(JsonNode looked, String kind) {
    var n = 0;
    for (var way : looked.at("/figures/ways")) {
      n += way.at("/kind").asText().equals(kind) ? 1 : 0;
    }
    return n;
  }

  /**
   * The demo's past: what the statements say and what was settled agree at the end of any month.
   */
  @Test
  void theDemosPastAgreesByItself() {
    var accounts = expect(200, maren.get("/api/tie-outs")).body();
    var balances = accounts.at("/0/balances");
    assertThat(balances.size()).isGreaterThanOrEqualTo(4);
    for (var balance : balances) {
      // in May other tests bring entries that no statement has a balance for
      if (balance.at("/on").asText().startsWith("2026-05")) {
        continue;
      }
      var looked = look(balance.at("/on").asText());
      assertThat(looked.at("/typed").asBoolean()).isFalse();
      assertThat(figure(looked, "gap")).as(looked.toString()).isEqualByComparingTo("0");
      assertThat(figure(looked, "adjustedStatement"))
          .isEqualByComparingTo(figure(looked, "adjustedBooks"));
    }
    assertThat(maren.get(path(0, "?asOf=2026-05-04")).text("/detail"))
        .contains("No statement says what stood on Operating USD");
  }

  @Test
  void explainsWhatBankAndBooksKnowOfEachOther() {
    var right = right();
    var before = look("2026-05-29", right);
    assertThat(figure(before, "gap")).isEqualByComparingTo("0");
    // an entry nobody has explained
    var debit = entry(0, "2026-05-28", "-71.30", "SOMEBODY", "PAID");
    var after = look("2026-05-29", right.subtract(new BigDecimal("71.30")));
    assertThat(figure(after, "gap")).isEqualByComparingTo("0");
    assertThat(ways(after, "UNEXPLAINED")).isEqualTo(ways(before, "UNEXPLAINED") + 1);
    // explained it is in the books of today, and at the bank the day before
    expect(
        201,
        maren.post(
            "/api/settlements",
            "{\"entryId\":%d,\"applications\":[],\"adjustments\":[{\"kind\":\"TO_ACCOUNT\",\"amount\":%s,\"accountId\":%d}]}"
                .formatted(debit, TestBooks.money("71.30"), ledger("6500"))));
    var explained = look("2026-05-29", right.subtract(new BigDecimal("71.30")));
    assertThat(figure(explained, "gap")).isEqualByComparingTo("0");
    assertThat(ways(explained, "UNEXPLAINED")).isEqualTo(ways(before, "UNEXPLAINED"));
    var theDay = look("2026-05-28", BigDecimal.ONE.setScale(2));
    assertThat(ways(theDay, "BOOKED_LATER")).isGreaterThanOrEqualTo(1);
    // a refund that was sent
    var books = new TestBooks(maren).invoices("10.00");
    books.creditNote("12.34");
    expect(
        201,
        maren.post(
            "/api/refunds",
            "{\"bankAccountId\":%d,\"items\":[%s]}"
                .formatted(account(0), TestBooks.applied(books.item(90), "-12.34"))));
    var outstanding = look("2026-05-29", right.subtract(new BigDecimal("71.30")));
    assertThat(ways(outstanding, "REFUND_OUTSTANDING"))
        .isEqualTo(ways(before, "REFUND_OUTSTANDING") + 1);
    assertThat(figure(outstanding, "gap")).isEqualByComparingTo("0");
    var shown = entry(0, "2026-05-29", "-12.34", books.customer(), "REFUND");
    var sent = maren.get("/api/entries/" + shown + "/refunds").body().at("/sent/0/settlementId");
    expect(
        200, maren.post("/api/refunds/" + sent.asText() + "/shown", "{\"entryId\":" + shown + "}"));
    var done = look("2026-05-29", right.subtract(new BigDecimal("83.64")));
    assertThat(ways(done, "REFUND_OUTSTANDING")).isEqualTo(ways(before, "REFUND_OUTSTANDING"));
    assertThat(figure(done, "gap")).isEqualByComparingTo("0");
  }

  @Test
  void findsATranspositionInWhatWasTyped() {
    var right = right();
    var digits = right.toPlainString();
    var place = 0;
    while (digits.charAt(place) == digits.charAt(place + 1)) {
      place++;
    }
    var wrong =
        new BigDecimal(
            digits.substring(0, place)
                + digits.charAt(place + 1)
                + digits.charAt(place)
                + digits.substring(place + 2));
    var looked = look("2026-05-29", wrong);
    assertThat(figure(looked, "gap")).isEqualByComparingTo(wrong.subtract(right));
    assertThat(looked.at("/leads/0/slip").asText()).isEqualTo("TRANSPOSED");
    assertThat(looked.at("/leads/0/sentence").asText()).startsWith("The balance of the bank");
    // what was taken in twice, or is missing, is found among the entries
    entry(0, "2026-05-28", "419.07", "ONCE TOO OFTEN", "FLOUR");
    var once = look("2026-05-29", right);
    assertThat(figure(once, "gap")).isEqualByComparingTo("-419.07");
    assertThat(once.at("/leads").findValuesAsText("slip")).contains("TOO_MANY");
  }

  /** Two statements of the lockbox account, and the day between them is missing. */
  @Test
  void namesAStatementThatIsMissing() throws Exception {
    for (var file : List.of("larkstow-lockbox-2026-05-27.sta", "larkstow-lockbox-2026-05-29.bai")) {
      expect(201, maren.drop(file, Files.readString(Path.of("../examples", file))));
    }
    var first = expect(200, maren.get(path(1, "?asOf=2026-05-29"))).body();
    // what other tests brought to the account aside, so that the gap is the statement's alone
    var alone =
        figure(first, "statement").subtract(figure(first, "gap")).add(new BigDecimal("2560.00"));
    var looked = expect(200, maren.get(path(1, "?asOf=2026-05-29&balance=" + alone))).body();
    assertThat(looked.at("/leads").findValuesAsText("sentence"))
        .anyMatch(s -> s.startsWith("A statement between 27 May 2026 and 29 May 2026: 2,560.00"));
  }

  @Test
  void anErrorOfTheBankExplainsItsAmountUntilItIsRight() {
    var right = right();
    var off = right.subtract(new BigDecimal("100.00"));
    assertThat(figure(look("2026-05-29", off), "gap")).isEqualByComparingTo("-100");
    var note =
        "{\"whose\":\"BANK\",\"on\":\"2026-05-29\",\"amount\":%s,\"words\":\"another firm's cheque\"}";
    expect(400, maren.post(path(0, "/errors"), note.formatted(TestBooks.money("0.00"))));
    expect(201, maren.post(path(0, "/errors"), note.formatted(TestBooks.money("100.00"))));
    var looked = look("2026-05-29", off);
    assertThat(figure(looked, "gap")).isEqualByComparingTo("0");
    var error =
        looked.at("/figures/ways").findParents("kind").stream()
            .filter(w -> w.at("/kind").asText().equals("BANK_ERROR"))
            .findFirst()
            .orElseThrow();
    var id = error.at("/id").asText().substring("error-".length());
    expect(204, maren.post("/api/tie-out-errors/" + id + "/right", "{\"since\":\"2026-05-29\"}"));
    assertThat(figure(look("2026-05-29", right), "gap")).isEqualByComparingTo("0");
    expect(409, maren.post("/api/tie-out-errors/" + id + "/right", "{\"since\":\"2026-05-29\"}"));
  }

  @Test
  void isClosedWithNoGapOnlyAndOpenedAgainByASupervisor() {
    var right = right();
    var closing = "{\"asOf\":\"2026-05-29\",\"balance\":%s}";
    var wrong = closing.formatted(TestBooks.money(right.add(BigDecimal.ONE).toPlainString()));
    var good = closing.formatted(TestBooks.money(right.toPlainString()));
    expect(403, maren.post(path(0, "/closing"), good));
    var refused = osric.post(path(0, "/closing"), wrong);
    assertThat(refused.text("/code")).isEqualTo("GAP");
    assertThat(refused.text("/detail")).contains("1.00 more");
    var closed = expect(201, osric.post(path(0, "/closing"), good)).body();
    try {
      assertThat(closed.at("/closed/closedBy").asText()).isEqualTo("osric");
      assertThat(figure(closed, "gap")).isEqualByComparingTo("0");
      assertThat(osric.post(path(0, "/closing"), good).text("/code")).isEqualTo("CLOSED");
      // what is posted from now on goes to the first open day, and the closed one stays as it was
      var books = new TestBooks(maren).invoices("33.00");
      var entry = entry(0, "2026-05-28", "33.00", books.customer(), "LATE");
      var posted =
          expect(
                  201,
                  maren.post(
                      "/api/settlements",
                      TestBooks.draft(entry, TestBooks.applied(books.item(0), "33.00"), "")))
              .body();
      var written =
          maren.get("/api/journal-entries/" + posted.at("/journalEntryId").asText()).body();
      assertThat(written.at("/bookedOn").asText()).isEqualTo("2026-05-30");
      assertThat(written.at("/ofDay").asText()).isEqualTo("2026-05-29");
      var again = look("2026-05-29", right);
      assertThat(figure(again, "books")).isEqualByComparingTo(figure(closed, "books"));
      var kept = maren.get("/api/tie-outs/" + closed.at("/closed/id").asText()).body();
      assertThat(kept.at("/figures")).isEqualTo(closed.at("/figures"));
      assertThat(maren.saved("/api/tie-outs/" + closed.at("/closed/id").asText() + "/paper"))
          .startsWith("%PDF");
      expect(
          409,
          osric.post(
              "/api/bank-accounts/" + account(0) + "/opening",
              "{\"on\":\"2026-01-31\",\"balance\":" + TestBooks.money("1.00") + "}"));
    } finally {
      var reopening = "/api/tie-outs/" + closed.at("/closed/id").asText() + "/reopening";
      expect(403, maren.post(reopening, "{\"reason\":\"x\"}"));
      expect(400, osric.post(reopening, "{\"reason\":\" \"}"));
      var open = expect(200, osric.post(reopening, "{\"reason\":\"a cheque was missed\"}")).body();
      assertThat(open.at("/closed/reopenedWhy").asText()).isEqualTo("a cheque was missed");
      expect(409, osric.post(reopening, "{\"reason\":\"again\"}"));
    }
  }

  /** A period of the whole company: what is of it is posted on the first open day, and says so. */
  @Test
  void aClosedPeriodTakesNothingMore() {
    var march = "{\"until\":\"2026-03-31\"}";
    expect(403, maren.post("/api/closed-periods", march));
    expect(400, osric.post("/api/closed-periods", "{\"until\":\"2026-05-29\"}"));
    var period = expect(201, osric.post("/api/closed-periods", march)).body();
    try {
      assertThat(osric.post("/api/closed-periods", "{\"until\":\"2026-02-28\"}").text("/code"))
          .isEqualTo("CLOSED");
      assertThat(
              maren.get("/api/closed-periods/not-tied-out?until=2026-03-31").body().at("/accounts"))
          .isNotEmpty();
      assertThat(
              osric
                  .post(
                      "/api/bank-accounts/" + account(0) + "/opening",
                      "{\"on\":\"2026-01-31\",\"balance\":" + TestBooks.money("1.00") + "}")
                  .text("/code"))
          .isEqualTo("CLOSED");
      // an invoice of March that comes in May
      expect(
          201,
          maren.drop(
              "late.csv",
              "number,kind,customer_id,customer_name,issue_date,due_date,currency,total,open\n"
                  + "LATE-%s,invoice,L%s,Late Bakery %s,2026-03-15,2026-04-14,USD,77.00,77.00\n"
                      .formatted(word, word, word)));
      var written = maren.get("/api/journal-entries?q=LATE-" + word).body().at("/rows/0");
      assertThat(written.at("/bookedOn").asText()).isEqualTo("2026-04-01");
      assertThat(written.at("/ofDay").asText()).isEqualTo("2026-03-15");
    } finally {
      var reopening = "/api/closed-periods/" + period.at("/id").asText() + "/reopening";
      expect(400, osric.post(reopening, "{\"reason\":\"\"}"));
      expect(200, osric.post(reopening, "{\"reason\":\"an audit\"}"));
      expect(409, osric.post(reopening, "{\"reason\":\"again\"}"));
    }
    var listed = maren.get("/api/closed-periods").body();
    assertThat(listed.at("/closedUntil").isNull()).isTrue();
    assertThat(listed.at("/periods/0/reopenedWhy").asText()).isEqualTo("an audit");
  }

  @Test
  void theOpeningBalanceIsOfADayBeforeTheFirstEntryInTheBooks() {
    var late =
        osric.post(
            "/api/bank-accounts/" + account(0) + "/opening",
            "{\"on\":\"2026-04-30\",\"balance\":" + TestBooks.money("1.00") + "}");
    assertThat(late.status()).isEqualTo(400);
    assertThat(late.text("/detail")).contains("are in the books already");
    expect(
        400,
        osric.post(
            "/api/bank-accounts/" + account(0) + "/opening",
            "{\"on\":\"2026-01-31\",\"balance\":{\"amount\":\"1.00\",\"currency\":\"EUR\"}}"));
  }
}

package org.sumbrel.server.journal;

import static org.assertj.core.api.Assertions.assertThat;
import static org.sumbrel.server.TestBooks.applied;
import static org.sumbrel.server.TestBooks.draft;
import static org.sumbrel.server.TestBooks.expect;

import com.fasterxml.jackson.databind.JsonNode;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import org.sumbrel.server.ApiTest;
import org.sumbrel.server.Clerk;
import org.sumbrel.server.TestBooks;

@ApiTest
class JournalApiTest {

  @Autowired private MockMvc web;
  private Clerk maren;

  @BeforeEach
  void sitDown() {
    maren = Clerk.maren(web);
  }

  private static BigDecimal sum(JsonNode lines, String side) {
    var sum = BigDecimal.ZERO;
    for (var line : lines) {
      sum =
          sum.add(
              line.at("/" + side).isNull()
                  ? BigDecimal.ZERO
                  : new BigDecimal(line.at("/" + side + "/amount").asText()));
    }
    return sum;
  }

  @Test
  void comesInPagesNewestFirstAndEveryEntryBalances() {
    var ids = new ArrayList<Long>();
    var cursor = "";
    for (var pages = 0; pages < 4; pages++) {
      var page = expect(200, maren.get("/api/journal-entries?limit=9&cursor=" + cursor)).body();
      for (var entry : page.at("/rows")) {
        ids.add(entry.at("/id").asLong());
        assertThat(sum(entry.at("/lines"), "debit"))
            .isEqualByComparingTo(sum(entry.at("/lines"), "credit"));
      }
      cursor = page.at("/next").asText();
    }
    assertThat(ids)
        .hasSize(36)
        .isSortedAccordingTo((a, b) -> Long.compare(b, a))
        .doesNotHaveDuplicates();
    assertThat(maren.get("/api/journal-entries?cursor=x").status()).isEqualTo(400);
  }

  /**
   * The entry of a discount and a fee, as textbooks on accounting write the collection of a
   * receivable under the gross method (cash and sales discounts debited, receivable credited in
   * full; Kieso, Weygandt and Warfield, Intermediate Accounting, recalled from memory); the fee
   * beside it is common practice, no source.
   */
  @Test
  void writesDiscountAndFeeBesideTheCash() {
    var books = new TestBooks(maren).invoices("1000.00");
    var entry = books.credit("965.00", "wire");
    var fee = TestBooks.adjusted("BANK_FEE", "15.00");
    var posted =
        expect(
                201,
                maren.post(
                    "/api/settlements",
                    draft(entry, applied(books.item(0), "1000.00", "20.00"), fee)))
            .body();
    var lines = TestBooks.written(maren, posted);
    assertThat(lines.findValuesAsText("account"))
        .containsExactly("Operating USD", "Bank fees", "Discounts allowed", "Accounts receivable");
    var amounts = new ArrayList<String>();
    lines.forEach(
        l ->
            amounts.add(
                l.at(l.at("/debit").isNull() ? "/credit/amount" : "/debit/amount").asText()));
    assertThat(amounts).isEqualTo(List.of("965.00", "15.00", "20.00", "1000.00"));
    assertThat(lines.get(3).at("/customer").asText()).isEqualTo(books.customer());
  }

  @Test
  void mirrorsAnEntryLineByLineOnReversal() {
    var books = new TestBooks(maren).invoices("77.00");
    var entry = books.credit("77.00", "x");
    var posted =
        expect(
                201,
                maren.post("/api/settlements", draft(entry, applied(books.item(0), "77.00"), "")))
            .body();
    var id = posted.at("/id").asText();
    expect(200, maren.post("/api/settlements/" + id + "/reversal", "{\"reason\":\"mirrorword\"}"));
    var mirror = maren.get("/api/journal-entries?q=mirrorword").body().at("/rows/0");
    assertThat(mirror.at("/reverses").asLong()).isEqualTo(posted.at("/journalEntryId").asLong());
    var lines = TestBooks.written(maren, posted);
    assertThat(lines).hasSize(2);
    for (var n = 0; n < lines.size(); n++) {
      assertThat(mirror.at("/lines/" + n + "/debit")).isEqualTo(lines.get(n).at("/credit"));
      assertThat(mirror.at("/lines/" + n + "/code")).isEqualTo(lines.get(n).at("/code"));
    }
  }

  @Test
  void balancesInEachCurrencyOfEachCompany() {
    for (var company : maren.get("/api/me").body().at("/companies")) {
      var trial = maren.get("/api/trial-balance?company=" + company.at("/id").asText()).body();
      assertThat(trial.at("/balanced").asBoolean()).isTrue();
      assertThat(trial.at("/totals")).isNotEmpty();
    }
  }
}

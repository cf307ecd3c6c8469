package org.sumbrel.server.daysheet;

import static org.assertj.core.api.Assertions.assertThat;
import static org.sumbrel.server.TestBooks.adjusted;
import static org.sumbrel.server.TestBooks.applied;
import static org.sumbrel.server.TestBooks.draft;
import static org.sumbrel.server.TestBooks.expect;
import static org.sumbrel.server.TestBooks.money;

import com.fasterxml.jackson.databind.JsonNode;
import java.math.BigDecimal;
import java.util.stream.Stream;
import java.util.stream.StreamSupport;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import org.sumbrel.server.ApiTest;
import org.sumbrel.server.Clerk;
import org.sumbrel.server.TestBooks;

/** Each figure of the sheet is what the lines behind it come to. */
@ApiTest
class DaySheetApiTest {

  @Autowired private MockMvc web;
  private Clerk maren;

  @BeforeEach
  void sitDown() {
    maren = Clerk.maren(web);
  }

  private static Stream<JsonNode> all(JsonNode list) {
    return StreamSupport.stream(list.spliterator(), false);
  }

  private static BigDecimal amount(JsonNode money) {
    return new BigDecimal(money.at("/amount").asText());
  }

  private JsonNode sheet(String on) {
    return expect(200, maren.get("/api/day-sheet?on=" + on)).body();
  }

  private JsonNode behind(String query) {
    return expect(200, maren.get("/api/day-sheet/behind?" + query)).body();
  }

  private void assertBehind(JsonNode sum, String query) {
    var behind = behind(query);
    if (behind.at("/more").asBoolean()) {
      assertThat(sum.at("/count").asLong()).isGreaterThan(200);
      return;
    }
    assertThat(behind.at("/rows").size()).as(query).isEqualTo(sum.at("/count").asInt());
    assertThat(
            all(behind.at("/rows"))
                .map(r -> amount(r.at("/amount")))
                .reduce(BigDecimal.ZERO, BigDecimal::add))
        .as(query)
        .isEqualByComparingTo(amount(sum.at("/amount")));
  }

  @Test
  void everyFigureIsWhatIsBehindIt() {
    var books = new TestBooks(maren).invoices("90.00");
    var body =
        draft(
            books.credit("75.00", "less a fee"),
            applied(books.item(0), "90.00"),
            adjusted("BANK_FEE", "15.00"));
    expect(201, maren.post("/api/settlements", body));
    // money from us is settled too, and is no receipt of any figure
    var account = maren.get("/api/ledger-accounts").body().at("/0/id").asLong();
    var charge =
        draft(
            books.credit("-7.00", "a charge"),
            "",
            "{\"kind\":\"TO_ACCOUNT\",\"amount\":%s,\"accountId\":%d}"
                .formatted(money("7.00"), account));
    expect(201, maren.post("/api/settlements", charge));

    for (var day : new String[] {"2026-05-29", "2026-05-18", "2026-04-15"}) {
      var sheet = sheet(day);
      assertBehind(sheet.at("/arrived"), "figure=ARRIVED&on=" + day);
      assertBehind(sheet.at("/settled"), "figure=SETTLED&on=" + day);
      assertBehind(sheet.at("/waiting"), "figure=WAITING&on=" + day);
      for (var hour : sheet.at("/hours")) {
        assertBehind(hour.at("/arrived"), "figure=ARRIVED&on=" + day + "&hour=" + hour.at("/hour"));
        assertBehind(hour.at("/settled"), "figure=SETTLED&on=" + day + "&hour=" + hour.at("/hour"));
      }
      for (var hand : sheet.at("/hands/hands")) {
        assertBehind(hand, "figure=HAND&on=" + day + "&key=" + hand.at("/hand").asText());
      }
      for (var difference : sheet.at("/differences")) {
        assertBehind(
            difference, "figure=DIFFERENCE&on=" + day + "&key=" + difference.at("/kind").asText());
      }
      for (var wait : sheet.at("/day/counts").properties()) {
        var rows = behind("figure=WAITED&on=" + day + "&key=" + wait.getKey());
        assertThat(rows.at("/rows").size()).isEqualTo(Math.min(200, wait.getValue().asInt()));
      }
      for (var bucket : sheet.at("/ageing/amounts").properties()) {
        var rows = behind("figure=AGEING&on=" + day + "&key=" + bucket.getKey());
        if (!rows.at("/more").asBoolean()) {
          assertThat(
                  all(rows.at("/rows"))
                      .map(r -> amount(r.at("/amount")))
                      .reduce(BigDecimal.ZERO, BigDecimal::add))
              .isEqualByComparingTo(amount(bucket.getValue()));
        }
      }
    }
  }

  @Test
  void aDayIsAsItWasHoweverMuchHappenedSince() {
    var before = sheet("2026-04-15");
    var books = new TestBooks(maren).invoices("40.00");
    expect(
        201,
        maren.post(
            "/api/settlements",
            draft(books.credit("40.00", "since"), applied(books.item(0), "40.00"), "")));

    assertThat(sheet("2026-04-15")).isEqualTo(before);
    assertThat(before.at("/past").asBoolean()).isTrue();
    assertThat(before.at("/days")).hasSize(14);
    assertThat(before.at("/ageing/agrees").asBoolean()).isTrue();
  }

  @Test
  void whatIsSettledMovesFromWaitingToSettled() {
    var books = new TestBooks(maren).invoices("61.00");
    var entry = books.credit("61.00", "moves");
    var before = sheet("2026-05-29");

    expect(201, maren.post("/api/settlements", draft(entry, applied(books.item(0), "61.00"), "")));

    var after = sheet("2026-05-29");
    assertThat(amount(after.at("/settled/amount")))
        .isEqualTo(amount(before.at("/settled/amount")).add(new BigDecimal("61.00")));
    assertThat(amount(after.at("/waiting/amount")))
        .isEqualTo(amount(before.at("/waiting/amount")).subtract(new BigDecimal("61.00")));
    assertThat(after.at("/arrived")).isEqualTo(before.at("/arrived"));
  }

  @Test
  void aDayThatIsNotYetHasNoSheet() {
    assertThat(maren.get("/api/day-sheet?on=2026-06-01").text("/detail")).contains("not there yet");
    assertThat(maren.get("/api/day-sheet/behind?figure=AGEING&key=NEVER").text("/detail"))
        .contains("none of what the day sheet shows");
  }
}

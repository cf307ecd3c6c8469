package org.sumbrel.server.desk;

import static org.assertj.core.api.Assertions.assertThat;
import static org.sumbrel.server.TestBooks.applied;
import static org.sumbrel.server.TestBooks.draft;
import static org.sumbrel.server.TestBooks.expect;

import com.fasterxml.jackson.databind.JsonNode;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import org.sumbrel.server.ApiTest;
import org.sumbrel.server.Clerk;
import org.sumbrel.server.TestBooks;

/** The queue and the explanations of an entry, as the desk asks for them. */
@ApiTest
class QueueApiTest {

  @Autowired private MockMvc web;
  private Clerk maren;

  @BeforeEach
  void sitDown() {
    maren = Clerk.maren(web);
  }

  private List<JsonNode> all(String query, int limit) {
    var rows = new ArrayList<JsonNode>();
    var cursor = "";
    do {
      var page =
          expect(200, maren.get("/api/entries?limit=" + limit + query + "&cursor=" + cursor))
              .body();
      page.at("/rows").forEach(rows::add);
      cursor = page.at("/next").isNull() ? "" : page.at("/next").asText();
    } while (!cursor.isEmpty());
    return rows;
  }

  @Test
  void comesInPagesWithoutGapOrRepeat() {
    var books = new TestBooks(maren).invoices("101.01", "202.02", "303.03");
    books.credit("101.01", "INV " + books.number(0));
    books.credit("202.02", "INV " + books.number(1));
    books.credit("9.09", "nothing");
    var small = all("", 3).stream().map(r -> r.at("/id").asLong()).toList();
    var large = all("", 500).stream().map(r -> r.at("/id").asLong()).toList();
    assertThat(small).isEqualTo(large).doesNotHaveDuplicates();
    var standings = all("", 3).stream().map(r -> r.at("/standing").asText()).distinct().toList();
    assertThat(List.of("CLEAR", "TORN", "LEANING", "BLANK")).containsSubsequence(standings);
  }

  @Test
  void addsUpItsStandings() {
    var page = maren.get("/api/entries?limit=500").body();
    for (var group : page.at("/standings")) {
      var cents = 0L;
      var count = 0;
      for (var row : page.at("/rows")) {
        if (row.at("/standing").equals(group.at("/standing"))) {
          cents += Long.parseLong(row.at("/amount/amount").asText().replace(".", ""));
          count++;
        }
      }
      assertThat(group.at("/count").asInt()).isEqualTo(count);
      assertThat(Long.parseLong(group.at("/amount/amount").asText().replace(".", "")))
          .isEqualTo(cents);
    }
  }

  @Test
  void isSearchedByPayerTextAmountAndCustomer() {
    var books = new TestBooks(maren).invoices("4321.09");
    var entry = books.credit("4321.09", "SEARCHWORD " + books.number(0));
    for (var q : List.of("searchword", "4,321.09", "4321.09", books.customer().split(" ")[0])) {
      assertThat(all("&q=" + q, 50))
          .as(q)
          .extracting(r -> r.at("/id").asLong())
          .containsExactly(entry);
    }
    assertThat(all("&q=no such word", 50)).isEmpty();
    assertThat(all("&standing=BLANK&q=searchword", 50)).isEmpty();
    assertThat(all("&standing=CLEAR&standing=TORN&q=searchword", 50)).hasSize(1);
  }

  @Test
  void explainsAnEntryWithWhatStandsInItsText() {
    var books = new TestBooks(maren).invoices("515.15", "515.15");
    var text = "INV " + books.number(1) + " FLOUR";
    var entry = maren.get("/api/entries/" + books.credit("515.15", text)).body();
    assertThat(entry.at("/standing").asText()).isEqualTo("CLEAR");
    assertThat(entry.at("/payer").asText()).isEqualTo(books.customer());
    var best = entry.at("/proposals/0");
    assertThat(best.at("/rank").asInt()).isEqualTo(1);
    assertThat(best.at("/applications/0/number").asText()).isEqualTo(books.number(1));
    assertThat(best.at("/odds").asText()).contains("in 1,000");
    assertThat(best.at("/evidence").findValuesAsText("code"))
        .contains("reference.exact", "amount.exact", "payer.name");
    var mark = entry.at("/marks/0");
    assertThat(text.substring(mark.at("/start").asInt(), mark.at("/end").asInt()))
        .isEqualTo(books.number(1));
    assertThat(mark.at("/itemId").asLong()).isEqualTo(books.item(1));
  }

  @Test
  void learnsFromASettlementWhoThePayerIs() {
    var books = new TestBooks(maren).invoices("60.60", "70.70");
    var account = maren.get("/api/me").body().at("/companies/0/bankAccounts/0/id").asText();
    var head = "entry_id,booking_date,amount,currency,payer_name,payer_account,remittance\n";
    var stranger = books.number(9) + ",2026-05-28,60.60,USD,Vexley Nominees,990017,x\n";
    expect(201, maren.drop("s.csv", head + stranger, "?bankAccount=" + account));
    var first = all("&q=Vexley", 10).get(0);
    assertThat(first.at("/standing").asText()).isNotEqualTo("CLEAR");
    expect(
        201,
        maren.post(
            "/api/settlements",
            draft(first.at("/id").asLong(), applied(books.item(0), "60.60"), "")));
    var again = books.number(8) + ",2026-05-29,70.70,USD,Vexley Nominees,990017,y\n";
    expect(201, maren.drop("t.csv", head + again, "?bankAccount=" + account));
    var second = maren.get("/api/entries/" + all("&q=Vexley", 10).get(0).at("/id").asText()).body();
    assertThat(second.at("/payer").asText()).isEqualTo(books.customer());
    assertThat(second.at("/proposals/0/evidence").findValuesAsText("code"))
        .contains("payer.history");
  }

  @Test
  void refusesWhatIsNotThere() {
    assertThat(maren.get("/api/entries/999999").status()).isEqualTo(404);
    assertThat(maren.get("/api/entries?cursor=nonsense").text("/detail")).contains("nonsense");
    assertThat(maren.get("/api/entries?standing=FIRM").status()).isEqualTo(400);
    assertThat(maren.get("/api/entries?company=999999").status()).isEqualTo(404);
  }

  @Test
  void keepsMoneyFromUsApart() {
    var account = maren.get("/api/me").body().at("/companies/0/bankAccounts/0/id").asText();
    var text =
        "entry_id,booking_date,amount,currency,payer_name\nDEB1,2026-05-28,-18.00,USD,Debitword Bank\n";
    expect(201, maren.drop("d.csv", text, "?bankAccount=" + account));
    assertThat(all("&q=Debitword", 10)).isEmpty();
    var debit = all("&status=DEBIT&q=Debitword", 10);
    assertThat(debit).hasSize(1);
    // it pays no invoice: what is taken of one is more than what came
    var invoice = maren.get("/api/open-items?limit=1").body().at("/rows/0/id").asLong();
    var answer =
        maren.post(
            "/api/settlements",
            draft(debit.get(0).at("/id").asLong(), TestBooks.applied(invoice, "18.00"), ""));
    assertThat(answer.status()).isEqualTo(422);
    assertThat(answer.text("/detail")).contains("18.00");
  }
}

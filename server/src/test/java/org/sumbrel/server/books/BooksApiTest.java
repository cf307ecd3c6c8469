package org.sumbrel.server.books;

import static org.assertj.core.api.Assertions.assertThat;
import static org.sumbrel.server.TestBooks.adjusted;
import static org.sumbrel.server.TestBooks.applied;
import static org.sumbrel.server.TestBooks.draft;
import static org.sumbrel.server.TestBooks.expect;

import com.fasterxml.jackson.databind.JsonNode;
import java.math.BigDecimal;
import java.util.stream.Stream;
import java.util.stream.StreamSupport;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import org.sumbrel.core.journal.Posting;
import org.sumbrel.server.ApiTest;
import org.sumbrel.server.Clerk;
import org.sumbrel.server.TestBooks;
import org.sumbrel.server.customers.Customers;

@ApiTest
class BooksApiTest {

  @Autowired private MockMvc web;
  @Autowired private Customers customers;
  private Clerk maren;

  @BeforeEach
  void sitDown() {
    maren = Clerk.maren(web);
  }

  private static Stream<JsonNode> all(JsonNode list) {
    return StreamSupport.stream(list.spliterator(), false);
  }

  private JsonNode account(String code) {
    return all(maren.get("/api/trial-balance").body().at("/accounts"))
        .filter(a -> a.at("/code").asText().equals(code))
        .filter(a -> a.at("/debit/currency").asText().equals("USD"))
        .findFirst()
        .orElseThrow();
  }

  private JsonNode movements(String code, String query) {
    return expect(
            200,
            maren.get(
                "/api/ledger-accounts/"
                    + account(code).at("/accountId").asText()
                    + "/movements?"
                    + query))
        .body();
  }

  private static BigDecimal amount(JsonNode money) {
    return new BigDecimal(money.at("/amount").asText());
  }

  @Test
  void anAccountsSheetRunsUpToItsBalance() {
    var books = new TestBooks(maren).invoices("50.00");
    expect(
        201,
        maren.post(
            "/api/settlements",
            draft(books.credit("50.00", "sheet"), applied(books.item(0), "50.00"), "")));

    var sheet = movements("1100", "limit=500");

    var balance = amount(sheet.at("/opening"));
    assertThat(balance).isZero();
    var rows = sheet.at("/rows");
    assertThat(rows.size()).isGreaterThan(2);
    for (var row : rows) {
      balance =
          row.at("/debit").isNull()
              ? balance.subtract(amount(row.at("/credit")))
              : balance.add(amount(row.at("/debit")));
      assertThat(amount(row.at("/balance"))).isEqualTo(balance);
    }
    var trial = account("1100");
    assertThat(amount(sheet.at("/closing")))
        .isEqualTo(amount(trial.at("/debit")).subtract(amount(trial.at("/credit"))));
  }

  @Test
  void pagesOfASheetRunOnWhereTheOneBeforeEnded() {
    var whole = movements("1100", "limit=30").at("/rows");
    var cursor = "";
    for (var n = 0; n < 30; n += 5) {
      var page = movements("1100", "limit=5" + cursor);
      for (var m = 0; m < 5; m++) {
        assertThat(page.at("/rows").get(m)).isEqualTo(whole.get(n + m));
      }
      cursor = "&cursor=" + page.at("/next").asText();
    }
    assertThat(maren.get("/api/ledger-accounts/1/movements?cursor=never").status()).isEqualTo(400);
  }

  @Test
  void aPeriodBeginsWithWhatStoodBefore() {
    var until = movements("1100", "until=2026-03-31");
    var after = movements("1100", "from=2026-04-01");

    assertThat(after.at("/opening")).isEqualTo(until.at("/closing"));
    assertThat(all(after.at("/rows")).map(r -> r.at("/on").asText()))
        .allMatch(on -> on.compareTo("2026-04-01") >= 0);
    var trial = maren.get("/api/trial-balance?from=2026-04-01&until=2026-04-30").body();
    assertThat(trial.at("/balanced").asBoolean()).isTrue();
    assertThat(trial.at("/totals/0/debited")).isEqualTo(trial.at("/totals/0/credited"));
    assertThat(maren.get("/api/trial-balance?from=2026-05-01&until=2026-04-30").text("/detail"))
        .contains("cannot end before");
  }

  @Test
  void aFeeAndItsReversalAreJoined() {
    var books = new TestBooks(maren).invoices("90.00");
    var entry = books.credit("75.00", "less a fee");
    var body = draft(entry, applied(books.item(0), "90.00"), adjusted("BANK_FEE", "15.00"));
    var id = expect(201, maren.post("/api/settlements", body)).text("/id");
    expect(200, maren.post("/api/settlements/" + id + "/reversal", "{\"reason\":\"given back\"}"));

    var rows = movements("6100", "limit=500").at("/rows");

    var both = all(rows).filter(r -> r.at("/source/settlementId").asText().equals(id)).toList();
    assertThat(both).hasSize(2);
    var last = both.get(1);
    var before = both.get(0);
    assertThat(last.at("/cancelledBy/lineId")).isEqualTo(before.at("/lineId"));
    assertThat(before.at("/cancelledBy/knownBy").asText()).isEqualTo("REVERSAL");
    assertThat(amount(last.at("/credit"))).isEqualTo(amount(before.at("/debit")));
  }

  @Test
  void itemsAndLedgerAgreeOnEveryDay() {
    var books = new TestBooks(maren).invoices("200.00");
    var entry = books.credit("150.00", "in part");
    expect(201, maren.post("/api/settlements", draft(entry, applied(books.item(0), "150.00"), "")));

    for (var day :
        new String[] {"", "on=2026-02-28", "on=2026-03-31", "on=2026-05-15", "on=2026-05-29"}) {
      var agreement = maren.get("/api/books/agreement?" + day).body();
      assertThat(agreement.at("/agrees").asBoolean()).as(day + agreement.at("/apart")).isTrue();
    }
  }

  @Test
  void anAgeingComesToTheControlAccounts() {
    var ageing = maren.get("/api/books/ageing").body();
    var control =
        all(maren.get("/api/books/agreement").body().at("/totals"))
            .map(t -> amount(t.at("/books")))
            .reduce(BigDecimal.ZERO, BigDecimal::add);

    assertThat(amount(ageing.at("/total"))).isEqualTo(control);
    assertThat(
            all(ageing.at("/lines"))
                .map(l -> amount(l.at("/total")))
                .reduce(BigDecimal.ZERO, BigDecimal::add))
        .isEqualTo(control);
    var csv = maren.saved("/api/books/ageing.csv");
    assertThat(csv.lines().count()).isEqualTo(1 + ageing.at("/lines").size());
    // an item that was settled since is in the ageing of a day before
    var past = maren.get("/api/books/ageing?on=2026-03-31").body();
    assertThat(amount(past.at("/total"))).isNotEqualTo(control);
  }

  @Test
  void namesWhatDifferencesCost() {
    var books = new TestBooks(maren).invoices("90.00");
    var before = amount(maren.get("/api/books/differences").body().at("/total"));
    var entry = books.credit("75.00", "less a fee");
    var body = draft(entry, applied(books.item(0), "90.00"), adjusted("BANK_FEE", "15.00"));
    var id = expect(201, maren.post("/api/settlements", body)).text("/id");

    var report = maren.get("/api/books/differences").body();

    assertThat(amount(report.at("/total"))).isEqualTo(before.add(new BigDecimal("15.00")));
    var item =
        all(report.at("/items"))
            .filter(i -> i.at("/settlementId").asText().equals(id))
            .findFirst()
            .orElseThrow();
    assertThat(item.at("/kind").asText()).isEqualTo("BANK_FEE");
    assertThat(item.at("/customer").asText()).isEqualTo(books.customer());
  }

  @Test
  void moneyThatIsNotAppliedAndClaimsStandWithTheirAge() {
    var books = new TestBooks(maren).invoices("60.00");
    books.creditNote("12.00");
    var entry = books.credit("50.00", "held back");
    var body =
        draft(
            entry,
            applied(books.item(0), "60.00"),
            "{\"kind\":\"CLAIM\",\"amount\":%s,\"reason\":\"DAMAGED\",\"customerId\":%s,\"text\":\"torn\"}"
                .formatted(
                    TestBooks.money("10.00"),
                    maren.get("/api/open-items/" + books.item(0)).text("/customerId")));
    expect(201, maren.post("/api/settlements", body));

    var unapplied = maren.get("/api/books/unapplied").body();
    var claims = maren.get("/api/books/claims").body();

    assertThat(all(unapplied.at("/items")))
        .anyMatch(
            i ->
                i.at("/customer").asText().equals(books.customer())
                    && i.at("/open/amount").asText().equals("12.00"));
    assertThat(all(claims.at("/items")))
        .anyMatch(
            i ->
                i.at("/customer").asText().equals(books.customer())
                    && i.at("/reason").asText().equals("DAMAGED"));
    assertThat(all(claims.at("/groups")).map(g -> g.at("/reason").asText())).contains("DAMAGED");
  }

  @Test
  void statementsComeInOneGo() {
    var owing = maren.get("/api/customer-statements?whom=OWING").body();
    var overdue = maren.get("/api/customer-statements?whom=OVERDUE").body();

    assertThat(owing.size()).isGreaterThan(overdue.size());
    assertThat(all(owing)).allMatch(s -> amount(s.at("/owes")).signum() > 0);
    // a branch stands with whoever pays for it
    assertThat(all(owing).map(s -> s.at("/customer").asText()))
        .contains("Thistlebrook School Kitchens");
  }

  /** The rule is the core's; the rows know it by their kind. */
  @Test
  void everyKindOfItemStandsOnTheAccountOfTheCore() {
    for (var item : customers.itemsOf(1L)) {
      assertThat(item.kind().role()).isEqualTo(Posting.roleOf(item.toItem()));
    }
  }
}

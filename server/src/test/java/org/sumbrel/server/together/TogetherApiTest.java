package org.sumbrel.server.together;

import static org.assertj.core.api.Assertions.assertThat;
import static org.sumbrel.server.TestBooks.expect;

import com.fasterxml.jackson.databind.JsonNode;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import org.sumbrel.server.ApiTest;
import org.sumbrel.server.Clerk;

/** Currencies and companies side by side, against the reports of each of them. */
@ApiTest
class TogetherApiTest {

  @Autowired private MockMvc web;
  private Clerk maren;
  private JsonNode mill;
  private JsonNode export;

  @BeforeEach
  void sitDown() {
    maren = Clerk.maren(web);
    var companies = maren.get("/api/me").body().at("/companies");
    mill = companies.at("/0");
    export = companies.at("/1");
  }

  private static JsonNode row(JsonNode report, String measure) {
    for (var row : report.at("/rows")) {
      if (row.at("/measure").asText().equals(measure)) {
        return row;
      }
    }
    throw new AssertionError("no " + measure);
  }

  private static BigDecimal amount(JsonNode money) {
    return new BigDecimal(money.at("/amount").asText());
  }

  @Test
  void hasWhatEachReportHasAndAddsItUpAtTheStatedRate() {
    var id = export.at("/id").asText();
    assertThat(export.at("/currencies").toString()).contains("EUR", "USD");
    var report = expect(200, maren.get("/api/together?company=" + id)).body();
    assertThat(report.at("/currency").asText()).isEqualTo("USD");
    var columns = report.at("/columns");
    assertThat(columns.size()).isGreaterThan(1);
    var owed = BigDecimal.ZERO;
    for (var n = 0; n < columns.size(); n++) {
      var currency = columns.get(n).at("/currency").asText();
      var ageing = maren.get("/api/books/ageing?company=" + id + "&currency=" + currency).body();
      assertThat(amount(row(report, "OWED").at("/amounts/" + n)))
          .as(currency)
          .isEqualByComparingTo(amount(ageing.at("/total")));
      var sheet = maren.get("/api/day-sheet?company=" + id + "&currency=" + currency).body();
      assertThat(amount(row(report, "ARRIVED").at("/amounts/" + n)))
          .isEqualByComparingTo(amount(sheet.at("/arrived/amount")));
      assertThat(amount(row(report, "WAITING").at("/amounts/" + n)))
          .isEqualByComparingTo(amount(sheet.at("/waiting/amount")));
      var rate = columns.get(n).at("/rate");
      for (var bucket :
          List.of("NOT_DUE", "DAYS_1_TO_30", "DAYS_31_TO_60", "DAYS_61_TO_90", "OVER_90")) {
        var part = amount(row(report, bucket).at("/amounts/" + n));
        owed =
            owed.add(
                rate.isTextual()
                    ? part.multiply(new BigDecimal(rate.asText()))
                        .setScale(2, RoundingMode.HALF_EVEN)
                    : part);
      }
      if (currency.equals("EUR")) {
        assertThat(columns.get(n).at("/words").asText()).contains("28 May 2026");
      }
    }
    assertThat(amount(row(report, "OWED").at("/total"))).isEqualByComparingTo(owed);
    assertThat(amount(row(report, "TRAIL_GAP").at("/total"))).isEqualByComparingTo("0.00");
  }

  @Test
  void takesAllCompaniesOfTheUserAndNoOther() {
    var both = maren.get("/api/together?group=true").body();
    assertThat(both.at("/columns").findValuesAsText("name"))
        .contains(mill.at("/name").asText(), export.at("/name").asText());
    var one = new Clerk(web, "sela", "CLERK", export.at("/id").asLong());
    assertThat(one.get("/api/together?group=true").body().at("/columns").findValuesAsText("name"))
        .isNotEmpty()
        .containsOnly(export.at("/name").asText());
    // banks by the books are what the trial balance of the same day has on their accounts
    var codes = new ArrayList<String>();
    maren
        .get("/api/bank-accounts?company=" + mill.at("/id").asText())
        .body()
        .forEach(account -> codes.add(account.at("/ledgerCode").asText()));
    var banks = row(both, "BANKS").at("/amounts/0");
    var byBooks = BigDecimal.ZERO;
    var balances =
        maren.get(
            "/api/trial-balance?company=%s&until=%s"
                .formatted(mill.at("/id").asText(), both.at("/on").asText()));
    for (var account : balances.body().at("/accounts")) {
      if (codes.contains(account.at("/code").asText())
          && account.at("/debit/currency").equals(banks.at("/currency"))) {
        byBooks = byBooks.add(amount(account.at("/debit"))).subtract(amount(account.at("/credit")));
      }
    }
    assertThat(byBooks).isPositive();
    assertThat(amount(banks)).isEqualByComparingTo(byBooks);
  }

  /** The ageing by itself, and what was applied, have it in the currency of the books as well. */
  @Test
  void anAgeingInEurosHasItsTotalsInTheBooksAtTheStatedRate() {
    var path = "/api/books/ageing?currency=EUR&company=" + export.at("/id").asText();
    var ageing = maren.get(path + "&ratesOn=2026-04-30").body();
    var inBooks = ageing.at("/inBooks");
    assertThat(inBooks.at("/currency").asText()).isEqualTo("USD");
    assertThat(inBooks.at("/ratesOn").asText()).isEqualTo("2026-04-30");
    var rate =
        new BigDecimal(
            maren.get("/api/rates/counting?from=EUR&to=USD&on=2026-04-30").text("/rate/rate"));
    var sum = BigDecimal.ZERO;
    for (var bucket : ageing.at("/amounts").properties()) {
      var restated = amount(bucket.getValue()).multiply(rate).setScale(2, RoundingMode.HALF_EVEN);
      assertThat(amount(inBooks.at("/amounts/" + bucket.getKey()))).isEqualByComparingTo(restated);
      sum = sum.add(restated);
    }
    assertThat(amount(inBooks.at("/total"))).isEqualByComparingTo(sum);
    assertThat(maren.get(path + "&ratesOn=2020-01-01").body().at("/inBooks/total").isNull())
        .isTrue();
    var file = path.replace("ageing?", "ageing.csv?") + "&inBooks=true&ratesOn=";
    assertThat(maren.saved(file + "2026-04-30"))
        .contains("total,currency,as_of,in_books,books,rate,rates_on", ",USD," + rate + ",");
    assertThat(maren.get(file + "2020-01-01").text("/code")).isEqualTo("RATE_MISSING");
    // in the currency of the books there is nothing to restate
    assertThat(maren.get(path.replace("EUR", "USD")).body().at("/inBooks").isNull()).isTrue();
    var applied =
        maren.saved(
            "/api/applications.csv?inBooks=true&currency=EUR&from=2000-01-01&until=2026-05-29&company="
                + export.at("/id").asText());
    assertThat(applied)
        .startsWith("settlement,")
        .contains("of_receipt,currency,in_books,books,rate");
  }

  @Test
  void statesTheDayOfItsRatesAndGuessesNone() {
    var path = "/api/together?company=" + export.at("/id").asText();
    var then = maren.get(path + "&ratesOn=2026-03-31").body();
    assertThat(then.at("/ratesOn").asText()).isEqualTo("2026-03-31");
    assertThat(then.at("/columns").findValuesAsText("words").toString()).contains("2026");
    var before = maren.get(path + "&ratesOn=2020-01-01").body();
    assertThat(row(before, "OWED").at("/total").isNull()).isTrue();
    assertThat(row(before, "OWED").at("/amounts/0/amount").asText()).isNotEmpty();
    // what is in none but the currency of the totals needs no rate
    var dollars = maren.get("/api/together?ratesOn=2020-01-01").body();
    assertThat(row(dollars, "BANKS").at("/total"))
        .isEqualTo(row(dollars, "BANKS").at("/amounts/0"));
    var euros = maren.get(path + "&currency=EUR").body();
    assertThat(euros.at("/currency").asText()).isEqualTo("EUR");
    assertThat(maren.saved("/api/together.csv?group=true"))
        .startsWith("measure,company,currency,amount,rate,rates_on,as_of")
        .contains("owed,Larkstow Mill Ltd,USD,", "owed,together,USD,");
  }
}

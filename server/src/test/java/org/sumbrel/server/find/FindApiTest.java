package org.sumbrel.server.find;

import static java.util.stream.Collectors.joining;
import static org.assertj.core.api.Assertions.assertThat;
import static org.sumbrel.server.TestBooks.applied;
import static org.sumbrel.server.TestBooks.draft;
import static org.sumbrel.server.TestBooks.expect;

import com.fasterxml.jackson.databind.JsonNode;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.TreeSet;
import java.util.stream.IntStream;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import org.sumbrel.core.find.Findable;
import org.sumbrel.core.find.SearchLine;
import org.sumbrel.server.ApiTest;
import org.sumbrel.server.Clerk;
import org.sumbrel.server.TestBooks;

/** One search line over entries, open items and settled ones. */
@ApiTest
class FindApiTest {

  private static final LocalDate TODAY = LocalDate.of(2026, 5, 29);

  @Autowired private MockMvc web;
  private Clerk maren;

  @BeforeEach
  void sitDown() {
    maren = Clerk.maren(web);
  }

  private JsonNode found(String what, String line) {
    return expect(200, maren.get("/api/found?limit=500&what=" + what + "&q=" + line)).body();
  }

  private static Money money(JsonNode amount) {
    return Money.of(
        CurrencyUnit.of(amount.at("/currency").asText()),
        new BigDecimal(amount.at("/amount").asText()));
  }

  private List<JsonNode> all(String what) {
    var rows = new ArrayList<JsonNode>();
    var cursor = "";
    while (cursor != null) {
      var page =
          expect(200, maren.get("/api/found?limit=500&what=" + what + "&q=&cursor=" + cursor))
              .body();
      page.at("/rows").forEach(rows::add);
      cursor = page.at("/next").isNull() ? null : page.at("/next").asText();
    }
    return rows;
  }

  /**
   * What is found in memory is what the rule names of all that the lists show, no more and no less.
   */
  @ParameterizedTest
  @ValueSource(
      strings = {
        "oskar",
        "oskar -lane",
        "payer:oskar lm-00204",
        "\"oskar lane\"",
        "612.30",
        "600..700",
        "..50",
        "5000..",
        "april",
        "after:2026-05-10 ..500",
        "before:2026-02 ref:lm",
        "2026-05-20",
        "100%",
        "method:card"
      })
  void findsTheItemsThatTheRuleNames(String typed) {
    var line = SearchLine.read(typed, TODAY);
    for (var what : List.of("OPEN", "SETTLED")) {
      var expected = new TreeSet<Long>();
      for (var row : all(what)) {
        var amounts = new ArrayList<Money>(List.of(money(row.at("/amount"))));
        if (what.equals("OPEN")) {
          amounts.add(money(row.at("/open")));
        }
        var item =
            Findable.of(
                List.of(row.at("/name").asText()),
                List.of(row.at("/number").asText(), row.at("/text").asText()),
                List.of(),
                amounts,
                LocalDate.parse(row.at("/on").asText()),
                Optional.empty());
        if (line.fits(item)) {
          expected.add(row.at("/id").asLong());
        }
      }
      var found = found(what, typed);
      var ids = new TreeSet<Long>();
      found.at("/rows").forEach(row -> ids.add(row.at("/id").asLong()));
      assertThat(ids).as(what).isEqualTo(expected);
      var counted = 0L;
      for (var sum : found.at("/sums")) {
        counted += sum.at("/count").asLong();
      }
      assertThat(counted).isEqualTo(expected.size());
    }
  }

  @Test
  void findsABatchOfCardSlipsAndSaysWhichOneIsMissing() {
    var amounts = IntStream.range(0, 9).mapToObj(n -> (20 + n) + ".80").toArray(String[]::new);
    var slips =
        "number,kind,customer_id,customer_name,issue_date,due_date,currency,total,open\n"
            + IntStream.range(0, 9)
                .mapToObj(
                    n ->
                        "XSLIP-%d,invoice,XCARD,Card machine shop,2026-05-12,2026-05-12,USD,%s,%s"
                            .formatted(n, amounts[n], amounts[n]))
                .collect(joining("\n"))
            + "\nXSLIP-9,invoice,XCARD,Card machine shop,2026-05-12,2026-05-12,USD,23.50,23.50\n";
    expect(201, maren.drop("slips.csv", slips));
    var fitting =
        expect(
                200,
                maren.get(
                    "/api/found/open-items?currency=USD&against=246.70&q="
                        + "payer:machine 2026-05-12 -xslip-9"))
            .body();
    assertThat(fitting.at("/items")).hasSize(9);
    assertThat(fitting.at("/sum/amount").asText()).isEqualTo("223.20");
    assertThat(fitting.at("/more").asBoolean()).isFalse();
    assertThat(fitting.at("/gap/amount").asText()).isEqualTo("23.50");
    assertThat(maren.get("/api/found/open-items?currency=USD&against=1.234&q=x").status())
        .isEqualTo(400);

    var entry = new TestBooks(maren).credit("246.70", "CARD BATCH 0512");
    var parts = new ArrayList<String>();
    fitting
        .at("/items")
        .forEach(i -> parts.add(applied(i.at("/itemId").asLong(), i.at("/open/amount").asText())));
    var call = draft(entry, String.join(",", parts), "");
    var preview = expect(200, maren.post("/api/settlements/preview", call)).body();
    assertThat(preview.at("/refusal").asText()).contains("246.70", "223.20", "23.50 is left");
    assertThat(preview.at("/gapReasons/0").asText())
        .isEqualTo("XSLIP-9 of 23.50 on 12 May 2026 is not ticked.");
    assertThat(maren.post("/api/settlements", call).status()).isEqualTo(422);

    parts.add(applied(found("OPEN", "xslip-9").at("/rows/0/id").asLong(), "23.50"));
    var id =
        expect(201, maren.post("/api/settlements", draft(entry, String.join(",", parts), "")))
            .text("/id");
    var settled = found("SETTLED", "xslip-9").at("/rows/0");
    assertThat(settled.at("/settled/settlementId").asText()).isEqualTo(id);
    assertThat(settled.at("/settled/on").asText()).isEqualTo("2026-05-28");
    var came = found("ENTRIES", "method:card 246.70").at("/rows/0");
    assertThat(came.at("/status").asText()).isEqualTo("SETTLED");
    assertThat(came.at("/settled/settlementId").asText()).isEqualTo(id);
  }

  @Test
  void ordersByTheGapToAFigureAndSaysIt() {
    var rows = found("OPEN", "gap:612.00").at("/rows");
    var last = BigDecimal.ZERO;
    for (var row : rows) {
      var gap = new BigDecimal(row.at("/gap/amount").asText());
      assertThat(gap.abs()).isGreaterThanOrEqualTo(last);
      last = gap.abs();
    }
    assertThat(rows.size()).isGreaterThan(20);
  }

  @Test
  void saysWhatItDoesNotUnderstand() {
    var page = found("ENTRIES", "before:soon oskar");
    assertThat(page.at("/problems/0").asText()).startsWith("“before:soon” is no day");
    assertThat(page.at("/rows").size()).isPositive();
    assertThat(maren.get("/api/entries?q=" + "12..x").body().at("/problems")).hasSize(1);
  }

  @Test
  void suggestsHowALineMayGoOn() {
    var suggested = expect(200, maren.get("/api/search-suggestions?q=" + "may tamar")).body();
    assertThat(suggested.findValuesAsText("line")).contains("may payer:\"Café Tamarisk\"");
    assertThat(maren.get("/api/search-suggestions?q=bef").body().findValuesAsText("line"))
        .containsExactly("before:");
    assertThat(maren.get("/api/search-suggestions?q=LM-002043").body()).hasSize(4);
    assertThat(maren.get("/api/search-suggestions?q=" + "oskar ").body()).isEmpty();
  }

  @Test
  void keepsSearchesForWhoeverSavedThem() {
    var saved =
        expect(201, maren.post("/api/searches", "{\"name\":\"Card\",\"line\":\"method:card may\"}"))
            .body();
    expect(201, maren.post("/api/searches", "{\"name\":\"Card\",\"line\":\"method:card\"}"));
    assertThat(maren.get("/api/searches").body().findValuesAsText("line"))
        .containsExactly("method:card");
    assertThat(Clerk.osric(web).get("/api/searches").body()).isEmpty();
    var path = "/api/searches/" + saved.at("/id").asText();
    assertThat(Clerk.osric(web).delete(path).status()).isEqualTo(404);
    assertThat(maren.delete(path).status()).isEqualTo(204);
    assertThat(maren.get("/api/searches").body()).isEmpty();
  }
}

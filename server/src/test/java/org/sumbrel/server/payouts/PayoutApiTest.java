package org.sumbrel.server.payouts;

import static org.assertj.core.api.Assertions.assertThat;
import static org.sumbrel.server.TestBooks.expect;

import com.fasterxml.jackson.databind.JsonNode;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import java.util.concurrent.Executors;
import org.junit.jupiter.api.Test;
import org.sumbrel.server.ApiTest;
import org.sumbrel.server.Clerk.Answer;
import org.sumbrel.server.TestBooks;

/** Payouts through the API: from the processor's file to what is booked and taken back. */
@ApiTest
class PayoutApiTest extends PayoutsThroughTheApi {

  @Test
  void booksAPayoutFromTheFileToTheBankAndTakesItBack() {
    var books = new TestBooks(maren).invoices("150.00", "80.00");
    var before = books();
    var id =
        take(
            "251.35",
            line("sale", "1", "", books.number(0), "150.00", "4.65", "145.35"),
            line("sale", "2", "", "WEB-" + number, "106.00", "3.37", "102.63"),
            line("refund", "3", "2", "", "-26.50", "-0.37", "-26.13"),
            line("fee", "4", "", "", "", "0.50", ""),
            line("reserve held", "5", "", "", "-20.00", "0.00", "-20.00"),
            line("reserve released", "6", "", "", "50.00", "0.00", "50.00"));
    var view = payout(id);
    assertThat(view.at("/contradictions")).isEmpty();
    assertThat(maren.get("/api/payouts/" + id + "/booking").body().at("/refused").isNull())
        .isTrue();
    assertThat(view.at("/steps").findValuesAsText("kind"))
        .containsExactly("SALES", "REFUNDS", "FEES", "RESERVE_HELD", "RESERVE_RELEASED");
    assertThat(view.at("/steps/4/after/amount").asText()).isEqualTo("251.35");
    assertThat(join(id, "1")).isEqualTo("INVOICE");
    assertThat(join(id, "2")).isEqualTo("NEW");
    assertThat(join(id, "3")).isEqualTo("SALE");
    // sale and refund side by side: 3.37 kept, 0.37 of it given back
    var pair = maren.get("/api/payouts/" + id + "/pairs").body().at("/0");
    assertThat(pair.at("/sale/gross/amount").asText()).isEqualTo("106.00");
    assertThat(pair.at("/back/0/fee/amount").asText()).isEqualTo("-0.37");
    assertThat(pair.at("/left/amount").asText()).isEqualTo("79.50");
    assertThat(pair.at("/kept/amount").asText()).isEqualTo("3.00");
    // nothing is booked by looking
    assertThat(change(before)).isEmpty();

    var posted = post(id);
    assertThat(posted.at("/payout/postedBy").asText()).isEqualTo("maren");
    assertThat(books.open(0)).isEmpty();
    var change = change(before);
    assertThat(change)
        .containsEntry("Operating USD", "251.35")
        .containsEntry("Accounts receivable", "-150.00")
        .containsEntry("Sales", "-106.00")
        .containsEntry("Sales refunds", "26.50")
        .containsEntry("Processing fees", "8.15")
        .containsEntry("Reserve Testfold", "-30.00")
        .doesNotContainKey("Clearing Testfold");
    var settlement = maren.get("/api/settlements/" + posted.at("/settlementId").asText()).body();
    assertThat(settlement.at("/payer").asText()).isEqualTo("payout " + number + " of Testfold");
    assertThat(settlement.at("/payoutId").asLong()).isEqualTo(id);
    // a settlement of a payout goes only with the whole
    var alone =
        maren.post(
            "/api/settlements/" + posted.at("/settlementId").asText() + "/reversal",
            "{\"reason\":\"no\"}");
    assertThat(alone.text("/code")).isEqualTo("PAID_OUT");
    assertThat(maren.post("/api/payouts/" + id + "/posting", "{}").text("/code"))
        .isEqualTo("POSTED");

    // the bank shows it in its own statement
    var deposit = posted.at("/arrival/depositId").asLong();
    assertThat(maren.post("/api/deposits/" + deposit + "/opening", "").text("/code"))
        .isEqualTo("PAID_OUT");
    var credit = new TestBooks(maren).credit("251.35", "TESTFOLD " + number);
    expect(
        200,
        maren.post(
            "/api/deposit-ties",
            "{\"depositIds\":[%d],\"entryIds\":[%d],\"lines\":[]}".formatted(deposit, credit)));
    assertThat(payout(id).at("/arrival/shown").asBoolean()).isTrue();
    var shown = maren.post("/api/payouts/" + id + "/reversal", "{\"reason\":\"wrong week\"}");
    assertThat(shown.text("/code")).isEqualTo("TIED");
    expect(200, maren.delete("/api/deposits/" + deposit + "/tie"));
    reverse(id);
    assertThat(change(before)).isEmpty();
    assertThat(books.open(0)).isEqualTo("150.00");
    assertThat(payout(id).at("/payout/postedBy").isNull()).isTrue();
    // and once more, as if nothing had been
    post(id);
    assertThat(change(before)).isEqualTo(change);
  }

  @Test
  void holdsBackWhatContradictsItselfUntilASupervisorAcceptsIt() {
    var id =
        take(
            "96.00",
            line("sale", "1", "", "WEB-" + number, "100.00", "3.20", "96.80"),
            line("loyalty levy", "2", "", "", "-0.50", "0.00", "-0.50"));
    var view = payout(id);
    assertThat(view.at("/payout/blocked").asBoolean()).isTrue();
    assertThat(view.at("/contradictions").toString())
        .contains("says it comes to 96.00, its items come to 96.30: 0.30 more")
        .contains("\\\"loyalty levy\\\" is no type of item that is known");
    var body = "{\"bankAccountId\":%d}".formatted(operating());
    assertThat(maren.post("/api/payouts/" + id + "/posting", body).text("/detail"))
        .contains("contradicts itself");
    var reason = "{\"reason\":\"the processor confirmed 96.00\"}";
    assertThat(maren.post("/api/payouts/" + id + "/acceptance", reason).status()).isEqualTo(403);
    expect(200, osric.post("/api/payouts/" + id + "/acceptance", reason));
    assertThat(osric.post("/api/payouts/" + id + "/acceptance", reason).status()).isEqualTo(409);
    // what it is has to be said all the same; it is never dropped
    assertThat(maren.post("/api/payouts/" + id + "/posting", body).text("/detail"))
        .contains("Line 3 is \"loyalty levy\", of -0.50; say what that is first.");
    var levy = items(id).get("2").at("/id").asText();
    assertThat(
            maren
                .put("/api/payouts/" + id + "/items/" + levy + "/type", "{\"type\":\"SALE\"}")
                .status())
        .isEqualTo(400);
    expect(200, maren.put("/api/payouts/" + id + "/items/" + levy + "/type", "{\"type\":\"FEE\"}"));
    var before = books();
    post(id);
    // what was sent is less than the items come to: the rest stays with the processor
    assertThat(change(before))
        .containsEntry("Operating USD", "96.00")
        .containsEntry("Processing fees", "3.70")
        .containsEntry("Sales", "-100.00");
    assertThat(payout(id).at("/carried/amount").asText()).isEqualTo("0.30");
    var proof = clearing();
    assertThat(proof.at("/items").findValuesAsText("words"))
        .contains("Not sent with payout " + number);
    assertThat(proof.at("/onItsWay").findValuesAsText("number")).contains(number);
  }

  private JsonNode clearing() {
    for (var proof : maren.get("/api/processors/clearing").body()) {
      if (proof.at("/processor").asText().equals("Testfold")) {
        return proof;
      }
    }
    throw new AssertionError("nothing of Testfold");
  }

  @Test
  void tellsWhatPaymentCostByMethod() {
    var lines =
        "processor,payout,payout_date,type,item,related,reference,date,gross,fee,net,method,currency\n"
            + "Costfold,C1,2026-04-30,sale,c1,,CO-1,2026-04-10,100.00,3.20,96.80,card,USD\n"
            + "Costfold,C1,2026-04-30,sale,c2,,CO-2,2026-04-11,200.00,2.00,198.00,wallet,USD\n"
            + "Costfold,C1,2026-04-30,refund,c3,c1,,2026-04-12,-50.00,-0.70,-49.30,,USD\n"
            + "Costfold,C1,2026-04-30,fee,c4,,,2026-04-30,,9.00,,,USD\n";
    var intake = expect(201, maren.drop("cost.csv", lines)).body();
    var id =
        maren
            .get("/api/payouts?intake=" + intake.at("/id").asText())
            .body()
            .at("/rows/0/id")
            .asLong();
    post(id);
    var rows = new HashMap<String, String>();
    for (var row : maren.get("/api/processors/cost").body()) {
      if (row.at("/processor").asText().equals("Costfold")) {
        rows.put(
            row.at("/month").asText() + " " + row.at("/method").asText(),
            row.at("/kept/amount").asText() + " " + row.at("/percent").asText());
      }
    }
    // what came back of a fee lessens what its sale's method cost
    assertThat(rows)
        .containsOnly(
            Map.entry("2026-04 card", "2.50 2.5"),
            Map.entry("2026-04 wallet", "2.00 1.0"),
            Map.entry("2026-04 ", "9.00 null"));
  }

  @Test
  void knowsTheSamePayoutAndRefusesOneThatDiffers() {
    var lines =
        new String[] {
          line("sale", "1", "", "WEB-1" + number, "100.00", "3.20", "96.80"),
          line("sale", "2", "", "WEB-2" + number, "50.00", "1.75", "48.25")
        };
    var id = take("145.05", lines);
    var again = expect(201, maren.drop("again.csv", HEAD + filled("145.05", lines) + "\n")).body();
    assertThat(again.at("/fresh").asInt()).isZero();
    assertThat(again.at("/known").asInt()).isEqualTo(2);
    var other = maren.drop("other.csv", HEAD + filled("96.80", lines[0]));
    assertThat(other.status()).isEqualTo(422);
    assertThat(other.text("/detail"))
        .contains("was taken in already, with 2 items that come to 145.05")
        .contains("this file has 1 that come to 96.80");
    // taken back with its file, unless it is booked
    var intake = payout(id).at("/intakeId").asText();
    post(id);
    assertThat(maren.post("/api/intakes/" + intake + "/taking-back", "").text("/detail"))
        .contains("Payout " + number + " of Testfold is booked; reverse it first.");
    expect(200, maren.post("/api/payouts/" + id + "/reversal", "{\"reason\":\"twice\"}"));
    expect(200, maren.post("/api/intakes/" + intake + "/taking-back", ""));
    assertThat(maren.get("/api/payouts/" + id).status()).isEqualTo(404);
    assertThat(take("96.80", lines[0])).isPositive();
  }

  @Test
  void tellsOfMoneyAtTheBankThatLooksLikeAPayout() {
    var id = take("96.90", line("sale", "1", "", "WEB-" + number, "100.00", "3.10", "96.90"));
    var known = new TestBooks(maren).credit("96.90", "TESTFOLD " + number);
    var without = new TestBooks(maren).credit("17.31", "WEEKLY PAYOUT " + number);
    var other = new TestBooks(maren).credit("17.32", "FLOUR " + number);
    var seen = new HashMap<Long, JsonNode>();
    maren
        .get("/api/processors/at-the-bank")
        .body()
        .forEach(s -> seen.put(s.at("/entryId").asLong(), s));
    assertThat(seen).containsKeys(known, without).doesNotContainKey(other);
    assertThat(seen.get(known).at("/payoutId").asLong()).isEqualTo(id);
    assertThat(seen.get(known).at("/processor").asText()).isEqualTo("Testfold");
    assertThat(seen.get(without).at("/payoutId").isNull()).isTrue();
    // announced and not there: listed until the bank has shown it, booked or not
    assertThat(onItsWay()).contains(number + " ");
    post(id);
    assertThat(onItsWay()).contains(number + " Operating USD");
    for (var one : maren.get("/api/processors/at-the-bank").body()) {
      if (one.at("/entryId").asLong() == known) {
        assertThat(one.at("/payoutId").asLong()).isEqualTo(id);
        assertThat(one.at("/booked").asBoolean()).isTrue();
      }
    }
    expect(
        200,
        maren.post(
            "/api/deposit-ties",
            "{\"depositIds\":[%s],\"entryIds\":[%d],\"lines\":[]}"
                .formatted(payout(id).at("/arrival/depositId").asText(), known)));
    assertThat(onItsWay()).doesNotContain(number);
  }

  private String onItsWay() {
    var said = new StringBuilder();
    for (var one : clearing().at("/onItsWay")) {
      said.append(one.at("/number").asText() + " " + one.at("/bankAccount").asText() + "\n");
    }
    return said.toString();
  }

  @Test
  void booksAMarketplacesPayoutWithASaleThatWasChanged() throws IOException {
    var before = books();
    var file = Files.readString(Path.of("../examples/grocers-row-payout-2026-05-28.csv"));
    var intake = expect(201, maren.drop("market.csv", file)).body();
    var rows = maren.get("/api/payouts?intake=" + intake.at("/id").asText()).body().at("/rows");
    assertThat(rows).hasSize(2);
    var euros = rows.get(0);
    var dollars = rows.get(1);
    assertThat(dollars.at("/paidOut/amount").asText()).isEqualTo("2119.04");
    assertThat(euros.at("/net/currency").asText()).isEqualTo("EUR");
    // 42.24 euros became 45.83 dollars: at 1.10 they would have been 46.46
    for (var part : rows) {
      var exchange = "/api/payouts/" + part.at("/id").asText() + "/exchange";
      assertThat(maren.get(exchange).body().at("/perUnit").asText()).isEqualTo("1.084991");
      assertThat(maren.get(exchange + "?rate=1.10").body().at("/difference/amount").asText())
          .isEqualTo("-0.63");
      assertThat(maren.get(exchange + "?rate=0").text("/detail")).contains("above 0");
    }
    // nothing was sent of the euros: all was changed
    expect(200, maren.post("/api/payouts/%d/posting".formatted(euros.at("/id").asLong()), "{}"));
    ended(euros.at("/id").asLong());
    post(dollars.at("/id").asLong());
    for (var proof : maren.get("/api/processors/clearing").body()) {
      if (proof.at("/processor").asText().equals("Grocer's Row")) {
        assertThat(proof.at("/books/amount").asText()).isEqualTo("0.00");
        assertThat(proof.at("/difference/amount").asText()).isEqualTo("0.00");
      }
    }
    assertThat(change(before)).containsEntry("Operating USD", "2119.04");
    reverse(dollars.at("/id").asLong());
    reverse(euros.at("/id").asLong());
    assertThat(change(before)).isEmpty();
  }

  @Test
  void takesTheSamePayoutOnceWhenItComesTwiceAtTheSameMoment() throws Exception {
    var pool = Executors.newFixedThreadPool(3);
    for (var round = 0; round < 4; round++) {
      // every other round a processor that nobody knew before
      var processor = round % 2 == 0 ? "Testfold" : "Newfold " + number;
      var text =
          "processor,payout,type,item,gross,fee,net,currency\n%s,%s-%d,sale,1,10.00,0.30,9.70,USD\n"
              .formatted(processor, number, round);
      Callable<Answer> drop = () -> maren.drop("payout.csv", text);
      var fresh = new ArrayList<Integer>();
      for (var answer : pool.invokeAll(List.of(drop, drop, drop))) {
        fresh.add(expect(201, answer.get()).body().at("/fresh").asInt());
      }
      assertThat(fresh).containsExactlyInAnyOrder(1, 0, 0);
    }
    pool.shutdown();
  }
}

package org.sumbrel.server.treat;

import static org.assertj.core.api.Assertions.assertThat;
import static org.sumbrel.server.TestBooks.expect;

import org.junit.jupiter.api.Test;
import org.sumbrel.server.ApiTest;
import org.sumbrel.server.TestBooks;

/** House rules through the API: tried, kept, posting by themselves under their cap, as a file. */
@ApiTest
class TreatmentApiTest extends MoneyThroughTheApi {

  @Test
  void aChargeIsBookedWithItsTax() {
    var fees = ledger("6100");
    var other = ledger("6500");
    var entry = entry(0, "2026-05-28", "-17.01", "COPPERBECK", "WIRE CHARGE");
    assertThat(status(entry)).isEqualTo("DEBIT");
    var rule =
        treatment(
            "Charges " + word,
            "FROM_US",
            "20.00",
            "WAITS",
            share(fees, "60", "6", "charge"),
            share(other, "40", "0", "paper"));
    var trial = expect(200, maren.post("/api/treatments/trial", rule)).body();
    assertThat(trial.at("/caught").asInt()).isEqualTo(1);
    assertThat(trial.at("/undecided/latest/0/id").asLong()).isEqualTo(entry);
    expect(403, maren.post("/api/treatments", rule));
    var kept = expect(201, osric.post("/api/treatments", rule)).body();
    var ways = expect(200, maren.get("/api/entries/" + entry + "/ways")).body();
    assertThat(ways.at("/treatment/way").asText()).isEqualTo("WAITS");
    assertThat(ways.at("/treatment/parts/0/amount/amount").asText()).isEqualTo("10.21");
    var call = "{\"treatmentId\":" + kept.at("/id").asText() + "}";
    expect(201, maren.post("/api/entries/" + entry + "/treatment", call));
    assertThat(status(entry)).isEqualTo("PAID");
    var lines = TestBooks.written(maren, settlementOf(entry));
    assertThat(lines).hasSize(4);
    assertThat(lines.at("/0/credit/amount").asText()).isEqualTo("17.01");
    assertThat(lines.at("/1/debit/amount").asText()).isEqualTo("9.63");
    assertThat(lines.at("/2/debit/amount").asText()).isEqualTo("0.58");
    assertThat(lines.at("/3/debit/amount").asText()).isEqualTo("6.80");
    var listed = maren.get("/api/treatments").body();
    var used =
        listed.findParents("rule").stream()
            .filter(t -> t.at("/id").asLong() == kept.at("/id").asLong())
            .findFirst()
            .orElseThrow();
    assertThat(used.at("/times").asInt()).isEqualTo(1);
    assertThat(used.at("/lastUsed").asText()).isEqualTo("2026-05-29");
    // taken back it waits again, and counts no more
    expect(
        200,
        maren.post(
            "/api/settlements/" + settlementOf(entry).at("/id").asText() + "/reversal",
            "{\"reason\":\"wrong account\"}"));
    assertThat(status(entry)).isEqualTo("DEBIT");
  }

  @Test
  void postsByItselfUpToItsCapAndNothingTwice() {
    var small = entry(0, "2026-05-28", "-18.00", "COPPERBECK", "CHARGE");
    var large = entry(0, "2026-05-28", "-180.00", "COPPERBECK", "CHARGE");
    var rule =
        treatment(
            "Posts " + word, "FROM_US", "25.00", "POSTS", share(ledger("6100"), "100", "0", ""));
    var trial = expect(200, osric.post("/api/treatments/trial", rule)).body();
    assertThat(trial.at("/undecided/count").asInt()).isEqualTo(1);
    assertThat(trial.at("/beyondCap/count").asInt()).isEqualTo(1);
    var kept = expect(201, osric.post("/api/treatments", rule)).body();
    assertThat(status(small)).isEqualTo("PAID");
    assertThat(status(large)).isEqualTo("DEBIT");
    var settlement = settlementOf(small);
    assertThat(settlement.at("/origin").asText()).isEqualTo("TREATMENT");
    assertThat(settlement.at("/treatment").asText()).isEqualTo("Posts " + word);
    // what comes later is posted as it comes
    var later = entry(0, "2026-05-29", "-25.00", "COPPERBECK", "CHARGE");
    assertThat(status(later)).isEqualTo("PAID");
    var refused =
        maren.post(
            "/api/entries/" + large + "/treatment",
            "{\"treatmentId\":" + kept.at("/id").asText() + "}");
    assertThat(refused.status()).isEqualTo(409);
    assertThat(refused.text("/detail")).contains("180.00").contains("25.00");
    // taken back by a hand it is left to people
    expect(
        200,
        osric.post(
            "/api/settlements/" + settlement.at("/id").asText() + "/reversal",
            "{\"reason\":\"is no charge\"}"));
    entry(0, "2026-05-29", "-3.00", "COPPERBECK", "CHARGE");
    assertThat(status(small)).isEqualTo("DEBIT");
  }

  @Test
  void booksWhatIsReadyAllAtOnce() {
    var small = entry(0, "2026-05-28", "-8.00", "COPPERBECK", "CHARGE");
    var other = entry(0, "2026-05-28", "-9.00", "COPPERBECK", "CHARGE");
    var large = entry(0, "2026-05-28", "-90.00", "COPPERBECK", "CHARGE");
    expect(
        201,
        osric.post(
            "/api/treatments",
            treatment(
                "Ready " + word,
                "FROM_US",
                "25.00",
                "WAITS",
                share(ledger("6100"), "100", "0", ""))));
    assertThat(status(small)).isEqualTo("DEBIT");
    var ready = expect(200, maren.get("/api/ready-by-rule")).body();
    assertThat(ready.findValuesAsText("entryId"))
        .contains(String.valueOf(small), String.valueOf(other))
        .doesNotContain(String.valueOf(large));
    var booked =
        expect(
                200,
                maren.post(
                    "/api/ready-by-rule",
                    "{\"entryIds\":[%d,%d,%d]}".formatted(small, other, large)))
            .body();
    assertThat(booked.at("/booked").asInt()).isEqualTo(2);
    assertThat(booked.at("/left/0/entryId").asLong()).isEqualTo(large);
    assertThat(booked.at("/left/0/reason").asText())
        .isEqualTo("No house rule has it ready any more.");
    assertThat(status(small)).isEqualTo("PAID");
    assertThat(settlementOf(other).at("/postedBy").asText()).isEqualTo("maren");
    assertThat(status(large)).isEqualTo("DEBIT");
  }

  @Test
  void leavesMoneyAloneThatMayPayAnInvoice() {
    var books = new TestBooks(maren).invoices("61.17");
    var rule =
        treatment(
            "Income " + word, "TO_US", "500.00", "POSTS", share(ledger("4800"), "100", "0", ""));
    var kept = expect(201, osric.post("/api/treatments", rule)).body();
    var pays = entry(0, "2026-05-28", "61.17", books.customer(), "INV");
    assertThat(status(pays)).isEqualTo("WAITING");
    var ways = expect(200, maren.get("/api/entries/" + pays + "/ways")).body();
    assertThat(ways.at("/treatment/way").asText()).isEqualTo("SUGGESTS");
    assertThat(ways.at("/treatment/why").asText()).contains("61.17").contains("It may pay that.");
    var call = "{\"treatmentId\":%s%s}";
    var path = "/api/entries/" + pays + "/treatment";
    var id = kept.at("/id").asText();
    assertThat(maren.post(path, call.formatted(id, "")).text("/code")).isEqualTo("COUNTED_TWICE");
    expect(201, maren.post(path, call.formatted(id, ",\"despite\":\"a rebate\"")));
    assertThat(status(pays)).isEqualTo("SETTLED");
    // of nobody who owes anything it takes what comes
    var free = entry(0, "2026-05-28", "3.17", "COPPERBECK SAVINGS BANK", "INTEREST");
    assertThat(status(free))
        .as(maren.get("/api/entries/" + free + "/ways").body().toString())
        .isEqualTo("SETTLED");
    // a name that is nearly a customer's is asked about
    var near = entry(0, "2026-05-28", "3.18", "COPPER CANTEEN", "INTEREST");
    assertThat(status(near)).isEqualTo("WAITING");
  }

  @Test
  void asksBeforeItTakesWhatMayBeARefund() {
    var books = new TestBooks(maren).invoices("10.00");
    books.creditNote("41.30");
    expect(
        201,
        osric.post(
            "/api/treatments",
            treatment(
                "Out " + word,
                "FROM_US",
                "99.00",
                "POSTS",
                share(ledger("6500"), "100", "0", ""))));
    var refund = entry(0, "2026-05-28", "-41.30", books.customer(), "PAYMENT");
    assertThat(status(refund)).isEqualTo("DEBIT");
    assertThat(maren.get("/api/entries/" + refund + "/ways").body().at("/treatment/why").asText())
        .contains("is owed 41.30");
  }

  @Test
  void theTrialTellsWhatWouldHaveGoneWrong() {
    var books = new TestBooks(maren).invoices("44.00");
    var paid = entry(0, "2026-05-20", "44.00", books.customer(), "FLOUR");
    expect(
        201,
        maren.post(
            "/api/settlements",
            TestBooks.draft(paid, TestBooks.applied(books.item(0), "44.00"), "")));
    var trial =
        expect(
                200,
                osric.post(
                    "/api/treatments/trial",
                    treatment(
                        "T", "EITHER", "50.00", "POSTS", share(ledger("4800"), "100", "0", ""))))
            .body();
    assertThat(trial.at("/since").asText()).isEqualTo("2026-02-28");
    assertThat(trial.at("/wrong/count").asInt()).isEqualTo(1);
    assertThat(trial.at("/wrong/latest/0/id").asLong()).isEqualTo(paid);
    assertThat(trial.at("/wrong/amount/amount").asText()).isEqualTo("44.00");
  }

  @Test
  void refusesWhatMakesNoSense() {
    var fees = ledger("6100");
    var none = treatment("N", "EITHER", "50.00", "WAITS", share(fees, "100", "0", ""));
    var refused = osric.post("/api/treatments", none.replace("[\"" + word + "\"]", "[]"));
    assertThat(refused.status()).isEqualTo(400);
    assertThat(refused.text("/detail")).contains("Say a word");
    assertThat(
            osric
                .post(
                    "/api/treatments",
                    treatment("N", "EITHER", "50.00", "WAITS", share(fees, "90", "0", "")))
                .text("/detail"))
        .contains("come to 90 %");
    assertThat(
            osric
                .post(
                    "/api/treatments",
                    treatment("N", "EITHER", "0.00", "WAITS", share(fees, "100", "0", "")))
                .text("/detail"))
        .contains("cap of 0.00");
    var receivable = maren.get("/api/trial-balance").body().at("/rows").findParents("accountId");
    assertThat(receivable).isNotNull();
  }

  @Test
  void keepsAnOrderAndNoticesWhoWasFirst() {
    var fees = ledger("6100");
    var interest = ledger("7100");
    var first =
        expect(
                201,
                osric.post(
                    "/api/treatments",
                    treatment(
                        "A " + word, "EITHER", "50.00", "SUGGESTS", share(fees, "100", "0", ""))))
            .body();
    var second =
        expect(
                201,
                osric.post(
                    "/api/treatments",
                    treatment(
                        "B " + word,
                        "EITHER",
                        "50.00",
                        "SUGGESTS",
                        share(interest, "100", "0", ""))))
            .body();
    var entry = entry(0, "2026-05-28", "-2.00", "BANK", "X");
    var ways = "/api/entries/" + entry + "/ways";
    assertThat(maren.get(ways).body().at("/treatment/name").asText()).isEqualTo("A " + word);
    var ids = new java.util.ArrayList<String>();
    maren.get("/api/treatments").body().forEach(t -> ids.add(t.at("/id").asText()));
    ids.remove(second.at("/id").asText());
    ids.add(0, second.at("/id").asText());
    expect(204, osric.put("/api/treatments/order", "{\"ids\":" + ids + "}"));
    assertThat(maren.get(ways).body().at("/treatment/name").asText()).isEqualTo("B " + word);
    expect(409, osric.put("/api/treatments/order", "{\"ids\":[" + ids.get(0) + "]}"));
    var path = "/api/treatments/" + second.at("/id").asText();
    var off =
        treatment("B " + word, "EITHER", "50.00", "SUGGESTS", share(interest, "100", "0", ""))
            .replace("\"inUse\":true", "\"inUse\":false,\"version\":99");
    assertThat(osric.put(path, off).text("/code")).isEqualTo("STALE");
    expect(204, osric.delete(path));
    assertThat(maren.get(ways).body().at("/treatment/name").asText()).isEqualTo("A " + word);
    assertThat(
            osric
                .post(
                    "/api/treatments",
                    treatment("a " + word, "EITHER", "5.00", "WAITS", share(fees, "100", "0", "")))
                .text("/code"))
        .isEqualTo("NAME_TAKEN");
    expect(204, osric.delete("/api/treatments/" + first.at("/id").asText()));
  }

  @Test
  void goesOutAndComesInAsAFile() {
    var books = new TestBooks(maren).invoices("5.00");
    var rule =
        treatment(
                "File " + word,
                "FROM_US",
                "25.00",
                "WAITS",
                share(ledger("6100"), "70", "6", "charge"),
                share(ledger("6500"), "30", "0", ""))
            .replace("\"way\"", "\"least\":{\"amount\":\"1.00\",\"currency\":\"USD\"},\"way\"");
    expect(201, osric.post("/api/treatments", rule));
    var file = osric.saved("/api/house-rules/file");
    assertThat(file)
        .contains("name: File " + word)
        .contains("way: waits")
        .contains("account: \"6100\"");
    // taken in again it changes nothing
    var again = expect(200, osric.send("/api/house-rules/file", "rules.yml", file)).body();
    assertThat(again.at("/added").asInt()).isZero();
    assertThat(again.at("/aliases").asInt()).isZero();
    assertThat(osric.saved("/api/house-rules/file")).isEqualTo(file);
    var number =
        maren
            .get("/api/customers?q=" + books.customer().split(" ")[0])
            .body()
            .at("/rows/0/number")
            .asText();
    var changed =
        expect(
                200,
                osric.send(
                    "/api/house-rules/file",
                    "rules.yml",
                    """
                    treatments:
                    - name: File %s
                      words: [%s]
                      money: from_us
                      currency: USD
                      cap: "30.00"
                      way: suggests
                      shares:
                      - account: "6100"
                        percent: "100"
                    aliases:
                    - payer_text: %s TRUST
                      customer: %s
                    """
                        .formatted(word, word, word, number)))
            .body();
    assertThat(changed.at("/changed").asInt()).isEqualTo(1);
    assertThat(changed.at("/aliases").asInt()).isEqualTo(1);
    var held = maren.get("/api/house-rules/aliases").body();
    assertThat(held.findValuesAsText("customer")).contains(books.customer());
    var refused =
        osric.send(
            "/api/house-rules/file",
            "rules.yml",
            "treatments:\n- name: Bad "
                + word
                + "\n  words: [X]\n  currency: USD\n  cap: twelve\n");
    assertThat(refused.status()).isEqualTo(400);
    assertThat(refused.text("/detail")).contains("Bad " + word).contains("\"twelve\"");
    assertThat(osric.saved("/api/house-rules/file")).doesNotContain("Bad " + word);
    expect(403, maren.send("/api/house-rules/file", "rules.yml", file));
  }
}

package org.sumbrel.server.outside;

import static org.assertj.core.api.Assertions.assertThat;
import static org.sumbrel.server.TestBooks.expect;

import com.fasterxml.jackson.databind.JsonNode;
import java.math.BigDecimal;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.context.TestPropertySource;
import org.springframework.test.web.servlet.MockMvc;
import org.sumbrel.server.ApiTest;
import org.sumbrel.server.Clerk;
import org.sumbrel.server.TestBooks;

/** The simulated bank delivers, and misbehaves when told to; the books stay right. */
@ApiTest
@TestPropertySource(properties = "sumbrel.test.books=intake")
class SimulatedBankTest {

  private static final String BANK = "/api/outside/bank";

  @Autowired private MockMvc web;
  private Clerk maren;

  @BeforeEach
  void connect() {
    maren = Clerk.maren(web);
    var account = maren.get("/api/me").body().at("/companies/0/bankAccounts/0/id").asText();
    expect(200, maren.post(BANK + "/connection", "{\"bankAccountId\":" + account + "}"));
  }

  @AfterEach
  void part() {
    expect(200, maren.delete(BANK + "/connection"));
  }

  private JsonNode day() {
    return expect(200, maren.post(BANK + "/day", "{}")).body();
  }

  private JsonNode fetch() {
    return expect(200, maren.post(BANK + "/fetch", "{}")).body();
  }

  private void behave(String... bad) {
    var body =
        "{\"late\":false,\"twice\":false,\"offLine\":false,\"wrongBalance\":false,\"wrongCurrency\":false}";
    for (var one : bad) {
      body = body.replace("\"" + one + "\":false", "\"" + one + "\":true");
    }
    expect(200, maren.put(BANK + "/behaviour", body));
  }

  private JsonNode intake(JsonNode delivery) {
    return maren.get("/api/intakes/" + delivery.at("/intakeId").asLong()).body().at("/intake");
  }

  @Test
  void deliversEachDayOnceAndTheStatementsFollowEachOther() {
    day();
    var first = intake(fetch().at("/deliveries/0"));
    assertThat(first.at("/fresh").asInt()).isGreaterThan(3);
    assertThat(first.at("/format").asText()).isEqualTo("camt.053");
    assertThat(first.at("/problems")).isEmpty();
    day();
    var second = fetch().at("/deliveries");
    assertThat(intake(second.get(0)).at("/problems")).isEmpty();
    assertThat(second.get(0).at("/madeOn").asText())
        .isGreaterThan(second.get(1).at("/madeOn").asText());
    // nothing lies ready any more
    assertThat(fetch().at("/deliveries")).hasSameSizeAs(second);
    assertThat(maren.get("/api/cent-trail").body().at("/missing").isMissingNode()).isTrue();
  }

  @Test
  void creditsADepositTheDayAfterItWasBroughtAndOnceOnly() {
    var account = maren.get("/api/me").body().at("/companies/0/bankAccounts/0/id").asText();
    var scanned = expect(200, maren.post("/api/outside/scanner/cheque", "{}")).body();
    var line = maren.get("/api/code-line?text=" + scanned.at("/codeLine").asText()).body();
    assertThat(line.at("/routing").asText()).startsWith("9990");
    var cheque =
        "{\"method\":\"CHEQUE\",\"receivedOn\":\"2026-05-29\",\"amount\":%s,\"from\":\"Scanned\",\"reference\":\"%s\",\"routing\":\"%s\",\"pictureId\":%s}"
            .formatted(
                TestBooks.money("73.11"),
                line.at("/chequeNumber").asText(),
                line.at("/routing").asText(),
                scanned.at("/pictureId"));
    var receipt = expect(201, maren.post("/api/receipts", cheque)).body().at("/receipt/id");
    var slip = "SIM" + receipt;
    expect(
        201,
        maren.post(
            "/api/deposits",
            "{\"bankAccountId\":%s,\"on\":\"2026-05-29\",\"slip\":\"%s\",\"receiptIds\":[%s],\"lines\":[],\"counted\":[]}"
                .formatted(account, slip, receipt)));
    for (var n = 0; n < 4; n++) {
      day();
    }
    fetch();
    var shown = maren.get("/api/entries?limit=500&q=" + slip).body().at("/rows");
    assertThat(shown.size()).isBetween(1, 2);
    var sum =
        shown.findValuesAsText("amount").isEmpty()
            ? BigDecimal.ZERO
            : shown.findParents("payer").stream()
                .map(row -> new BigDecimal(row.at("/amount/amount").asText()))
                .reduce(BigDecimal.ZERO, BigDecimal::add);
    // whole, or less the fee of the counter
    assertThat(sum).isBetween(new BigDecimal("58.11"), new BigDecimal("73.11"));
    var match = maren.get("/api/entries/" + shown.at("/0/id") + "/deposit-matches").body();
    assertThat(match.at("/0/deposits/0/slip").asText()).isEqualTo(slip);
  }

  @Test
  void lateAndTwiceChangesNothingButTheDay() {
    behave("late", "twice");
    var made = day().at("/deliveries");
    assertThat(made.get(0).at("/readyOn").asText())
        .isGreaterThan(made.get(0).at("/madeOn").asText());
    assertThat(fetch().at("/deliveries/0").hasNonNull("intakeId")).isFalse();
    behave();
    day();
    var all = fetch().at("/deliveries");
    // the newest is of the next day; behind it the late one, two times
    var again = intake(all.get(1));
    var once = intake(all.get(2));
    assertThat(once.at("/fresh").asInt()).isPositive();
    assertThat(again.at("/fresh").asInt()).isZero();
    assertThat(again.at("/known").asInt()).isEqualTo(once.at("/records").asInt());
    assertThat(again.at("/sameAs").asText()).isEqualTo(once.at("/fileName").asText());
  }

  @Test
  void offLineNothingIsFetchedAndNothingLost() {
    day();
    behave("offLine");
    var refused = maren.post(BANK + "/fetch", "{}");
    assertThat(refused.status()).isEqualTo(409);
    assertThat(refused.text("/detail"))
        .isEqualTo(
            "The simulated bank cannot be reached; nothing was fetched. 1 file waits there.");
    behave();
    assertThat(intake(fetch().at("/deliveries/0")).at("/fresh").asInt()).isPositive();
  }

  @Test
  void aWrongBalanceIsTakenInAndTold() {
    behave("wrongBalance");
    day();
    assertThat(intake(fetch().at("/deliveries/0")).at("/problems").toString()).contains("10.00");
    behave();
    day();
    assertThat(intake(fetch().at("/deliveries/0")).at("/problems").toString()).contains("10.00");
  }

  @Test
  void aWrongCurrencyIsRefusedWithAReason() {
    behave("wrongCurrency");
    day();
    var delivery = fetch().at("/deliveries/0");
    assertThat(delivery.hasNonNull("intakeId")).isFalse();
    assertThat(delivery.at("/refused").asText())
        .isEqualTo("the statement is in EUR, Operating USD in USD");
  }

  @Test
  void isConnectedOnceAndOnlyAskedWhileItIs() {
    assertThat(maren.post(BANK + "/connection", "{\"bankAccountId\":1}").status()).isIn(404, 409);
    part();
    assertThat(maren.post(BANK + "/day", "{}").text("/detail")).contains("is not connected");
    assertThat(new Clerk(web, "tolly", "AUDITOR").post(BANK + "/day", "{}").status())
        .isEqualTo(403);
    connect();
  }
}

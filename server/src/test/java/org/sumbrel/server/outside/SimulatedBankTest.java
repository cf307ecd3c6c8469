package org.sumbrel.server.outside;

import static org.assertj.core.api.Assertions.assertThat;
import static org.sumbrel.server.TestBooks.expect;

import com.fasterxml.jackson.databind.JsonNode;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.context.TestPropertySource;
import org.springframework.test.web.servlet.MockMvc;
import org.sumbrel.server.ApiTest;
import org.sumbrel.server.Clerk;

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

package org.sumbrel.server.outside;

import static org.assertj.core.api.Assertions.assertThat;
import static org.sumbrel.server.TestBooks.expect;

import com.fasterxml.jackson.databind.JsonNode;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import java.util.stream.StreamSupport;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.core.io.ClassPathResource;
import org.springframework.test.context.TestPropertySource;
import org.springframework.test.web.servlet.MockMvc;
import org.sumbrel.formats.AnyFile;
import org.sumbrel.formats.FileBytes;
import org.sumbrel.formats.Reading;
import org.sumbrel.formats.table.ProfileYaml;
import org.sumbrel.server.ApiTest;
import org.sumbrel.server.Clerk;

/** The simulated processor pays out, and misbehaves when told to; the books stay right. */
@ApiTest
@TestPropertySource(properties = "sumbrel.test.books=intake")
class SimulatedProcessorTest {

  private static final String PROCESSOR = "/api/outside/processor";

  @Autowired private MockMvc web;
  private Clerk maren;

  @BeforeEach
  void sitDown() {
    maren = Clerk.maren(web);
    behave();
  }

  @AfterEach
  void theTrailIsWhole() {
    behave();
    assertThat(maren.get("/api/cent-trail").body().at("/whole").asBoolean()).isTrue();
  }

  private void behave(String... bad) {
    var body =
        "{\"late\":false,\"twice\":false,\"offLine\":false,\"wrongTotal\":false,\"unknownType\":false}";
    for (var one : bad) {
      body = body.replace("\"" + one + "\":false", "\"" + one + "\":true");
    }
    expect(200, maren.put(PROCESSOR + "/behaviour", body));
  }

  private void week() {
    expect(200, maren.post(PROCESSOR + "/week", "{}"));
  }

  private JsonNode fetched() {
    return expect(200, maren.post(PROCESSOR + "/fetch", "{}")).body().at("/deliveries");
  }

  private JsonNode intake(JsonNode delivery) {
    return maren.get("/api/intakes/" + delivery.at("/intakeId").asLong()).body().at("/intake");
  }

  private JsonNode newestPayout() {
    return maren.get("/api/payouts").body().at("/rows/0");
  }

  @Test
  void sendsAWeekThatIsBookedAndThatTheBankCredits() {
    week();
    var delivery = fetched().get(0);
    assertThat(delivery.at("/refused").isNull()).isTrue();
    var row = newestPayout();
    assertThat(row.at("/blocked").asBoolean()).isFalse();
    assertThat(row.at("/processor").asText()).isEqualTo(ProcessorFile.NAME);
    var account = maren.get("/api/me").body().at("/companies/0/bankAccounts/0/id").asLong();
    var body = "{\"bankAccountId\":%d}".formatted(account);
    var id = row.at("/id").asLong();
    expect(200, maren.post("/api/payouts/" + id + "/posting", body));
    expect(200, maren.post("/api/outside/bank/connection", body));
    try {
      // its bank's days begin with the business date; what is sent on a Friday is there on Monday
      var sent = LocalDate.parse(row.at("/paidOn").asText());
      var day = sent.minusDays(1);
      while (!day.isAfter(sent)) {
        var bank = expect(200, maren.post("/api/outside/bank/day", "{}")).body();
        day = LocalDate.parse(bank.at("/day").asText());
      }
      expect(200, maren.post("/api/outside/bank/fetch", "{}"));
    } finally {
      expect(200, maren.delete("/api/outside/bank/connection"));
    }
    var credited =
        StreamSupport.stream(
                maren.get("/api/entries?q=chipfold").body().at("/rows").spliterator(), false)
            .filter(e -> e.at("/payer").asText().equals("CHIPFOLD PAYOUTS"))
            .map(e -> e.at("/amount"))
            .toList();
    assertThat(credited).containsOnlyOnce(row.at("/paidOut"));
  }

  @Test
  void misbehavesAsItIsTold() {
    behave("offLine");
    assertThat(maren.post(PROCESSOR + "/fetch", "{}").status()).isEqualTo(409);
    behave("late");
    week();
    var before = fetched().size();
    assertThat(fetched().get(0).at("/intakeId").isNull()).isTrue();
    behave("twice", "unknownType");
    week();
    var all = fetched();
    // the late one of the week before, and this week's two times
    assertThat(all).hasSize(before + 2);
    assertThat(intake(all.get(2)).at("/fresh").asInt()).isPositive();
    assertThat(intake(all.get(0)).at("/fresh").asInt()).isZero();
    assertThat(intake(all.get(0)).at("/known").asInt()).isPositive();
    // what nobody knows is kept and counts, and holds the booking back
    var row = newestPayout();
    assertThat(row.at("/blocked").asBoolean()).isTrue();
    var items =
        maren.get("/api/payouts/%d/items?type=UNKNOWN".formatted(row.at("/id").asLong())).body();
    assertThat(items.at("/rows/0/word").asText()).isEqualTo("Loyalty draw");
    assertThat(items.at("/rows/0/net/amount").asText()).isEqualTo("-12.40");
    behave("wrongTotal");
    week();
    fetched();
    var contradicting =
        maren.get("/api/payouts/%d".formatted(newestPayout().at("/id").asLong())).body();
    assertThat(contradicting.at("/contradictions").toString()).contains("10.00 less");
  }

  @Test
  void everyWeekReadsAndAddsUpAndTheWeeksHoldEverySituation() throws Exception {
    var owed =
        IntStream.range(0, 30)
            .mapToObj(
                n ->
                    new Owed(
                        (long) n,
                        "Kitchen " + n,
                        "LM-00%05d".formatted(20_100 + n),
                        "PO-%d".formatted(n),
                        Money.ofMinor(CurrencyUnit.USD, 40_000 + 17 * n)))
            .toList();
    var first = LocalDate.of(2026, 6, 5);
    var profile =
        ProfileYaml.read(
            new ClassPathResource("demo/chipfold-payouts.yml")
                .getContentAsString(StandardCharsets.UTF_8));
    Set<String> seen = new HashSet<>();
    Set<String> ids = new HashSet<>();
    for (var n = 0; n < 24; n++) {
      var file =
          ProcessorWeek.of(first.plusWeeks(n), first, CurrencyUnit.USD, 1, owed, false).text();
      var content =
          AnyFile.readBy(
              profile,
              FileBytes.of(file.getBytes(StandardCharsets.UTF_8)),
              new Reading(Optional.empty()));
      assertThat(content.problems()).isEmpty();
      var payout = content.payouts().get(0);
      assertThat(payout.paidOut().isPositive()).isTrue();
      payout.items().forEach(i -> seen.add(i.type().name()));
      // what is taken back is of a sale that was there before
      assertThat(payout.items().stream().map(i -> i.related()).filter(r -> !r.isEmpty()))
          .allMatch(
              r -> ids.contains(r) || payout.items().stream().anyMatch(i -> i.id().equals(r)));
      payout.items().forEach(i -> assertThat(ids.add(i.id())).isTrue());
    }
    assertThat(seen)
        .containsAll(
            List.of(
                "SALE",
                "REFUND",
                "FEE",
                "CHARGEBACK",
                "CHARGEBACK_REVERSAL",
                "RESERVE_HELD",
                "RESERVE_RELEASED"));
  }
}

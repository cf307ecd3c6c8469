package org.sumbrel.server.outside;

import static org.assertj.core.api.Assertions.assertThat;
import static org.sumbrel.server.TestBooks.expect;

import com.fasterxml.jackson.databind.JsonNode;
import java.time.LocalDate;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.IntStream;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.context.TestPropertySource;
import org.springframework.test.web.servlet.MockMvc;
import org.sumbrel.server.ApiTest;
import org.sumbrel.server.Clerk;
import org.sumbrel.server.outside.MailRoomDay.Envelope;

/** The simulated mail room opens envelopes, and misbehaves when told to; the books stay right. */
@ApiTest
@TestPropertySource(properties = "sumbrel.test.books=intake")
class MailRoomTest {

  private static final String ROOM = "/api/outside/mail-room";

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
    var body = "{\"late\":false,\"twice\":false,\"offLine\":false,\"wrongTotal\":false}";
    for (var one : bad) {
      body = body.replace("\"" + one + "\":false", "\"" + one + "\":true");
    }
    expect(200, maren.put(ROOM + "/behaviour", body));
  }

  private JsonNode day() {
    return expect(200, maren.post(ROOM + "/day", "{}")).body();
  }

  private JsonNode fetched() {
    return expect(200, maren.post(ROOM + "/fetch", "{}")).body().at("/deliveries");
  }

  private JsonNode intake(JsonNode delivery) {
    return maren.get("/api/intakes/" + delivery.at("/intakeId").asLong()).body().at("/intake");
  }

  private JsonNode batchOf(JsonNode delivery) {
    return maren
        .get("/api/lockbox-batches?intake=" + delivery.at("/intakeId").asText())
        .body()
        .at("/rows/0");
  }

  @Test
  void sendsTheFileOfADayAndShowsItsCheques() {
    day();
    var delivery = fetched().get(0);
    var batch = batchOf(delivery);
    assertThat(batch.at("/blocked").asBoolean()).isFalse();
    assertThat(batch.at("/cheques").asInt()).isGreaterThan(5);
    var cheque =
        maren
            .get("/api/lockbox-batches/" + batch.at("/id").asText() + "/cheques")
            .body()
            .at("/rows/0");
    var picture = "/api/entries/" + cheque.at("/entry/id").asText() + "/cheque-picture";
    assertThat(maren.saved(picture))
        .startsWith("<svg")
        .contains(cheque.at("/chequeNumber").asText());
    behave("offLine");
    var dark = maren.get(picture);
    assertThat(dark.status()).isEqualTo(409);
    assertThat(dark.text("/detail")).contains("cannot be reached");
    assertThat(maren.post(ROOM + "/fetch", "{}").text("/code")).isEqualTo("OFF_LINE");
  }

  @Test
  void isLateAndSendsTwiceAndMiscountsWhereItIsTold() {
    behave("late");
    var before = fetched().size();
    day();
    assertThat(fetched().get(0).at("/intakeId").isNull()).isTrue();
    behave("twice", "wrongTotal");
    day();
    var all = fetched();
    // the late one of the day before, and today's two times
    assertThat(all).hasSize(before + 3);
    assertThat(intake(all.get(0)).at("/fresh").asInt()).isZero();
    assertThat(intake(all.get(0)).at("/known").asInt()).isPositive();
    assertThat(batchOf(all.get(1)).at("/blocked").asBoolean()).isTrue();
    assertThat(intake(all.get(1)).at("/problems").toString()).contains("10.00 less");
    assertThat(batchOf(all.get(2)).at("/blocked").asBoolean()).isFalse();
  }

  @Test
  void makesEveryMishapOfRealLife() {
    var owed =
        IntStream.range(0, 60)
            .mapToObj(
                n ->
                    new Owed(
                        (long) (n / 3),
                        "Kitchen " + n / 3,
                        "LM-00%05d".formatted(20_100 + n),
                        "PO-%d".formatted(n),
                        Money.ofMinor(CurrencyUnit.USD, 40_000 + 17 * n)))
            .toList();
    Set<String> seen = new HashSet<>();
    for (var n = 0; n < 40; n++) {
      var on = LocalDate.of(2026, 6, 1).plusDays(n);
      var day = MailRoomDay.of(on, CurrencyUnit.USD, 1, owed);
      assertThat(day).isEqualTo(MailRoomDay.of(on, CurrencyUnit.USD, 1, owed));
      assertThat(day.stream().flatMap(e -> e.seen().pays().stream())).doesNotHaveDuplicates();
      day.forEach(e -> seen.add(mishap(e, owed)));
    }
    assertThat(seen)
        .contains(
            "whole",
            "no slip",
            "drawer not read",
            "another sum",
            "two in one",
            "order",
            "figures lost",
            "letter",
            "under");
  }

  private static String mishap(Envelope envelope, List<Owed> owed) {
    var cheque = envelope.cheque();
    if (cheque.items().isEmpty()) {
      return "no slip";
    }
    if (cheque.payerName().isEmpty()) {
      return "drawer not read";
    }
    if (!cheque.beyondItems().isZero()) {
      return "another sum";
    }
    if (cheque.items().size() > 1) {
      return "two in one";
    }
    var reference = cheque.items().get(0).reference();
    var paid = envelope.seen().pays().get(0);
    if (!reference.equals(paid)) {
      return reference.startsWith("PO-")
          ? "order"
          : reference.contains("O") ? "letter" : "figures lost";
    }
    var open = owed.stream().filter(o -> o.number().equals(paid)).findFirst().orElseThrow().open();
    return cheque.amount().equals(open) ? "whole" : "under";
  }
}

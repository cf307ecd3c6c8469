package org.sumbrel.server.rates;

import static org.assertj.core.api.Assertions.assertThat;
import static org.sumbrel.server.TestBooks.expect;

import com.fasterxml.jackson.databind.JsonNode;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import org.sumbrel.server.ApiTest;
import org.sumbrel.server.Clerk;

/** Rates come in by file, by the service and by hand; none is changed, none is guessed. */
@ApiTest
class RateApiTest {

  private static final String HEAD = "rate_date,from,to,rate\n";

  @Autowired private MockMvc web;
  private Clerk maren;

  @BeforeEach
  void sitDown() {
    maren = Clerk.maren(web);
  }

  @AfterEach
  void letTheServiceBe() {
    behave(false, false);
  }

  private void behave(boolean late, boolean offLine) {
    expect(
        200,
        maren.put(
            "/api/outside/rates/behaviour",
            "{\"late\":%s,\"offLine\":%s}".formatted(late, offLine)));
  }

  private JsonNode counting(String from, String to, String on) {
    var path = "/api/rates/counting?from=%s&to=%s&on=%s".formatted(from, to, on);
    return expect(200, maren.get(path)).body().at("/rate");
  }

  private static String typed(String on, String from, String to, String rate, boolean sure) {
    return "{\"on\":\"%s\",\"from\":\"%s\",\"to\":\"%s\",\"rate\":\"%s\",\"reason\":\"told by the bank\",\"sure\":%s}"
        .formatted(on, from, to, rate, sure);
  }

  private static String fetching(String from, String until) {
    return "{\"from\":\"%s\",\"until\":\"%s\"}".formatted(from, until);
  }

  @Test
  void aFileIsTakenInOnceAndSaysWhatItSaysOtherwise() {
    var first =
        expect(
                201,
                maren.drop(
                    "rates.csv", HEAD + "2024-01-02,NOK,DKK,0.66\n2024-01-03,NOK,DKK,0.661\n"))
            .body();
    assertThat(first.at("/fresh").asInt()).isEqualTo(2);
    assertThat(first.at("/format").asText()).isEqualTo("rates-csv");
    var second =
        expect(
                201,
                maren.drop("more.csv", HEAD + "2024-01-03,NOK,DKK,0.7\n2024-01-04,NOK,DKK,0.662\n"))
            .body();
    assertThat(second.at("/fresh").asInt()).isEqualTo(1);
    assertThat(second.at("/known").asInt()).isEqualTo(1);
    assertThat(second.at("/problems/0").asText())
        .contains("1 NOK = 0.7 DKK of 3 January 2024", "0.661", "the known one stays");
    var rows = expect(200, maren.get("/api/rates?from=NOK&to=DKK")).body().at("/rows");
    assertThat(rows.findValuesAsText("rate")).containsExactly("0.662", "0.661", "0.66");
    assertThat(rows.findValuesAsText("fileName"))
        .containsExactly("more.csv", "rates.csv", "rates.csv");
    var csv = maren.saved("/api/rates/file?from=NOK&to=DKK");
    assertThat(csv)
        .isEqualToIgnoringNewLines(
            HEAD + "2024-01-02,NOK,DKK,0.66\n2024-01-03,NOK,DKK,0.661\n2024-01-04,NOK,DKK,0.662\n");
  }

  @Test
  void whatCountsSaysHowItCameAbout() {
    expect(201, maren.drop("r.csv", HEAD + "2024-02-01,AUD,NZD,1.08\n2024-02-01,AUD,CAD,0.89\n"));
    var quoted = counting("AUD", "NZD", "2024-02-04");
    assertThat(quoted.at("/how").asText()).isEqualTo("QUOTED");
    assertThat(quoted.at("/on").asText()).isEqualTo("2024-02-01");
    assertThat(counting("NZD", "AUD", "2024-02-01").at("/rate").asText()).startsWith("0.925925925");
    var across = counting("NZD", "CAD", "2024-02-01");
    assertThat(across.at("/how").asText()).isEqualTo("ACROSS");
    assertThat(across.at("/by").asText()).isEqualTo("AUD");
    assertThat(across.at("/quotes")).hasSize(2);
    // neither a later day's nor one that is too old
    assertThat(counting("AUD", "NZD", "2024-01-31").isNull()).isTrue();
    assertThat(counting("AUD", "NZD", "2024-02-07").isNull()).isTrue();
  }

  @Test
  void aTypedRateStandsInPlaceOfAnotherAndBothAreKept() {
    expect(201, maren.drop("r.csv", HEAD + "2024-03-01,CZK,PLN,0.17\n"));
    var far = maren.post("/api/rates", typed("2024-03-01", "CZK", "PLN", "0.2", false));
    assertThat(far.status()).isEqualTo(409);
    assertThat(far.text("/code")).isEqualTo("FAR_FROM_THE_LAST");
    assertThat(far.text("/detail")).contains("1 CZK = 0.2 PLN", "0.17", "1 March 2024");
    expect(201, maren.post("/api/rates", typed("2024-03-01", "CZK", "PLN", "0.2", true)));
    assertThat(counting("CZK", "PLN", "2024-03-01").at("/rate").asText()).isEqualTo("0.2");
    var rows = expect(200, maren.get("/api/rates?from=CZK&to=PLN")).body().at("/rows");
    assertThat(rows.findValuesAsText("replaced")).containsExactly("false", "true");
    assertThat(rows.at("/0/reason").asText()).isEqualTo("told by the bank");
    assertThat(rows.at("/0/recordedBy").asText()).isEqualTo("maren");
    assertThat(maren.saved("/api/rates/file?from=CZK&to=PLN"))
        .contains("0.2")
        .doesNotContain("0.17");
    var trail = expect(200, maren.get("/api/audit-records?what=exchange_rate")).body();
    assertThat(trail.toString()).contains("told by the bank");
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "2024-04-02|HUF|HUF|1|itself",
        "2024-04-02|HUF|XQQ|1|XQQ",
        "2024-04-02|HUF|RON|0|not above 0",
        "2024-04-02|HUF|RON|-2|is not a rate such as 1.0854",
        "2024-04-02|HUF|RON|about one|is not a rate such as 1.0854",
        "2026-06-01|HUF|RON|1|cannot be known yet",
      })
  void badRatesAreRefusedWithTheFigures(
      String on, String from, String to, String rate, String reason) {
    var refused = maren.post("/api/rates", typed(on, from, to, rate, true));
    assertThat(refused.status()).isEqualTo(400);
    assertThat(refused.text("/detail")).contains(reason);
  }

  @Test
  void theServiceIsAskedForDaysAndKeepsWhatIsKnown() {
    // a Thursday to a Monday of the past
    var first =
        expect(200, maren.post("/api/rates/fetch", fetching("2023-06-01", "2023-06-05"))).body();
    assertThat(first.at("/fresh").asInt()).isEqualTo(18);
    assertThat(first.at("/empty").toString()).isEqualTo("[\"2023-06-03\",\"2023-06-04\"]");
    var again =
        expect(200, maren.post("/api/rates/fetch", fetching("2023-06-01", "2023-06-05"))).body();
    assertThat(again.at("/fresh").asInt()).isZero();
    assertThat(again.at("/known").asInt()).isEqualTo(18);
    // over the weekend the last one counts
    assertThat(counting("EUR", "USD", "2023-06-04").at("/on").asText()).isEqualTo("2023-06-02");
    assertThat(maren.post("/api/rates/fetch", fetching("2026-05-01", "2026-06-01")).text("/detail"))
        .contains("cannot be known yet");
    assertThat(maren.post("/api/rates/fetch", fetching("2024-01-01", "2026-01-01")).text("/detail"))
        .contains("400 days");
    behave(false, true);
    var silent = maren.post("/api/rates/fetch", fetching("2023-07-03", "2023-07-03"));
    assertThat(silent.status()).isEqualTo(409);
    assertThat(silent.text("/detail")).contains("does not answer", "off-line");
    assertThat(counting("EUR", "USD", "2023-07-03").isNull()).isTrue();
  }
}

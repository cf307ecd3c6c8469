package org.sumbrel.server.intake;

import static org.assertj.core.api.Assertions.assertThat;
import static org.sumbrel.server.TestBooks.expect;

import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.context.TestPropertySource;
import org.springframework.test.web.servlet.MockMvc;
import org.sumbrel.server.ApiTest;
import org.sumbrel.server.Clerk;

/** Entries typed from paper: kept like a file, each once. */
@ApiTest
@TestPropertySource(properties = "sumbrel.test.books=intake")
class TypedEntryApiTest {

  @Autowired private MockMvc web;
  private Clerk maren;
  private String path;

  @BeforeEach
  void sitDown() {
    maren = Clerk.maren(web);
    path =
        "/api/bank-accounts/"
            + maren.get("/api/me").body().at("/companies/0/bankAccounts/1/id").asText()
            + "/typed-entries";
  }

  private static String typed(String day, String amount, String currency, String text) {
    return """
        {"bookedOn":"%s","amount":{"amount":"%s","currency":"%s"},"payerName":"=Wren","payerAccount":"","text":"%s"}
        """
        .formatted(day, amount, currency, text);
  }

  private static String all(String... entries) {
    return "{\"entries\":[" + String.join(",", entries) + "]}";
  }

  @Test
  void areTakenInAndKnownTheNextTime() {
    var body =
        all(
            typed("2026-01-13", "20.00", "USD", "LM-1"),
            typed("2026-01-13", "20.00", "USD", "LM-1"),
            typed("2026-01-14", "-3.50", "USD", "charges"));
    var intake = expect(201, maren.post(path, body)).body();
    assertThat(intake.at("/fresh").asInt()).isEqualTo(3);
    assertThat(intake.at("/takenBy").asText()).isEqualTo("maren");
    var records = maren.get("/api/intakes/" + intake.at("/id").asText() + "/records").body();
    assertThat(records.at("/rows").findValuesAsText("state"))
        .containsExactly("WAITING", "WAITING", "DEBIT");
    assertThat(records.at("/rows/0/title").asText()).isEqualTo("=Wren");
    assertThat(expect(201, maren.post(path, body)).body().at("/known").asInt()).isEqualTo(3);
  }

  @Test
  void whatCannotBeIsRefusedWithItsRow() {
    assertThat(refused(all(typed("2026-01-15", "1.00", "EUR", ""))))
        .isEqualTo("Row 1: Lockbox USD is in USD.");
    assertThat(
            refused(
                all(
                    typed("2026-01-15", "1.00", "USD", ""),
                    typed("2026-01-15", "0.00", "USD", ""))))
        .startsWith("Row 2: an entry is about an amount");
    assertThat(refused(all(typed("2027-01-15", "1.00", "USD", ""))))
        .startsWith("Row 1: 2027-01-15 is after today");
    assertThat(maren.post(path, all()).status()).isEqualTo(400);
  }

  private String refused(String body) {
    var answer = maren.post(path, body);
    assertThat(answer.status()).isEqualTo(400);
    return answer.text("/detail");
  }
}

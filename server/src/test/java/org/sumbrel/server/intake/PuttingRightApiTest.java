package org.sumbrel.server.intake;

import static org.assertj.core.api.Assertions.assertThat;
import static org.sumbrel.server.TestBooks.expect;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.context.TestPropertySource;
import org.springframework.test.web.servlet.MockMvc;
import org.sumbrel.server.ApiTest;
import org.sumbrel.server.Clerk;

/** Rows that cannot be read are left out when asked for, and put right or shelved one by one. */
@ApiTest
@TestPropertySource(properties = "sumbrel.test.books=intake")
class PuttingRightApiTest {

  private static final String FILE =
      """
      date;amount;currency;payer;text
      03.02.2025;1.200,00;USD;Wren;a
      31.02.2025;17,00;USD;Heron;b
      04.02.2025;12,3x;USD;Lark;c
      05.02.2025;9,00;USX;Finch;d
      """;

  @Autowired private MockMvc web;
  private Clerk maren;
  private String account;

  @BeforeEach
  void sitDown() {
    maren = Clerk.maren(web);
    account = maren.get("/api/me").body().at("/companies/0/bankAccounts/1/id").asText();
  }

  private JsonNode around(String text) {
    return expect(201, maren.drop("odd.csv", text, "?around=true&bankAccount=" + account)).body();
  }

  private JsonNode leftOut(JsonNode intake) {
    return maren.get("/api/intakes/" + intake.at("/id").asLong() + "/left-out").body();
  }

  private Clerk.Answer putRight(JsonNode row, int cell, String value) {
    List<String> cells = new ArrayList<>();
    row.at("/cells").forEach(c -> cells.add(c.asText()));
    cells.set(cell, value);
    var body = new ObjectMapper().createObjectNode();
    cells.forEach(body.putArray("cells")::add);
    return maren.post(
        "/api/left-out/" + row.at("/id").asLong() + "/putting-right", body.toString());
  }

  @Test
  void withoutBeingAskedTheFileIsRefusedAsAWhole() {
    var refused = maren.drop("odd.csv", FILE, "?bankAccount=" + account);
    assertThat(refused.status()).isEqualTo(422);
    assertThat(refused.body().at("/problems").size()).isPositive();
  }

  @Test
  void eachRowIsPutRightOrShelvedWithWhoAndWhen() {
    var intake = around(FILE);
    assertThat(intake.at("/fresh").asInt()).isEqualTo(1);
    assertThat(intake.at("/problems").toString())
        .contains("3 lines could not be read and were left out; they wait to be put right");
    var rows = leftOut(intake);
    assertThat(rows.findValuesAsText("line")).containsExactly("3", "4", "5");
    assertThat(rows.at("/0/headings/0").asText()).isEqualTo("date");

    // still wrong: told, and nothing changes
    var still = putRight(rows.get(0), 0, "30.02.2025");
    assertThat(still.status()).isEqualTo(422);
    assertThat(still.text("/detail")).contains("30.02.2025");
    assertThat(leftOut(intake).at("/0/status").asText()).isEqualTo("OPEN");

    // a date, a sign, a currency
    expect(204, putRight(rows.get(0), 0, "28.02.2025"));
    expect(204, putRight(rows.get(1), 1, "-1.012,30"));
    expect(204, putRight(rows.get(2), 2, "USD"));
    var after = leftOut(intake);
    assertThat(after.findValuesAsText("status")).containsOnly("PUT_RIGHT");
    assertThat(after.at("/0/decidedBy").asText()).isEqualTo("maren");
    assertThat(after.at("/0/decidedAt").asText()).isNotEmpty();
    var became = after.at("/1/becameIntakeId").asLong();
    var record = maren.get("/api/intakes/" + became + "/records").body().at("/rows/0");
    assertThat(record.at("/amount/amount").asText()).isEqualTo("-1012.30");
    assertThat(record.at("/day").asText()).isEqualTo("2025-02-04");
    assertThat(maren.get("/api/intakes/" + became).body().at("/intake/fileName").asText())
        .isEqualTo("Line 4 of odd.csv, put right");
    assertThat(putRight(rows.get(0), 0, "27.02.2025").text("/detail"))
        .isEqualTo("maren has put it right already.");

    // the file stays while a line of it counts; taken back, the line waits again
    var path = "/api/intakes/" + intake.at("/id").asLong() + "/taking-back";
    assertThat(maren.post(path, "{}").text("/detail")).contains("3 lines of it were put right");
    for (var row : after) {
      expect(
          200,
          maren.post("/api/intakes/" + row.at("/becameIntakeId").asLong() + "/taking-back", "{}"));
    }
    assertThat(leftOut(intake).findValuesAsText("status")).containsOnly("OPEN");
    expect(200, maren.post(path, "{}"));
    assertThat(leftOut(intake)).isEmpty();
  }

  @Test
  void aRowIsShelvedWithAWordWhyAndTakenOffTheShelf() {
    var intake = around(FILE.replace("2025", "2024"));
    var id = leftOut(intake).at("/0/id").asLong();
    assertThat(maren.post("/api/left-out/" + id + "/shelving", "{\"why\":\" \"}").status())
        .isEqualTo(400);
    expect(
        204, maren.post("/api/left-out/" + id + "/shelving", "{\"why\":\"the bank's test row\"}"));
    var row = leftOut(intake).at("/0");
    assertThat(row.at("/status").asText()).isEqualTo("SHELVED");
    assertThat(row.at("/note").asText()).isEqualTo("the bank's test row");
    assertThat(putRight(row, 0, "28.02.2024").text("/detail"))
        .isEqualTo("maren has shelved it already.");
    expect(204, maren.delete("/api/left-out/" + id + "/shelving"));
    expect(204, putRight(leftOut(intake).get(0), 0, "28.02.2024"));
  }

  @Test
  void aFileThatIsBrokenAsAWholeIsRefusedAllTheSame() {
    var refused =
        maren.drop("bad.csv", "date,amount,currency\n2025-13-01,1.00,USD\n", "?around=true");
    assertThat(refused.status()).isEqualTo(422);
  }
}

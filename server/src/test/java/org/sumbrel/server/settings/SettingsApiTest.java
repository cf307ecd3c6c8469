package org.sumbrel.server.settings;

import static org.assertj.core.api.Assertions.assertThat;
import static org.sumbrel.server.TestBooks.expect;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.stream.StreamSupport;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import org.sumbrel.server.ApiTest;
import org.sumbrel.server.Clerk;
import org.sumbrel.server.TestBooks;

/** Settings are changed, each with its history, and a wrong change is taken back. */
@ApiTest
class SettingsApiTest {

  @Autowired private MockMvc web;
  private Clerk wynne;
  private Clerk maren;

  @BeforeEach
  void sitDown() {
    wynne = new Clerk(web, "wynne", "ADMINISTRATOR");
    maren = Clerk.maren(web);
  }

  private JsonNode first(String path, String field, String value) {
    return StreamSupport.stream(maren.get(path).body().spliterator(), false)
        .filter(n -> n.at("/" + field).asText().equals(value))
        .findFirst()
        .orElseThrow();
  }

  private String record(String what, String thing) {
    return maren
        .get("/api/audit-records?what=" + what + "&thing=" + thing)
        .body()
        .at("/rows/0/id")
        .asText();
  }

  private Clerk.Answer takeBack(String record) {
    return wynne.post("/api/settings-history/" + record + "/reversal", "{}");
  }

  @Test
  void anAccountOfTheChartIsRenamedAndPutBack() {
    var account = first("/api/chart", "code", "6500");
    var id = account.at("/id").asText();

    expect(200, wynne.put("/api/chart/" + id, "{\"code\":\"6510\",\"name\":\"Odds and ends\"}"));
    assertThat(first("/api/chart", "code", "6510").at("/name").asText()).isEqualTo("Odds and ends");
    expect(204, takeBack(record("ledger_account", id)));

    assertThat(first("/api/chart", "code", "6500")).isEqualTo(account);
    assertThat(wynne.put("/api/chart/" + id, "{\"code\":\"1010\",\"name\":\"x\"}").text("/detail"))
        .contains("1010 is Operating USD already");
  }

  @Test
  void whatWasChangedSinceIsNotTakenBackOverIt() {
    expect(200, wynne.put("/api/tax-codes/BACK", "{\"name\":\"Back\",\"percent\":4}"));
    expect(200, wynne.put("/api/tax-codes/BACK", "{\"name\":\"Back\",\"percent\":5}"));
    var wrong = record("tax_code", "1/BACK");
    expect(200, wynne.put("/api/tax-codes/BACK", "{\"name\":\"Back\",\"percent\":6.5}"));

    var refused = takeBack(wrong);

    assertThat(refused.status()).isEqualTo(409);
    assertThat(refused.text("/detail")).contains("percent is 6.5", "and not 5");
    expect(204, takeBack(record("tax_code", "1/BACK")));
    expect(204, takeBack(wrong));
    assertThat(first("/api/tax-codes", "code", "BACK").at("/percent").asText()).isEqualTo("4");
  }

  @Test
  void aPolicyIsPutBackWithItsLimits() {
    var osric = Clerk.osric(web);
    var before = osric.get("/api/policies/USD").body();
    var policy = (ObjectNode) before.deepCopy();
    policy.put("discountGraceDays", before.at("/discountGraceDays").asInt() + 2);
    ((ObjectNode) policy.at("/clerk/writeOff/under")).put("amount", "77.77");
    expect(200, osric.put("/api/policies/USD", policy.toString()));

    expect(204, takeBack(record("policy", "1/USD")));

    var after = (ObjectNode) osric.get("/api/policies/USD").body().deepCopy();
    after.remove("version");
    assertThat(after).isEqualTo(((ObjectNode) before.deepCopy()).without("version"));
  }

  @Test
  void whatIsInUseStays() {
    var account = first("/api/bank-accounts", "ledgerCode", "1010");
    var path = "/api/bank-accounts/" + account.at("/id").asText();
    var changed =
        "{\"name\":\"Main\",\"bank\":\"%s\",\"number\":\"%s\",\"currency\":\"USD\",\"lockbox\":\"%s\"}"
            .formatted(
                account.at("/bank").asText(),
                account.at("/number").asText(),
                account.at("/lockbox").asText());
    expect(200, wynne.put(path, changed));
    assertThat(maren.get("/api/me").text("/companies/0/bankAccounts/0/name")).isEqualTo("Main");
    assertThat(wynne.put(path, changed.replace("\"USD\"", "\"EUR\"")).text("/code"))
        .isEqualTo("ARRIVED_ALREADY");
    assertThat(
            wynne
                .put("/api/companies/1", "{\"name\":\"Larkstow Mill Ltd\",\"currency\":\"EUR\"}")
                .text("/detail"))
        .contains("are in USD and have entries");
    expect(204, takeBack(record("bank_account", account.at("/id").asText())));
    assertThat(first("/api/bank-accounts", "ledgerCode", "1010")).isEqualTo(account);

    var sales = first("/api/chart", "code", "4000").at("/id").asText();
    assertThat(record("ledger_account", sales)).isNotNull();
  }

  @Test
  void numbersBeginAsTheCompanySays() {
    expect(200, wynne.put("/api/number-ranges/ON_ACCOUNT", "{\"prefix\":\"KEPT\"}"));
    assertThat(wynne.put("/api/number-ranges/CLAIM", "{\"prefix\":\"KEPT\"}").text("/detail"))
        .contains("taken by another kind");
    assertThat(wynne.put("/api/number-ranges/CLAIM", "{\"prefix\":\"k t\"}").status())
        .isEqualTo(400);
    var books = new TestBooks(maren).invoices("10.00");
    var entry = books.credit("30.00", "too much");
    var customer = maren.get("/api/open-items/" + books.item(0)).text("/customerId");
    var body =
        TestBooks.draft(entry, TestBooks.applied(books.item(0), "10.00"), "")
            .replaceFirst(
                "\\}$",
                ",\"onAccount\":%s,\"onAccountCustomerId\":%s}"
                    .formatted(TestBooks.money("20.00"), customer));
    var id = expect(201, maren.post("/api/settlements", body)).text("/id");

    assertThat(maren.get("/api/open-items?q=KEPT-" + id).body().at("/rows")).hasSize(1);
    expect(200, wynne.put("/api/number-ranges/ON_ACCOUNT", "{\"prefix\":\"OA\"}"));
  }

  @Test
  void reasonsAreCalledAsTheCompanyDoes() {
    expect(
        200,
        wynne.put(
            "/api/claim-reasons/FREIGHT", "{\"words\":\"Carrier's bill\",\"offered\":false}"));

    var reason = first("/api/claim-reasons", "reason", "FREIGHT");

    assertThat(reason.at("/words").asText()).isEqualTo("Carrier's bill");
    assertThat(reason.at("/offered").asBoolean()).isFalse();
    expect(204, takeBack(record("claim_reason_word", "1/FREIGHT")));
    assertThat(first("/api/claim-reasons", "reason", "FREIGHT").at("/offered").asBoolean())
        .isTrue();
  }

  @Test
  void aUserWhoMayNoLongerSignInIsKeptOut() {
    expect(
        201,
        wynne.post(
            "/api/users",
            "{\"user\":\"leaver\",\"fullName\":\"Lea Ver\",\"role\":\"CLERK\",\"password\":\"a long password\"}"));
    expect(
        200,
        wynne.put(
            "/api/users/leaver",
            "{\"fullName\":\"Lea Ver\",\"role\":\"CLERK\",\"maySignIn\":false}"));

    var refused =
        maren.post("/api/session", "{\"user\":\"leaver\",\"password\":\"a long password\"}");

    assertThat(refused.text("/code")).isEqualTo("NO_LONGER");
    var last =
        wynne.put("/api/users/wynne", "{\"fullName\":\"W\",\"role\":\"CLERK\",\"maySignIn\":true}");
    assertThat(last.status()).isIn(200, 409);
    if (last.status() == 200) {
      expect(
          200,
          wynne.put(
              "/api/users/wynne",
              "{\"fullName\":\"Wynne Archer\",\"role\":\"ADMINISTRATOR\",\"maySignIn\":true}"));
    }
  }

  @Test
  void aNewCompanyIsAtWorkWithItsFirstAccount() {
    var company =
        expect(201, wynne.post("/api/companies", "{\"name\":\"Sample Ltd\",\"currency\":\"EUR\"}"));
    var id = company.text("/id");
    expect(
        201,
        wynne.post(
            "/api/bank-accounts?company=" + id,
            "{\"name\":\"Main\",\"bank\":\"A bank\",\"number\":\"DE02\",\"currency\":\"EUR\"}"));
    assertThat(
            wynne
                .post(
                    "/api/bank-accounts?company=" + id,
                    "{\"name\":\"Again\",\"bank\":\"\",\"number\":\"DE02\",\"currency\":\"EUR\"}")
                .status())
        .isEqualTo(409);

    // everything that was asked can be changed as long as it is empty
    expect(
        200, wynne.put("/api/companies/" + id, "{\"name\":\"Sample & Co\",\"currency\":\"USD\"}"));
    // it and each other company have an account for each other, by the name that it has now
    assertThat(maren.get("/api/chart?company=" + id).body().toString())
        .contains("\"Larkstow Mill Ltd\"", "\"Larkstow Grain Export Ltd\"");
    assertThat(maren.get("/api/chart").body().toString())
        .contains("\"1180-" + id + "\"", "\"Sample & Co\"");
    var wrong = maren.get("/api/bank-accounts?company=" + id).body().at("/0/id").asText();
    var right =
        "{\"name\":\"Main\",\"bank\":\"A bank\",\"number\":\"DE03\",\"currency\":\"USD\",\"lockbox\":\"\"}";
    expect(200, wynne.put("/api/bank-accounts/" + wrong, right));
    for (var name : new String[] {"invoices.csv", "statement.csv"}) {
      var sample = maren.saved("/api/first-steps/samples/" + name + "?company=" + id);
      var account = maren.get("/api/bank-accounts?company=" + id).body().at("/0/id").asText();
      expect(
          201,
          maren.drop(
              "sample-" + name,
              sample,
              "?company=" + id + (name.startsWith("s") ? "&bankAccount=" + account : "")));
    }

    var steps = maren.get("/api/first-steps?company=" + id).body();
    assertThat(steps.at("/invoices").asInt()).isEqualTo(6);
    assertThat(steps.at("/entries").asInt()).isEqualTo(5);
    assertThat(steps.at("/settlements").asInt()).isZero();
    // the sample's first credit quotes its invoice
    var queue = maren.get("/api/entries?status=WAITING&company=" + id).body().at("/rows");
    assertThat(queue).isNotEmpty();
  }
}

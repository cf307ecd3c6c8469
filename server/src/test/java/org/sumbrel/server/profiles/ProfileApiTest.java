package org.sumbrel.server.profiles;

import static org.assertj.core.api.Assertions.assertThat;
import static org.sumbrel.server.TestBooks.expect;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ObjectNode;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.context.TestPropertySource;
import org.springframework.test.web.servlet.MockMvc;
import org.sumbrel.server.ApiTest;
import org.sumbrel.server.Clerk;
import org.sumbrel.server.Clerk.Answer;

/** Profiles through the API: looked at, kept, known again, changed by one at a time, handed on. */
@ApiTest
@TestPropertySource(properties = "sumbrel.test.books=intake")
class ProfileApiTest {

  private static final ObjectMapper JSON = new ObjectMapper();

  private static final String PREVIEW = "/api/profiles/preview";

  /** Order of day and month is open, and the words of the amounts are unknown. */
  private static final String SAMPLE =
      "Jour;Objet;Qui;Somme\n03/04/2026;F-1;Moulin Importers;1.420,50\n05/04/2026;F-2;Grainhaus;75,00\n";

  @Autowired private MockMvc web;
  private Clerk maren;
  private String account;

  @BeforeEach
  void sitDown() {
    maren = Clerk.maren(web);
    account =
        "?bankAccount=" + maren.get("/api/me").body().at("/companies/0/bankAccounts/0/id").asText();
  }

  private JsonNode look(String sample, String profile) {
    return expect(
            200,
            profile.isEmpty()
                ? maren.send(PREVIEW, "sample.csv", sample)
                : maren.send(PREVIEW, "sample.csv", sample, "profile", profile))
        .body();
  }

  /** What a person says of the sample, with headings of its own for each test. */
  private ObjectNode explained(String sample) {
    var shown =
        look(
            sample,
            """
            {"columns":{"booking_date":[1],"remittance":[2],"payer_name":[3],"amount":[4]},
             "constants":{"currency":"USD"},"dates":{"booking_date":"day-month-year"}}""");
    assertThat(shown.at("/doubts")).isEmpty();
    return (ObjectNode) shown.at("/profile");
  }

  private Answer keep(ObjectNode profile, String name) {
    return maren.post("/api/profiles", profile.put("name", name).toString());
  }

  private static String headed(String heading) {
    return SAMPLE.replace("Somme", heading);
  }

  @Test
  void whatIsOpenIsToldAndWhatWasSaidIsTaken() {
    var guess = look(SAMPLE, "");
    assertThat(guess.at("/profile/separator").asText()).isEqualTo(";");
    assertThat(guess.at("/doubts/0/message").asText()).contains("say which columns");
    assertThat(guess.at("/rows")).isEmpty();
    var said = look(SAMPLE, "{\"columns\":{\"booking_date\":[1],\"amount\":[4]}}");
    assertThat(said.at("/doubts").findValuesAsText("message"))
        .anyMatch(d -> d.contains("order of day and month"));
    assertThat(said.at("/profile/dates").has("booking_date")).isFalse();
    assertThat(said.at("/profile/decimalMark").asText()).isEqualTo(",");
    assertThat(maren.send(PREVIEW, "s.csv", SAMPLE, "profile", "no").status()).isEqualTo(400);
  }

  @Test
  void aKeptShapeIsKnownAgainInAnIntake() {
    var file = headed("Somme payee");
    assertThat(maren.drop("a.csv", file, account).status()).isEqualTo(422);
    expect(201, keep(explained(file), "Kept"));
    var intake = expect(201, maren.drop("a.csv", file, account)).body();
    assertThat(intake.at("/fresh").asInt()).isEqualTo(2);
    assertThat(intake.at("/profile").asText()).isEqualTo("Kept");
    assertThat(look(file, "").at("/known").asText()).isEqualTo("Kept");
    var changed = file.replace("Qui", "Tiers");
    assertThat(look(changed, "").at("/changed").asText()).contains("Kept", "gone: Qui");
    assertThat(maren.drop("b.csv", changed, account).text("/detail"))
        .contains("Nothing of this file was kept", "looks like \"Kept\"");
    assertThat(maren.drop("b.csv", changed, account + "&profile=Kept").text("/detail"))
        .contains("headings of \"Kept\" are not in this file");
  }

  @Test
  void namesAndHeadingsAreTakenOnce() {
    var file = headed("Somme nommee");
    var profile = explained(file);
    expect(201, keep(profile, "Once"));
    var sameHeadings = keep(profile, "Another");
    assertThat(sameHeadings.status()).isEqualTo(409);
    assertThat(sameHeadings.text("/detail")).contains("Once");
    var sameName = keep(explained(headed("Autre somme")), "Once");
    assertThat(sameName.status()).isEqualTo(409);
    assertThat(sameName.text("/code")).isEqualTo("NAME_TAKEN");
    var nameless = keep(explained(headed("Sans nom")), " ");
    assertThat(nameless.status()).isEqualTo(422);
  }

  @Test
  void ofTwoThatChangeOneIsToldAndNothingOfHisIsKept() throws Exception {
    var kept = expect(201, keep(explained(headed("Somme changee")), "Changed")).body();
    var id = kept.at("/id").asLong();
    var changed = JSON.createObjectNode();
    changed.set("profile", ((ObjectNode) kept.at("/profile")).put("signsReversed", true));
    changed.put("version", kept.at("/version").asLong());
    expect(200, maren.put("/api/profiles/" + id, changed.toString()));
    var late = maren.put("/api/profiles/" + id, changed.toString());
    assertThat(late.status()).isEqualTo(409);
    assertThat(late.text("/detail")).contains("maren has changed this profile");
  }

  @Test
  void goesOutAsYamlAndComesInAgain() {
    var kept = expect(201, keep(explained(headed("Somme sortie")), "Out and in")).body();
    var path = "/api/profiles/" + kept.at("/id").asLong();
    var yaml = maren.saved(path + "/file");
    assertThat(yaml).contains("name: Out and in", "booking_date: day-month-year");
    expect(204, maren.delete(path));
    var again = expect(201, maren.send("/api/profiles/file", "p.yml", yaml)).body();
    assertThat(again.at("/profile")).isEqualTo(kept.at("/profile"));
    var broken = maren.send("/api/profiles/file", "p.yml", "name: [");
    assertThat(broken.status()).isEqualTo(422);
    assertThat(broken.text("/detail")).contains("Line 1", "\"name\" is not written");
  }
}

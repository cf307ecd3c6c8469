package org.sumbrel.server.intake;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.test.context.TestPropertySource;
import org.springframework.test.web.servlet.MockMvc;
import org.sumbrel.server.ApiTest;
import org.sumbrel.server.Clerk;
import org.sumbrel.server.SumbrelSettings;
import org.sumbrel.server.companies.Companies;
import org.sumbrel.server.desk.ProposalRenewal;

/**
 * The watched folder over the books: taken in, set apart, and safe against a stop in the middle.
 */
@ApiTest
@TestPropertySource(properties = "sumbrel.test.books=intake")
class InboxWatchTest {

  private static final String HEAD =
      "entry_id,account,booking_date,amount,currency,payer_name,remittance\n";

  @Autowired private MockMvc web;
  @Autowired private Companies companies;
  @Autowired private Intakes intakes;
  @Autowired private ProposalRenewal renewal;
  @Autowired private JdbcClient jdbc;
  @Autowired private Clock clock;
  @TempDir private Path folder;
  private InboxWatch watch;
  private Clerk maren;
  private String account;

  @BeforeEach
  void open() {
    maren = Clerk.maren(web);
    account = maren.get("/api/me").body().at("/companies/0/bankAccounts/0/number").asText();
    watch = started();
  }

  private InboxWatch started() {
    return new InboxWatch(
        new SumbrelSettings("x", folder.toString(), "", false, true, null),
        companies,
        intakes,
        renewal,
        jdbc,
        clock);
  }

  private void put(String path, String text) throws IOException {
    var file = folder.resolve(path);
    Files.createDirectories(file.getParent());
    Files.writeString(file, text);
  }

  private void lookTwice() {
    watch.look();
    watch.look();
  }

  private long intakesNamed(String name) {
    return maren
        .get("/api/intakes?limit=200")
        .body()
        .at("/rows")
        .findValuesAsText("fileName")
        .stream()
        .filter(name::equals)
        .count();
  }

  @Test
  void takesInWhatIsPutIntoItAndMovesItAside() throws Exception {
    put("in1.csv", HEAD + "IN1," + account + ",2026-02-03,12.34,USD,Wren,a\n");
    watch.look();
    assertThat(folder.resolve("in1.csv")).exists();
    watch.look();
    assertThat(folder.resolve("done/in1.csv")).exists();
    assertThat(folder.resolve("in1.csv")).doesNotExist();
    var newest = maren.get("/api/intakes?limit=1").body().at("/rows/0");
    assertThat(newest.at("/fileName").asText()).isEqualTo("in1.csv");
    assertThat(newest.at("/takenBy").asText()).isEqualTo("inbox");
    assertThat(newest.at("/fresh").asInt()).isEqualTo(1);
    lookTwice();
    assertThat(intakesNamed("in1.csv")).isEqualTo(1);
  }

  @Test
  void setsABrokenFileApartWithAReportAndGoesOn() throws Exception {
    put("in2.csv", HEAD + "IN2," + account + ",2026-02-04,12.3x,USD,Wren,a\n");
    put("in3.csv", HEAD + "IN3," + account + ",2026-02-04,5.00,USD,Wren,a\n");
    lookTwice();
    assertThat(folder.resolve("broken/in2.csv")).exists();
    assertThat(folder.resolve("broken/in2.csv.report.txt"))
        .content()
        .contains("Nothing of this file was taken in.")
        .contains("Line 2: ");
    assertThat(folder.resolve("done/in3.csv")).exists();
    var apart = maren.get("/api/inbox").body().at("/setApart/0");
    assertThat(apart.at("/fileName").asText()).isEqualTo("broken/in2.csv");
    assertThat(maren.delete("/api/inbox/set-apart/" + apart.at("/id").asLong()).status())
        .isEqualTo(204);
    assertThat(maren.get("/api/inbox").body().toString()).doesNotContain("broken/in2.csv");
  }

  @Test
  void anotherCompanysFolderIsThatCompanys() throws Exception {
    var other = companies.all().get(1);
    put(
        other.name() + "/in4.csv",
        "booking_date,amount,currency,payer_name,remittance\n2026-02-05,7.00,EUR,Moulin,b\n");
    lookTwice();
    assertThat(folder.resolve(other.name() + "/done/in4.csv")).exists();
    assertThat(
            maren
                .get("/api/intakes?limit=1&company=" + other.id())
                .body()
                .at("/rows/0/fileName")
                .asText())
        .isEqualTo("in4.csv");
  }

  @Test
  void afterAStopInTheMiddleEachFileHasComeInOnce() throws Exception {
    put("in5.csv", HEAD + "IN5," + account + ",2026-02-06,8.00,USD,Wren,a\n");
    lookTwice();
    // stopped after the file had come in and before it was moved on
    Files.move(folder.resolve("done/in5.csv"), folder.resolve("taking/in5.csv"));
    // and another one was claimed, but had not come in
    put("taking/in6.csv", HEAD + "IN6," + account + ",2026-02-06,9.00,USD,Wren,a\n");
    watch = started();
    watch.look();
    assertThat(folder.resolve("done/in5.csv")).exists();
    assertThat(folder.resolve("done/in6.csv")).exists();
    assertThat(intakesNamed("in5.csv")).isEqualTo(1);
    assertThat(intakesNamed("in6.csv")).isEqualTo(1);
  }

  @Test
  void withoutAFolderNothingIsWatched() {
    assertThat(maren.get("/api/inbox").body().hasNonNull("folder")).isFalse();
  }
}

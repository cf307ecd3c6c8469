package org.sumbrel.server.exports;

import static org.assertj.core.api.Assertions.assertThat;
import static org.sumbrel.server.TestBooks.applied;
import static org.sumbrel.server.TestBooks.draft;
import static org.sumbrel.server.TestBooks.expect;

import java.nio.charset.StandardCharsets;
import java.util.Optional;
import org.joda.money.Money;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import org.sumbrel.formats.AnyFile;
import org.sumbrel.formats.FileBytes;
import org.sumbrel.server.ApiTest;
import org.sumbrel.server.Clerk;
import org.sumbrel.server.TestBooks;

@ApiTest
class ExportApiTest {

  @Autowired private MockMvc web;
  private Clerk maren;

  @BeforeEach
  void sitDown() {
    maren = Clerk.maren(web);
  }

  private long settled(TestBooks books, String amount, String discount) {
    var entry = books.credit(amount, "exported");
    var body = draft(entry, applied(books.item(0), books.open(0), discount), "");
    return expect(201, maren.post("/api/settlements", body)).body().at("/id").asLong();
  }

  @Test
  void whatIsExportedComesToTheBooks() throws Exception {
    settled(new TestBooks(maren).invoices("120.00"), "117.60", "2.40");

    ExportedBooks.assertAgree(maren);
  }

  @Test
  void eachEntryIsInOneExport() {
    maren.post("/api/journal-exports", "{\"until\":\"2099-12-31\"}");
    settled(new TestBooks(maren).invoices("75.00"), "75.00", "0.00");
    var waiting = maren.get("/api/journal-exports/waiting?until=2099-12-31").body();
    // the invoice and its settlement
    assertThat(waiting.at("/entries").asInt()).isEqualTo(2);

    var export = expect(201, maren.post("/api/journal-exports", "{\"until\":\"2099-12-31\"}"));

    assertThat(export.body().at("/entries").asInt()).isEqualTo(2);
    var csv = ExportedBooks.taken(maren, export.body().at("/id").asLong(), "CSV");
    assertThat(csv.lines()).hasSize(5);
    var none = maren.post("/api/journal-exports", "{\"until\":\"2099-12-31\"}");
    assertThat(none.status()).isEqualTo(400);
    assertThat(none.text("/detail")).contains("in an export already");
  }

  @Test
  void isTakenAgainOnlyOnPurpose() {
    settled(new TestBooks(maren).invoices("30.00"), "30.00", "0.00");
    var id =
        expect(201, maren.post("/api/journal-exports", "{\"until\":\"2099-12-31\"}"))
            .body()
            .at("/id")
            .asLong();
    var files = "/api/journal-exports/" + id + "/files";
    assertThat(maren.savedBy(files, "{\"format\":\"LEDGER\"}")).contains("Export " + id);

    var again = maren.post(files, "{\"format\":\"LEDGER\"}");

    assertThat(again.status()).isEqualTo(409);
    assertThat(again.text("/code")).isEqualTo("EXPORTED_ALREADY");
    assertThat(again.text("/detail")).contains("2 entries", "by maren", "booked twice");
    var tolly = new Clerk(web, "tolly", "AUDITOR");
    assertThat(tolly.savedBy(files, "{\"format\":\"LEDGER\",\"again\":\"for the audit\"}"))
        .contains("Export " + id);
    var taken = maren.get("/api/journal-exports").body().get(0).at("/taken");
    assertThat(taken).hasSize(2);
    assertThat(taken.get(1).at("/why").asText()).isEqualTo("for the audit");
    assertThat(taken.get(1).at("/takenBy").asText()).isEqualTo("tolly");
  }

  @Test
  void whatWasAppliedIsReadBackAsRemittance() throws Exception {
    var books = new TestBooks(maren).invoices("120.00");
    var id = settled(books, "117.60", "2.40");

    var day = maren.get("/api/settlements/" + id).text("/postedOn");
    var edi = maren.saved("/api/applications.edi?from=" + day + "&until=" + day);

    var read = AnyFile.read(FileBytes.of(edi.getBytes(StandardCharsets.UTF_8)), Optional.empty());
    var advice =
        read.remittances().stream()
            .filter(a -> a.trace().equals(Long.toString(id)))
            .findFirst()
            .orElseThrow();
    assertThat(advice.total()).isEqualTo(Money.parse("USD 117.60"));
    assertThat(advice.items()).hasSize(1);
    assertThat(advice.items().get(0).reference()).isEqualTo(books.number(0));
    assertThat(advice.items().get(0).discount()).isEqualTo(Money.parse("USD 2.40"));
    // every advice of the day adds up to what was received
    assertThat(read.problems()).isEmpty();
    assertThat(maren.saved("/api/applications.csv?from=" + day + "&until=" + day))
        .contains(id + "," + day + ",2026-05-28,", books.number(0) + ",", "120.00,2.40,117.60,USD");
  }
}

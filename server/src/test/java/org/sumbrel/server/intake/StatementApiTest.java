package org.sumbrel.server.intake;

import static org.assertj.core.api.Assertions.assertThat;
import static org.sumbrel.server.TestBooks.expect;

import com.fasterxml.jackson.databind.JsonNode;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import org.sumbrel.formats.camt.CamtWriter;
import org.sumbrel.formats.ofx.OfxWriter;
import org.sumbrel.formats.statement.AccountStatement;
import org.sumbrel.formats.statement.AccountStatement.Balance;
import org.sumbrel.formats.statement.EntryDetail;
import org.sumbrel.formats.statement.EntryStatus;
import org.sumbrel.formats.statement.StatementEntry;
import org.sumbrel.server.ApiTest;
import org.sumbrel.server.Clerk;

/** Statements that overlap, leave gaps, come in two formats, are announced or corrected. */
@ApiTest
class StatementApiTest {

  @Autowired private MockMvc web;
  private Clerk maren;
  private String number;

  /** The lockbox account has no statement yet. */
  @BeforeEach
  void sitDown() {
    maren = Clerk.maren(web);
    number = maren.get("/api/me").body().at("/companies/0/bankAccounts/1/number").asText();
  }

  private static Money usd(String amount) {
    return Money.parse("USD " + amount);
  }

  private static StatementEntry entry(
      String id, LocalDate day, String amount, String payer, String text, EntryStatus status) {
    return new StatementEntry(
        id,
        day,
        day,
        usd(amount),
        payer,
        "",
        text,
        id,
        "",
        "",
        status,
        false,
        Money.zero(CurrencyUnit.USD),
        List.of(),
        0);
  }

  private static StatementEntry booked(
      String id, LocalDate day, String amount, String payer, String text) {
    return entry(id, day, amount, payer, text, EntryStatus.BOOKED);
  }

  private String camt(LocalDate from, LocalDate until, String opening, StatementEntry... entries) {
    var closing = usd(opening);
    for (var entry : entries) {
      closing = entry.booked() ? closing.plus(entry.amount()) : closing;
    }
    return camt(from, until, usd(opening), closing, List.of(entries));
  }

  private String camt(
      LocalDate from, LocalDate until, Money opening, Money closing, List<StatementEntry> entries) {
    var statement =
        new AccountStatement(
            number,
            CurrencyUnit.USD,
            "S-" + until,
            Optional.empty(),
            Optional.of(from),
            Optional.of(until),
            true,
            Optional.of(new Balance(from, opening)),
            Optional.of(new Balance(until, closing)),
            entries);
    var out = new ByteArrayOutputStream();
    try {
      CamtWriter.write("M", LocalDateTime.of(2026, 5, 29, 18, 0), List.of(statement), out);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return out.toString(StandardCharsets.UTF_8);
  }

  private JsonNode drop(String name, String file) {
    return expect(201, maren.drop(name, file)).body();
  }

  private static List<String> problems(JsonNode intake) {
    var problems = new ArrayList<String>();
    intake.at("/problems").forEach(p -> problems.add(p.asText()));
    return problems;
  }

  private void assertEveryCentIsThere() {
    assertThat(maren.get("/api/cent-trail").body().at("/whole").asBoolean()).isTrue();
    assertThat(maren.get("/api/trial-balance").body().at("/balanced").asBoolean()).isTrue();
  }

  private JsonNode statement(LocalDate day) {
    for (var account : maren.get("/api/statements").body()) {
      for (var statement : account.at("/statements")) {
        if (statement.at("/number").asText().equals("S-" + day)) {
          return statement;
        }
      }
    }
    throw new AssertionError("there is no statement of " + day);
  }

  /** What is missing before the statement of the day, or nothing. */
  private String gapBefore(LocalDate day) {
    for (var finding : statement(day).at("/before")) {
      if (finding.at("/gap").asBoolean()) {
        return finding.at("/sentence").asText();
      }
    }
    return "";
  }

  /** The same days as OFX and as camt.053, each with ids of its own. */
  @Test
  void theSameDaysAsOfxAndAsCamtCountOnce() throws Exception {
    var day = LocalDate.of(2025, 11, 3);
    var ofxEntries = new ArrayList<StatementEntry>();
    var camtEntries = new ArrayList<StatementEntry>();
    for (var n = 0; n < 40; n++) {
      var on = day.plusDays(n % 3);
      var amount = (n % 4 == 0 ? "-" : "") + (10 + n % 5) + ".00";
      ofxEntries.add(booked("O" + n, on, amount, "PAYER " + n % 7, "INV " + n));
      camtEntries.add(booked("C" + n, on, amount, "Payer " + n % 7 + " Ltd", "Invoice " + n));
    }
    camtEntries.add(booked("LATE", day.plusDays(2), "17.55", "Late Payer", "after the download"));
    var out = new ByteArrayOutputStream();
    var days = List.of(day, day.plusDays(2));
    OfxWriter.write(
        LocalDateTime.of(2025, 11, 5, 12, 0),
        List.of(
            new AccountStatement(
                number,
                CurrencyUnit.USD,
                "",
                Optional.empty(),
                Optional.of(days.get(0)),
                Optional.of(days.get(1)),
                true,
                Optional.empty(),
                Optional.empty(),
                ofxEntries)),
        out);
    var ofx = out.toString(StandardCharsets.UTF_8);
    assertThat(drop("days.ofx", ofx).at("/fresh").asInt()).isEqualTo(40);
    var camt = camt(days.get(0), days.get(1), "0.00", camtEntries.toArray(new StatementEntry[0]));

    var second = drop("days.xml", camt);
    assertThat(second.at("/format").asText()).isEqualTo("camt.053");
    assertThat(second.at("/fresh").asInt()).isEqualTo(1);
    assertThat(second.at("/known").asInt()).isEqualTo(40);
    assertThat(maren.get("/api/entries?q=Late Payer").body().at("/rows")).hasSize(1);
    var third = drop("days once more.xml", camt.replace("<MsgId>M<", "<MsgId>N<"));
    assertThat(third.at("/fresh").asInt()).isZero();
    assertThat(drop("days once more.ofx", ofx + "\n").at("/fresh").asInt()).isZero();
    assertThat(maren.get("/api/corrections").body()).isEmpty();
    assertEveryCentIsThere();
  }

  @Test
  void namesGapsAndOverlapsAndForgetsThemWhenTheMissingStatementComes() {
    var monday = LocalDate.of(2026, 3, 2);
    drop("a.xml", camt(monday, monday, "100.00", booked("G1", monday, "20.00", "A", "x")));
    var wednesday = monday.plusDays(2);
    var gap =
        drop(
            "c.xml",
            camt(wednesday, wednesday, "150.00", booked("G3", wednesday, "5.00", "C", "z")));
    assertThat(problems(gap))
        .anySatisfy(
            p -> assertThat(p).contains("2 Mar 2026", "4 Mar 2026", "120.00", "150.00", "30.00"));
    assertThat(gapBefore(wednesday)).contains("30.00");

    var tuesday = monday.plusDays(1);
    var missing =
        drop("b.xml", camt(tuesday, tuesday, "120.00", booked("G2", tuesday, "30.00", "B", "y")));
    assertThat(problems(missing)).isEmpty();
    assertThat(gapBefore(tuesday)).isEmpty();
    assertThat(gapBefore(wednesday)).isEmpty();

    var week =
        drop(
            "week.xml",
            camt(
                monday,
                monday.plusDays(4),
                "100.00",
                booked("G1", monday, "20.00", "A", "x"),
                booked("G2", tuesday, "30.00", "B", "y"),
                booked("G3", wednesday, "5.00", "C", "z"),
                booked("G4", monday.plusDays(4), "7.00", "D", "w")));
    assertThat(week.at("/fresh").asInt()).isEqualTo(1);
    assertThat(problems(week)).anySatisfy(p -> assertThat(p).contains("cover", "counts once"));
    assertEveryCentIsThere();
  }

  @Test
  void aStatementThatDoesNotAddUpSaysSo() {
    var day = LocalDate.of(2026, 2, 2);
    var wrong =
        drop(
            "wrong.xml",
            camt(
                day,
                day,
                usd("100.00"),
                usd("130.00"),
                List.of(booked("W1", day, "20.00", "A", "x"))));
    assertThat(problems(wrong))
        .anySatisfy(p -> assertThat(p).contains("100.00", "20.00", "130.00", "10.00"));
    assertThat(statement(day).at("/off/amount").asText()).isEqualTo("10.00");
  }

  @Test
  void anAnnouncedEntryIsBookedOnce() {
    var day = LocalDate.of(2026, 4, 6);
    var flow = maren.get("/api/flow?currency=USD").body();
    var announced = entry("", day, "61.17", "Thistle Inn", "INV P-1", EntryStatus.PENDING);
    var first = drop("announced.xml", camt(day, day, "0.00", announced));
    assertThat(first.at("/fresh").asInt()).isEqualTo(1);
    assertThat(first.at("/announced/0/amount/amount").asText()).isEqualTo("61.17");
    assertThat(first.at("/waiting")).isEmpty();
    assertThat(problems(first)).anySatisfy(p -> assertThat(p).contains("announced"));
    assertThat(maren.get("/api/flow?currency=USD").body()).isEqualTo(flow);
    assertThat(maren.get("/api/entries?q=Thistle Inn").body().at("/rows")).isEmpty();

    var next = day.plusDays(1);
    var second =
        drop(
            "booked.xml",
            camt(next, next, "0.00", booked("B-61", next, "61.17", "Thistle Inn", "INV P-1")));
    assertThat(second.at("/fresh").asInt()).isZero();
    assertThat(second.at("/known").asInt()).isEqualTo(1);
    assertThat(problems(second)).contains("1 entry that was announced is booked now");
    assertThat(maren.get("/api/entries?q=Thistle Inn").body().at("/rows")).hasSize(1);
    var again = drop("announced again.xml", camt(day, day, "0.00", announced, announced));
    assertThat(again.at("/fresh").asInt()).isEqualTo(1);
    assertThat(maren.get("/api/entries?q=Thistle Inn").body().at("/rows")).hasSize(1);
    assertEveryCentIsThere();
  }

  @Test
  void aCorrectedStatementIsADifferenceToBeAccepted() {
    var day = LocalDate.of(2026, 1, 12);
    drop(
        "first.xml",
        camt(
            day,
            day,
            "0.00",
            booked("K1", day, "40.00", "Kestrel Deli", "one"),
            booked("K2", day, "50.00", "Kestrel Deli", "two"),
            booked("K3", day, "60.00", "Kestrel Deli", "three")));
    var corrected =
        camt(
            day,
            day,
            "0.00",
            booked("K1", day, "40.00", "Kestrel Deli", "one"),
            booked("K2", day, "55.00", "Kestrel Deli", "two"));
    var intake = drop("corrected.xml", corrected);
    assertThat(intake.at("/fresh").asInt()).isZero();
    assertThat(problems(intake))
        .anySatisfy(p -> assertThat(p).contains("50.00", "55.00", "until you accept"))
        .anySatisfy(p -> assertThat(p).contains("60.00", "until you accept"));
    assertThat(waiting()).containsExactlyInAnyOrder("40.00", "50.00", "60.00");

    // asked once, however often the file comes
    drop("corrected again.xml", corrected.replace("<MsgId>M<", "<MsgId>N<"));
    var asked = maren.get("/api/corrections").body();
    assertThat(asked).hasSize(2);
    for (var correction : asked) {
      expect(204, decide(correction, true));
    }
    assertThat(waiting()).containsExactlyInAnyOrder("40.00", "55.00");
    assertThat(maren.get("/api/corrections").body()).isEmpty();
    assertThat(maren.get("/api/corrections?status=ACCEPTED").body().at("/0/decidedBy").asText())
        .isEqualTo("maren");
    assertThat(decide(asked.get(0), false).text("/detail")).contains("maren accepted");
    assertEveryCentIsThere();

    // the first statement once more does not bring back what was corrected
    var old =
        camt(
            day,
            day,
            "0.00",
            booked("K1", day, "40.00", "Kestrel Deli", "one"),
            booked("K2", day, "50.00", "Kestrel Deli", "two"),
            booked("K3", day, "60.00", "Kestrel Deli", "three"));
    assertThat(drop("first again.xml", old).at("/fresh").asInt()).isZero();
    assertThat(maren.get("/api/corrections").body()).isEmpty();
    assertThat(waiting()).containsExactlyInAnyOrder("40.00", "55.00");
    assertEveryCentIsThere();
  }

  private List<String> waiting() {
    var amounts = new ArrayList<String>();
    for (var row : maren.get("/api/entries?q=Kestrel Deli").body().at("/rows")) {
      amounts.add(row.at("/amount/amount").asText());
    }
    return amounts;
  }

  private Clerk.Answer decide(JsonNode correction, boolean accept) {
    return maren.post(
        "/api/corrections/" + correction.at("/id").asText() + "/decision",
        "{\"accept\":" + accept + "}");
  }

  @Test
  void refusingADifferenceLeavesTheEntryAndIsNotAskedAgain() {
    var day = LocalDate.of(2026, 1, 19);
    drop("r1.xml", camt(day, day, "0.00", booked("R1", day, "41.00", "Rook Bakery", "one")));
    var corrected = camt(day, day, "0.00", booked("R1", day, "14.00", "Rook Bakery", "one"));
    drop("r2.xml", corrected);
    expect(204, decide(maren.get("/api/corrections").body().get(0), false));
    drop("r3.xml", corrected.replace("<MsgId>M<", "<MsgId>N<"));
    assertThat(maren.get("/api/corrections").body()).isEmpty();
    assertThat(maren.get("/api/entries?q=Rook Bakery").body().at("/rows/0/amount/amount").asText())
        .isEqualTo("41.00");
    assertEveryCentIsThere();
  }

  @Test
  void keepsTheTransactionsOfABatch() {
    var day = LocalDate.of(2026, 2, 9);
    var zero = Money.zero(CurrencyUnit.USD);
    var details =
        List.of(
            new EntryDetail(
                Optional.of(usd("10.00")),
                "Wren Cafe",
                "",
                "",
                "INV B-1",
                "",
                "E1",
                "",
                zero,
                Optional.empty()),
            new EntryDetail(
                Optional.of(usd("20.00")),
                "Finch Cafe",
                "",
                "",
                "INV B-2",
                "",
                "",
                "",
                usd("0.50"),
                Optional.empty()));
    var batch =
        new StatementEntry(
            "BATCH-1",
            day,
            day,
            usd("30.00"),
            "",
            "",
            "",
            "BATCH-1",
            "",
            "SEPA batch",
            EntryStatus.BOOKED,
            false,
            zero,
            details,
            0);
    drop("batch.xml", camt(day, day, "0.00", batch));
    var row = maren.get("/api/entries?q=Finch Cafe").body().at("/rows/0");
    var entry = maren.get("/api/entries/" + row.at("/id").asText()).body();
    assertThat(entry.at("/text").asText())
        .contains("Wren Cafe", "INV B-1", "Finch Cafe", "INV B-2");
    assertThat(entry.at("/parts")).hasSize(2);
    assertThat(entry.at("/parts/1/payerName").asText()).isEqualTo("Finch Cafe");
    assertThat(entry.at("/parts/1/amount/amount").asText()).isEqualTo("20.00");
    assertThat(entry.at("/parts/1/charges/amount").asText()).isEqualTo("0.50");
    assertThat(entry.at("/bankText").asText()).isEqualTo("SEPA batch");
  }

  /** The account number is found in whatever writing the bank uses. */
  @Test
  void findsTheAccountInEveryWriting() {
    var mt =
        ":20:X1\n:25:COPPERBECK/"
            + number
            + "USD\n:28C:1/1\n:60F:C260105USD0,\n:61:260105C3,NTRFX//MT-1\n:86:Magpie Diner\n:62F:C260105USD3,\n-\n";
    assertThat(drop("m.sta", mt).at("/format").asText()).isEqualTo("mt940");
    var bai =
        "01,1,2,260106,0800,1,80,,2/\n02,2,1,1,260106,,USD,2/\n03,"
            + number
            + ",,010,300,,,015,700,,/\n16,165,400,0,BAI-1,,Magpie Diner\n49,1400,3/\n98,1400,1,5/\n99,1400,1,7/\n";
    assertThat(drop("b.bai", bai).at("/problems")).isEmpty();
    assertThat(maren.get("/api/entries?q=Magpie").body().at("/rows")).hasSize(2);
  }

  /** What is saved as a file is known when that file comes back. */
  @ParameterizedTest
  @ValueSource(strings = {"camt.053", "ofx", "csv"})
  void savesTheEntriesAsAFileThatIsKnown(String format) {
    var account = maren.get("/api/me").body().at("/companies/0/bankAccounts/0/id").asText();
    var path = "/api/bank-accounts/" + account + "/entries?format=";
    var file = maren.saved(path + format + "&from=2026-05-01&until=2026-05-20");
    var intake = expect(201, maren.drop("saved", file, "?bankAccount=" + account)).body();
    assertThat(intake.at("/format").asText()).isEqualTo(format);
    assertThat(intake.at("/records").asInt()).isPositive();
    assertThat(intake.at("/fresh").asInt()).isZero();
    assertEveryCentIsThere();
    assertThat(maren.get(path + "pdf").status()).isEqualTo(400);
  }
}

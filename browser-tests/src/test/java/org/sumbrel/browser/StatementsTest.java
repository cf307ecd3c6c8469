package org.sumbrel.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page.GetByRoleOptions;
import com.microsoft.playwright.options.AriaRole;
import java.nio.file.Files;
import java.util.List;
import java.util.regex.Pattern;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/**
 * Statements of every format dropped on the page: together, twice, broken, with a gap, corrected.
 */
class StatementsTest extends BrowserTest {

  private RunningSumbrel sumbrel;

  @BeforeEach
  void start() throws Exception {
    sumbrel = RunningSumbrel.withDemoBooks();
    page.navigate(sumbrel.address());
    page.getByLabel("User").fill("maren");
    page.getByLabel("Password").fill("maren-demo");
    button("Sign in").click();
    page.getByRole(AriaRole.LINK, new GetByRoleOptions().setName(Pattern.compile("^Arrived")))
        .click();
    assertThat(page.getByText("Drop files anywhere, on any view")).isVisible();
  }

  @AfterEach
  void stop() {
    sumbrel.close();
    assertThat(scriptFailures).isEmpty();
  }

  private Locator button(String name) {
    return page.getByRole(AriaRole.BUTTON, new GetByRoleOptions().setName(name));
  }

  private Locator tab(String name) {
    return page.getByRole(AriaRole.TAB, new GetByRoleOptions().setName(name));
  }

  /** What the queue has of the payer. */
  private Locator waiting(String payer) {
    return page.getByRole(
        AriaRole.BUTTON, new GetByRoleOptions().setName(Pattern.compile("^" + payer)));
  }

  @Test
  void takesFiveFormatsAtOnceAndTheSameDayInTwoOnceAndKeepsNothingOfBrokenFiles() throws Exception {
    dropBrokenFiles();
    drop(
        Dropped.example("larkstow-operating-2026-05-29.ofx"),
        Dropped.example("larkstow-operating-2026-05-29.xml"),
        Dropped.example("larkstow-lockbox-2026-05-27.sta"),
        Dropped.example("larkstow-lockbox-2026-05-29.bai"),
        Dropped.example("larkstow-operating-intraday.csv"));

    assertThat(told("larkstow-operating-2026-05-29.ofx")).containsText("37 new, 0 known");
    assertThat(told("larkstow-operating-2026-05-29.xml"))
        .containsText("37 records, 0 new, 37 known already");
    assertThat(told("larkstow-lockbox-2026-05-27.sta")).containsText("2 records, 2 new");
    assertThat(told("larkstow-operating-intraday.csv")).containsText("2 records, 2 new");
    assertThat(told("larkstow-lockbox-2026-05-29.bai"))
        .containsText(
            "Something is missing between 27 May 2026 and 29 May 2026: the account had 15,566.40, this statement"
                + " opens with 18,126.40; 2,560.00 is not accounted for.");
    var formats = page.getByRole(AriaRole.TABLE, new GetByRoleOptions().setName("Intakes"));
    for (var format : List.of("ofx", "camt.053", "mt940", "bai2", "csv")) {
      assertThat(formats.getByRole(AriaRole.CELL).getByText(format).first()).isVisible();
    }

    tab("Statements, 1 gap").click();
    assertThat(region("Lockbox USD")).containsText("2,560.00 is not accounted for");
    assertThat(region("Operating USD")).containsText("no gaps");
    assertThat(region("Operating USD")).containsText("what they tell twice counts once");

    // the missing statement fills the gap
    drop(
        Dropped.text(
            "28.sta",
            """
            :20:LBX260528
            :25:4410027735
            :28C:102/1
            :60F:C260527USD15566,40
            :61:2605280528C2560,00NTRFNONREF//MT0528A
            :86:FORNO DEI VENTI LM-0020661
            :62F:C260528USD18126,40
            -
            """));
    assertThat(region("Lockbox USD")).containsText("no gaps");
    assertThat(tab("Statements")).isVisible();

    Download download =
        page.waitForDownload(
            () ->
                region("Lockbox USD")
                    .getByRole(AriaRole.LINK, new Locator.GetByRoleOptions().setName("camt.053"))
                    .click());
    assertThat(Files.readString(download.path())).contains("camt.053.001.08", "MT0528A", "2560.00");
  }

  /** Each is told with its line and reason; nothing of them is kept. */
  private void dropBrokenFiles() throws Exception {
    var whole = Files.readString(EXAMPLES.resolve("larkstow-operating-2026-05-29.xml"));
    var arrived =
        page.getByRole(AriaRole.LINK, new GetByRoleOptions().setName(Pattern.compile("^Arrived")));
    var before = arrived.textContent();
    drop(
        Dropped.text("cut.xml", whole.substring(0, whole.length() / 2)),
        Dropped.text(
            "wrong.xml", whole.replaceFirst("<Amt Ccy=\"USD\">1000.00", "<Amt Ccy=\"USD\">1e3")),
        Dropped.text(
            "evil.xml",
            whole.replace("<Document", "<!DOCTYPE x SYSTEM \"file:///etc/passwd\"><Document")),
        Dropped.text("letter.pdf", "%PDF-1.7 ..."));
    assertThat(told("cut.xml")).containsText("Nothing of this file was kept");
    assertThat(told("cut.xml")).containsText("Line ");
    assertThat(told("wrong.xml")).containsText("1e3");
    assertThat(told("evil.xml")).containsText("document type declaration is not read");
    assertThat(told("letter.pdf")).containsText("This is a PDF");
    assertThat(arrived).hasText(before);
  }

  private static String statement(String message, String... entries) {
    return "<?xml version=\"1.0\"?><Document xmlns=\"urn:iso:std:iso:20022:tech:xsd:camt.053.001.08\"><BkToCstmrStmt><GrpHdr><MsgId>"
        + message
        + "</MsgId></GrpHdr><Stmt><Id>"
        + message
        + "</Id><FrToDt><FrDtTm>2026-05-28T00:00:00</FrDtTm><ToDtTm>2026-05-28T23:59:59</ToDtTm></FrToDt>"
        + "<Acct><Id><Othr><Id>4410027735</Id></Othr></Id><Ccy>USD</Ccy></Acct>"
        + String.join("", entries)
        + "</Stmt></BkToCstmrStmt></Document>";
  }

  private static String entry(String id, String amount, String status, String payer) {
    return "<Ntry><Amt Ccy=\"USD\">"
        + amount
        + "</Amt><CdtDbtInd>CRDT</CdtDbtInd><Sts><Cd>"
        + status
        + "</Cd></Sts><BookgDt><Dt>2026-05-28</Dt></BookgDt><AcctSvcrRef>"
        + id
        + "</AcctSvcrRef><NtryDtls><TxDtls><RltdPties><Dbtr><Pty><Nm>"
        + payer
        + "</Nm></Pty></Dbtr></RltdPties></TxDtls></NtryDtls></Ntry>";
  }

  @Test
  void anAnnouncedEntryIsBookedOnceAndACorrectionIsAccepted() {
    drop(
        Dropped.text(
            "first.xml",
            statement(
                "A",
                entry("K1", "540.00", "BOOK", "Kestrel Deli"),
                entry("K2", "61.20", "BOOK", "Finch Cafe"),
                entry("K3", "33.00", "PDNG", "Wren Inn"))));
    assertThat(told("first.xml")).containsText("2 credits of 601.20");
    assertThat(told("first.xml")).containsText("1 entry of 33.00 USD announced");

    drop(
        Dropped.text(
            "second.xml",
            statement(
                "B",
                entry("K1", "504.00", "BOOK", "Kestrel Deli"),
                entry("K3", "33.00", "BOOK", "Wren Inn"))));
    assertThat(told("second.xml")).containsText("0 new");
    var differences = region("Differences to decide");
    assertThat(differences).containsText("Kestrel Deli");
    assertThat(differences).containsText("540.00");
    assertThat(differences).containsText("504.00");
    assertThat(differences).containsText("Finch Cafe");
    button("Take the statement's").click();
    assertThat(differences.getByText("Kestrel Deli")).hasCount(0);
    button("Keep ours").click();
    assertThat(differences).hasCount(0);

    page.getByRole(AriaRole.LINK, new GetByRoleOptions().setName(Pattern.compile("^Waiting")))
        .click();
    var search = page.getByLabel("Search the queue");
    search.fill("kestrel");
    assertThat(waiting("Kestrel Deli")).containsText("504.00");
    search.fill("wren inn");
    assertThat(waiting("Wren Inn")).hasCount(1);
    assertThat(waiting("Wren Inn")).containsText("33.00");
    search.fill("finch");
    assertThat(waiting("Finch Cafe")).containsText("61.20");
    page.navigate(sumbrel.address() + "/tied-out/cent-trail");
    assertThat(page.getByText(Pattern.compile("every cent that arrived"))).isVisible();
  }
}

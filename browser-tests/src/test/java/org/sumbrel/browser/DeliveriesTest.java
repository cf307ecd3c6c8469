package org.sumbrel.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page.GetByRoleOptions;
import com.microsoft.playwright.options.AriaRole;
import java.nio.file.Files;
import java.util.regex.Pattern;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** What comes in by itself, in pieces, in the wrong order or with something wrong in it. */
class DeliveriesTest extends SumbrelTest {

  /** One for all: each test has files and items of its own. */
  private static RunningSumbrel sumbrel;

  @BeforeAll
  static void start() throws Exception {
    sumbrel = RunningSumbrel.withDemoBooks();
  }

  @AfterAll
  static void stop() {
    sumbrel.close();
  }

  @BeforeEach
  void signIn() {
    signIn(page, "maren");
  }

  @Override
  RunningSumbrel application() {
    return sumbrel;
  }

  private Locator button(String name) {
    return page.getByRole(AriaRole.BUTTON, new GetByRoleOptions().setName(name).setExact(true));
  }

  private static void press(Locator in, String name) {
    in.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(name).setExact(true))
        .first()
        .click();
  }

  private Locator mood(String name) {
    return region("The bank")
        .getByRole(
            AriaRole.CHECKBOX, new Locator.GetByRoleOptions().setName(Pattern.compile("^" + name)));
  }

  private Locator table(String name) {
    return page.getByRole(AriaRole.TABLE, new GetByRoleOptions().setName(name));
  }

  private void toIntake() {
    page.navigate(sumbrel.address() + "/arrived/intake");
    assertThat(table("Intakes")).isVisible();
  }

  private void toEntry(String filter) {
    page.navigate(sumbrel.address() + "/waiting/desk");
    page.getByPlaceholder("payer, amount, text…").fill(filter);
    region("Queue").getByText(filter).first().click();
  }

  @Test
  void theSimulatedBankDeliversLateAndTwice() {
    page.navigate(sumbrel.address() + "/arrived/outside");
    assertThat(page.getByText("Simulated.")).isVisible();
    button("Connect").click();
    mood("Late").check();
    mood("Twice").check();
    button("Let a day go by").click();
    var files = table("Files of the simulated bank");
    assertThat(files.getByText("is late")).hasCount(2);
    region("The bank")
        .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Fetch what is ready"))
        .click();
    assertThat(files.getByText("is late")).hasCount(2);

    mood("Late").uncheck();
    mood("Twice").uncheck();
    assertThat(mood("Twice")).not().isChecked();
    button("Let a day go by").click();
    button("Fetch 3 files").click();
    assertThat(files.getByText("taken in")).hasCount(3);
    toIntake();
    // the latest first: the next day, the second copy, the late one
    var rows = table("Intakes").getByRole(AriaRole.ROW);
    assertThat(rows.nth(2)).containsText("the same file as simulated-");
    assertThat(rows.nth(2).getByRole(AriaRole.CELL).nth(4)).hasText("0");
    assertThat(rows.nth(3).getByRole(AriaRole.CELL).nth(5)).hasText("0");
    page.navigate(sumbrel.address() + "/tied-out/cent-trail");
    assertThat(page.getByText(Pattern.compile("every cent that arrived"))).isVisible();

    page.navigate(sumbrel.address() + "/arrived/outside");
    mood("Off-line").check();
    button("Let a day go by").click();
    button("Fetch 1 file").click();
    assertThat(
            page.getByText(
                "The simulated bank cannot be reached; nothing was fetched. 1 file waits there."))
        .isVisible();
  }

  @Test
  void aBrokenRecordIsPutRightAndAnotherShelved() {
    toIntake();
    drop(
        Dropped.text(
            "odd.csv",
            """
            date;amount;currency;account;payer;text
            26.05.2026;412,50;USD;4410027735;Finch Café;LM-9
            31.02.2026;1.170,00;USD;4410027735;Heron Bakery;May
            28.05.2026;61,20;USX;4410027735;Lark Pies;none
            """));
    assertThat(told("odd.csv")).containsText("Nothing of this file was kept");
    button("Take in the rest, mend these later").click();
    assertThat(told("odd.csv")).containsText("2 lines could not be read and were left out");
    told("odd.csv").getByText("What it brought").click();

    var lines = region("Lines to put right");
    assertThat(lines).containsText("31.02.2026");
    lines.getByLabel("date").first().fill("30.02.2026");
    press(lines, "Take the line in");
    assertThat(lines.getByRole(AriaRole.ALERT)).containsText("30.02.2026");
    lines.getByLabel("date").first().fill("28.02.2026");
    press(lines, "Take the line in");
    assertThat(lines).containsText("Put right by maren");
    press(lines, "Shelve it…");
    lines.getByLabel("Why").fill("a row of another bank");
    press(lines, "Shelve it");
    assertThat(lines).containsText("Shelved by maren");
    assertThat(lines).containsText("a row of another bank");
    lines.getByText("What it became").click();
    assertThat(table("Records")).containsText("1,170.00");
    assertThat(table("Records")).containsText("Heron Bakery");
    assertThat(page.getByText("Line 3 of odd.csv, put right")).isVisible();
  }

  @Test
  void anAdviceBeforeItsMoneyAndOneAfterIt() throws Exception {
    toIntake();
    drop(Dropped.example("thistlebrook-advice-2026-05-29.edi"));
    assertThat(told("thistlebrook-advice")).containsText("waits for its money");
    drop(Dropped.example("larkstow-operating-2026-05-29.ofx"));
    assertThat(told("larkstow-operating")).containsText("1 remittance advice has found its money");
    toEntry("745.50");
    var said = region("What the payer says");
    assertThat(said).containsText("3 lines: 745.50, which is what arrived");
    assertThat(page.getByText(Pattern.compile("the advice of .* lists these 3"))).isVisible();
    assertThat(page.getByText("nothing left")).isVisible();

    // the money is there already
    toIntake();
    button("Paste an advice…").click();
    page.getByLabel("Payer").fill("Bramble Pizza Oven");
    page.getByLabel("A document and what is paid of it on each line")
        .fill("LM-0020423   1,600.00\nZZ-404   89.10");
    button("Take it in").click();
    assertThat(page.getByText("1 remittance advice has found its money")).isVisible();
    assertThat(table("Records")).containsText("tied to its money");
    toEntry("1,689.10");
    assertThat(said).containsText("2 lines: 1,689.10, which is what arrived");
    assertThat(page.getByText(Pattern.compile("ZZ-404 with 89.10, which is nothing that is known")))
        .isVisible();
    said.getByText("Not this money").click();
    assertThat(said).hasCount(0);
    button("Is one about this?…").click();
    page.getByRole(AriaRole.RADIO).first().check();
    button("It is this one").click();
    assertThat(said).containsText("tied by hand");
  }

  @Test
  void anUpdateThatWouldTakeAwayASettledInvoiceIsRefusedWithItsReason() {
    toIntake();
    drop(
        Dropped.text(
            "later.csv",
            """
            number,customer_id,issue_date,due_date,currency,total,open,status
            LM-0020443,C048,2026-04-27,2026-05-18,USD,982.50,0.00,cancelled
            LM-0020527,C048,2026-05-14,2026-07-15,USD,937.60,937.60,open
            """));
    assertThat(told("later.csv")).containsText("2 things about known items are told otherwise");
    var decide = region("Differences to decide");
    assertThat(decide).containsText("LM-0020443 cannot be taken away: 982.50 of it is settled");
    assertThat(decide.getByText("Take it away")).hasCount(0);
    assertThat(decide).containsText("due Jul 15");
    decide.getByText("Take its due date").click();
    assertThat(decide).not().containsText("LM-0020527");
    decide.getByText("Keep ours").click();
    assertThat(decide).hasCount(0);
    page.navigate(sumbrel.address() + "/posted/customers");
    page.getByText("Alder Pizza Oven").click();
    assertThat(page.getByText("Jul 15").first()).isVisible();
  }

  @Test
  void whatIsPutIntoTheWatchedFolderComesInByItself() throws Exception {
    toIntake();
    assertThat(page.getByText("are taken in by themselves")).isVisible();
    Files.writeString(
        sumbrel.inbox().resolve("night.csv"),
        "entry_id,account,booking_date,amount,currency,payer_name\nNIGHT1,4410027735,2026-05-28,31.40,USD,Wren\n");
    Files.writeString(sumbrel.inbox().resolve("torn.csv"), "date,amount,currency\n2026-05-28,1");
    assertThat(table("Intakes")).containsText("night.csv");
    assertThat(table("Intakes").getByRole(AriaRole.ROW).nth(1)).containsText("inbox");
    assertThat(page.getByText("broken/torn.csv")).isVisible();
    assertThat(sumbrel.inbox().resolve("done/night.csv").toFile()).exists();
    assertThat(sumbrel.inbox().resolve("broken/torn.csv.report.txt").toFile()).exists();
    button("Seen to").click();
    assertThat(page.getByText("broken/torn.csv")).hasCount(0);
  }

  @Test
  void entriesOfABankWithoutFilesAreTyped() {
    toIntake();
    button("Type entries…").click();
    page.getByLabel("Amount, USD").fill("44.10");
    page.getByLabel("Payer").fill("Wren Buns");
    button("Take 1 entry in").click();
    assertThat(page.getByText("Typed entries of Operating USD").first()).isVisible();
    assertThat(table("Records")).containsText("44.10");
    assertThat(table("Records")).containsText("waits");
  }
}

package org.sumbrel.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page.GetByLabelOptions;
import com.microsoft.playwright.Page.GetByRoleOptions;
import com.microsoft.playwright.options.AriaRole;
import java.nio.file.Files;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** The day's work in pictures, the books behind any figure, and what goes out. */
class BooksTest extends DeskTest {

  private Locator link(String name) {
    return page.getByRole(AriaRole.LINK, new GetByRoleOptions().setName(name).setExact(true));
  }

  private void takeInTheDay() throws Exception {
    page.navigate(sumbrel.address() + "/arrived/intake");
    assertThat(page.getByText("Drop files anywhere, on any view")).isVisible();
    drop(Dropped.example("larkstow-operating-2026-05-29.ofx"));
    assertThat(page.getByText("37 records, 37 new, 0 known already")).isVisible();
  }

  @Test
  void theDaySheetLeadsDownToAnEntry() throws Exception {
    signIn(page, "maren");
    takeInTheDay();
    page.navigate(sumbrel.address() + "/tied-out/day");
    assertThat(region("Waiting, the oldest first")).containsText("BRAMBLE PIZZA OVEN");
    assertThat(region("Ageing")).containsText("154,076.70");
    assertThat(region("Days sales outstanding")).containsText("days");

    button("^Arrived on this day").click();
    var behind =
        page.getByRole(AriaRole.DIALOG, new GetByRoleOptions().setName("Arrived on this day"));
    behind
        .getByRole(AriaRole.LINK, new Locator.GetByRoleOptions().setName("OSKAR DAUGHTERS BAKEHSE"))
        .first()
        .click();
    assertThat(region("Receipt")).containsText("3,072.00");

    // any past day too, in its address
    page.navigate(sumbrel.address() + "/tied-out/day?on=2026-05-18");
    assertThat(region("Arrived and settled, the last two weeks"))
        .containsText(Pattern.compile("Settled on this day\\s*4"));
    button("^Settled on this day").click();
    var settled =
        page.getByRole(AriaRole.DIALOG, new GetByRoleOptions().setName("Settled on this day"));
    settled.getByRole(AriaRole.LINK).first().click();
    assertThat(page.getByText(Pattern.compile("^Settlement \\d+")).first()).isVisible();
  }

  @SuppressWarnings("unchecked")
  private void toAccount(String text, String amount, Object account) {
    var entry =
        rows(page, "/api/found?what=ENTRIES&q=" + text).stream()
            .filter(row -> ((Map<String, Object>) row.get("amount")).get("amount").equals(amount))
            .findFirst()
            .orElseThrow();
    var kept = amount.startsWith("-") ? amount.substring(1) : "-" + amount;
    call(
        page,
        "POST",
        "/api/settlements",
        """
        {"entryId":%s,"applications":[],"adjustments":[{"kind":"TO_ACCOUNT","amount":{"amount":"%s","currency":"USD"},"accountId":%s,"text":"wire"}]}
        """
            .formatted(entry.get("id"), kept, account));
  }

  @Test
  @SuppressWarnings("unchecked")
  void aFeeAndItsRefundAreSeenToCancel() {
    signIn(page, "osric");
    page.navigate(sumbrel.address() + "/arrived/intake");
    assertThat(page.getByText("Drop files anywhere, on any view")).isVisible();
    page.getByLabel("For", new GetByLabelOptions().setExact(true)).click();
    page.getByRole(AriaRole.OPTION, new GetByRoleOptions().setName("Operating USD")).click();
    drop(
        Dropped.text(
            "fees.csv",
            """
            entry_id,booking_date,amount,currency,payer_name,remittance
            FEE-1,2026-05-27,-31.00,USD,Copperbeck Savings Bank,WIRECHARGE
            FEE-2,2026-05-29,31.00,USD,Copperbeck Savings Bank,WIRECHARGE GIVEN BACK
            """));
    assertThat(page.getByText("2 records, 2 new, 0 known already")).isVisible();
    var fees =
        ((List<Map<String, Object>>) call(page, "GET", "/api/ledger-accounts", ""))
            .stream().filter(a -> a.get("code").equals("6100")).findFirst().orElseThrow();
    toAccount("WIRECHARGE", "-31.00", fees.get("id"));
    toAccount("WIRECHARGE", "31.00", fees.get("id"));

    page.navigate(sumbrel.address() + "/posted/books");
    assertThat(page.getByText("the difference is 0.00").first()).isVisible();
    link("Bank fees").click();
    assertThat(page.getByRole(AriaRole.HEADING)).containsText("6100 Bank fees");
    var lines = page.getByRole(AriaRole.LISTITEM);
    var back = lines.last();
    var balanceBefore = lines.nth(lines.count() - 3).locator(".figure").last().innerText();
    assertThat(back.locator(".figure").last()).hasText(balanceBefore);
    var joined = back.getByRole(AriaRole.BUTTON);
    assertThat(joined).containsText("same amount the other way");
    assertThat(joined).containsText("0.00 together");
    joined.click();
    assertThat(
            page.getByRole(
                AriaRole.BUTTON,
                new GetByRoleOptions().setName(Pattern.compile("0.00 together")).setPressed(true)))
        .hasCount(2);
  }

  @Test
  void theJournalGoesOutOnceAndAgainOnlyOnPurpose() throws Exception {
    signIn(page, "maren");
    page.navigate(sumbrel.address() + "/posted/exports");
    button("^Export 1,0\\d\\d entries").click();
    assertThat(page.getByText("Every entry until then is exported.")).isVisible();
    var download = page.waitForDownload(() -> button("^Plain-text ledger").click());
    assertThat(download.suggestedFilename()).isEqualTo("journal-1-until-2026-05-29.ledger");
    var ledger = Files.readString(download.path());
    assertThat(ledger)
        .contains("account 1100 Accounts receivable:C003 Oskar & Daughters Bakehouse");

    button("^Plain-text ledger again").click();
    page.getByLabel("Why").fill("the disk of the ledger was lost");
    var again = page.waitForDownload(() -> button("^Take it again").click());
    assertThat(Files.readString(again.path())).isEqualTo(ledger);
    assertThat(page.getByText("the disk of the ledger was lost")).isVisible();

    // and the trail has it, with who and when
    page.navigate(sumbrel.address() + "/audit?what=journal_export_taken");
    assertThat(page.getByText("the disk of the ledger was lost")).isVisible();
  }

  @Test
  void everythingIsFoundFromAnywhereByOneKey() {
    signIn(page, "tolly");
    page.navigate(sumbrel.address() + "/posted/exports");
    assertThat(page.getByText("The journal for the general ledger")).isVisible();
    page.keyboard().press("/");
    page.keyboard().type("LM-0020595");
    var found = page.getByRole(AriaRole.OPTION);
    assertThat(found.first()).containsText("LM-0020595");
    page.keyboard().press("Enter");
    assertThat(page.getByText("LM-0020595").first()).isVisible();
    assertThat(page).hasURL(Pattern.compile("/posted/items/\\d+$"));

    // what was opened last stands there first
    page.keyboard().press("/");
    assertThat(page.getByText("Opened last")).isVisible();
    assertThat(found.first()).containsText("LM-0020595");
    page.keyboard().type("tamarisk");
    assertThat(found.first()).containsText("Café Tamarisk");
    page.keyboard().press("ArrowDown");
    assertThat(found.nth(1)).hasAttribute("aria-selected", "true");
    page.keyboard().press("Escape");
    assertThat(page.getByRole(AriaRole.DIALOG)).hasCount(0);
    page.keyboard().press("?");
    assertThat(page.getByRole(AriaRole.DIALOG)).containsText("search everything");
  }

  @Test
  void aWrongChangeOfASettingIsTakenBack() {
    signIn(page, "wynne");
    page.navigate(sumbrel.address() + "/settings/chart");
    button("^Change 6500").click();
    page.getByLabel("Account", new GetByLabelOptions().setExact(true)).fill("Wrong");
    button("^Save$").click();
    assertThat(page.getByRole(AriaRole.DIALOG)).hasCount(0);
    assertThat(page.getByText("name: Other expenses → Wrong")).isVisible();
    button("^Take back the change").first().click();
    assertThat(page.getByText("name: Wrong → Other expenses")).isVisible();
    assertThat(
            page.getByRole(
                AriaRole.CELL, new GetByRoleOptions().setName("Other expenses").setExact(true)))
        .isVisible();
  }

  @Test
  void anAdministratorAddsAUser() {
    signIn(page, "wynne");
    page.navigate(sumbrel.address() + "/users");
    page.getByLabel("User", new GetByLabelOptions().setExact(true)).fill("cora");
    page.getByLabel("Full name").fill("Cora Lowe");
    page.getByLabel("First password").fill("another long one");
    button("^Add$").click();
    assertThat(page.getByRole(AriaRole.CELL, new GetByRoleOptions().setName("Cora Lowe")))
        .isVisible();
  }
}

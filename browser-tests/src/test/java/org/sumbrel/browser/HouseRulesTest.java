package org.sumbrel.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page.GetByLabelOptions;
import com.microsoft.playwright.Page.GetByRoleOptions;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.SelectOption;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** What is no receipt: decided once by a house rule, or a transfer between own accounts. */
class HouseRulesTest extends DeskTest {

  private static final String DAY = "larkstow-operating-2026-05-29.ofx";

  private Locator field(String label) {
    return page.getByLabel(label, new GetByLabelOptions().setExact(true));
  }

  private Locator fromUs() {
    return page.getByRole(AriaRole.NAVIGATION, new GetByRoleOptions().setName("Money from us"));
  }

  private void bringTheDay() throws IOException {
    bring(Dropped.example(DAY));
    assertThat(page.getByText(Pattern.compile("37 records, (37 new, 0|0 new, 37) known")).first())
        .isVisible();
  }

  @Test
  void aTreatmentForBankChargesTriedOnThePastThenPostingByItself() throws Exception {
    signIn(page, "osric");
    bringTheDay();
    page.navigate(sumbrel.address() + "/house-rules");
    button("^New treatment$").click();
    field("What it is called").fill("Bank charges");
    // too wide: it would have taken what paid invoices
    field("Words in the name or the text, all of them").fill("flour");
    field("Which way").selectOption("TO_US");
    field("Account").selectOption(new SelectOption().setLabel("6100 Bank fees"));
    field("Never more than").fill("5000");
    var tried = page.getByLabel("What it would have done");
    assertThat(tried).containsText("would have gone wrong");
    assertThat(tried).containsText("They paid invoices");
    // the bank's own charges, with a cap between the two of them
    field("Words in the name or the text, all of them").fill("copperbeck savings bank");
    field("Which way").selectOption("FROM_US");
    field("Never more than").fill("15");
    assertThat(tried).containsText("Since Feb 28 it would have taken 3 entries.");
    assertThat(tried).not().containsText("would have gone wrong");
    assertThat(tried).containsText("2 entries went to just these accounts");
    assertThat(tried).containsText("3 entries beyond the cap");
    field("How far it goes").selectOption("POSTS");
    assertThat(tried).containsText("Kept, it posts them at once");
    button("^Keep this treatment$").click();
    var kept = region("Treatment Bank charges");
    assertThat(kept).containsText("posts it by itself: 6100 Bank fees. Never more than 15.00.");
    assertThat(kept).containsText("Explains 1 entry, 4.50, last May 29");
    assertThat(kept).containsText("made by osric");

    // the small one is posted, the large one is left and told why
    page.navigate(sumbrel.address() + "/waiting/from-us");
    assertThat(fromUs()).not().containsText("ACCOUNT FEE MAY");
    fromUs().getByText("WIRE CHARGES").click();
    assertThat(region("House rule “Bank charges”"))
        .containsText("18.00 is beyond the cap of 15.00");
    page.navigate(sumbrel.address() + "/posted/settlements");
    assertThat(page.getByText("by the house rule “Bank charges”")).isVisible();

    // what comes next is posted as it comes
    drop(
        "statement.csv",
        "entry_id,booking_date,amount,currency,payer_name,remittance\n"
            + "HR-1,2026-05-29,-7.25,USD,COPPERBECK SAVINGS BANK,COURIER\n",
        "1 record, 1 new");
    page.navigate(sumbrel.address() + "/house-rules");
    assertThat(kept).containsText("Explains 2 entries, 11.75");
    button("^Turn Bank charges off$").click();
    assertThat(kept).containsText("Bank charges (off)");
    drop(
        "statement.csv",
        "entry_id,booking_date,amount,currency,payer_name,remittance\n"
            + "HR-2,2026-05-29,-7.35,USD,COPPERBECK SAVINGS BANK,COURIER\n",
        "1 record, 1 new");
    page.navigate(sumbrel.address() + "/waiting/from-us");
    assertThat(fromUs()).containsText("7.35");
    assertThat(fromUs()).not().containsText("7.25");

    // out as a file, changed there, and in again
    page.navigate(sumbrel.address() + "/house-rules");
    var download =
        page.waitForDownload(
            () ->
                page.getByRole(AriaRole.LINK, new GetByRoleOptions().setName("Save as a file"))
                    .click());
    var file = Files.createTempFile("rules", ".yml");
    var text = Files.readString(download.path(), StandardCharsets.UTF_8);
    Files.writeString(
        file,
        text.replace("cap: \"15.00\"", "cap: \"20.00\"")
            .replace("in_use: \"no\"", "in_use: \"yes\""));
    page.getByLabel("File of house rules").setInputFiles(file);
    assertThat(page.getByText("0 treatments added, 1 changed, 0 aliases added.")).isVisible();
    assertThat(kept).containsText("Never more than 20.00");
    assertThat(kept).containsText("Explains 4 entries");
  }

  @Test
  void aTransferBetweenOwnAccountsIsJoinedDaysApart() throws Exception {
    signIn(page, "maren");
    bringTheDay();
    bring(Dropped.example("larkstow-lockbox-2026-05-29.bai"));
    assertThat(page.getByText("2 records, 2 new, 0 known already")).isVisible();
    page.navigate(sumbrel.address() + "/waiting/from-us");
    fromUs().getByText("OWN TRANSFER").click();
    var way = region("Between your own accounts");
    assertThat(way).containsText("came to Lockbox USD on May 29, 1 day later");
    assertThat(way).containsText("One of the two speaks of the other account.");
    button("^Join both sides$").click();
    assertThat(fromUs()).not().containsText("OWN TRANSFER");
    page.navigate(sumbrel.address() + "/posted/settlements");
    assertThat(page.getByText("one side of a transfer, the other on Lockbox USD")).isVisible();
    assertThat(page.getByText("one side of a transfer, the other on Operating USD")).isVisible();
    // nothing is under way any more
    page.navigate(sumbrel.address() + "/posted/books");
    var underWay =
        page.getByRole(
            AriaRole.ROW,
            new GetByRoleOptions().setName(Pattern.compile("Own transfers under way")));
    assertThat(underWay.locator("td").nth(5)).isEmpty();
    assertThat(underWay.locator("td").nth(6)).isEmpty();
  }
}

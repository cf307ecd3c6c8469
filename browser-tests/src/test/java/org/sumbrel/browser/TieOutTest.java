package org.sumbrel.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page.GetByLabelOptions;
import com.microsoft.playwright.Page.GetByRoleOptions;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** The end of the day: bank and books tied out, and every cent somewhere. */
class TieOutTest extends FreshSumbrelTest {

  private Locator button(String pattern) {
    return page.getByRole(
        AriaRole.BUTTON, new GetByRoleOptions().setName(Pattern.compile(pattern)));
  }

  private Locator field(String label) {
    return page.getByLabel(label, new GetByLabelOptions().setExact(true));
  }

  private Locator dialog() {
    return page.getByRole(AriaRole.DIALOG);
  }

  @Test
  void aTranspositionIsFoundTheDayClosedAndReopened() throws Exception {
    signIn(page, "osric");
    page.navigate(sumbrel.address() + "/arrived/intake");
    assertThat(page.getByText("Drop files anywhere, on any view")).isVisible();
    drop(Dropped.example("larkstow-operating-2026-05-29.ofx"));
    assertThat(page.getByText("37 records, 37 new, 0 known already")).isVisible();
    page.navigate(sumbrel.address() + "/tied-out/accounts");
    assertThat(page.getByText("Bank and books agree to the cent")).isVisible();
    assertThat(region("The bank")).containsText("519,814.06");
    assertThat(region("The bank")).containsText("in transit");
    assertThat(region("The books")).containsText("not explained, 44");

    // two digits in the wrong order
    field("The bank shows").fill("591814.06");
    assertThat(page.getByText("The bank shows 72,000.00 more than the books")).isVisible();
    assertThat(region("Where the gap may come from"))
        .containsText(
            "The balance of the bank: 591,814.06 may be 519,814.06, with two digits in the other order");
    assertThat(button("^Close May 29")).isDisabled();

    // an error of the bank explains what it is
    field("The bank shows").fill("519804.06");
    assertThat(page.getByText("The bank shows 10.00 less than the books")).isVisible();
    button("^Write an error down").click();
    assertThat(dialog().getByLabel("The balance has to change by")).hasValue("10.00");
    dialog().getByLabel("What happened").fill("a charge of another firm");
    dialog()
        .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Write it down"))
        .click();
    assertThat(page.getByText("Bank and books agree to the cent")).isVisible();
    assertThat(region("The bank")).containsText("a charge of another firm");
    button("^It is right now").click();
    dialog()
        .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("It is right"))
        .click();
    assertThat(page.getByText("The bank shows 10.00 less than the books")).isVisible();
    // while a dialog fades it holds the focus
    assertThat(dialog()).hasCount(0);
    field("The bank shows").fill("");
    assertThat(page.getByText("Bank and books agree to the cent")).isVisible();

    // closed with a name and a time
    button("^Close May 29").click();
    assertThat(dialog()).containsText("519,814.06");
    assertThat(dialog()).containsText("45 things between them go on into the next one.");
    dialog().getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Close it")).click();
    var closed = region("Closed before");
    assertThat(closed).containsText("May 29, 2026");
    assertThat(closed).containsText("osric");
    assertThat(page.getByText("May 29 is closed; this is how it stands today.")).isVisible();
    assertThat(button("^Close May 29")).hasCount(0);

    // what is posted now goes to the next day, and says so
    var waiting = rows(page, "/api/entries?standing=CLEAR&limit=1").get(0);
    page.navigate(sumbrel.address() + "/waiting/desk/" + waiting.get("id"));
    assertThat(region("Remainder").getByText("Left").locator("..")).containsText("0.00");
    page.keyboard().press("Control+Enter");
    assertThat(page.getByText(Pattern.compile("^Posted [0-9,.]+ from"))).isVisible();
    page.navigate(sumbrel.address() + "/posted/journal");
    assertThat(page.getByText("for May 30 (of May 29, which is closed)").first()).isVisible();

    // the closed one is what it was
    page.navigate(sumbrel.address() + "/tied-out/accounts");
    button("^As it was$").click();
    assertThat(closed).containsText("not explained, 44");

    page.navigate(sumbrel.address() + "/tied-out/accounts");
    button("^Reopen…$").click();
    dialog().getByLabel("Why").fill("a cheque was missed");
    dialog()
        .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Reopen it"))
        .click();
    assertThat(closed).containsText("reopened by osric");
    assertThat(closed).containsText("a cheque was missed");
    assertThat(button("^Close May 29")).isEnabled();
  }
}

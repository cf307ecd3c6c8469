package org.sumbrel.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Page.GetByRoleOptions;
import com.microsoft.playwright.assertions.LocatorAssertions.HasCountOptions;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** Two people on one queue, somebody who may only look, and files that are broken. */
class TwoPeopleTest extends FreshSumbrelTest {

  private static Locator postButton(Page in) {
    return region(in, "Remainder")
        .getByRole(
            AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(Pattern.compile("^Post")));
  }

  @Test
  void tellsTheSecondWhoWasFirst() {
    var colleague = anotherPage();
    signInAtTheDesk(page, "maren");
    signInAtTheDesk(colleague, "osric");
    assertThat(region(page, "Receipt")).containsText("Bramble Pizza Oven");
    assertThat(region(colleague, "Receipt")).containsText("Bramble Pizza Oven");
    assertThat(postButton(colleague)).isEnabled();
    assertThat(postButton(page)).isEnabled();

    postButton(page).click();
    assertThat(page.getByText(Pattern.compile("Posted 1,689.10"))).isVisible();
    postButton(colleague).click();

    assertThat(colleague.getByRole(AriaRole.ALERT).first())
        .containsText("settled already by maren");
    // what the first posted shows with the second without a reload
    assertThat(region(colleague, "Queue").getByText("Bramble Pizza Oven"))
        .hasCount(0, new HasCountOptions().setTimeout(20_000));
    colleague.context().close();
  }

  @Test
  void letsAnAuditorLookAndChangeNothing() {
    signInAtTheDesk(page, "tolly");
    assertThat(region(page, "Receipt")).containsText("Bramble Pizza Oven");
    assertThat(postButton(page)).isDisabled();
    assertThat(region(page, "Account").getByRole(AriaRole.CHECKBOX).first()).isDisabled();
    page.navigate(sumbrel.address() + "/arrived/intake");
    assertThat(page.getByText("Files taken in")).isVisible();
    assertThat(page.getByText("Choose files")).hasCount(0);
    page.navigate(sumbrel.address() + "/posted/settlements");
    assertThat(page.getByText("Reverse…").first()).isDisabled();
  }

  @Test
  void keepsNothingOfABrokenFileAndSaysWhere() {
    signIn(page, "maren");
    page.navigate(sumbrel.address() + "/arrived/intake");
    var arrived =
        page.getByRole(AriaRole.LINK, new GetByRoleOptions().setName(Pattern.compile("^Arrived")))
            .innerText();
    var text =
        "entry_id,booking_date,amount,currency\nE1,2026-05-28,12.00,USD\nE2,28 May,12.00,USD\n";
    page.locator("input[type=file]")
        .setInputFiles(
            new FilePayload("broken.csv", "text/csv", text.getBytes(StandardCharsets.UTF_8)));
    var alert = page.getByRole(AriaRole.ALERT);
    assertThat(alert).containsText("Nothing of this file was kept");
    assertThat(alert)
        .containsText("Line 3: booking_date \"28 May\" is not a date such as 2026-05-29");
    assertThat(
            page.getByRole(
                AriaRole.LINK, new GetByRoleOptions().setName(Pattern.compile("^Arrived"))))
        .containsText(arrived.split("\n")[1]);
  }

  @Test
  void settlesEurosForTheOtherCompany() {
    signInAtTheDesk(page, "maren");
    page.getByRole(
            AriaRole.BUTTON, new GetByRoleOptions().setName(Pattern.compile("company, light")))
        .click();
    page.getByRole(AriaRole.MENUITEM, new GetByRoleOptions().setName("Larkstow Grain Export Ltd"))
        .click();
    page.navigate(sumbrel.address() + "/arrived/intake");
    page.locator("input[type=file]")
        .setInputFiles(Path.of("../examples/larkstow-export-2026-05-29.csv"));
    assertThat(page.getByText("4 records, 4 new")).isVisible();
    page.getByText("To the desk").click();
    assertThat(region(page, "Queue")).containsText("Moulin Importers SARL");
    assertThat(region(page, "Explanations")).containsText("its check digits hold");
    postButton(page).click();
    assertThat(page.getByText(Pattern.compile("^Posted 940.00 from MOULIN"))).isVisible();
  }
}

package org.sumbrel.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page.GetByLabelOptions;
import com.microsoft.playwright.Page.GetByRoleOptions;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** Outside the demonstration nobody is built in: the first start asks for an administrator. */
class FirstStartTest extends BrowserTest {

  private RunningSumbrel sumbrel;

  @BeforeEach
  void start() throws Exception {
    sumbrel = RunningSumbrel.served();
    page.navigate(sumbrel.address());
  }

  @AfterEach
  void stop() {
    sumbrel.close();
  }

  private Locator field(String label) {
    return page.getByLabel(label, new GetByLabelOptions().setExact(true));
  }

  private Locator button(String name) {
    return page.getByRole(AriaRole.BUTTON, new GetByRoleOptions().setName(name));
  }

  /** The way that is laid out for a new company, with the samples that it offers. */
  @Test
  void leadsFromTheOneTimeCodeToTheFirstSettledInvoice() {
    assertThat(
            page.getByRole(
                AriaRole.HEADING, new GetByRoleOptions().setName("The first administrator")))
        .isVisible();
    assertThat(page.getByText("This is a demonstration")).hasCount(0);
    field("One-time code").fill("AAAA-BBBB-CCCC");
    field("User").fill("ada");
    field("Full name").fill("Ada Weir");
    field("Password").fill("quite long enough");
    button("Add administrator").click();
    assertThat(page.getByRole(AriaRole.ALERT)).containsText("not the one-time code");
    field("One-time code").fill(sumbrel.code().toLowerCase());
    field("Password").fill("short");
    button("Add administrator").click();
    assertThat(page.getByRole(AriaRole.ALERT)).containsText("at least 10 characters");
    field("Password").fill("quite long enough");
    button("Add administrator").click();

    assertThat(page.getByRole(AriaRole.HEADING, new GetByRoleOptions().setName("First steps")))
        .isVisible();
    assertThat(region("The company")).isVisible();
    page.navigate(sumbrel.address() + "/users");
    assertThat(page.getByRole(AriaRole.CELL, new GetByRoleOptions().setName("ada").setExact(true)))
        .isVisible();
    page.navigate(sumbrel.address() + "/start");
    field("Name").fill("Weir & Daughters");
    field("Books in").fill("nothing");
    button("Set up the company").click();
    assertThat(page.getByRole(AriaRole.ALERT)).containsText("is no currency");
    field("Books in").fill("EUR");
    button("Set up the company").click();
    field("Number").fill("DE02100100109307118603");
    button("Add the account").click();
    field("User").fill("ben");
    field("Full name").fill("Ben Lowe");
    field("Password").fill("another long one");
    button("Make the user and go on as him").click();

    button("Take the sample").click();
    assertThat(region("The first invoices")).containsText("6 items in the books");
    button("Take the sample").click();
    assertThat(region("The first statement")).containsText("5 entries of the bank");
    page.getByRole(AriaRole.LINK, new GetByRoleOptions().setName("To the desk")).click();
    assertThat(region("Receipt")).containsText("SAMPLE-101");
    page.getByRole(AriaRole.BUTTON, new GetByRoleOptions().setName(Pattern.compile("^Post 420.00")))
        .click();
    assertThat(page.getByText(Pattern.compile("Posted 420.00"))).isVisible();

    page.navigate(sumbrel.address() + "/start");
    assertThat(page.getByText("1 settlement so far.")).isVisible();
    assertThat(page.getByText("That is all.")).isVisible();
  }
}

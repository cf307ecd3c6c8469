package org.sumbrel.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Page.GetByLabelOptions;
import com.microsoft.playwright.Page.GetByRoleOptions;
import com.microsoft.playwright.options.AriaRole;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** Outside the demonstration nobody is built in: the first start asks for an administrator. */
class FirstStartTest extends BrowserTest {

  private RunningSumbrel sumbrel;

  @BeforeEach
  void start() throws Exception {
    sumbrel = RunningSumbrel.empty();
    page.navigate(sumbrel.address());
  }

  @AfterEach
  void stop() {
    sumbrel.close();
  }

  @Test
  void asksForAnAdministratorWhoAddsTheOthers() {
    assertThat(page.getByText("The first administrator")).isVisible();
    assertThat(page.getByText("This is a demonstration")).hasCount(0);
    page.getByLabel("User").fill("ada");
    page.getByLabel("Full name").fill("Ada Weir");
    page.getByLabel("Password").fill("short");
    page.getByRole(AriaRole.BUTTON, new GetByRoleOptions().setName("Make administrator")).click();
    assertThat(page.getByRole(AriaRole.ALERT)).containsText("at least 10 characters");
    page.getByLabel("Password").fill("quite long enough");
    page.getByRole(AriaRole.BUTTON, new GetByRoleOptions().setName("Make administrator")).click();
    assertThat(page.getByRole(AriaRole.CELL, new GetByRoleOptions().setName("ada").setExact(true)))
        .isVisible();

    page.getByLabel("User", new GetByLabelOptions().setExact(true)).fill("ben");
    page.getByLabel("Full name").fill("Ben Lowe");
    page.getByLabel("First password").fill("another long one");
    page.getByRole(AriaRole.BUTTON, new GetByRoleOptions().setName("Add").setExact(true)).click();
    assertThat(page.getByRole(AriaRole.CELL, new GetByRoleOptions().setName("Ben Lowe")))
        .isVisible();
  }
}

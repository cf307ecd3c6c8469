package org.sumbrel.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.Page.GetByRoleOptions;
import com.microsoft.playwright.options.AriaRole;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;

/** Each test with an application of its own, as it is on the demo company's first day. */
abstract class FreshSumbrelTest extends BrowserTest {

  RunningSumbrel sumbrel;

  @BeforeEach
  void start() throws Exception {
    sumbrel = application();
  }

  RunningSumbrel application() throws Exception {
    return RunningSumbrel.withDemoBooks();
  }

  @AfterEach
  void stop() {
    sumbrel.close();
    assertThat(scriptFailures).isEmpty();
  }

  void signIn(Page by, String name) {
    by.navigate(sumbrel.address());
    by.getByRole(AriaRole.BUTTON, new GetByRoleOptions().setName(name).setExact(true)).click();
    assertThat(by.getByLabel("Flow of the day")).isVisible();
  }
}

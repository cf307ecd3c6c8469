package org.sumbrel.browser;

import com.microsoft.playwright.PlaywrightException;
import org.junit.jupiter.api.extension.AfterTestExecutionCallback;
import org.junit.jupiter.api.extension.ExtensionContext;

/**
 * Prints what the pages of a failed check showed, as a screen reader would be told: a check that
 * fails now and then, on another machine, leaves nothing else to see.
 */
class TellOfPages implements AfterTestExecutionCallback {

  @Override
  public void afterTestExecution(ExtensionContext check) {
    if (check.getExecutionException().isEmpty()) {
      return;
    }
    var test = (BrowserTest) check.getRequiredTestInstance();
    var open = test.page.context().browser().contexts().stream();
    for (var page : open.flatMap(c -> c.pages().stream()).toList()) {
      System.out.println(check.getDisplayName() + " failed on " + page.url());
      try {
        System.out.println(page.locator("body").ariaSnapshot());
      } catch (PlaywrightException gone) {
        System.out.println("which shows nothing any more: " + gone.getMessage());
      }
    }
    System.out.println("Failures of its scripts: " + test.scriptFailures);
  }
}

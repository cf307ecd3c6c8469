package org.sumbrel.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page.GetByRoleOptions;
import com.microsoft.playwright.options.AriaRole;
import java.sql.DriverManager;
import java.util.Map;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** Books that were broken behind the application's back. */
class BrokenTrailTest extends FreshSumbrelTest {

  @Override
  RunningSumbrel started() throws Exception {
    var data = RunningSumbrel.demoFolder();
    try (var books = DriverManager.getConnection(RunningSumbrel.database(data), "sumbrel", "");
        var breaking = books.createStatement()) {
      breaking.executeUpdate(
          "update settlement_application set amount_minor = amount_minor - 125 where id = (select min(a.id)"
              + " from settlement_application a join settlement s on s.id = a.settlement_id where a.amount_minor > 10000)");
    }
    return RunningSumbrel.withBooksOf(data);
  }

  @Test
  void breaksTheLineAndOpensItsItems() {
    signInAtTheDesk(page, "maren");
    var flow = page.getByLabel("Flow of the day");
    assertThat(flow).containsText("1.25 missing");
    flow.getByRole(
            AriaRole.LINK,
            new Locator.GetByRoleOptions().setName(Pattern.compile("^The line breaks here")))
        .click();
    var breaks = region("Where the trail breaks");
    assertThat(breaks).containsText("It breaks in 1 place");
    assertThat(breaks).containsText("1.25");
    assertThat(breaks).containsText("missing");
    for (var by : Map.of("By account", "Operating USD", "By day", "1.25").entrySet()) {
      page.getByRole(AriaRole.TAB, new GetByRoleOptions().setName(by.getKey())).click();
      var row = page.getByRole(AriaRole.ROW).filter(new Locator.FilterOptions().setHasText("1.25"));
      assertThat(row.first()).containsText(by.getValue());
    }
    breaks.getByRole(AriaRole.LINK).click();
    assertThat(page).hasURL(Pattern.compile("/waiting/desk/\\d+$"));
  }
}

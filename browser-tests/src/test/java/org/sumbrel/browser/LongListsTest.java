package org.sumbrel.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page.GetByLabelOptions;
import com.microsoft.playwright.assertions.LocatorAssertions.IsVisibleOptions;
import com.microsoft.playwright.options.AriaRole;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

/**
 * A list of a hundred thousand rows: only those in sight are drawn, and more come as one scrolls.
 */
class LongListsTest extends DeskTest {

  private static final int MANY =
      "full".equals(System.getProperty("sumbrel.tests")) ? 100_000 : 8_000;
  private static final int MOST_DRAWN = 60;
  private static final int DEEP = 400;

  @Test
  void scrollsThroughTensOfThousandsOfEntries() {
    signIn(page, "maren");
    var rows =
        IntStream.range(0, MANY)
            .mapToObj("QV%1$06d,2026-05-28,-1.00,USD,4410027735,long list QV%1$06d"::formatted)
            .collect(
                Collectors.joining(
                    "\n", "entry_id,booking_date,amount,currency,account,remittance\n", "\n"));
    page.navigate(sumbrel.address() + "/arrived/intake");
    assertThat(page.getByText("Drop files anywhere, on any view")).isVisible();
    drop(Dropped.text("many.csv", rows));
    assertThat(page.getByText("%1$,d records, %1$,d new".formatted(MANY)).first())
        .isVisible(new IsVisibleOptions().setTimeout(180_000));
    page.navigate(sumbrel.address() + "/waiting/find?q=%22long%20list%22&what=ENTRIES");
    assertThat(page.getByText("%,d lines".formatted(MANY))).isVisible();
    var list = page.getByLabel("Found", new GetByLabelOptions().setExact(true));
    var items = list.getByRole(AriaRole.LISTITEM);
    assertThat(items.first()).isVisible();
    page.mouse().move(640, 500);
    var deepest = 0;
    for (var step = 0; deepest < DEEP && step < 400; step++) {
      page.mouse().wheel(0, 1_500);
      // something stands there at every moment, and never the whole list
      assertThat(items.first()).isVisible();
      assertThat(items.count()).isBetween(5, MOST_DRAWN);
      deepest = Math.max(deepest, Integer.parseInt(items.last().getAttribute("data-index")));
    }
    assertThat(deepest).isGreaterThanOrEqualTo(DEEP);
  }
}

package org.sumbrel.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.Page.GetByRoleOptions;
import com.microsoft.playwright.assertions.LocatorAssertions.IsVisibleOptions;
import com.microsoft.playwright.options.AriaRole;
import java.util.Map;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

/**
 * Many drafts posted as one run: stopped, continued, killed in between, and what it could not post.
 */
class RunsTest extends FreshSumbrelTest {

  private static final int MANY = 500;
  private static final int REFUSED = 3;

  private void takesIn() throws Exception {
    var numbers = IntStream.range(0, MANY + REFUSED).boxed().toList();
    var invoices =
        numbers.stream()
            .map(
                n ->
                    "QT-%04d,invoice,QT,QTMany Mills,2026-04-20,2026-05-20,USD,%d.17,%d.17"
                        .formatted(n, 1_000 + n, 1_000 + n))
            .collect(
                Collectors.joining(
                    "\n",
                    "number,kind,customer_id,customer_name,issue_date,due_date,currency,total,open\n",
                    "\n"));
    var credits =
        numbers.stream()
            .map(
                n ->
                    n < MANY
                        ? "QT%d,2026-05-28,%d.17,USD,QTMany Mills,INV QT-%04d"
                            .formatted(n, 1_000 + n, n)
                        : "QT%d,2026-05-28,%d.17,USD,Somebody,qtlate %d".formatted(n, 1_000 + n, n))
            .collect(
                Collectors.joining(
                    "\n", "entry_id,booking_date,amount,currency,payer_name,remittance\n", "\n"));
    page.navigate(sumbrel.address() + "/arrived/intake");
    assertThat(page.getByText("Drop files anywhere, on any view")).isVisible();
    drop(Dropped.text("invoices.csv", invoices));
    assertThat(page.getByText("503 records, 503 new").first()).isVisible();
    page.getByLabel("For", new Page.GetByLabelOptions().setExact(true)).click();
    page.getByRole(AriaRole.OPTION, new GetByRoleOptions().setName("Operating USD")).click();
    drop(
        Dropped.text("statement.csv", credits),
        Dropped.text(
            "statement-other.csv",
            "entry_id,booking_date,amount,currency,payer_name,remittance\n"
                + IntStream.range(MANY, MANY + REFUSED)
                    .mapToObj(
                        n ->
                            "QU%d,2026-05-28,%d.17,USD,Another,qtother %d\n"
                                .formatted(n, 1_000 + n, n))
                    .collect(Collectors.joining())));
    assertThat(page.getByText("3 records, 3 new").first())
        .isVisible(new IsVisibleOptions().setTimeout(60_000));
  }

  private static String draft(Map<String, Object> entry, Map<String, Object> item) {
    return "{\"entryId\":%s,\"applications\":[{\"itemId\":%s,\"amount\":{\"amount\":\"%s\",\"currency\":\"USD\"}}],\"adjustments\":[]}"
        .formatted(entry.get("id"), item.get("id"), ((Map<?, ?>) item.get("open")).get("amount"));
  }

  private Map<String, Object> item(Page by, int n) {
    return rows(by, "/api/open-items?q=QT-0" + n).get(0);
  }

  private Map<String, Object> entry(Page by, String text) {
    return rows(by, "/api/entries?q=%22" + text.replace(" ", "%20") + "%22").get(0);
  }

  @Override
  RunningSumbrel started() throws Exception {
    return RunningSumbrel.toBeKilled();
  }

  @Test
  void goesOnAfterAStopAndAfterAKillAndLeavesWhatItCannotPost() throws Exception {
    var osric = anotherPage();
    signIn(page, "maren");
    signIn(osric, "osric");
    takesIn();
    page.navigate(sumbrel.address() + "/posted/runs/new");
    var post =
        page.getByRole(
            AriaRole.BUTTON, new GetByRoleOptions().setName(Pattern.compile("^Post \\d+ ·")));
    assertThat(post).isEnabled();
    for (var n = MANY; n < MANY + REFUSED; n++) {
      var late = entry(page, "qtlate " + n);
      call(page, "PUT", "/api/drafts/entry-" + late.get("id"), draft(late, item(page, n)));
    }
    page.reload();
    assertThat(page.getByText("made by hand").first()).isVisible();
    assertThat(post).isEnabled();
    // a colleague is faster with the same invoices, after the drafts were seen as they stood
    for (var n = MANY; n < MANY + REFUSED; n++) {
      var other = entry(osric, "qtother " + n);
      call(osric, "POST", "/api/settlements", draft(other, item(osric, n)));
    }

    post.click();
    page.getByRole(AriaRole.BUTTON, new GetByRoleOptions().setName("Stop").setExact(true)).click();
    assertThat(page.getByText(Pattern.compile("^Stopped: \\d+ of \\d+ posted"))).isVisible();
    var address = page.url().substring(sumbrel.address().length());
    page.getByRole(
            AriaRole.BUTTON, new GetByRoleOptions().setName(Pattern.compile("^Continue with")))
        .click();
    assertThat(page.getByText(Pattern.compile("^[1-5]\\d\\d of \\d+ posted"))).isVisible();
    sumbrel.kill();
    sumbrel = sumbrel.again();

    page.navigate(sumbrel.address() + address);
    // who was signed in before the kill is asked again, as soon as the page knows it
    assertThat(
            page.getByLabel("User")
                .or(page.getByText(Pattern.compile("^\\d+ of \\d+ posted")))
                .first())
        .isVisible();
    if (page.getByLabel("User").isVisible()) {
      signIn(page, "maren");
      page.navigate(sumbrel.address() + address);
    }
    assertThat(page.getByText(Pattern.compile("^\\d+ of \\d+ posted, 3 refusals$")))
        .isVisible(new IsVisibleOptions().setTimeout(60_000));
    page.getByRole(AriaRole.BUTTON, new GetByRoleOptions().setName(Pattern.compile("^Refused 3")))
        .click();
    var lines = page.getByLabel("Lines of the run", new Page.GetByLabelOptions().setExact(true));
    assertThat(lines.getByRole(AriaRole.LISTITEM)).hasCount(REFUSED);
    assertThat(lines).containsText("QT-0500");
    lines.getByText("Look at it").first().click();
    assertThat(page.getByText("A run could not post this draft.")).isVisible();
    assertThat(region("Queue")).containsText("Not posted by a run");

    page.navigate(sumbrel.address() + "/posted/books");
    assertThat(page.getByText("the difference is 0.00").first()).isVisible();
    page.navigate(sumbrel.address() + "/tied-out/cent-trail");
    assertThat(page.getByText("The trail is whole")).isVisible();
    osric.context().close();
  }
}

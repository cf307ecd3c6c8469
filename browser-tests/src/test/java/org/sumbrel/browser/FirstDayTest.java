package org.sumbrel.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page.GetByRoleOptions;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/**
 * A clerk's first day from sign-in to a whole cent trail: with the mouse, and again with the
 * keyboard alone.
 */
class FirstDayTest extends FreshSumbrelTest {

  private static final Pattern CLEAR_POSTED = Pattern.compile("^(\\d+) of \\1 posted$");

  @BeforeEach
  void comeIn() {
    page.navigate(sumbrel.address());
  }

  private Locator button(String name) {
    return page.getByRole(AriaRole.BUTTON, new GetByRoleOptions().setName(name));
  }

  private Locator link(Pattern name) {
    return page.getByRole(AriaRole.LINK, new GetByRoleOptions().setName(name));
  }

  @Test
  void goesByMouse() throws Exception {
    page.getByLabel("User").fill("maren");
    page.getByLabel("Password").fill("maren-demo");
    button("Sign in").click();

    link(Pattern.compile("^Arrived")).click();
    assertThat(page.getByText("Drop files anywhere, on any view")).isVisible();
    drop(Dropped.example("larkstow-operating-2026-05-29.ofx"));
    assertThat(page.getByText("37 records, 37 new, 0 known already")).isVisible();
    drop(Dropped.example("larkstow-operating-2026-05-29.ofx"));
    assertThat(page.getByText("37 records, 0 new, 37 known already")).isVisible();

    link(Pattern.compile("^Waiting")).click();
    page.getByRole(
            AriaRole.BUTTON, new GetByRoleOptions().setName(Pattern.compile("^Oskar & Daughters")))
        .click();
    assertThat(region("Explanations")).containsText("the two add up to the cent");
    assertThat(region("Explanations")).containsText("the amount to the cent");
    assertThat(region("Receipt")).containsText("Torn");

    page.getByRole(
            AriaRole.BUTTON, new GetByRoleOptions().setName(Pattern.compile("^Post all clear")))
        .click();
    page.getByRole(AriaRole.BUTTON, new GetByRoleOptions().setName(Pattern.compile("^Post \\d+ ·")))
        .click();
    assertThat(page.getByText(CLEAR_POSTED)).isVisible();
    page.getByRole(AriaRole.LINK, new GetByRoleOptions().setName("To the desk")).click();
    assertThat(page.getByText("Post all clear (none)…")).isVisible();

    page.getByLabel("Search the queue").fill("halloran");
    page.getByRole(
            AriaRole.BUTTON, new GetByRoleOptions().setName(Pattern.compile("^TRANSFER 88120")))
        .click();
    page.getByLabel("Look for a payer, an item or an amount").fill("oskar & d");
    region("Account")
        .getByRole(AriaRole.BUTTON)
        .filter(new Locator.FilterOptions().setHasText("Oskar & Daughters"))
        .first()
        .click();
    var ticks =
        region("Account")
            .getByRole(AriaRole.ROW)
            .filter(new Locator.FilterOptions().setHasText("1,420.00"))
            .getByRole(AriaRole.CHECKBOX);
    ticks.nth(0).check();
    assertThat(page.getByText("1,419.60 left")).isVisible();
    ticks.nth(1).check();
    assertThat(page.getByText("0.40 more than received")).isVisible();
    assertThat(
            page.getByRole(
                AriaRole.BUTTON, new GetByRoleOptions().setName(Pattern.compile("^Post 2,839.60"))))
        .hasCount(0);
    button("Write off 0.40").click();
    assertThat(region("Receipt")).containsText("Small write-offs");
    page.getByRole(
            AriaRole.BUTTON, new GetByRoleOptions().setName(Pattern.compile("^Post 2,839.60")))
        .click();
    assertThat(page.getByText(Pattern.compile("Posted 2,839.60 from TRANSFER 88120"))).isVisible();

    link(Pattern.compile("^Posted")).click();
    page.getByLabel("payer, text or item number…").fill("halloran");
    // all of them stand there until the search is answered
    assertThat(button("Reverse…")).hasCount(1);
    button("Reverse…").click();
    page.getByLabel("Why").fill("wrong payer");
    button("Reverse 2,839.60").click();
    assertThat(page.getByText(Pattern.compile("reversed .* by maren: wrong payer"))).isVisible();

    assertBooksAreWhole();
  }

  private void assertBooksAreWhole() {
    link(Pattern.compile("^Posted")).click();
    link(Pattern.compile("^Books$")).click();
    assertThat(page.getByText("Debits and credits are equal; the difference is 0.00.")).isVisible();
    link(Pattern.compile("^Tied out")).click();
    assertThat(page.getByText("Bank and books agree to the cent")).isVisible();
    link(Pattern.compile("^Cent trail$")).click();
    assertThat(page.getByText("The trail is whole")).isVisible();
    assertThat(link(Pattern.compile("^Tied out 0.00 open"))).isVisible();
  }

  /**
   * Presses Tab until the focus is on something of this name, as somebody without a mouse would.
   */
  private void tabTo(Pattern name) {
    for (var presses = 0; presses < 150; presses++) {
      page.keyboard().press("Tab");
      var focused =
          (String)
              page.evaluate(
                  "() => { const e = document.activeElement; return e ? (e.getAttribute('aria-label') || e.innerText || '') : ''; }");
      if (name.matcher(focused.replace('\n', ' ').strip()).find()) {
        return;
      }
    }
    throw new AssertionError("nothing named " + name + " can be reached with Tab");
  }

  @Test
  void goesByKeyboardAlone() {
    var keys = page.keyboard();
    // listened for from the start: asking only when the key goes down can come too late
    page.onFileChooser(chooser -> chooser.setFiles(STATEMENT));
    assertThat(page.getByLabel("User")).isFocused();
    keys.type("maren");
    keys.press("Tab");
    keys.type("maren-demo");
    keys.press("Enter");
    assertThat(region("Queue")).isVisible();

    tabTo(Pattern.compile("^Arrived"));
    keys.press("Enter");
    assertThat(page.getByText("customers.csv")).isVisible();
    tabTo(Pattern.compile("^Choose files"));
    keys.press("Enter");
    assertThat(page.getByText("37 records, 37 new")).isVisible();
    tabTo(Pattern.compile("^To the desk"));
    keys.press("Enter");
    assertThat(region("Receipt")).isVisible();

    keys.press("j");
    assertThat(region("Receipt")).containsText("Bakehouse on Oskar Lane");
    keys.press("k");
    keys.press("?");
    assertThat(page.getByText("post the draft")).isVisible();
    keys.press("Escape");
    assertThat(page.getByText("post the draft")).hasCount(0);
    keys.press("p");
    assertThat(
            page.getByRole(
                AriaRole.BUTTON, new GetByRoleOptions().setName(Pattern.compile("^Post \\d\\d ·"))))
        .isFocused();
    keys.press("Enter");
    assertThat(page.getByText(CLEAR_POSTED)).isVisible();
    assertThat(page.getByRole(AriaRole.LINK, new GetByRoleOptions().setName("To the desk")))
        .isFocused();
    keys.press("Enter");
    assertThat(region("Receipt")).isVisible();

    keys.press("f");
    keys.type("oskar & daughters");
    onlyInQueue("Oskar & Daughters");
    keys.press("Escape");
    keys.press("j");
    assertThat(region("Receipt")).containsText("3,072.00");
    assertThat(region("Explanations")).containsText("the two add up to the cent");
    keys.press("2");
    assertThat(region("Receipt")).containsText("Explanation 2 as a draft");
    assertThat(region("Remainder")).containsText("Post 3,072.00");
    keys.press("Control+Enter");
    assertThat(page.getByText(Pattern.compile("Posted 3,072.00"))).isVisible();
    keys.press("u");
    assertThat(page.getByText(Pattern.compile("Reversed: 3,072.00"))).isVisible();

    keys.press("f");
    keys.press("Control+a");
    keys.type("halloran");
    onlyInQueue("TRANSFER 88120");
    keys.press("Escape");
    keys.press("j");
    assertThat(region("Receipt")).containsText("TRANSFER 88120");
    keys.press("c");
    keys.type("2839.6");
    assertThat(region("Account")).containsText("Nothing open and nobody");
    keys.press("Control+a");
    keys.type("oskar & d");
    assertThat(region("Account").getByRole(AriaRole.BUTTON).first())
        .containsText("Oskar & Daughters");
    keys.press("Tab");
    keys.press("Enter");
    assertThat(region("Account").getByRole(AriaRole.CHECKBOX).first()).isVisible();
    takeByKeyboard(0);
    takeByKeyboard(1);
    assertThat(region("Remainder")).containsText("Short by");
    tabTo(Pattern.compile("^Write off 0.40"));
    keys.press("Enter");
    assertThat(region("Remainder")).containsText("Post 2,839.60");
    keys.press("Control+Enter");
    assertThat(page.getByText(Pattern.compile("Posted 2,839.60"))).isVisible();
    keys.press("u");
    assertThat(page.getByText(Pattern.compile("Reversed: 2,839.60"))).isVisible();

    tabTo(Pattern.compile("^Posted"));
    keys.press("Enter");
    assertThat(link(Pattern.compile("^Books$"))).isVisible();
    tabTo(Pattern.compile("^Books$"));
    keys.press("Enter");
    assertThat(page.getByText("the difference is 0.00")).isVisible();
    tabTo(Pattern.compile("^Tied out"));
    keys.press("Enter");
    assertThat(page.getByText("Bank and books agree to the cent")).isVisible();
    tabTo(Pattern.compile("^Cent trail$"));
    keys.press("Enter");
    assertThat(page.getByText("The trail is whole")).isVisible();
  }

  /**
   * Waits until a search has left this one entry: a key pressed before goes to a row of the longer
   * list.
   */
  private void onlyInQueue(String payer) {
    var rows = region("Queue").getByRole(AriaRole.GROUP);
    assertThat(rows).hasCount(1);
    assertThat(rows).containsText(payer);
  }

  /** Takes the nth item of 1,420.00 by Tab and Space. */
  private void takeByKeyboard(int n) {
    var row =
        region("Account")
            .getByRole(AriaRole.ROW)
            .filter(new Locator.FilterOptions().setHasText("1,420.00"))
            .nth(n);
    var name = row.getByRole(AriaRole.CHECKBOX).getAttribute("aria-label");
    tabTo(Pattern.compile(Pattern.quote(name)));
    page.keyboard().press("Space");
    assertThat(row.getByRole(AriaRole.CHECKBOX)).isChecked();
  }
}

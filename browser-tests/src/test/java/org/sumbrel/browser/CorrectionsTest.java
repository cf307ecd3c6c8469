package org.sumbrel.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page.GetByLabelOptions;
import com.microsoft.playwright.Page.GetByRoleOptions;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

/** Found by the search line, and put right where it was posted wrong. */
class CorrectionsTest extends DeskTest {

  private Locator strip(String text) {
    page.navigate(sumbrel.address() + "/posted/settlements");
    page.getByLabel("payer, text or item number…").fill(text);
    // the suggestions lie over what is found
    page.getByLabel("payer, text or item number…").press("Escape");
    return page.getByLabel("Settlements", new GetByLabelOptions().setExact(true))
        .getByRole(AriaRole.LISTITEM)
        // those that do not fit may still stand there for a moment
        .filter(new Locator.FilterOptions().setHasText(text));
  }

  private void correct(Locator strip, String how) {
    assertThat(strip).hasCount(1);
    strip.getByText("Correct…").click();
    page.getByRole(AriaRole.MENUITEM, new GetByRoleOptions().setName(Pattern.compile(how))).click();
  }

  private void look(String line) {
    page.getByLabel("Look for a payer, an item or an amount").fill(line);
  }

  /** The engine may have found them itself already. */
  private void tickAll(int count) {
    var ticks = button("^Tick all " + count + "$");
    assertThat(ticks).isVisible();
    if (ticks.isEnabled()) {
      ticks.click();
    }
    assertThat(ticks).isDisabled();
  }

  @Test
  void settlesACardBatchThroughSearchAndTickAll() {
    signIn(page, "maren");
    var slips =
        IntStream.range(0, 200)
            .mapToObj(n -> "QKS-%03d %d.%02d".formatted(n, 5 + n % 30, n % 100))
            .toArray(String[]::new);
    var cents = IntStream.range(0, 200).map(n -> (5 + n % 30) * 100 + n % 100).sum();
    var sum = "%d.%02d".formatted(cents / 100, cents % 100);
    invoices("QKSlips by card", slips);
    credit("QKSlips", sum, "CARD BATCH QKS");
    look("ref:qks before:2026-05");
    assertThat(page.getByLabel("All that fits")).containsText("200 items fit");
    assertThat(page.getByLabel("All that fits")).containsText("to the cent");
    tickAll(200);
    assertThat(region("Remainder")).containsText("Ctrl");
    page.getByLabel("Look for a payer, an item or an amount").press("Escape");
    post("%,d.%02d".formatted(cents / 100, cents % 100));
    assertBooksAreWhole();
  }

  @Test
  void refusesABatchThatIsShortAndNamesTheSlip() {
    signIn(page, "maren");
    invoices("QLShop slips", "QLS-1 208.40", "QLS-2 23.50", "QLS-3 11.10");
    credit("QLShop", "231.90", "CARD BATCH QLS 0512");
    look("qls-");
    take("QLS-1");
    var forgotten = page.getByRole(AriaRole.CHECKBOX, new GetByRoleOptions().setName("Take QLS-2"));
    forgotten.setChecked(false);
    assertThat(region("Remainder")).containsText("QLS-2 of 23.50 on 20 April 2026 is not ticked.");
    page.getByLabel("Look for a payer, an item or an amount").press("Escape");
    page.keyboard().press("Control+Enter");
    assertThat(region("Remainder").getByText("Post").first()).isDisabled();
    look("qls-");
    take("QLS-2");
    page.getByLabel("Look for a payer, an item or an amount").press("Escape");
    post("231.90");
    page.navigate(sumbrel.address() + "/waiting/find?q=qls-2&what=SETTLED");
    assertThat(page.getByText(Pattern.compile("^settled .* by QLShop"))).isVisible();
  }

  @Test
  void reversesAndRedoesWithTheChainInSight() {
    signIn(page, "maren");
    invoices("QMRedo Mills", "QM-1 310.00", "QM-2 310.00");
    credit("QMRedo Mills", "310.00", "qmredo");
    look("qm-1");
    region("Account").getByText("QM-1").first().click();
    post("310.00");
    correct(strip("qm-1"), "^Reverse and redo");
    page.getByLabel("Why").fill("it was the second one");
    button("^Reverse and redo$").click();
    assertThat(page.getByText("Kept as your draft")).isVisible();
    page.getByRole(AriaRole.CHECKBOX, new GetByRoleOptions().setName("Take QM-1")).uncheck();
    take("QM-2");
    post("310.00");
    strip("qm-2").getByText("QM-2").click();
    assertThat(page.getByText("What happened to it")).isVisible();
    assertThat(page.getByText(Pattern.compile("^In place of"))).isVisible();
    strip("qm-1").getByText("QM-1").click();
    assertThat(page.getByText("stands in its place")).isVisible();
    assertThat(page.getByText(Pattern.compile("reversed .* it was the second one"))).isVisible();
    assertBooksAreWhole();
  }

  @Test
  void takesOneApplicationOfTwelveBack() {
    signIn(page, "maren");
    var rows =
        IntStream.rangeClosed(1, 12)
            .mapToObj(n -> "QN-%02d %d.25".formatted(n, 60 + n))
            .toArray(String[]::new);
    invoices("QNTwelve Ovens", rows);
    credit("QNTwelve Ovens", "801.00", "qntwelve");
    look("ref:qn-");
    tickAll(12);
    page.getByLabel("Look for a payer, an item or an amount").press("Escape");
    post("801.00");
    correct(strip("qn-07"), "^Take one of 12 back");
    page.getByRole(AriaRole.RADIO, new GetByRoleOptions().setName(Pattern.compile("QN-07")))
        .check();
    page.getByLabel("Why").fill("still in dispute");
    button("^Take QN-07 back$").click();
    assertThat(page.getByRole(AriaRole.DIALOG)).hasCount(0);
    var now = strip("qn-06").first();
    assertThat(now).containsText("67.25 on account of QNTwelve Ovens");
    assertThat(now).not().containsText("QN-07");
    assertThat(now).containsText("In place of");
    assertBooksAreWhole();
  }

  @Test
  void notesAReturnedChequeWithItsFeeChargedOn() {
    signIn(page, "maren");
    invoices("QOReturn Cafe", "QO-1 412.30");
    credit("QOReturn Cafe", "412.30", "qoreturn cheque 5511");
    look("qo-1");
    region("Account").getByText("QO-1").first().click();
    post("412.30");
    arrives("QOReturn Cafe", "-427.30", "RETURNED CHEQUE 5511 qoreturn");
    correct(strip("qo-1"), "^Returned by the bank");
    page.getByRole(AriaRole.RADIO, new GetByRoleOptions().setName(Pattern.compile("427.30")))
        .check();
    assertThat(page.getByText("Who bears 15.00")).isVisible();
    page.getByLabel("charge it to QOReturn Cafe").check();
    page.getByLabel("Why").fill("no cover");
    button("^Note the return$").click();
    assertThat(page.getByRole(AriaRole.DIALOG)).hasCount(0);
    var strip = strip("qo-1");
    assertThat(strip).containsText("The bank took it back");
    assertThat(strip).containsText("its fee of 15.00 is charged on");
    page.navigate(sumbrel.address() + "/posted/customers");
    page.getByLabel("name or number…").fill("QOReturn");
    page.getByRole(AriaRole.LINK, new GetByRoleOptions().setName("QOReturn Cafe")).click();
    assertThat(page.getByLabel("Open items")).containsText("FEE-");
    assertThat(page.getByLabel("Open items")).containsText("QO-1");
    assertBooksAreWhole();
  }

  @Test
  void undoesSeveralStepsOneAfterTheOther() {
    signIn(page, "maren");
    invoices("QPUndo Bakers", "QP-1 101.10", "QP-2 202.20");
    credit("QPUndo Bakers", "101.10", "qpundo one QP-1");
    take("QP-1");
    post("101.10");
    credit("QPUndo Bakers", "202.20", "qpundo two QP-2");
    take("QP-2");
    post("202.20");
    page.navigate(sumbrel.address() + "/posted/books");
    assertThat(page.getByText("the difference is 0.00").first()).isVisible();
    page.keyboard().press("u");
    assertThat(page.getByText(Pattern.compile("^Reversed: 202.20 from .* U again: 101.10")))
        .isVisible();
    page.keyboard().press("u");
    assertThat(page.getByText(Pattern.compile("^Reversed: 101.10"))).isVisible();
    page.keyboard().press("u");
    assertThat(page.getByText("Nothing to undo in this window.")).isVisible();
    assertBooksAreWhole();
  }
}

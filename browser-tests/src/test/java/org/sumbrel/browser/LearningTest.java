package org.sumbrel.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page.GetByLabelOptions;
import com.microsoft.playwright.Page.GetByRoleOptions;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** The engine at work: a correction teaches, what was learned is shown and forgotten. */
class LearningTest extends DeskTest {

  private void look(String text) {
    page.navigate(sumbrel.address() + "/waiting/desk");
    choose(page, text);
  }

  @Test
  void remembersAPayerOnceCorrectedAndForgetsHimAgain() {
    signIn(page, "maren");
    invoices("QLearn Bakers", "QL-7001 318.40", "QL-7002 527.15");
    arrives("Vexmoor Trust", "318.40", "qlfirst");
    arrives("Vexmoor Trust", "527.15", "qlsecond");
    look("qlsecond");
    assertThat(region("Receipt")).not().containsText("Clear");

    look("qlfirst");
    payer("QLearn Bakers");
    take("QL-7001");
    var remember = page.getByRole(AriaRole.GROUP).filter(remembering());
    assertThat(remember).containsText("Only this once");
    assertThat(remember).containsText("also explains 1 more that waits");
    page.getByRole(
            AriaRole.RADIO,
            new GetByRoleOptions().setName(Pattern.compile("Always, for the name “Vexmoor Trust”")))
        .check();
    post("318.40 from");

    look("qlsecond");
    assertThat(region("Receipt")).containsText("Clear");
    assertThat(region("Receipt")).containsText("\"Vexmoor Trust\" is an alias of QLearn Bakers");
    region("Receipt")
        .getByRole(AriaRole.LINK, new Locator.GetByRoleOptions().setName("Vexmoor Trust"))
        .click();
    page.getByRole(AriaRole.TAB, new GetByRoleOptions().setName("Known payers")).click();
    var remembered = page.getByLabel("Remembered payers", new GetByLabelOptions().setExact(true));
    assertThat(remembered).containsText("by maren");
    remembered.getByRole(AriaRole.BUTTON).filter(forgetting()).click();
    assertThat(remembered).hasCount(0);
    button("^Forget Vexmoor Trust$").click();
    assertThat(page.getByText("Nothing is known of who pays")).isVisible();

    look("qlsecond");
    assertThat(region("Receipt")).not().containsText("Clear");
    assertThat(region("Receipt")).not().containsText("alias");
    assertBooksAreWhole();
  }

  private static Locator.FilterOptions remembering() {
    return new Locator.FilterOptions()
        .setHasText("Remember that this payer pays for QLearn Bakers?");
  }

  private static Locator.FilterOptions forgetting() {
    return new Locator.FilterOptions().setHasText("Forget");
  }

  /** Two explanations that are as good stand side by side: what tells them apart is bold. */
  @Test
  void tellsTwoExplanationsApart() {
    signIn(page, "maren");
    invoices("QMTorn Ovens", "QM-8101 246.80", "QM-8102 246.80");
    arrives("QMTorn Ovens", "246.80", "qmtorn bread");
    look("qmtorn");
    var receipt = region("Receipt");
    assertThat(receipt).containsText("Torn");
    assertThat(receipt).containsText("2 explanations are about as good as the first");
    var strips = region("Explanations").getByRole(AriaRole.BUTTON);
    assertThat(strips).hasCount(2);
    assertThat(strips.first()).containsText("the amount to the cent");
    page.keyboard().press("2");
    assertThat(strips.nth(1)).hasAttribute("aria-pressed", "true");
    post("246.80 from QMTorn Ovens");
    assertBooksAreWhole();
  }

  /** What a policy would change is told before it is decided, and holds at once when it is. */
  @Test
  void saysWhatAPolicyWouldChangeBeforeItIsDecided() {
    signIn(page, "osric");
    invoices("QNPolicy Cafe", "QN-9301 611.20");
    arrives("QNPolicy Cafe", "611.20", "qnpolicy QN-9301");
    look("qnpolicy");
    assertThat(region("Receipt")).containsText("Clear");
    page.navigate(sumbrel.address() + "/policies");
    var effect = region("What it would change");
    assertThat(effect).containsText("Nothing that waits would stand otherwise.");
    var bar = page.getByLabel("Clear from, in 1,000", new GetByLabelOptions().setExact(true));
    bar.fill("1000");
    assertThat(effect)
        .containsText(Pattern.compile("entr(y|ies) that waits? would stand otherwise"));
    var clear =
        effect
            .getByRole(AriaRole.ROW)
            .filter(new Locator.FilterOptions().setHasText(Pattern.compile("^Clear")));
    assertThat(clear.getByRole(AriaRole.CELL).nth(2)).hasText("0");
    var right =
        effect
            .getByRole(AriaRole.ROW)
            .filter(new Locator.FilterOptions().setHasText("clear, and right"));
    assertThat(right.getByRole(AriaRole.CELL).nth(1)).not().hasText("0");
    assertThat(right.getByRole(AriaRole.CELL).nth(2)).hasText("0");
    button("^Decide$").click();
    assertThat(page.getByText("Decided. It holds from the next draft on.")).isVisible();
    look("qnpolicy");
    assertThat(region("Receipt")).containsText("Leaning");
    page.navigate(sumbrel.address() + "/policies");
    bar.fill("995");
    assertThat(clear.getByRole(AriaRole.CELL).nth(2)).not().hasText("0");
    button("^Decide$").click();
    assertThat(page.getByText("Decided. It holds from the next draft on.")).isVisible();
    look("qnpolicy");
    assertThat(region("Receipt")).containsText("Clear");
  }

  /** What stood there first is counted against what was posted. */
  @Test
  void countsHowRightItWas() {
    signIn(page, "maren");
    page.navigate(sumbrel.address() + "/waiting/score");
    page.getByRole(AriaRole.TAB, new GetByRoleOptions().setName("Rehearsed")).click();
    var kinds = page.getByLabel("What it rested on most", new GetByLabelOptions().setExact(true));
    assertThat(kinds).containsText("a number in the text");
    assertThat(page.getByText("What was said, and what came")).isVisible();
    invoices("QOScore Deli", "QO-4401 144.10");
    credit("QOScore Deli", "144.10", "qoscore QO-4401");
    post("144.10 from QOScore Deli");
    page.navigate(sumbrel.address() + "/waiting/score");
    assertThat(page.getByText("Clear and right")).isVisible();
    assertThat(kinds).containsText("a number in the text");
  }

  /** What a rule covers is posted as it comes; the day is taken back as a whole. */
  @Test
  void postsADayWithoutAHandAndTakesItBackAsAWhole() {
    signIn(page, "osric");
    invoices("QPHands Tavern", "QP-5101 71.10", "QP-5102 72.20");
    arrives("QPHands Tavern", "71.10", "qpone QP-5101");
    page.navigate(sumbrel.address() + "/posted/unattended");
    assertThat(page.getByText("No rule: everything is posted by people.")).isVisible();
    page.getByLabel("Customer", new GetByLabelOptions().setExact(true)).fill("QPHands");
    page.getByRole(AriaRole.OPTION, new GetByRoleOptions().setName("QPHands Tavern")).click();
    page.getByLabel("Up to", new GetByLabelOptions().setExact(true)).fill("500");
    button("^Post these without a hand$").click();
    assertThat(page.getByLabel("Rules", new GetByLabelOptions().setExact(true)))
        .containsText("QPHands Tavern");
    var days = page.getByLabel("Days", new GetByLabelOptions().setExact(true));
    assertThat(days).containsText("71.10");
    arrives("QPHands Tavern", "72.20", "qptwo QP-5102");
    page.navigate(sumbrel.address() + "/posted/unattended");
    assertThat(days).containsText("143.30");
    page.navigate(sumbrel.address() + "/posted/settlements");
    page.getByLabel("payer, text or item number…").fill("QP-5102");
    assertThat(page.getByText("without a hand").first()).isVisible();

    page.navigate(sumbrel.address() + "/posted/unattended");
    button("^Take the day back").click();
    page.getByLabel("Why", new GetByLabelOptions().setExact(true)).fill("wrong price list");
    button("^Take 2 settlements back$").click();
    assertThat(page.getByText("2 settlements taken back.")).isVisible();
    assertThat(button("^Take the day back")).hasCount(0);
    button("^End the rule for QPHands Tavern$").click();
    assertThat(page.getByText("No rule: everything is posted by people.")).isVisible();
    look("qpone");
    look("qptwo");
    assertBooksAreWhole();
  }
}

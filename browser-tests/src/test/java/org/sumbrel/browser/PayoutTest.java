package org.sumbrel.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page.GetByRoleOptions;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** A payout: from the processor's file to the bank's entry, and one whose sums are wrong. */
class PayoutTest extends DeskTest {

  /** The item that says this. */
  private Locator item(String text) {
    return page.getByRole(AriaRole.LIST, new GetByRoleOptions().setName("Items"))
        .getByRole(AriaRole.LISTITEM)
        .filter(new Locator.FilterOptions().setHasText(text));
  }

  private Locator step(String name) {
    return region("How it adds up")
        .getByRole(
            AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(Pattern.compile("^" + name)));
  }

  @Test
  void theDemoPayoutFromTheFileToTheBankEntry() throws IOException {
    signIn(page, "maren");
    bring(Dropped.example("larkstow-operating-2026-05-29.ofx"));
    assertThat(page.getByText("37 records, 37 new, 0 known already")).isVisible();
    bring(Dropped.example("chipfold-payout-2026-05-29.csv"));
    assertThat(page.getByText("15 records, 15 new, 0 known already")).isVisible();
    link(page, "^To the payouts$").click();
    link(page, "^Payout CF-2026-22 of Chipfold$").click();

    // how it adds up, and the items of a step
    assertThat(step("Sales")).containsText("4,525.81");
    assertThat(step("Reserve held")).containsText("−200.00");
    assertThat(step("Reserve released")).containsText("150.00");
    step("Refunds").click();
    assertThat(item("WEB-3107")).hasCount(1);
    // the fee of the refund came back in part only
    assertThat(item("WEB-3107")).containsText("−0.73");
    assertThat(item("WEB-3107")).containsText("of WEB-3107");
    step("Refunds").click();
    assertThat(item("LM-0020584").getByRole(AriaRole.LINK)).hasText("LM-0020584");
    assertThat(item("chargeback WEB-3110")).containsText("of WEB-3110");

    // sale and what was taken back side by side: 6.45 kept of it, 0.73 given back
    button("^About a sale 3$").click();
    assertThat(page.getByLabel("Sales and what was taken back")).containsText("5.72");
    button("^All 15$").click();

    // a day's cards of the till that are recorded already are asked about
    assertThat(button("^Book the payout")).isDisabled();
    assertThat(page.getByText("It is not decided what the 315.40")).isVisible();
    button("recorded already$").click();
    assertThat(item("315.40")).containsText("recorded: card slip");
    assertThat(page.getByLabel("Journal lines")).containsText("Reserve Chipfold");

    button("^Book the payout").click();
    var asks = page.getByRole(AriaRole.DIALOG);
    assertThat(asks).containsText("3 items with 1,287.80 settle invoices in full.");
    assertThat(asks).containsText("1 item with 315.40 are recorded already");
    button("^Book 4,187.66$").click();
    assertThat(page.getByText("booked by maren")).isVisible();
    assertThat(page.getByText("not at the bank yet")).isVisible();
    assertBooksAreWhole();

    // the bank's entry finds it by its amount and day
    page.navigate(sumbrel.address() + "/waiting/desk");
    choose(page, "CHIPFOLD PAYOUTS");
    assertThat(region("Receipt")).containsText("slip CF-2026-22");
    button("^Tie to the deposit$").click();
    assertThat(page.getByText("Nothing that waits fits “CHIPFOLD PAYOUTS”.")).isVisible();
    page.navigate(sumbrel.address() + "/waiting/payouts");
    link(page, "^Payout CF-2026-22 of Chipfold$").click();
    assertThat(page.getByText("shown by the bank")).isVisible();
    assertBooksAreWhole();

    // what the processor owes and cost
    page.navigate(sumbrel.address() + "/waiting/payouts/processors");
    assertThat(region("What Chipfold owes")).containsText("It holds back 50.00");
    assertThat(region("What payment cost")).containsText("3.33 %");
    page.goBack();

    // from the invoice back to the payout
    item("LM-0020584").getByRole(AriaRole.LINK).click();
    assertThat(page.getByText("payout CF-2026-22 of Chipfold").first()).isVisible();

    // the same file again changes nothing
    bring(Dropped.example("chipfold-payout-2026-05-29.csv"));
    assertThat(page.getByText("0 new, 15 known already").last()).isVisible();
  }

  @Test
  void aFileWhoseSumsAreWrongWaitsForASupervisor() {
    signIn(page, "maren");
    bring(
        Dropped.text(
            "wrong.csv",
            """
            processor,payout,payout_date,type,item,reference,date,gross,fee,net,payout_net,currency
            Wrongfold,W-1,2026-05-28,sale,1,QPWEB-1,2026-05-26,100.00,3.20,96.80,95.00,USD
            Wrongfold,W-1,2026-05-28,loyalty levy,2,,2026-05-27,-0.50,0.00,-0.50,95.00,USD
            """));
    assertThat(page.getByText("2 records, 2 new, 0 known already")).isVisible();
    link(page, "^To the payouts$").click();
    link(page, "^Payout W-1 of Wrongfold$").click();
    assertThat(page.getByText("says it comes to 95.00, its items come to 96.30: 1.30 more"))
        .isVisible();
    assertThat(button("^Accept")).hasCount(0);
    var address = page.url();

    var osric = page.context().browser().newContext().newPage();
    signIn(osric, "osric");
    osric.navigate(address);
    button(osric, "^Accept…$").click();
    osric.getByLabel("Why").fill("a correction follows with the next file");
    button(osric, "^Accept$").click();
    assertThat(osric.getByText("contradictions accepted by osric")).isVisible();
    // what nobody knows is never dropped: somebody says what it is
    osric.getByLabel("What “loyalty levy” is").selectOption("FEE");
    button(osric, "^It is that$").click();
    assertThat(osric.getByText("Booking writes")).isVisible();
    button(osric, "^Book the payout").click();
    button(osric, "^Book 95.00$").click();
    assertThat(osric.getByText("Stays with the processor")).isVisible();
    assertThat(osric.getByText("booked by osric")).isVisible();

    // and taken back as a whole
    button(osric, "^Take the payout back").click();
    osric.getByLabel("Why").fill("the correction came");
    button(osric, "^Take it back$").click();
    assertThat(button(osric, "^Book the payout")).isEnabled();
    osric.context().close();
    assertBooksAreWhole();
  }
}

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

  private void bringTheStatement() throws IOException {
    bring(Dropped.example("larkstow-operating-2026-05-29.ofx"));
    // the tests of this class share their books: one has brought it before the other
    assertThat(page.getByText(Pattern.compile("37 records, (37 new, 0|0 new, 37) known")).first())
        .isVisible();
  }

  @Test
  void theDemoPayoutFromTheFileToTheBankEntry() throws IOException {
    signIn(page, "maren");
    bringTheStatement();
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
    assertThat(region("Receipt")).containsText("payout CF-2026-22, sent");
    button("^Tie to the payout$").click();
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

    var osric = anotherPage();
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

  @Test
  void theMarketplacesPayoutInTwoCurrencies() throws IOException {
    signIn(page, "maren");
    bringTheStatement();
    // money that looks like a payout is told as that, before anybody books it as income
    page.navigate(sumbrel.address() + "/waiting/desk");
    choose(page, "MARKET PAYOUT W21");
    assertThat(region("Receipt")).containsText("looks like a payout");
    bring(Dropped.example("grocers-row-payout-2026-05-28.csv"));
    assertThat(page.getByText("21 records, 21 new, 0 known already")).isVisible();
    page.navigate(sumbrel.address() + "/waiting/desk");
    choose(page, "MARKET PAYOUT W21");
    assertThat(region("Receipt"))
        .containsText(
            "This is what payout GR-2026-21 of Grocer's Row came to; it is not booked yet.");
    link(page, "^See the payout$").click();

    // its own words are known by its profile, its days are those of the market
    assertThat(item("Nettle & Crumb").first()).containsText("May 23");
    assertThat(item("“Stall rent”")).containsText("25.00");
    assertThat(item("PO-7615").first().getByRole(AriaRole.LINK)).isVisible();
    assertThat(step("Conversions")).containsText("45.83");
    var changed = region("Money changed");
    assertThat(changed).containsText("42.24 EUR became 45.83 USD");
    page.getByLabel("Rate at which the sales count").fill("1.10");
    assertThat(changed).containsText("0.63 USD lost on exchange");

    // each new sale by itself, or those of a day together
    var lines = page.getByLabel("Journal lines").getByRole(AriaRole.ROW);
    var byDay = lines.count();
    button("^each new sale by itself$").click();
    assertThat(button("^new sales by day$")).isVisible();
    assertThat(lines.nth(byDay - 1)).isVisible();
    button("^Book the payout").click();
    button("^Book 2,119.04$").click();
    assertThat(page.getByText("booked by maren")).isVisible();

    // what was sold in euros was changed whole: nothing of it was sent
    page.navigate(sumbrel.address() + "/waiting/payouts");
    link(page, "^Payout GR-2026-21 of Grocer's Row$").first().click();
    assertThat(page.getByText("in EUR")).isVisible();
    button("^Book the payout").click();
    button("^Book 0.00$").click();
    assertThat(page.getByText("booked by maren")).isVisible();
    assertBooksAreWhole();
    page.navigate(sumbrel.address() + "/waiting/desk");
    choose(page, "MARKET PAYOUT W21");
    button("^Tie to the payout$").click();
    assertThat(page.getByText("Nothing that waits fits “MARKET PAYOUT W21”.")).isVisible();
    page.navigate(sumbrel.address() + "/waiting/payouts/processors");
    assertThat(region("What Grocer's Row owes"))
        .containsText("Everything that is known of was sent.");
    assertBooksAreWhole();
  }

  @Test
  void aChargebackOpensTheInvoiceAgain() {
    signIn(page, "maren");
    invoices("QC Kitchens", "QC-1 230.00");
    var head =
        "processor,payout,payout_date,type,item,related,reference,date,gross,fee,net,currency\n";
    bring(
        Dropped.text(
            "first.csv",
            head + "Backfold,B-1,2026-05-21,sale,q1,,QC-1,2026-05-20,230.00,7.00,223.00,USD\n"));
    link(page, "^To the payouts$").click();
    link(page, "^Payout B-1 of Backfold$").click();
    button("^Book the payout").click();
    button("^Book 223.00$").click();
    assertThat(page.getByText("booked by maren")).isVisible();
    bring(
        Dropped.text(
            "second.csv",
            head
                + "Backfold,B-2,2026-05-28,sale,q2,,QCWEB-2,2026-05-26,400.00,12.00,388.00,USD\n"
                + "Backfold,B-2,2026-05-28,chargeback,q3,q1,,2026-05-27,-230.00,15.00,-245.00,USD\n"));
    link(page, "^To the payouts$").click();
    link(page, "^Payout B-2 of Backfold$").click();
    assertThat(item("chargeback")).containsText("of QC-1");
    assertThat(page.getByLabel("Journal lines")).containsText("Claims on customers");
    button("^Say otherwise of line 3$").click();
    button("^Open QC-1 again$").click();
    assertThat(item("chargeback")).containsText("opens QC-1 again");
    assertThat(page.getByLabel("Journal lines")).containsText("Accounts receivable");
    button("^Book the payout").click();
    button("^Book 143.00$").click();
    assertThat(page.getByText("booked by maren")).isVisible();
    assertBooksAreWhole();
    page.navigate(sumbrel.address() + "/waiting/payouts");
    link(page, "^Payout B-1 of Backfold$").click();
    item("QC-1").getByRole(AriaRole.LINK).click();
    assertThat(page.getByText("payout B-2 of Backfold").first()).isVisible();
    assertThat(page.locator("body")).containsText("230.00 open");
  }

  @Test
  void theSimulatedProcessorPaysOutAndMisbehaves() {
    signIn(page, "maren");
    page.navigate(sumbrel.address() + "/arrived/outside");
    var processor = region("The card processor");
    misbehaves(processor, "Unknown type");
    press(processor, "Let a week go by");
    press(processor, "Fetch 1 payout file");
    assertThat(processor.getByRole(AriaRole.LINK)).hasText("taken in");
    page.navigate(sumbrel.address() + "/waiting/payouts");
    link(page, "^Payout CF-2026-23 of Chipfold$").click();
    // kept as a problem, never dropped
    assertThat(page.getByText("\"Loyalty draw\" is no type of item that is known")).isVisible();
    assertThat(item("“Loyalty draw”")).containsText("−12.40");
    // the same file a second time changes nothing, a late one is not there yet
    page.navigate(sumbrel.address() + "/arrived/outside");
    misbehaves(processor, "Twice");
    press(processor, "Let a week go by");
    press(processor, "Fetch 2 payout files");
    assertThat(processor.getByRole(AriaRole.LINK)).hasCount(3);
    page.navigate(sumbrel.address() + "/waiting/payouts");
    assertThat(link(page, "^Payout CF-2026-24 of Chipfold$")).hasCount(1);
  }

  private void misbehaves(Locator processor, String mood) {
    page.waitForResponse(
        answer -> answer.url().contains("/behaviour"),
        () ->
            processor
                .getByRole(
                    AriaRole.CHECKBOX,
                    new Locator.GetByRoleOptions().setName(Pattern.compile("^" + mood)))
                .check());
  }

  private static void press(Locator in, String name) {
    in.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(name).setExact(true))
        .click();
  }
}

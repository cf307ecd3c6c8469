package org.sumbrel.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Page.GetByLabelOptions;
import com.microsoft.playwright.Page.GetByRoleOptions;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.util.regex.Pattern;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** Euros that settle what is billed in other currencies, for the company whose bank keeps euros. */
class ExchangeTest extends DeskTest {

  private static final String STATEMENT_HEAD =
      "entry_id,booking_date,amount,currency,payer_name,remittance\n";
  private static final String INVOICE_HEAD =
      "number,customer_id,issue_date,due_date,currency,total\n";

  @BeforeEach
  void sitDown() {
    signInAtTheDesk(page, "maren");
    button("company, light").click();
    page.getByRole(AriaRole.MENUITEM, new GetByRoleOptions().setName("Larkstow Grain Export Ltd"))
        .click();
  }

  /** Drops files and waits until all are in. */
  private void take(Dropped... files) {
    for (var file : files) {
      bring(file);
      assertThat(told(file.name())).containsText("new");
    }
    page.navigate(sumbrel.address() + "/waiting/desk");
  }

  /** What waits again after it was taken back. */
  private void choose() {
    page.navigate(sumbrel.address() + "/waiting/desk");
    choose(page, "FJORDMEL");
  }

  private void reversed(String amount) {
    button("^Reverse…$").first().click();
    page.getByRole(AriaRole.DIALOG).getByRole(AriaRole.TEXTBOX).first().fill("the wrong one");
    button("^Reverse " + amount).click();
    assertThat(button("^Reversed$").first()).isVisible();
  }

  @Test
  void theBanksOwnFiguresSettleADollarInvoiceAndAReversalUndoesIt() throws IOException {
    take(Dropped.example("larkstow-export-from-dollars-2026-05-29.xml"));
    page.getByLabel("Search the queue").fill("906.70");
    region("Queue").getByRole(AriaRole.GROUP).getByRole(AriaRole.BUTTON).first().click();
    // the text names what is in dollars: nobody may post it as it stands
    assertThat(region("Explanations")).containsText("LX-03401 in the text has 1,000.00 USD open");
    assertThat(region("In other currencies or companies"))
        .containsText("LX-03401 is in the text: 1,000.00 USD come to 921.70 EUR");
    // which is what the draft begins with, and not with money on account
    assertThat(page.getByText("What the text names elsewhere, as a draft")).isVisible();
    assertThat(region("Explanations")).containsText("not weighed against those");
    var counts = region("Counts in USD");
    assertThat(counts).containsText("EUR count as 1,000.00 USD");
    assertThat(counts).containsText("1,000.00 USD instructed, 906.70 EUR booked, 15.00 EUR kept");
    assertThat(counts.getByLabel("Of the receipt for USD")).hasValue("921.70");
    assertThat(region("Differences")).containsText("bank fee");
    assertThat(page.getByText("Currency conversion").first()).isVisible();
    // the engine's own is one key away, and so is the way back
    region("Explanations").getByRole(AriaRole.BUTTON).first().click();
    assertThat(page.getByText("Explanation 1 as a draft")).isVisible();
    assertThat(counts).hasCount(0);
    button("^Take LX-03401 for it$").click();
    assertThat(counts.getByLabel("Of the receipt for USD")).hasValue("921.70");
    button("^Post 906.70").click();
    assertThat(page.getByText(Pattern.compile("^Posted 906.70"))).isVisible();

    page.navigate(sumbrel.address() + "/posted/settlements");
    assertThat(page.getByText("counted as").first()).containsText("921.70 EUR counted as 1,000.00");
    reversed("906.70");
    page.navigate(sumbrel.address() + "/waiting/desk");
    page.getByLabel("Search the queue").fill("906.70");
    assertThat(region("Queue").getByRole(AriaRole.GROUP)).hasCount(1);
  }

  @Test
  void aMissingRateIsAskedForAndNeverGuessed() {
    take(
        Dropped.text("nok-customers.csv", "customer_id,name\nXN1,Fjordmel Bakst\n"),
        Dropped.text(
            "nok-invoices.csv", INVOICE_HEAD + "NK-7001,XN1,2026-05-28,2026-06-27,NOK,1000.00\n"),
        Dropped.text(
            "nok-statement.csv",
            STATEMENT_HEAD + "NK1,2026-05-28,86.00,EUR,FJORDMEL BAKST,flour\n"));
    choose(page, "FJORDMEL");
    take("NK-7001");
    var asked = page.getByText("There is no rate from NOK to EUR that counts on 28 May 2026");
    assertThat(asked.first()).isVisible();
    button("^Get it$").click();
    assertThat(page.getByText("The rate service has none for that day.")).isVisible();
    button("^Type it…$").click();
    page.getByLabel("Rate", new GetByLabelOptions().setExact(true)).fill("0.086");
    page.getByLabel("Who gave it, or why").fill("told by the bank");
    button("^Keep it$").click();
    var counts = region("Counts in NOK");
    assertThat(counts).containsText("EUR count as 1,000.00 NOK");
    assertThat(counts).containsText("1 NOK = 0.086 EUR");
    button("^Post 86.00").click();
    assertThat(page.getByText(Pattern.compile("^Posted 86.00"))).isVisible();

    page.navigate(sumbrel.address() + "/posted/books/rates?pair=NOK-EUR");
    assertThat(page.getByText("told by the bank")).isVisible();

    page.navigate(sumbrel.address() + "/posted/settlements");
    reversed("86.00");
    choose();
  }

  @Test
  void aParentPaysInEurosForBranchesInTwoCurrencies() {
    take(
        Dropped.text(
            "branch-customers.csv",
            "customer_id,name,parent_id\nXP0,Orrery Mills Group,\nXP1,Orrery Boston,XP0\nXP2,Orrery Leeds,XP0\n"),
        Dropped.text(
            "branch-invoices.csv",
            INVOICE_HEAD
                + "OM-8001,XP1,2026-05-04,2026-06-03,USD,500.00\n"
                + "OM-8002,XP2,2026-05-04,2026-06-03,GBP,300.00\n"),
        Dropped.text(
            "branch-statement.csv",
            STATEMENT_HEAD + "OM1,2026-05-28,900.00,EUR,ORRERY MILLS GROUP,both branches\n"));
    choose(page, "ORRERY");
    take("OM-8001");
    take("OM-8002");
    assertThat(region("Counts in USD")).containsText("EUR count as 500.00 USD");
    assertThat(region("Counts in GBP")).containsText("EUR count as 300.00 GBP");
    assertThat(page.getByLabel("By customer")).containsText("Orrery Boston 500.00 USD");
    assertThat(page.getByLabel("By customer")).containsText("Orrery Leeds 300.00 GBP");
    // what was paid beyond both stays in the receipt's currency
    button("^Keep .* on account$").click();
    button("^Post 900.00").click();
    assertThat(page.getByText(Pattern.compile("^Posted 900.00"))).isVisible();

    page.navigate(sumbrel.address() + "/posted/settlements");
    reversed("900.00");
    page.navigate(sumbrel.address() + "/posted/books/agreement");
    assertThat(page.getByText(Pattern.compile("0.00")).first()).isVisible();
  }
}

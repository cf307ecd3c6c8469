package org.sumbrel.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page.GetByRoleOptions;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.SelectOption;
import java.io.IOException;
import java.nio.file.Files;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** One receipt over two companies, and somebody who works in one of them only. */
class CompaniesTest extends DeskTest {

  private static final String EXPORT = "Larkstow Grain Export Ltd";

  private void in(String company) {
    button("company, light").click();
    page.getByRole(AriaRole.MENUITEM, new GetByRoleOptions().setName(company)).click();
  }

  private void chosen() {
    page.navigate(sumbrel.address() + "/waiting/desk");
    choose(page, "our bakery");
  }

  private void settledFor(String company, String number) {
    in(company);
    page.navigate(sumbrel.address() + "/waiting/find?what=SETTLED&q=" + number);
    assertThat(page.getByText(number).first()).isVisible();
    assertThat(page.getByText("SALTPAN TRADING INC").first()).isVisible();
  }

  @Test
  void oneReceiptPaysInvoicesOfTwoCompaniesAndIsTakenBackInBoth() throws IOException {
    signIn(page, "maren");
    bring(Dropped.example("larkstow-operating-for-both-companies-2026-05-29.xml"));
    assertThat(told("for-both-companies")).containsText("new");
    chosen();
    assertThat(region("In other currencies or companies"))
        .containsText("1,000.00 USD for " + EXPORT + "; 0.02 USD less came");
    // what the text names is what the draft begins with
    assertThat(page.getByText("What the text names elsewhere, as a draft")).isVisible();
    var counts = region("Counts for " + EXPORT);
    assertThat(counts).containsText("1,000.00 USD count for " + EXPORT + " and are owed to it");
    assertThat(region("Remainder")).containsText("For the group");
    // what is missing of the item that was added last is a difference of its company
    button("^Write off 0.02").click();
    assertThat(counts).containsText("999.98 USD count for");
    assertThat(region("Differences")).containsText("of " + EXPORT);
    var written = region("Written for " + EXPORT);
    assertThat(written).containsText("Larkstow Mill Ltd");
    assertThat(written).containsText("Small write-offs");
    button("^Post 1,724.98").click();
    assertThat(page.getByText(Pattern.compile("^Posted 1,724.98"))).isVisible();

    // on the accounts of both customers it is gone, each in the books of his company
    settledFor("Larkstow Mill Ltd", "LM-0020389");
    settledFor(EXPORT, "LX-03401");
    page.navigate(sumbrel.address() + "/posted/journal");
    assertThat(page.getByText("received by Larkstow Mill Ltd").first()).isVisible();

    // whoever works in the one sees what it settles there, and nothing of the other's items
    var sela = anotherPage();
    signIn(sela, "sela");
    sela.navigate(sumbrel.address() + "/posted/settlements");
    assertThat(sela.getByText("LX-03401").first()).isVisible();
    assertThat(sela.getByText("received by Larkstow Mill Ltd; whoever works there").first())
        .isVisible();
    assertThat(sela.getByText("LM-0020389")).hasCount(0);
    sela.context().close();

    in("Larkstow Mill Ltd");
    page.navigate(sumbrel.address() + "/posted/settlements");
    assertThat(page.getByText("LX-03401").first()).isVisible();
    button("^Reverse…$").first().click();
    assertThat(page.getByRole(AriaRole.DIALOG))
        .containsText("mirror entries are written here and for " + EXPORT);
    page.getByRole(AriaRole.DIALOG).getByRole(AriaRole.TEXTBOX).first().fill("the wrong one");
    button("^Reverse 1,724.98").click();
    assertThat(button("^Reversed$").first()).isVisible();
    chosen();
    // by hand, in the books of the other company
    region("Explanations").getByRole(AriaRole.BUTTON).first().click();
    assertThat(region("Counts for " + EXPORT)).hasCount(0);
    page.getByLabel("In whose books to look")
        .selectOption(new SelectOption().setLabel("in the books of " + EXPORT));
    page.getByLabel("Look for a payer, an item or an amount").fill("LX-03401");
    page.getByLabel("Take LX-03401").click();
    assertThat(region("Counts for " + EXPORT)).containsText("1,000.00 USD count for");
    button("^Start over$").click();
  }

  @Test
  void figuresOfAllCurrenciesAndCompaniesStandInOneAtAStatedRate() throws IOException {
    signIn(page, "maren");
    page.navigate(sumbrel.address() + "/posted/books/together");
    var table = page.getByRole(AriaRole.TABLE, new GetByRoleOptions().setName("All currencies"));
    assertThat(table).containsText("Customers owe");
    assertThat(table).not().containsText("EUR");
    page.getByLabel("All companies").click();
    assertThat(table).containsText(EXPORT);
    assertThat(table).containsText(Pattern.compile("1 EUR = 1\\.\\d+ USD of 28 May 2026"));
    page.getByLabel("At the rates of").fill("2020-01-01");
    assertThat(table).containsText("a rate is missing");
    page.getByLabel("At the rates of").fill("2026-04-30");
    assertThat(table).containsText(Pattern.compile("of (29|30) April 2026"));
    page.getByLabel("Totals in").selectOption("EUR");
    assertThat(table).containsText("Together, EUR");

    // every report stands in each currency of its company
    in(EXPORT);
    page.navigate(sumbrel.address() + "/posted/books/ageing");
    assertThat(page.getByText("Moulin Importers").first()).isVisible();
    in("USD");
    assertThat(page.getByText("Saltpan Trading Inc").first()).isVisible();
    assertThat(page.getByText("Moulin Importers")).hasCount(0);
    in("EUR");
    page.getByText("Moulin Importers").first().click();

    // so does what a customer is sent, where one asks for it
    page.getByRole(AriaRole.TAB, new GetByRoleOptions().setName("Account")).click();
    var account =
        page.getByRole(AriaRole.TABLE, new GetByRoleOptions().setName("Account with its balance"));
    assertThat(account).containsText("Balance, EUR");
    assertThat(account).not().containsText("USD");
    page.getByLabel("closing balance in USD too").check();
    assertThat(account).containsText(Pattern.compile("1 EUR = 1\\.\\d+ USD of 28 May 2026"));
    page.getByLabel("Rate of").fill("2026-04-30");
    assertThat(account).containsText(Pattern.compile("of (29|30) April 2026"));
    var saved =
        page.waitForDownload(
            () ->
                page.getByRole(AriaRole.LINK, new GetByRoleOptions().setName("CSV").setExact(true))
                    .click());
    assertThat(Files.readString(saved.path()))
        .contains("balance,currency,in_books,books,rate,rates_on")
        .contains(",2026-04-30");
  }

  /** Without a word on what for. */
  @Test
  void moneyForTheOtherCompanyIsKnownByWhoPaidAndHowMuch() {
    signIn(page, "maren");
    credit("SALTPAN TRADING INC", "2460.50", "qswrong");
    // the queue tells before the entry is opened
    assertThat(region("Queue").getByText("other company")).isVisible();
    assertThat(region("In other currencies or companies"))
        .containsText(
            "LX-03402, owed by Saltpan Trading Inc to "
                + EXPORT
                + ", comes to 2,460.50 USD, to the cent");
    button("^Take LX-03402 for it$").click();
    assertThat(region("Counts for " + EXPORT)).containsText("2,460.50 USD count for");
    button("^Post 2,460.50").click();
    assertThat(page.getByText(Pattern.compile("^Posted 2,460.50"))).isVisible();
    settledFor(EXPORT, "LX-03402");
  }

  @Test
  void whoWorksInOneCompanySeesNothingOfTheOther() {
    signInAtTheDesk(page, "sela");
    assertThat(page.getByText("Larkstow Grain Export").first()).isVisible();
    button("company, light").click();
    assertThat(
            page.getByRole(AriaRole.MENUITEM, new GetByRoleOptions().setName("Larkstow Mill Ltd")))
        .hasCount(0);
    page.keyboard().press("Escape");
    // an address of the other company, as a colleague may send it
    page.navigate(sumbrel.address() + "/posted/settlements/1");
    assertThat(page.getByText("You do not work in the company whose this is").first()).isVisible();
    page.navigate(sumbrel.address() + "/posted/customers");
    assertThat(page.getByText("Moulin Importers").first()).isVisible();
    assertThat(page.getByText("Three Rivers Sourdough")).hasCount(0);
  }
}

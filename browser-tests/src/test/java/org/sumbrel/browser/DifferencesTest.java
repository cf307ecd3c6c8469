package org.sumbrel.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page.GetByRoleOptions;
import com.microsoft.playwright.options.AriaRole;
import java.util.List;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/**
 * Payments that differ from what is owed, settled at the desk by mouse; {@link KeyboardTest}
 * settles the others. Each test brings a customer of its own into the same running application.
 */
class DifferencesTest extends DeskTest {

  @Test
  void booksWhatIsNoCustomersToTwoAccounts() {
    signIn(page, "maren");
    credit("Qinine Landlord", "212.17", "qinine deposit back");
    page.keyboard().press("a");
    page.getByRole(AriaRole.COMBOBOX, new GetByRoleOptions().setName("Account").setExact(true))
        .selectOption(
            new com.microsoft.playwright.options.SelectOption().setLabel("4800 Other income"));
    var parts =
        page.getByRole(
            AriaRole.TEXTBOX, new GetByRoleOptions().setName("Amount or share").setExact(true));
    parts.fill("50 %");
    button("^Another account").click();
    page.getByRole(AriaRole.COMBOBOX, new GetByRoleOptions().setName("Account").setExact(true))
        .nth(1)
        .selectOption(
            new com.microsoft.playwright.options.SelectOption().setLabel("7100 Interest income"));
    // the odd cent goes to the first of two equal shares, the blank part takes the rest
    assertThat(page.getByRole(AriaRole.DIALOG)).containsText("106.09");
    assertThat(page.getByRole(AriaRole.DIALOG)).containsText("106.08");
    parts.nth(1).fill("200 apples");
    assertThat(page.getByRole(AriaRole.DIALOG)).containsText("neither an amount nor a share");
    assertThat(button("^Put into the draft")).isDisabled();
    parts.nth(1).fill("");
    button("^Put into the draft").click();
    post("212.17");
    assertBooksAreWhole();
  }

  @Test
  void writesTheInvoiceThatIsMissing() {
    signIn(page, "maren");
    invoices("QJTen Cakes", "QJ-1 5.00");
    credit("QJTen Cakes", "106.00", "qjten for the wedding cake");
    page.keyboard().press("n");
    page.getByLabel("Tax in it").selectOption("SALES6");
    page.getByLabel("Order or reference").fill("wedding");
    button("^Write it and take it").click();
    assertThat(region("Receipt")).containsText("SB-260528-1");
    post("106.00");
    page.navigate(sumbrel.address() + "/posted/journal");
    assertThat(page.getByText("Invoice SB-260528-1")).isVisible();
    assertBooksAreWhole();
  }

  @Test
  void shelvesAndTakesBack() {
    signIn(page, "maren");
    credit("Qkeleven Twice", "77.70", "qkeleven sent again");
    page.keyboard().press("s");
    page.getByLabel("Note").fill("the same as yesterday");
    button("^Shelve it").click();
    assertThat(page.getByText(Pattern.compile("^Shelved 77.70"))).isVisible();
    assertBooksAreWhole();
    page.navigate(sumbrel.address() + "/waiting/shelved");
    assertThat(page.getByLabel("Shelved")).containsText("duplicate: the same as yesterday");
    page.getByRole(AriaRole.ROW, new GetByRoleOptions().setName(Pattern.compile("Qkeleven")))
        .getByText("Take back")
        .click();
    page.navigate(sumbrel.address() + "/waiting/desk");
    choose(page, "qkeleven sent again");
  }

  @Test
  void keepsADraftThatAColleagueTakesOver() {
    signIn(page, "maren");
    invoices("QLTwelve Buns", "QL-1 50.00", "QL-2 70.00");
    credit("QLTwelve Buns", "100.00", "qltwelve on account");
    page.getByLabel("Take QL-1").check();
    page.getByLabel("Take QL-2").check();
    page.getByLabel("Amount taken of QL-2").fill("49.00");
    page.getByLabel("Amount taken of QL-2").press("Enter");
    assertThat(page.getByText("Kept as your draft")).isVisible();
    // the browser is closed and opened again
    page.navigate(sumbrel.address() + "/waiting/desk");
    choose(page, "qltwelve on account");
    assertThat(page.getByLabel("Amount taken of QL-2")).hasValue("49.00");

    var colleague = anotherPage();
    signInAtTheDesk(colleague, "osric");
    choose(colleague, "qltwelve on account");
    assertThat(region(colleague, "Receipt")).containsText("maren works on this since");
    assertThat(colleague.getByLabel("Take QL-1")).isDisabled();
    button(colleague, "^Take over").click();
    assertThat(colleague.getByLabel("Take QL-1")).isEnabled();
    assertThat(colleague.getByLabel("Amount taken of QL-2")).hasValue("49.00");
    assertThat(page.getByText(Pattern.compile("^osric works on this"))).isVisible();
    colleague.context().close();
  }

  @Test
  void takesADraggedItemAndResizesItsSegment() {
    signIn(page, "maren");
    invoices("QNFourteen Tarts", "QN-1 80.00", "QN-2 90.00");
    credit("QNFourteen Tarts", "121.00", "qnfourteen in part");
    var receipt = region("Receipt");
    for (var number : List.of("QN-1", "QN-2")) {
      if (!page.getByLabel("Take " + number).isChecked()) {
        page.getByLabel("Open items")
            .getByText(number, new Locator.GetByTextOptions().setExact(true))
            .dragTo(receipt.getByRole(AriaRole.GROUP).first());
        // where the draft is kept a line appears above the bar: the next drag must not meet that
        assertThat(receipt.getByText("Kept as your draft")).isVisible();
      }
      assertThat(page.getByLabel("Take " + number)).isChecked();
    }
    button("^Change 90.00 of QN-2").click();
    var field = page.getByLabel("Amount of QN-2");
    field.fill("41");
    field.press("Enter");
    assertThat(page.getByLabel("Amount taken of QN-2")).hasValue("41.00");
    post("121.00");
    assertBooksAreWhole();
  }
}

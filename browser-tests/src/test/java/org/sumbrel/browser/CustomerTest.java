package org.sumbrel.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page.GetByLabelOptions;
import com.microsoft.playwright.Page.GetByRoleOptions;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import java.nio.file.Files;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/**
 * A customer's view: money on account applied, the account with its balance, notes and questions.
 */
class CustomerTest extends DeskTest {

  private void customer(String name, String side) {
    page.navigate(sumbrel.address() + "/posted/customers");
    page.getByLabel("name or number…").fill(name.split(" ")[0]);
    page.getByRole(AriaRole.LINK, new GetByRoleOptions().setName(name)).click();
    page.getByRole(AriaRole.TAB, new GetByRoleOptions().setName(side)).click();
  }

  private Locator row(String list, String text) {
    return page.getByLabel(list, new GetByLabelOptions().setExact(true))
        .getByRole(AriaRole.LISTITEM)
        .filter(new Locator.FilterOptions().setHasText(text));
  }

  /** Not the 120.00 that were open before. */
  private static final Pattern OPEN_20 = Pattern.compile("(?<!1)20\\.00 open");

  /** Money of nobody's invoice: the whole of it stays on account. */
  private void onAccount(String payer, String amount, String text) {
    arrives(payer, amount, text);
    var entry = rows(page, "/api/entries?q=" + text.split(" ")[0]).get(0);
    var customer = rows(page, "/api/customers?q=" + payer.split(" ")[0]).get(0);
    call(
        page,
        "POST",
        "/api/settlements",
        "{\"entryId\":%s,\"applications\":[],\"adjustments\":[],\"onAccount\":{\"amount\":\"%s\",\"currency\":\"USD\"},\"onAccountCustomerId\":%s}"
            .formatted(entry.get("id"), amount, customer.get("id")));
  }

  @Test
  void appliesMoneyOnAccountByDraggingAndByKeyboard() throws Exception {
    signIn(page, "maren");
    invoices("QRDrag Ovens", "QR-1 120.00", "QR-2 80.00");
    onAccount("QRDrag Ovens", "150.00", "qrdrag round");
    customer("QRDrag Ovens", "What paid what");
    row("Receipts and credits", "OA-").dragTo(row("What they paid", "QR-1"));
    var form = page.getByLabel("Apply a credit");
    assertThat(form).containsText("(150.00 left) to QR-1 (120.00 open)");
    page.getByLabel("Amount to apply").fill("200");
    assertThat(form).containsText("Type an amount up to 120.00.");
    page.getByLabel("Amount to apply").fill("100");
    button("^Apply 100.00$").click();
    assertThat(form).hasCount(0);
    assertThat(row("What they paid", "QR-1")).containsText(OPEN_20);

    tabTo(page, "^Apply OA-");
    page.keyboard().press("Enter");
    assertThat(page.getByText("Choose an item.")).isVisible();
    tabTo(page, "^To QR-2$");
    page.keyboard().press("Enter");
    assertThat(page.getByLabel("Amount to apply")).hasValue("50.00");
    page.keyboard().press("Enter");
    assertThat(form).hasCount(0);
    assertThat(row("What they paid", "QR-2")).containsText("30.00 open");
    assertThat(row("Receipts and credits", "Apply…")).hasCount(0);

    page.getByRole(AriaRole.TAB, new GetByRoleOptions().setName("Account")).click();
    var account = page.getByLabel("Account with its balance");
    assertThat(account).containsText("Receipt of 28 May 2026");
    assertThat(account.getByRole(AriaRole.ROW).last()).containsText("50.00");
    Download csv =
        page.waitForDownload(
            () -> page.getByRole(AriaRole.LINK, new GetByRoleOptions().setName("CSV")).click());
    assertThat(Files.readString(csv.path())).contains("Closing balance,,,50.00,USD");
    page.getByRole(AriaRole.TAB, new GetByRoleOptions().setName("Items")).click();
    page.getByLabel("Settled ones too").check();
    assertThat(page.getByText("Settled · 1 item")).isVisible();
    page.getByLabel("number, amount, day…").fill("qr-2");
    assertThat(page.getByText("Open · 1 item")).isVisible();
    assertBooksAreWhole();
  }

  @Test
  void asksAColleagueWhereTheWorkIs() {
    var colleague = anotherPage();
    signIn(page, "maren");
    signInAtTheDesk(colleague, "osric");
    arrives("QSAsk", "77.70", "qsask who is it");
    page.navigate(sumbrel.address() + "/waiting/desk");
    choose(page, "qsask");
    // what one types stays, whatever comes from others meanwhile
    colleague.getByLabel("Look for a payer, an item or an amount").fill("half a w");
    button("^Note or question").click();
    page.getByLabel("Note", new GetByLabelOptions().setExact(true)).fill("One of yours?");
    page.getByLabel("Ask", new GetByLabelOptions().setExact(true)).selectOption("osric");
    page.getByLabel("Files to attach")
        .setInputFiles(
            new FilePayload("letter.pdf", "application/pdf", "%PDF-1.7 made up".getBytes()));
    button("^Ask$").click();
    assertThat(region("What colleagues said")).containsText("maren asks osric");
    assertThat(region("What colleagues said")).containsText("letter.pdf");
    assertThat(region("Queue").getByLabel("1 note, 1 question open")).isVisible();

    assertThat(button(colleague, "^Asked of you")).isVisible();
    assertThat(colleague.getByLabel("Look for a payer, an item or an amount")).hasValue("half a w");
    button(colleague, "^Asked of you").click();
    colleague
        .getByRole(
            AriaRole.MENUITEM, new GetByRoleOptions().setName(Pattern.compile("77.70 from QSAsk")))
        .click();
    assertThat(region(colleague, "Receipt")).containsText("qsask who is it");
    region(colleague, "What colleagues said").getByText("Done").click();
    assertThat(region(colleague, "What colleagues said")).containsText("done, osric");
    assertThat(region("What colleagues said")).containsText("done, osric");
    colleague.context().close();
  }
}

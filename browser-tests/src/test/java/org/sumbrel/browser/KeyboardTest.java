package org.sumbrel.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

/**
 * The ways in which a payment can differ from what is owed, settled at the desk by keyboard alone:
 * once the files are in, no test touches the mouse.
 */
class KeyboardTest extends DeskTest {

  private void postByKey(String amount) {
    assertThat(region("Remainder")).containsText("Post " + amount);
    page.keyboard().press("Control+Enter");
    assertThat(page.getByText(Pattern.compile("^Posted " + amount.replace(".", "\\."))))
        .isVisible();
  }

  private void takeAll(int items) {
    for (var n = 1; n <= items; n++) {
      if (page.getByLabel(Pattern.compile("^Amount taken of")).count() < n) {
        page.keyboard().press("+");
      }
      assertThat(page.getByLabel(Pattern.compile("^Amount taken of")).nth(n - 1)).isVisible();
    }
  }

  /** A pasted list with a rest, by keyboard alone: list, claim with its reason, post, undo. */
  @Test
  void readsAListClaimsTheRestAndUndoes() {
    signIn(page, "maren");
    invoices("QMThirteen Rolls", "QM-1 400.00", "QM-2 300.00");
    arrives("QMThirteen Rolls", "655.00", "qmthirteen two less damages");
    find(page, "qmthirteen two less damages");
    var keys = page.keyboard();
    keys.press("l");
    assertThat(page.getByLabel("The list")).isFocused();
    keys.insertText("QM-1 400.00\nQM-2 300.00");
    keys.press("Control+Enter");
    assertThat(page.getByRole(AriaRole.DIALOG)).containsText("2 lines understood");
    keys.press("Control+Enter");
    assertThat(region("Remainder")).containsText("Short by");
    keys.press("r");
    tabTo(page, "^Claim 45.00");
    keys.press("Enter");
    assertThat(page.getByRole(AriaRole.MENU)).isVisible();
    keys.press("ArrowDown");
    keys.press("Enter");
    assertThat(region("Differences")).containsText("claim");
    assertThat(page.getByLabel("Reason of the claim")).hasValue("DAMAGED");
    assertThat(region("Remainder")).containsText("Post 655.00");
    keys.press("Control+Enter");
    assertThat(page.getByText(Pattern.compile("^Posted 655\\.00"))).isVisible();
    keys.press("u");
    assertThat(page.getByText(Pattern.compile("^Reversed: 655\\.00"))).isVisible();
    assertBooksAreWhole();
  }

  @Test
  void splitsOverTwelveInvoicesByAPastedList() {
    signIn(page, "maren");
    var rows =
        IntStream.rangeClosed(1, 12)
            .mapToObj(n -> "KA-10%02d %d.25".formatted(n, 200 + n))
            .toArray(String[]::new);
    invoices("KAOne Pasteries", rows);
    arrives("KAOne Pasteries", "2481.00", "sum of twelve kaone");
    find(page, "sum of twelve kaone");
    page.keyboard().press("l");
    assertThat(page.getByLabel("The list")).isFocused();
    page.keyboard()
        .insertText(
            "Your number\tAmount\n"
                + String.join("\n", rows).replace(' ', '\t')
                + "\nKA-9999\t1.00\nTotal\t2,481.00\n");
    page.keyboard().press("Control+Enter");
    assertThat(page.getByRole(AriaRole.DIALOG)).containsText("12 lines understood, 3 not");
    assertThat(page.getByRole(AriaRole.DIALOG))
        .containsText("Nothing that is known has this reference.");
    page.keyboard().press("Control+Enter");
    postByKey("2,481.00");
    assertBooksAreWhole();
  }

  @Test
  void settlesAnInvoiceInFullWhereTheBankKeptAFee() {
    signIn(page, "maren");
    invoices("KBTwo Bakers", "KB-2001 1038.08");
    arrives("KBTwo Bakers", "1020.08", "kbtwo wire");
    find(page, "kbtwo wire");
    takeAll(1);
    assertThat(region("Remainder")).containsText("Bank fee 18.00");
    page.keyboard().press("r");
    tabTo(page, "^Bank fee 18.00");
    page.keyboard().press("Enter");
    assertThat(region("Differences")).containsText("bank fee");
    assertThat(page.getByLabel("Journal lines")).containsText("Bank fees");
    postByKey("1,020.08");
    assertBooksAreWhole();
  }

  @Test
  void keepsAShortPaymentAsAClaimThatIsCreditedLater() {
    signIn(page, "maren");
    invoices("KCThree Mills", "KC-3001 1000.00");
    arrives("KCThree Mills", "725.00", "kcthree less damaged sacks");
    find(page, "kcthree less damaged sacks");
    takeAll(1);
    assertThat(region("Remainder")).containsText("Claim 275.00");
    page.keyboard().press("r");
    tabTo(page, "^Claim 275.00");
    page.keyboard().press("Enter");
    assertThat(page.getByRole(AriaRole.MENU)).isVisible();
    page.keyboard().press("Enter");
    assertThat(region("Differences")).containsText("claim");
    assertThat(page.getByLabel("Journal lines")).containsText("Claims on customers");
    postByKey("725.00");

    invoices("KCThree Mills", "KC-3002 -275.00");
    page.navigate(sumbrel.address() + "/posted/customers");
    assertThat(page.getByLabel("name or number…")).isVisible();
    tabTo(page, "^name or number");
    page.keyboard().insertText("KCThree");
    assertThat(page.getByRole(AriaRole.LINK, exactly("KCThree Mills"))).isVisible();
    tabTo(page, "^KCThree Mills");
    page.keyboard().press("Enter");
    assertThat(page.getByLabel("Open items")).containsText("claim, ");
    tabTo(page, "^Apply what is in credit");
    page.keyboard().press("Enter");
    assertThat(button("^Apply oldest first")).isVisible();
    tabTo(page, "^Apply oldest first");
    page.keyboard().press("Enter");
    assertThat(page.getByLabel("Journal lines")).containsText("275.00");
    page.keyboard().press("Control+Enter");
    assertThat(page.getByText(Pattern.compile("^Posted 0\\.00 from KCThree"))).isVisible();
    page.navigate(sumbrel.address() + "/posted/customers");
    page.getByLabel("name or number…").fill("KCThree");
    page.getByRole(AriaRole.LINK, exactly("KCThree Mills")).press("Enter");
    assertThat(page.getByText("Nothing is open.")).isVisible();
    assertBooksAreWhole();
  }

  private static Page.GetByRoleOptions exactly(String name) {
    return new Page.GetByRoleOptions().setName(name).setExact(true);
  }

  @Test
  void appliesAPrepaymentToALaterInvoice() {
    signIn(page, "maren");
    invoices("KDFour Pizza", "KD-4000 1.00");
    arrives("KDFour Pizza", "450.00", "kdfour in advance");
    find(page, "kdfour in advance");
    postByKey("450.00");
    invoices("KDFour Pizza", "KD-4001 600.00");
    page.navigate(sumbrel.address() + "/waiting/desk");
    // the desk says by itself that the money could be applied now
    assertThat(region("Queue")).containsText("On account, with invoices open");
    assertThat(region("Queue").getByText("KDFour Pizza")).isVisible();
    tabTo(page, "KDFour Pizza");
    page.keyboard().press("Enter");
    assertThat(button("^Apply oldest first")).isVisible();
    tabTo(page, "^Apply oldest first");
    page.keyboard().press("Enter");
    // the older small invoice first, the rest of the money to the new one
    assertThat(page.getByLabel("Amount taken of KD-4000")).hasValue("1.00");
    assertThat(page.getByLabel("Amount taken of KD-4001")).hasValue("449.00");
    page.keyboard().press("Control+Enter");
    assertThat(page.getByText(Pattern.compile("^Posted 0\\.00 from KDFour"))).isVisible();
    assertBooksAreWhole();
  }

  @Test
  void letsAParentPayForThreeBranchesAndTypesAnAmount() {
    signIn(page, "maren");
    drop(
        "customers.csv",
        "customer_id,name,parent_id\nKE,KEFive Schools,\nKE1,KEFive North,KE\nKE2,KEFive South,KE\nKE3,KEFive West,KE\n",
        "4 records, 4 new");
    drop(
        "invoices.csv",
        "number,kind,customer_id,customer_name,issue_date,due_date,currency,total,open,terms\n"
            + "KE-5001,invoice,KE1,KEFive North,2026-04-20,2026-05-20,USD,100.10,100.10,\n"
            + "KE-5002,invoice,KE2,KEFive South,2026-04-20,2026-05-20,USD,200.20,200.20,\n"
            + "KE-5003,invoice,KE3,KEFive West,2026-04-20,2026-05-20,USD,300.30,300.30,\n",
        "3 records, 3 new");
    arrives("KEFive Schools", "590.60", "kefive term fees");
    find(page, "kefive term fees");
    takeAll(3);
    tabTo(page, "^Amount taken of KE-5003");
    page.keyboard().insertText("290.30");
    page.keyboard().press("Enter");
    assertThat(page.getByLabel("By customer"))
        .containsText("KEFive North 100.10 · KEFive South 200.20 · KEFive West 290.30");
    postByKey("590.60");
    assertBooksAreWhole();
  }

  @Test
  void takesTwoCreditNotesInsideOnePayment() {
    signIn(page, "maren");
    invoices("KFSix Loaves", "KF-6001 900.00", "KF-6002 -60.00", "KF-6003 -40.00");
    arrives("KFSix Loaves", "800.00", "kfsix less two credits");
    find(page, "kfsix less two credits");
    takeAll(3);
    postByKey("800.00");
    assertBooksAreWhole();
  }

  @Test
  void asksASecondPersonAboveTheLimit() {
    signIn(page, "maren");
    invoices("KGSeven Crusts", "KG-7001 500.00");
    arrives("KGSeven Crusts", "470.00", "kgseven short by thirty");
    find(page, "kgseven short by thirty");
    takeAll(1);
    assertThat(region("Remainder")).containsText("Write off 30.00");
    page.keyboard().press("r");
    tabTo(page, "^Write off 30.00");
    page.keyboard().press("Enter");
    assertThat(button("^Hand over")).isEnabled();
    page.keyboard().press("Control+Enter");
    assertThat(page.getByLabel("Note")).isFocused();
    page.keyboard().insertText("agreed by telephone");
    page.keyboard().press("Enter");
    assertThat(page.getByText("Handed to a supervisor.")).isVisible();

    var supervisor = anotherPage();
    signInAtTheDesk(supervisor, "osric");
    assertThat(region(supervisor, "Queue")).containsText("maren asks for approval");
    find(supervisor, "kgseven short by thirty");
    assertThat(region(supervisor, "Receipt")).containsText("agreed by telephone");
    assertThat(button(supervisor, "^Approve and post")).isVisible();
    tabTo(supervisor, "^Approve and post");
    supervisor.keyboard().press("Enter");
    assertThat(supervisor.getByText("Approved and posted.")).isVisible();
    supervisor.navigate(sumbrel.address() + "/posted/settlements");
    assertThat(supervisor.getByText(Pattern.compile("by osric, drafted by maren")).first())
        .isVisible();
    supervisor.context().close();
    assertBooksAreWhole();
  }

  @Test
  void takesTheInvoiceInsteadOfCountingIncomeTwice() {
    signIn(page, "maren");
    invoices("KHEight Ovens", "KH-8001 334.43");
    arrives("Nobody Whom We Know", "334.43", "kheight rent perhaps");
    find(page, "kheight rent perhaps");
    page.keyboard().press("a");
    assertThat(page.getByRole(AriaRole.DIALOG)).containsText("This may count income twice");
    assertThat(page.getByRole(AriaRole.DIALOG)).containsText("KH-8001");
    assertThat(button("^Put into the draft")).isDisabled();
    tabTo(page, "^Take it instead");
    page.keyboard().press("Enter");
    postByKey("334.43");
    assertBooksAreWhole();
  }
}

package org.sumbrel.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Page.GetByRoleOptions;
import com.microsoft.playwright.assertions.LocatorAssertions.ContainsTextOptions;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Map;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;

/**
 * A morning's lockbox file: from the bank to what is posted, with what is explained by hand, a
 * wrong control total, and a second person.
 */
class LockboxTest extends DeskTest {

  private void toTheBatch() {
    link(page, "^To the lockbox batches$").click();
  }

  private Locator totals() {
    return region("Control totals");
  }

  /** What a control total is now. */
  private void assertTotal(String name, String amount) {
    assertThat(
            totals()
                .locator("div:has(> dt)")
                .filter(new Locator.FilterOptions().setHasText(name))
                .locator("dd"))
        .hasText(amount);
  }

  private void cheque(String number) {
    region("Cheques")
        .getByRole(AriaRole.GROUP)
        .filter(new Locator.FilterOptions().setHasText("no. " + number))
        .getByRole(AriaRole.BUTTON)
        .click();
    assertThat(region("Receipt")).containsText("cheque " + number + ", item");
    assertThat(region("Remainder")).containsText("Left");
  }

  private void assertGroups(String... heads) {
    assertThat(region("Cheques").getByRole(AriaRole.HEADING)).hasText(heads);
  }

  private void takes(String number, String amount) {
    var field = page.getByLabel("Amount taken of " + number);
    assertThat(field).isVisible();
    field.fill(amount);
    field.press("Enter");
  }

  @Test
  void theBatchOfTheDayFromTheFileToWhatIsPosted() throws IOException {
    signIn(page, "maren");
    bring(Dropped.example("copperbeck-mailroom-2026-05-29.txt"));
    assertThat(page.getByText("24 records, 24 new, 0 known already")).isVisible();
    toTheBatch();
    link(page, "^Batch 001 of lockbox 4410$").click();
    assertTotal("24 cheques", "24,962.35");
    assertTotal("applied", "23,823.20");
    assertTotal("left to explain", "1,139.15");
    assertGroups("To decide", "Leaves something owing", "Clear");

    // one cheque for two invoices, an order number, two items that only their sum points at
    cheque("1755");
    assertThat(region("Receipt")).containsText("LM-0020495");
    assertThat(region("Receipt")).containsText("LM-0020562");
    cheque("1793");
    assertThat(region("Receipt")).containsText("PO-7581");
    cheque("1070");
    assertThat(region("Receipt")).containsText("the two add up to the cent");
    // nobody read the drawer, but the picture shows him
    cheque("1110");
    assertThat(region("Receipt")).containsText("The bank gives neither a name nor a text");
    assertThat(page.getByAltText("Picture of Cheque 1110")).isVisible();
    assertThat(
            (Boolean)
                page.getByAltText("Picture of Cheque 1110")
                    .evaluate(
                        "(img) => img.complete ? img.naturalWidth > 100 : img.decode().then(() => img.naturalWidth > 100)"))
        .isTrue();

    // 1.60 under: the whole invoice, the rest written off
    cheque("1794");
    takes("LM-0020573", "197.90");
    button("^Write off 1.60").click();
    assertThat(region("Remainder").getByText("Left").locator("..")).containsText("0.00");
    assertTotalSoon("differences", "−1.60");
    assertTotal("applied", "23,824.80");

    // 275.00 under is left owing: its explanation says so
    cheque("1032");
    assertThat(page.getByLabel("Amount taken of LM-0020488")).hasValue("550.00");

    // the slip says 10.00 less than the cheque: all of it is the invoice
    cheque("1035");
    assertThat(region("Cheques")).containsText("10.00 more than its slip");
    takes("LM-0020574", "825.00");
    assertTotalSoon("left to explain", "314.15");

    // nothing is open at this payer: kept on account, posted at once
    cheque("1080");
    page.keyboard().press("Control+Enter");
    assertThat(page.getByText(Pattern.compile("^Posted 314\\.15"))).isVisible();
    assertTotalSoon("on account", "314.15");
    assertTotal("left to explain", "0.00");
    assertThat(page.getByText("1 of 24 posted")).isVisible();
    // what is posted stands last, further down than one sees
    assertGroups("Leaves something owing", "Ready by hand", "Clear");

    region("Cheques").getByText("Changed by hand").click();
    assertThat(
            region("Cheques")
                .getByRole(AriaRole.GROUP)
                .filter(new Locator.FilterOptions().setHasText("no. ")))
        .hasCount(2);
    region("Cheques").getByText("All", new Locator.GetByTextOptions().setExact(true)).click();

    // the rest as a run: what is left owing is said before
    page.keyboard().press("p");
    var asks = page.getByRole(AriaRole.DIALOG);
    assertThat(asks).containsText("23 cheques with 24,648.20 USD");
    assertThat(asks).containsText("Nothing of the batch is left after that.");
    asks.getByRole(
            AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(Pattern.compile("^Post 23")))
        .click();
    assertThat(page.getByText("23 of 23 posted")).isVisible();
    link(page, "^To the batch$").click();
    assertThat(page.getByText("24 of 24 posted")).isVisible();
    assertGroups("Posted");
    assertTotal("applied", "24,649.80");
    assertTotal("on account", "314.15");
    assertTotal("differences", "−1.60");
    assertTotal("left to explain", "0.00");

    // from the settlement back to the cheque; the same file again changes nothing
    cheque1032IsPosted();
    drop(Dropped.example("copperbeck-mailroom-2026-05-29.txt"));
    assertThat(page.getByText("0 new, 24 known already.")).isVisible();
    assertBooksAreWhole();
  }

  private void cheque1032IsPosted() {
    region("Cheques")
        .getByRole(AriaRole.GROUP)
        .filter(new Locator.FilterOptions().setHasText("no. 1032"))
        .getByRole(AriaRole.BUTTON)
        .click();
    link(page, "^See settlement").click();
    assertThat(page.getByText("cheque 1032, item 4 of")).isVisible();
    link(page, "^LM-0020488$").first().click();
    assertThat(page.getByText("275.00 open")).isVisible();
    link(page, "^batch 001 of lockbox 4410$").first().click();
    assertThat(totals()).isVisible();
  }

  private void assertTotalSoon(String name, String amount) {
    // the totals follow what is drafted once it is safe on the server
    assertThat(totals())
        .containsText(
            Pattern.compile(name + "\\s*" + amount.replace(".", "\\.")),
            new ContainsTextOptions().setTimeout(15_000));
  }

  /** A cheque without a slip: its number, what it comes to in cents, and who drew it. */
  private record Mailed(int number, long cents, String drawer) {}

  /** A batch of the lockbox of which the bank claims a total, in cents. */
  private static String claiming(int batch, long claimed, Mailed... cheques) {
    var lines = new ArrayList<String>();
    lines.add("101LARKSTOW  COPPERBECK2605280730");
    lines.add("2LARKSTOW  COPPERBECK          400080");
    lines.add("5%03d0000004410260528".formatted(batch));
    for (var cheque : cheques) {
      lines.add(
          "6%03d%03d%010d0210000210000%06d%010d%s"
              .formatted(
                  batch,
                  lines.size() - 2,
                  cheque.cents(),
                  cheque.number(),
                  cheque.number(),
                  cheque.drawer()));
    }
    var total = Arrays.stream(cheques).mapToLong(Mailed::cents).sum();
    lines.add("7%03d0000004410260528%03d%010d".formatted(batch, cheques.length, claimed));
    lines.add("80000000004410260528%04d%010d".formatted(cheques.length, total));
    lines.add("9%06d".formatted(lines.size() + 1));
    return lines.stream().map(line -> "%-80s\n".formatted(line)).collect(Collectors.joining());
  }

  @Test
  void aWrongControlTotalWaitsForASupervisor() {
    signIn(page, "maren");
    bring(
        Dropped.text(
            "wrong-total.txt", claiming(771, 42200, new Mailed(771, 41200, "QX LOST KITCHENS"))));
    assertThat(page.getByText("1 record, 1 new")).isVisible();
    assertThat(
            page.getByText(
                    "batch 771 says it comes to 422.00, its cheques come to 412.00: 10.00 less")
                .first())
        .isVisible();
    toTheBatch();
    assertThat(page.getByText("contradicts itself; a supervisor has to accept it")).isVisible();
    link(page, "^Batch 771").click();
    assertThat(page.getByText("Nothing of this batch is posted until a supervisor accepts"))
        .isVisible();
    assertTotal("the bank claims 1", "422.00");
    assertThat(button("^Accept")).hasCount(0);
    assertThat(button("^Post the batch")).isDisabled();
    var address = page.url();

    var osric = anotherPage();
    signIn(osric, "osric");
    osric.navigate(address);
    button(osric, "^Accept…$").click();
    osric.getByLabel("Why").fill("the bank confirmed 412.00 by telephone");
    button(osric, "^Accept$").click();
    assertThat(osric.getByText("contradictions accepted by osric: the bank confirmed 412.00"))
        .isVisible();
    assertThat(link(osric, "^deposit 4410-771$")).isVisible();
    osric.context().close();
    assertBooksAreWhole();
  }

  @Test
  void everyWayOfTheDeskIsThereInsideABatch() {
    signIn(page, "maren");
    invoices("QRClaim Mills", "QRC-1 1000.00");
    invoices("QRNew Cakes", "QRN-1 5.00");
    invoices("QRRight Ovens", "QRR-1 200.00");
    invoices("QRWrong Ovens", "QRW-1 61.00");
    bring(
        Dropped.text(
            "by-hand.txt",
            claiming(
                773,
                116433,
                new Mailed(7731, 72500, "QRCLAIM MILLS"),
                new Mailed(7732, 10600, "QRNEW CAKES"),
                new Mailed(7733, 33333, "QRWRONG OVENS"))));
    assertThat(page.getByText("3 records, 3 new, 0 known already")).isVisible();
    toTheBatch();
    link(page, "^Batch 773").click();
    assertTotal("3 cheques", "1,164.33");

    cheque("7731");
    take("QRC-1");
    button("^Claim 275.00").click();
    page.getByRole(AriaRole.MENUITEM, new GetByRoleOptions().setName("damaged goods")).click();
    assertTotalSoon("differences", "−275.00");

    cheque("7732");
    page.keyboard().press("n");
    page.getByLabel("Order or reference").fill("wedding");
    button("^Write it and take it").click();
    assertTotalSoon("applied", "1,106.00");

    // another customer's invoice, one of this one's, and the rest a prepayment of his
    cheque("7733");
    take("QRW-1");
    payer("QRRight Ovens");
    take("QRR-1");
    button("^Keep 72.33 on account").click();
    page.getByLabel("Prepayment for order").fill("PO-7733");
    page.getByLabel("Prepayment for order").press("Enter");
    assertThat(page.getByLabel("By customer")).containsText("QRRight Ovens");
    assertTotalSoon("on account", "72.33");
    assertTotalSoon("applied", "1,367.00");
    assertTotal("left to explain", "0.00");
    assertGroups("Ready by hand");

    button("^Post the batch \\(3").click();
    button("^Post 3").click();
    assertThat(page.getByText("3 of 3 posted").first()).isVisible();
    page.navigate(sumbrel.address() + "/posted/customers");
    page.getByLabel("name or number…").fill("QRRight");
    link(page, "^QRRight Ovens$").click();
    assertThat(page.getByLabel("Open items")).containsText("PO-7733");
    assertBooksAreWhole();
  }

  @Test
  void theMailRoomsCheques() {
    signIn(page, "maren");
    page.navigate(sumbrel.address() + "/arrived/outside");
    button("^Open a day’s envelopes$").click();
    button("^Fetch 1 lockbox file$").click();
    link(page, "^taken in$").click();
    assertThat(page.getByText("records:")).isVisible();
    // off-line there is no picture, and that is said; then there is
    behaves("true");
    link(page, "^Batch 001 of lockbox 4410$").click();
    assertThat(totals()).isVisible();
    assertThat(page.getByText("The mail room shows no picture of cheque")).isVisible();
    behaves("false");
    button("^Ask again$").click();
    assertThat(page.getByAltText(Pattern.compile("^Picture of Cheque"))).isVisible();
  }

  private void behaves(String offLine) {
    call(
        page,
        "PUT",
        "/api/outside/mail-room/behaviour",
        "{\"late\":false,\"twice\":false,\"offLine\":%s,\"wrongTotal\":false}".formatted(offLine));
  }

  @Test
  @SuppressWarnings("unchecked")
  void aSecondPersonReleasesWhatIsPosted() {
    signIn(page, "maren");
    invoices("QRel Kitchens", "QREL-1 512.50");
    bring(
        Dropped.text(
            "released.txt", claiming(772, 51250, new Mailed(772, 51250, "QREL KITCHENS"))));
    assertThat(page.getByText("1 record, 1 new, 0 known already").last()).isVisible();
    toTheBatch();

    var osric = anotherPage();
    signIn(osric, "osric");
    var policy = (Map<String, Object>) call(osric, "GET", "/api/policies/USD", "");
    osric.navigate(sumbrel.address() + "/policies");
    osric.getByLabel("A second person releases what is posted of lockbox batches").check();
    button(osric, "^Decide$").click();
    assertThat(osric.getByText("Decided.")).isVisible();
    try {
      link(page, "^Batch 772").click();
      assertTotal("applied", "512.50");
      button("^Post the batch \\(1").click();
      assertThat(page.getByRole(AriaRole.DIALOG)).containsText("until a colleague releases it");
      button("^Ask to release 1").click();
      assertThat(page.getByText("waits for a second person to release it")).isVisible();
      assertThat(button("^Release$")).hasCount(0);

      osric.navigate(page.url());
      button(osric, "^Release$").click();
      // the run says the same for a moment
      assertThat(osric.getByText(Pattern.compile("to Lockbox USD.*1 of 1 posted"))).isVisible();
    } finally {
      decide(osric, policy);
      osric.context().close();
    }
    assertBooksAreWhole();
  }

  private static void decide(Page by, Map<String, Object> before) {
    assertThat(before).containsEntry("batchesReleased", false);
    by.navigate(sumbrel.address() + "/policies");
    by.getByLabel("A second person releases what is posted of lockbox batches").uncheck();
    button(by, "^Decide$").click();
    assertThat(by.getByText("Decided.")).isVisible();
  }
}

package org.sumbrel.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page.GetByLabelOptions;
import com.microsoft.playwright.Page.GetByRoleOptions;
import com.microsoft.playwright.options.AriaRole;
import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/**
 * Receipts in the office: recorded, banked together, recognised at the bank; by keyboard alone once
 * the bank's files are in.
 */
class PouchTest extends DeskTest {

  private Locator exactly(String label) {
    return page.getByLabel(label, new GetByLabelOptions().setExact(true));
  }

  private Locator from() {
    return page.getByRole(AriaRole.TEXTBOX, new GetByRoleOptions().setName("From").setExact(true));
  }

  private void pouch() {
    page.navigate(sumbrel.address() + "/pouch");
    assertThat(button("^Record$")).isVisible();
  }

  /** Goes to a field by Tab and types into it. */
  private void type(String field, String text) {
    tabTo(page, field);
    page.keyboard().press("Control+A");
    page.keyboard().type(text);
  }

  private void method(String word) {
    tabTo(page, "^Method$", "Shift+Tab");
    page.keyboard().type(word);
  }

  private void record(String method, String number, String who, String amount) {
    method(method);
    type("^(Cheque number|Reference|Batch or slip)$", number);
    type("^From$", who);
    type("^Amount$", amount);
    page.keyboard().press("Enter");
    assertThat(page.getByText(Pattern.compile("^Recorded: .* of " + amount + " from " + who)))
        .isVisible();
  }

  private void tick(String name) {
    var box = page.getByRole(AriaRole.CHECKBOX, new GetByRoleOptions().setName(name));
    assertThat(box).isVisible();
    tabTo(page, "^" + name);
    page.keyboard().press("Space");
    assertThat(box).isChecked();
  }

  /** Makes a deposit of what is ticked; gives its address. */
  private String bank(String slip) {
    press("^Make a deposit of");
    assertThat(page.getByText("A new deposit")).isVisible();
    type("^Slip number$", slip);
    page.keyboard().press("Control+Enter");
    assertThat(page.getByText("slip " + slip)).isVisible();
    return page.url();
  }

  /** A credit that the bank shows today. */
  private void shows(String id, String amount, String text) {
    drop(
        "statement-" + id + ".csv",
        "entry_id,booking_date,amount,currency,payer_name,remittance\n%s,2026-05-29,%s,USD,,%s\n"
            .formatted(id, amount, text),
        "1 record, 1 new");
  }

  @Test
  void recordsTenChequesByKeyboardAndBanksThem() throws Exception {
    signIn(page, "maren");
    var rows = new String[10];
    for (var n = 0; n < rows.length; n++) {
      rows[n] = "QT-60" + n + " " + (100 + n) + ".10";
    }
    invoices("QTen Bakers", rows);
    pouch();
    var keys = 0;
    for (var n = 0; n < rows.length; n++) {
      page.keyboard().type("88" + n);
      page.keyboard().press("Tab");
      page.keyboard().type("QT-60" + n);
      page.keyboard().press("Enter");
      keys += 2;
      assertThat(
              page.getByText(
                  "Recorded: Cheque 88%d of %d.10 from QTen Bakers, pays QT-60%d"
                      .formatted(n, 100 + n, n)))
          .isVisible();
    }
    assertThat(keys).isLessThanOrEqualTo(4 * rows.length);

    // those of the demo are cheques too, but for the one that is dated ahead
    var all = chequesInHand();
    tabTo(page, "^\\d+ cheques");
    page.keyboard().press("Enter");
    tabTo(page, "^Make a deposit of " + "%,.2f".formatted(all));
    page.keyboard().press("Enter");
    assertThat(page.getByText("A new deposit")).isVisible();
    tabTo(page, "^Count the cash");
    page.keyboard().press("Control+Enter");
    assertThat(page.getByText("not seen at the bank yet")).isVisible();
    var address = page.url();
    var slip =
        page.waitForDownload(
            () -> {
              tabTo(page, "^Slip as PDF");
              page.keyboard().press("Enter");
            });
    assertThat(new String(Files.readAllBytes(slip.path()), 0, 5, StandardCharsets.US_ASCII))
        .isEqualTo("%PDF-");

    shows("QTEN", all.toPlainString(), "COUNTER DEPOSIT");
    page.navigate(address);
    assertThat(region("At the bank")).containsText("the amount to the cent");
    tabTo(page, "^Tie to the bank");
    page.keyboard().press("Enter");
    assertThat(page.getByText("· tied")).isVisible();
    assertBooksAreWhole();
  }

  @SuppressWarnings("unchecked")
  private BigDecimal chequesInHand() {
    var pouch = (Map<String, Object>) call(page, "GET", "/api/receipts", "");
    return ((List<Map<String, Object>>) pouch.get("receipts"))
        .stream()
            .filter(r -> r.get("method").equals("CHEQUE") && r.get("heldUntil") == null)
            .map(r -> ((Map<String, String>) r.get("amount")).get("amount"))
            .map(BigDecimal::new)
            .reduce(BigDecimal.ZERO, BigDecimal::add);
  }

  @Test
  void banksThreeChequesAndCashThatTheBankCreditsTheNextDay() {
    signIn(page, "maren");
    pouch();
    record("cheque", "7301", "Qnext Deli", "210.40");
    record("cheque", "7302", "Qnext Inn", "98.00");
    record("cheque", "7303", "Qnext Cafe", "1,405.25");
    record("cash", "", "Qnext shop", "66.35");
    for (var name : new String[] {"Cheque 7301", "Cheque 7302", "Cheque 7303", "Cash from Qnext"}) {
      tick(name);
    }
    press("^Make a deposit of 1,780.00");
    assertThat(page.getByText("A new deposit")).isVisible();
    tabTo(page, "^Taken there on$");
    page.keyboard().type("05282026");
    type("^Slip number$", "Q0900");
    type("^The slip says$", "1,790.00");
    page.keyboard().press("Control+Enter");
    assertThat(page.getByText("The slip says 1,790.00, the deposit comes to 1,780.00")).isVisible();
    type("^The slip says$", "1,780.00");
    page.keyboard().press("Control+Enter");
    assertThat(page.getByText("not seen at the bank yet")).isVisible();
    shows("QNEXT", "1780.00", "COUNTER DEPOSIT Q0900");
    find(page, "COUNTER DEPOSIT Q0900");
    assertThat(exactly("Deposits it may show")).containsText("banked a day before");
    press("^Tie to the deposit$");
    assertThat(page.getByText("no longer waits")).isVisible();
    assertBooksAreWhole();
  }

  @Test
  void explainsADepositThatIsShortByTheCashCount() {
    signIn(page, "maren");
    pouch();
    record("cheque", "7001", "Qshort Deli", "1,880.00");
    record("cheque", "7002", "Qshort Deli", "1,150.00");
    record("cheque", "7003", "Qshort Deli", "640.00");
    record("cash", "", "Qshort shop", "730.00");
    for (var name :
        new String[] {"Cheque 7001", "Cheque 7002", "Cheque 7003", "Cash from Qshort"}) {
      tick(name);
    }
    var address = bank("Q0412");
    // the cash was 640.00 by the bank's count
    shows("QSHORT", "4310.00", "COUNTER DEPOSIT Q0412");
    page.navigate(address);
    var bank = region("At the bank");
    assertThat(bank).containsText("90.00 less than this deposit of 4,400.00");
    assertThat(bank)
        .containsText("the cash of it is 730.00; if the bank counted 640.00, it agrees");
    press("^The cash was 90.00 less$");
    assertThat(page.getByText("· tied")).isVisible();
    assertThat(page.getByText("cash counted otherwise")).isVisible();
    assertBooksAreWhole();
    // taken back, the line goes with it
    page.navigate(address);
    press("^Untie$");
    assertThat(page.getByText("not seen at the bank yet")).isVisible();
    assertThat(page.getByText("cash counted otherwise")).hasCount(0);
    assertBooksAreWhole();
  }

  @Test
  void takesADepositInTwoPartsAndACardBatchLessItsFee() {
    signIn(page, "maren");
    pouch();
    record("cheque", "7101", "Qparts Inn", "900.00");
    record("cheque", "7102", "Qparts Inn", "61.00");
    tick("Cheque 7101");
    tick("Cheque 7102");
    var address = bank("Q0500");
    shows("QPART1", "900.00", "DEPOSIT Q0500 PART");
    shows("QPART2", "61.00", "DEPOSIT Q0500 REST");
    page.navigate(address);
    assertThat(region("At the bank")).containsText("it is this deposit to the cent");
    press("^Tie to the bank$");
    assertThat(page.getByText("· tied")).isVisible();

    pouch();
    record("card", "Q77", "Qcards shop", "80.00");
    record("card", "Q78", "Qcards shop", "45.50");
    tick("Card slip Q77");
    tick("Card slip Q78");
    var batch = bank("QBATCH9");
    shows("QCARDS", "110.50", "MERCHANT QBATCH9");
    page.navigate(batch);
    assertThat(region("At the bank")).containsText("acquirers are known to keep 15.00");
    press("^Fee 15.00$");
    assertThat(page.getByText("· tied")).isVisible();
    assertThat(page.getByText("fee of the acquirer")).isVisible();
    assertBooksAreWhole();
  }

  @Test
  void findsTheForgottenDepositFromTheBankEntry() {
    signIn(page, "maren");
    pouch();
    record("cheque", "7201", "Qforgot Cafe", "412.37");
    record("cash", "", "Qforgot shop", "497.79");
    shows("QFORGOT", "910.16", "qforgot counter deposit");
    find(page, "qforgot counter deposit");
    var deposits = exactly("Deposits it may show");
    assertThat(deposits).containsText("412.37 and 497.79 in the pouch make exactly this");
    press("^Make the deposit of 910.16$");
    assertThat(page.getByText("A new deposit")).isVisible();
    press("^Count the cash by denomination");
    type("^Pieces of 100.00$", "4");
    type("^Pieces of 1.00$", "97");
    assertThat(exactly("Cash by denomination")).containsText("0.79 less than the 497.79");
    press("^Make the deposit");
    assertThat(page.getByText("497.00 was counted: 0.79 less.")).isVisible();
    type("^Pieces of 0.25$", "3");
    type("^Pieces of 0.01$", "4");
    assertThat(exactly("Cash by denomination")).containsText("which is the cash of this deposit");
    press("^Make the deposit");
    assertThat(page.getByText("Cash counted: 4 × 100.00, 97 × 1.00, 3 × 0.25, 4 × 0.01"))
        .isVisible();
    press("^Tie to the bank$");
    assertThat(page.getByText("· tied")).isVisible();
    assertBooksAreWhole();
  }

  /** By keyboard alone: a till's day, a sale on the spot, both in one deposit the day after. */
  @Test
  void booksATillsDayAndASaleOnTheSpot() {
    signIn(page, "maren");
    page.navigate(sumbrel.address() + "/pouch/takings");
    assertThat(exactly("Sold, tax included")).isFocused();
    var keys = page.keyboard();
    keys.type("848");
    tabTo(page, "^Tax$");
    keys.type("48");
    tabTo(page, "^By the till$");
    keys.type("412.60");
    keys.press("Tab");
    keys.type("410.60");
    assertThat(region("A till’s day").getByText("2.00 short")).isVisible();
    keys.press("Tab");
    keys.type("Q7781");
    keys.press("Tab");
    keys.type("Qtill Walker");
    keys.press("Tab");
    keys.type("120");
    tabTo(page, "^Card batch 1$");
    keys.type("Q12");
    keys.press("Tab");
    keys.type("300");
    assertThat(page.getByText("differ by 15.40")).isVisible();
    assertThat(button("^Book the day")).isDisabled();
    keys.press("Control+A");
    keys.type("315.40");
    assertThat(page.getByLabel("Journal lines")).containsText("Cash differences");
    assertThat(page.getByLabel("Journal lines")).containsText("800.00");
    assertThat(button("^Book the day")).isEnabled();
    keys.press("Control+Enter");
    assertThat(page.getByText(Pattern.compile("^Booked: 848.00 of .*, 2.00 short in cash")))
        .isVisible();

    pouch();
    method("cash");
    press("^A sale on the spot");
    type("^What was sold$", "Qsacks, two");
    type("^Amount$", "53");
    tabTo(page, "^Tax in the sale$");
    page.keyboard().type("Sales");
    tabTo(page, "^Amount$");
    page.keyboard().press("Enter");
    assertThat(page.getByText("Booked as sold: 53.00, Qsacks, two, 3.00 tax in it.")).isVisible();
    var held = page.getByLabel("In the pouch");
    assertThat(held).containsText("Cheque Q7781");
    assertThat(held).containsText("Card slip Q12");
    tick("Cheque Q7781");
    tick("Cash from Qsacks");
    bank("Q0800");
    shows("QSOLD", "173.00", "COUNTER DEPOSIT Q0800");
    page.reload();
    press("^Tie to the bank$");
    assertThat(page.getByText("· tied")).isVisible();
    assertBooksAreWhole();
  }

  @Test
  void scansAChequeAndIsToldWhatItPays() {
    signIn(page, "maren");
    pouch();
    press("^Scan a cheque");
    assertThat(page.getByAltText("Picture of the cheque on the scanner")).isVisible();
    assertThat(page.getByText(Pattern.compile("Routing 9990\\d{5} checks"))).isVisible();
    assertThat(page.getByLabel("Cheque number")).hasValue(Pattern.compile("\\d+"));
    type("^From$", "Qscan Nobody");
    type("^Amount$", "7.77");
    assertThat(page.getByText("Nothing that is open comes to this.")).isVisible();
    invoices("QScan Bakers", "QSC-1 341.77");
    type("^From$", "QScan Bakers");
    type("^Amount$", "341.77");
    press("^It pays QSC-1$");
    assertThat(exactly("Invoices it pays")).hasValue("QSC-1");
    tabTo(page, "^Amount$");
    page.keyboard().press("Enter");
    assertThat(page.getByText(Pattern.compile("^Recorded: .*, pays QSC-1"))).isVisible();
    assertThat(
            page.getByRole(AriaRole.LINK, new GetByRoleOptions().setName("Picture of Cheque"))
                .first())
        .isVisible();
    assertBooksAreWhole();
  }

  @Test
  void opensADepositAgainAndReadsACodeLine() {
    signIn(page, "maren");
    pouch();
    type("^Cheque number$", "⑆111000025⑆ 7712004434⑈ 0731");
    page.keyboard().press("Enter");
    assertThat(page.getByLabel("Cheque number")).hasValue("731");
    assertThat(page.getByText("Routing 111000025 checks")).isVisible();
    type("^From$", "Qcode Diner");
    type("^Amount$", "55.00");
    page.keyboard().press("Enter");
    assertThat(page.getByText("Recorded: Cheque 731 of 55.00 from Qcode Diner")).isVisible();
    type("^Cheque number$", "⑆111000026⑆ 1⑈");
    page.keyboard().press("Enter");
    assertThat(page.getByText("would have to end with 5")).isVisible();
    pouch();
    tick("Cheque 731");
    bank("Q0600");
    press("^Open again$");
    assertThat(page.getByText("Deposit Q0600, open again")).isVisible();
    type("^Line amount$", "20");
    page.keyboard().press("Enter");
    assertThat(page.getByLabel("Other lines")).containsText("loose cash");
    press("^Make the deposit");
    assertThat(page.getByText("not seen at the bank yet")).isVisible();
    assertThat(page.getByRole(AriaRole.MAIN)).containsText("75.00");
    press("^Open again$");
    press("^Give it up$");
    assertThat(page.getByLabel("In the pouch")).containsText("Cheque 731");
    press("^Take Cheque 731 out$");
    type("^Why$", "given back");
    press("^Take it out$");
    assertThat(page.getByText("Cheque 731")).hasCount(0);
    assertBooksAreWhole();
  }

  @Test
  void opensTheInvoiceAgainWhoseBankedChequeCameBack() {
    signIn(page, "maren");
    invoices("QBack Cafe", "QBK-1 318.30");
    pouch();
    type("^Cheque number$", "5521");
    type("^Invoices it pays$", "QBK-1");
    page.keyboard().press("Enter");
    assertThat(page.getByText("Recorded: Cheque 5521 of 318.30 from QBack Cafe, pays QBK-1"))
        .isVisible();
    tick("Cheque 5521");
    var address = bank("Q0700");
    shows("QBACK1", "318.30", "COUNTER DEPOSIT Q0700");
    page.navigate(address);
    press("^Tie to the bank$");
    assertThat(page.getByText("· tied")).isVisible();
    shows("QBACK2", "-333.30", "RETURNED CHEQUE 5521");
    // from the debit by which the bank took it back
    page.navigate(sumbrel.address() + "/waiting/find?q=%22returned%20cheque%205521%22");
    assertThat(page.getByRole(AriaRole.LINK, new GetByRoleOptions().setName("from us")))
        .isVisible();
    tabTo(page, "^from us");
    page.keyboard().press("Enter");
    assertThat(region("Money from us")).containsText("333.30 went out");
    assertThat(page.getByLabel("What it may take back"))
        .containsText("Cheque 5521 from QBack Cafe");
    press("^It came back");
    assertThat(
            page.getByRole(
                AriaRole.RADIO, new GetByRoleOptions().setName(Pattern.compile("333.30"))))
        .isChecked();
    assertThat(page.getByLabel("charge it to QBack Cafe")).isVisible();
    tabTo(page, "^we do$");
    page.keyboard().press("ArrowDown");
    assertThat(page.getByLabel("charge it to QBack Cafe")).isChecked();
    assertThat(page.getByLabel("Put it in the pouch again, to be presented once more")).isChecked();
    type("^Why$", "no cover");
    press("^Note the return$");
    assertThat(page.getByRole(AriaRole.DIALOG)).hasCount(0);
    pouch();
    assertThat(page.getByLabel("In the pouch")).containsText("Cheque 5521");
    // the others count what is in the pouch
    press("^Take Cheque 5521 out$");
    type("^Why$", "the customer pays anew");
    press("^Take it out$");
    assertThat(page.getByText("Cheque 5521")).hasCount(0);
    page.navigate(sumbrel.address() + "/posted/customers");
    assertThat(page.getByLabel("name or number…")).isVisible();
    type("^name or number", "QBack");
    assertThat(page.getByRole(AriaRole.LINK, new GetByRoleOptions().setName("QBack Cafe")))
        .isVisible();
    tabTo(page, "^QBack Cafe");
    page.keyboard().press("Enter");
    assertThat(page.getByLabel("Open items")).containsText("FEE-");
    assertThat(page.getByLabel("Open items")).containsText("QBK-1");
    assertBooksAreWhole();
  }
}

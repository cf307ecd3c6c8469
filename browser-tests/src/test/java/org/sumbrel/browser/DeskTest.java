package org.sumbrel.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Page.GetByRoleOptions;
import com.microsoft.playwright.options.AriaRole;
import java.util.Arrays;
import java.util.Map;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;

/**
 * Work at the desk of one running application that the tests of a class share; each brings
 * customers of its own.
 */
abstract class DeskTest extends SumbrelTest {

  static RunningSumbrel sumbrel;

  @BeforeAll
  static void start() throws Exception {
    sumbrel = RunningSumbrel.withDemoBooks();
  }

  @AfterAll
  static void stop() {
    sumbrel.close();
  }

  @Override
  RunningSumbrel application() {
    return sumbrel;
  }

  static Locator button(Page in, String pattern) {
    return in.getByRole(AriaRole.BUTTON, new GetByRoleOptions().setName(Pattern.compile(pattern)));
  }

  static Locator link(Page in, String pattern) {
    return in.getByRole(AriaRole.LINK, new GetByRoleOptions().setName(Pattern.compile(pattern)));
  }

  Locator button(String pattern) {
    return button(page, pattern);
  }

  /** Drops a file as a person does, and waits for nothing. */
  void bring(Dropped file) {
    page.navigate(sumbrel.address() + "/arrived/intake");
    assertThat(page.getByText("Drop files anywhere, on any view")).isVisible();
    drop(file);
  }

  /** Invoices of one customer: number, amount and terms of each. */
  void invoices(String customer, String... rows) {
    drop(
        "invoices.csv",
        "number,kind,customer_id,customer_name,issue_date,due_date,currency,total,open,terms\n"
            + Arrays.stream(rows)
                .map(
                    row -> {
                      var part = row.split(" ", 3);
                      var kind = part[1].startsWith("-") ? "credit_note" : "invoice";
                      var amount = part[1].replace("-", "");
                      var terms = part.length > 2 ? part[2] : "";
                      return "%s,%s,%s,%s,2026-04-20,2026-05-20,USD,%s,%s,%s\n"
                          .formatted(
                              part[0],
                              kind,
                              customer.split(" ")[0],
                              customer,
                              amount,
                              amount,
                              terms);
                    })
                .collect(Collectors.joining()),
        rows.length + (rows.length == 1 ? " record, " : " records, ") + rows.length + " new");
  }

  /** One credit of the day from this payer, chosen at the desk. */
  void credit(String payer, String amount, String text) {
    arrives(payer, amount, text);
    page.navigate(sumbrel.address() + "/waiting/desk");
    choose(page, text);
  }

  /** One credit of the day from this payer. */
  void arrives(String payer, String amount, String text) {
    drop(
        "statement.csv",
        "entry_id,booking_date,amount,currency,payer_name,remittance\n%s-%s,2026-05-28,%s,USD,%s,%s\n"
            .formatted(payer.replace(' ', '-'), amount, amount, payer, text),
        "1 record, 1 new");
  }

  static void choose(Page in, String text) {
    in.getByLabel("Search the queue").fill(text);
    var rows = region(in, "Queue").getByRole(AriaRole.GROUP);
    assertThat(rows).hasCount(1);
    rows.getByRole(AriaRole.BUTTON).click();
    assertThat(region(in, "Receipt")).containsText(text);
  }

  void take(String number) {
    var box =
        page.getByRole(
            AriaRole.CHECKBOX, new GetByRoleOptions().setName("Take " + number).setExact(true));
    if (!box.isChecked()) {
      box.check();
    }
  }

  void payer(String name) {
    page.getByLabel("Look for a payer, an item or an amount").fill(name);
    region("Account")
        .getByRole(
            AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(Pattern.compile("^" + name)))
        .first()
        .click();
  }

  void post(String says) {
    assertThat(region("Remainder").getByText("Left").locator("..")).containsText("0.00");
    page.keyboard().press("Control+Enter");
    assertThat(page.getByText(Pattern.compile("^Posted " + says.replace(".", "\\.")))).isVisible();
  }

  /** By the same figures that the views of the balances and of the trail show. */
  void assertBooksAreWhole() {
    assertThat((Map<?, ?>) call(page, "GET", "/api/trial-balance", ""))
        .extracting("balanced")
        .isEqualTo(true);
    assertThat((Map<?, ?>) call(page, "GET", "/api/cent-trail", ""))
        .extracting("whole")
        .isEqualTo(true);
  }

  /** Moves the focus by Tab alone until it is on what is called so. */
  static void tabTo(Page in, String name) {
    tabTo(in, name, "Tab");
  }

  static void tabTo(Page in, String name, String key) {
    var wanted = Pattern.compile(name);
    for (var n = 0; n < 120; n++) {
      var called =
          (String)
              in.evaluate(
                  """
                  () => {
                    const here = document.activeElement;
                    if (here === document.body) return "";
                    return here.getAttribute("aria-label") ?? here.labels?.[0]?.innerText ?? here.innerText ?? "";
                  }
                  """);
      if (wanted.matcher(called.strip()).find()) {
        return;
      }
      in.keyboard().press(key);
    }
    throw new AssertionError("Tab never came to " + name);
  }

  /** Goes to a button by Tab and presses it. */
  void press(String button) {
    assertThat(button(button).first()).isEnabled();
    tabTo(page, button);
    page.keyboard().press("Enter");
  }

  /** Finds the one entry with this text from wherever the focus is, by keyboard alone. */
  static void find(Page in, String text) {
    in.navigate(sumbrel.address() + "/waiting/desk");
    assertThat(region(in, "Queue")).isVisible();
    in.keyboard().press("f");
    assertThat(in.getByLabel("Search the queue")).isFocused();
    in.keyboard().insertText(text);
    assertThat(region(in, "Queue").getByRole(AriaRole.GROUP)).hasCount(1);
    in.keyboard().press("Enter");
    assertThat(region(in, "Receipt")).containsText(text);
  }
}

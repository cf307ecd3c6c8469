package org.sumbrel.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page.GetByLabelOptions;
import com.microsoft.playwright.Page.GetByRoleOptions;
import com.microsoft.playwright.options.AriaRole;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/**
 * A company that keeps its books in a currency without decimals, and one with three (ISO 4217,
 * table A.1): every view that shows or takes an amount has the digits of its currency. The other
 * tests use currencies with two.
 */
class CurrenciesTest extends DeskTest {

  /** The views that show amounts; lockbox, payouts and shelved have none in these companies. */
  private static final List<String> VIEWS =
      List.of(
          "/waiting/desk",
          "/waiting/lockbox",
          "/waiting/payouts",
          "/waiting/payouts/processors",
          "/waiting/shelved",
          "/waiting/from-us",
          "/waiting/find?q=digits&what=ENTRIES",
          "/waiting/find?q=digits&what=ITEMS",
          "/waiting/find?q=digits&what=SETTLED",
          "/house-rules",
          "/arrived/intake",
          "/pouch",
          "/pouch/takings",
          "/pouch/deposits",
          "/posted/customers",
          "/posted/settlements",
          "/posted/runs/new",
          "/posted/unattended",
          "/posted/journal",
          "/posted/books",
          "/posted/books/agreement",
          "/posted/books/ageing",
          "/posted/books/differences",
          "/posted/books/unrealised",
          "/posted/exports",
          "/tied-out/day",
          "/tied-out/accounts",
          "/tied-out/cent-trail",
          "/policies",
          "/audit");

  /** A figure with decimals that is neither a share, a rate, a date nor a duration. */
  private static final Pattern AMOUNT =
      Pattern.compile("(?<![\\d.,:/]|percent )\\d[\\d,]*\\.(\\d+)(?![\\d.:/]| ?%| days)");

  /** How the search line may be used: the same in every company. */
  private static final String EXAMPLE = "612.30";

  private int digits;

  /** As it is typed, and as it is shown. */
  private String amount(int whole, int thousandths) {
    var fraction = "%03d".formatted(thousandths).substring(0, digits);
    return "%,d".formatted(whole) + (digits == 0 ? "" : "." + fraction);
  }

  private String plain(int whole, int thousandths) {
    return amount(whole, thousandths).replace(",", "");
  }

  private static String companyOf(String currency) {
    return "Digits " + currency;
  }

  @SuppressWarnings("unchecked")
  private void company(String currency) {
    var wynne = anotherPage();
    signIn(wynne, "wynne");
    var made =
        (Map<String, Object>)
            call(
                wynne,
                "POST",
                "/api/companies",
                "{\"name\":\"%s\",\"currency\":\"%s\"}".formatted(companyOf(currency), currency));
    call(
        wynne,
        "POST",
        "/api/bank-accounts?company=" + made.get("id"),
        "{\"name\":\"Main\",\"bank\":\"A bank\",\"number\":\"77%s\",\"currency\":\"%1$s\"}"
            .formatted(currency));
    wynne.context().close();
  }

  private void files(String currency) {
    var invoices =
        new StringBuilder("number,customer_id,customer_name,issue_date,due_date,currency,total\n");
    for (var row :
        List.of(
            "D1 Osa " + plain(1500, 250),
            "D2 Bera " + plain(2000, 500),
            "D3 Bera " + plain(300, 125),
            "D4 Cato " + plain(750, 0))) {
      var part = row.split(" ");
      invoices.append(
          "%1$s-%2$s,%1$s%3$s,%3$s Mills %1$s,2026-03-20,2026-04-20,%1$s,%4$s\n"
              .formatted(currency, part[0], part[1], part[2]));
    }
    bring(Dropped.text("invoices-" + currency + ".csv", invoices.toString()));
    assertThat(told("invoices-" + currency)).containsText("4 new");
    var money =
        new StringBuilder("entry_id,booking_date,amount,currency,payer_name,remittance,account\n");
    for (var row :
        List.of(
            "Osa " + plain(1500, 250) + " digits " + currency + "-D1",
            "Bera " + plain(1990, 370) + " digits short",
            "Nobody " + plain(888, 5) + " digits unknown",
            "Bank -" + plain(12, 500) + " digits charge")) {
      var part = row.split(" ", 3);
      money.append(
          "%1$s%2$s,2026-05-28,%3$s,%1$s,%2$s Mills %1$s,%4$s,77%1$s\n"
              .formatted(currency, part[0], part[1], part[2]));
    }
    bring(Dropped.text("statement-" + currency + ".csv", money.toString()));
    assertThat(told("statement-" + currency)).containsText("4 new");
  }

  @ParameterizedTest
  @CsvSource({"JPY, 0", "KWD, 3"})
  void haveTheirDigitsInEveryView(String currency, int decimals) {
    digits = decimals;
    company(currency);
    signInAtTheDesk(page, "maren");
    button("company, light").click();
    page.getByRole(AriaRole.MENUITEM, new GetByRoleOptions().setName(companyOf(currency))).click();
    files(currency);

    // taken as a whole, in part with too many digits, in part, and what is short written down
    page.navigate(sumbrel.address() + "/waiting/desk");
    choose(page, "digits short");
    assertThat(region("Receipt")).containsText(amount(1990, 370));
    payer("Bera Mills " + currency);
    assertThat(page.getByLabel("Open items")).containsText(currency + "-D2");
    take(currency + "-D2");
    var taken = page.getByLabel("Amount taken of " + currency + "-D2");
    taken.fill("1.2345");
    taken.press("Enter");
    assertThat(taken).hasAttribute("aria-invalid", "true");
    taken.fill(plain(2000, 500));
    taken.press("Enter");
    assertThat(region("Remainder")).containsText("Claim " + amount(10, 130));
    assertDigits("the desk with a draft");
    button("^Claim " + amount(10, 130)).click();
    page.getByRole(AriaRole.MENUITEM).first().click();
    assertThat(page.getByLabel("Journal lines")).containsText(amount(10, 130));
    page.keyboard().press("Control+Enter");
    assertThat(page.getByText(Pattern.compile("^Posted " + amount(1990, 370)))).isVisible();
    assertDigits("the desk after posting");

    // a receipt in hand and its deposit
    page.navigate(sumbrel.address() + "/pouch");
    field("Cheque number").fill("901");
    field("From").fill("Cato Mills " + currency);
    field("Amount").fill(plain(300, 125));
    field("Amount").press("Enter");
    assertThat(page.getByText("of " + amount(300, 125) + " from Cato Mills")).isVisible();
    page.getByRole(AriaRole.CHECKBOX, new GetByRoleOptions().setName("901")).check();
    button("^Make a deposit of " + amount(300, 125)).click();
    assertThat(page.getByText("A new deposit")).isVisible();
    assertDigits("a new deposit");
    page.keyboard().press("Control+Enter");
    assertThat(page.getByText("not seen at the bank yet")).isVisible();
    assertDigits("a deposit");

    for (var view : VIEWS) {
      page.navigate(sumbrel.address() + view);
      assertThat(page.getByRole(AriaRole.MAIN)).not().isEmpty();
      assertThat(page.getByLabel("Loading", new GetByLabelOptions().setExact(true))).hasCount(0);
      assertDigits(view);
    }
    page.navigate(sumbrel.address() + "/posted/customers");
    link(page, "^Bera Mills " + currency + "$").click();
    for (var side : List.of("Items", "Account", "What paid what", "Settlements")) {
      page.getByRole(AriaRole.TAB, new GetByRoleOptions().setName(side)).click();
      assertThat(page.getByRole(AriaRole.MAIN)).containsText(amount(300, 125));
      assertDigits("a customer: " + side);
    }
    page.navigate(sumbrel.address() + "/posted/books/ageing");
    assertThat(page.getByRole(AriaRole.MAIN)).containsText(amount(750, 0));
    page.navigate(sumbrel.address() + "/tied-out/day");
    assertThat(page.getByRole(AriaRole.MAIN)).containsText(amount(1500, 250));
    assertBooksAreWhole();
  }

  private Locator field(String label) {
    return page.getByLabel(label, new GetByLabelOptions().setExact(true));
  }

  private void assertDigits(String where) {
    var text = page.locator("body").innerText();
    var others = new ArrayList<String>();
    for (var figure = AMOUNT.matcher(text); figure.find(); ) {
      if (figure.group(1).length() != digits && !figure.group().equals(EXAMPLE)) {
        others.add(text.substring(Math.max(0, figure.start() - 40), figure.end()));
      }
    }
    assertThat(others).as("amounts with other digits: " + where).isEmpty();
  }
}

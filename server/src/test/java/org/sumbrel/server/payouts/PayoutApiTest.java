package org.sumbrel.server.payouts;

import static org.assertj.core.api.Assertions.assertThat;
import static org.sumbrel.server.TestBooks.expect;

import com.fasterxml.jackson.databind.JsonNode;
import java.math.BigDecimal;
import java.util.HashMap;
import java.util.Map;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import org.sumbrel.server.ApiTest;
import org.sumbrel.server.Clerk;
import org.sumbrel.server.TestBooks;

/**
 * Payouts through the API: from the processor's file to what is booked and taken back. The books
 * are whole after every test.
 */
@ApiTest
class PayoutApiTest {

  private static final AtomicInteger NEXT = new AtomicInteger(1);

  private static final String HEAD =
      "processor,payout,payout_date,type,item,related,reference,date,gross,tax,fee,net,payout_net,currency\n";

  @Autowired private MockMvc web;
  private Clerk maren;
  private Clerk osric;
  private String number;

  @BeforeEach
  void sitDown() {
    maren = Clerk.maren(web);
    osric = Clerk.osric(web);
    number = "T" + NEXT.getAndIncrement();
  }

  @AfterEach
  void booksAreWhole() {
    assertThat(maren.get("/api/trial-balance").body().at("/balanced").asBoolean()).isTrue();
    var trail = maren.get("/api/cent-trail").body();
    assertThat(trail.at("/whole").asBoolean()).as(trail.toString()).isTrue();
  }

  /** One line; ids of items are made from the payout's number, so that no test meets another's. */
  private String line(
      String type,
      String id,
      String related,
      String reference,
      String gross,
      String fee,
      String net) {
    return "Testfold,%s,2026-05-28,%s,%s,%s,%s,2026-05-26,%s,,%s,%s,%%s,USD\n"
        .formatted(
            number,
            type,
            number + "-" + id,
            related.isEmpty() ? "" : number + "-" + related,
            reference,
            gross,
            fee,
            net);
  }

  private long take(String total, String... lines) {
    var intake =
        expect(201, maren.drop("payout-" + number + ".csv", HEAD + filled(total, lines))).body();
    assertThat(intake.at("/format").asText()).isEqualTo("payout-csv");
    return maren
        .get("/api/payouts?intake=" + intake.at("/id").asText())
        .body()
        .at("/rows/0/id")
        .asLong();
  }

  private static String filled(String total, String... lines) {
    return String.join("", lines).replace("%s", total);
  }

  private JsonNode payout(long id) {
    return expect(200, maren.get("/api/payouts/" + id)).body();
  }

  private Map<String, JsonNode> items(long id) {
    var found = new HashMap<String, JsonNode>();
    maren
        .get("/api/payouts/" + id + "/items")
        .body()
        .at("/rows")
        .forEach(i -> found.put(i.at("/number").asText().replace(number + "-", ""), i));
    return found;
  }

  private String join(long id, String item) {
    return items(id).get(item).at("/join/kind").asText();
  }

  private long operating() {
    return maren.get("/api/me").body().at("/companies/0/bankAccounts/0/id").asLong();
  }

  private JsonNode post(long id) {
    return expect(
            200,
            maren.post(
                "/api/payouts/" + id + "/posting", "{\"bankAccountId\":%d}".formatted(operating())))
        .body();
  }

  /** What stands on every account, by its name. */
  private Map<String, String> books() {
    var balances = new HashMap<String, String>();
    maren
        .get("/api/trial-balance")
        .body()
        .at("/accounts")
        .forEach(
            a ->
                balances.put(
                    a.at("/account").asText(),
                    new BigDecimal(a.at("/debit/amount").asText())
                        .subtract(new BigDecimal(a.at("/credit/amount").asText()))
                        .toPlainString()));
    return balances;
  }

  private Map<String, String> change(Map<String, String> before) {
    var change = new HashMap<String, String>();
    books()
        .forEach(
            (name, balance) -> {
              var was = new BigDecimal(before.getOrDefault(name, "0.00"));
              var by = new BigDecimal(balance).subtract(was);
              if (by.signum() != 0) {
                change.put(name, by.toPlainString());
              }
            });
    return change;
  }

  @Test
  void booksAPayoutFromTheFileToTheBankAndTakesItBack() {
    var books = new TestBooks(maren).invoices("150.00", "80.00");
    var before = books();
    var id =
        take(
            "251.35",
            line("sale", "1", "", books.number(0), "150.00", "4.65", "145.35"),
            line("sale", "2", "", "WEB-" + number, "106.00", "3.37", "102.63"),
            line("refund", "3", "2", "", "-26.50", "-0.37", "-26.13"),
            line("fee", "4", "", "", "", "0.50", ""),
            line("reserve held", "5", "", "", "-20.00", "0.00", "-20.00"),
            line("reserve released", "6", "", "", "50.00", "0.00", "50.00"));
    var view = payout(id);
    assertThat(view.at("/contradictions")).isEmpty();
    assertThat(view.at("/refused").isNull()).isTrue();
    assertThat(view.at("/steps").findValuesAsText("kind"))
        .containsExactly("SALES", "REFUNDS", "FEES", "RESERVE_HELD", "RESERVE_RELEASED");
    assertThat(view.at("/steps/4/after/amount").asText()).isEqualTo("251.35");
    assertThat(join(id, "1")).isEqualTo("INVOICE");
    assertThat(join(id, "2")).isEqualTo("NEW");
    assertThat(join(id, "3")).isEqualTo("SALE");
    // nothing is booked by looking
    assertThat(change(before)).isEmpty();

    var posted = post(id);
    assertThat(posted.at("/payout/postedBy").asText()).isEqualTo("maren");
    assertThat(books.open(0)).isEmpty();
    var change = change(before);
    assertThat(change)
        .containsEntry("Operating USD", "251.35")
        .containsEntry("Accounts receivable", "-150.00")
        .containsEntry("Sales", "-106.00")
        .containsEntry("Sales refunds", "26.50")
        .containsEntry("Processing fees", "8.15")
        .containsEntry("Reserve Testfold", "-30.00")
        .doesNotContainKey("Clearing Testfold");
    var settlement = maren.get("/api/settlements/" + posted.at("/settlementId").asText()).body();
    assertThat(settlement.at("/payer").asText()).isEqualTo("payout " + number + " of Testfold");
    assertThat(settlement.at("/payoutId").asLong()).isEqualTo(id);
    // a settlement of a payout goes only with the whole
    var alone =
        maren.post(
            "/api/settlements/" + posted.at("/settlementId").asText() + "/reversal",
            "{\"reason\":\"no\"}");
    assertThat(alone.text("/code")).isEqualTo("PAID_OUT");
    assertThat(maren.post("/api/payouts/" + id + "/posting", "{}").text("/code"))
        .isEqualTo("POSTED");

    // the bank shows it in its own statement
    var deposit = posted.at("/arrival/depositId").asLong();
    assertThat(maren.post("/api/deposits/" + deposit + "/opening", "").text("/code"))
        .isEqualTo("PAID_OUT");
    var credit = new TestBooks(maren).credit("251.35", "TESTFOLD " + number);
    expect(
        200,
        maren.post(
            "/api/deposit-ties",
            "{\"depositIds\":[%d],\"entryIds\":[%d],\"lines\":[]}".formatted(deposit, credit)));
    assertThat(payout(id).at("/arrival/shown").asBoolean()).isTrue();
    var shown = maren.post("/api/payouts/" + id + "/reversal", "{\"reason\":\"wrong week\"}");
    assertThat(shown.text("/code")).isEqualTo("TIED");
    expect(200, maren.delete("/api/deposits/" + deposit + "/tie"));
    expect(200, maren.post("/api/payouts/" + id + "/reversal", "{\"reason\":\"wrong week\"}"));
    assertThat(change(before)).isEmpty();
    assertThat(books.open(0)).isEqualTo("150.00");
    assertThat(payout(id).at("/payout/postedBy").isNull()).isTrue();
    // and once more, as if nothing had been
    post(id);
    assertThat(change(before)).isEqualTo(change);
  }
}

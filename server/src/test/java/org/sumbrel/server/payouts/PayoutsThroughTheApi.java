package org.sumbrel.server.payouts;

import static org.assertj.core.api.Assertions.assertThat;
import static org.sumbrel.server.TestBooks.expect;

import com.fasterxml.jackson.databind.JsonNode;
import java.math.BigDecimal;
import java.util.HashMap;
import java.util.Map;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.concurrent.locks.LockSupport;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import org.sumbrel.server.Clerk;

/**
 * Payouts of made-up processors through the API, as a clerk brings and books them. The books are
 * whole after every test.
 */
abstract class PayoutsThroughTheApi {

  private static final AtomicInteger NEXT = new AtomicInteger(1);

  static final String HEAD =
      "processor,payout,payout_date,type,item,related,reference,date,gross,tax,fee,net,payout_net,currency\n";

  @Autowired MockMvc web;
  Clerk maren;
  Clerk osric;
  String number;

  @BeforeEach
  void sitDown() {
    maren = Clerk.maren(web);
    osric = Clerk.osric(web);
    nextNumber();
  }

  @AfterEach
  void booksAreWhole() {
    assertThat(maren.get("/api/trial-balance").body().at("/balanced").asBoolean()).isTrue();
    for (var proof : expect(200, maren.get("/api/processors/clearing")).body()) {
      assertThat(proof.at("/difference/amount").asText()).as(proof.toString()).isEqualTo("0.00");
      assertThat(proof.at("/reserve")).isEqualTo(proof.at("/reserveExplained"));
    }
    var trail = maren.get("/api/cent-trail").body();
    assertThat(trail.at("/whole").asBoolean()).as(trail.toString()).isTrue();
  }

  /** One line; ids of items are made from the payout's number, so that no test meets another's. */
  String line(
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

  long take(String total, String... lines) {
    var intake =
        expect(201, maren.drop("payout-" + number + ".csv", HEAD + filled(total, lines))).body();
    assertThat(intake.at("/format").asText()).isEqualTo("payout-csv");
    return maren
        .get("/api/payouts?intake=" + intake.at("/id").asText())
        .body()
        .at("/rows/0/id")
        .asLong();
  }

  static String filled(String total, String... lines) {
    return String.join("", lines).replace("%s", total);
  }

  JsonNode payout(long id) {
    return expect(200, maren.get("/api/payouts/" + id)).body();
  }

  Map<String, JsonNode> items(long id) {
    var found = new HashMap<String, JsonNode>();
    maren
        .get("/api/payouts/" + id + "/items")
        .body()
        .at("/rows")
        .forEach(i -> found.put(i.at("/number").asText().replace(number + "-", ""), i));
    return found;
  }

  String join(long id, String item) {
    return items(id).get(item).at("/join/kind").asText();
  }

  long operating() {
    return maren.get("/api/me").body().at("/companies/0/bankAccounts/0/id").asLong();
  }

  JsonNode post(long id) {
    expect(
        200,
        maren.post(
            "/api/payouts/" + id + "/posting", "{\"bankAccountId\":%d}".formatted(operating())));
    return ended(id);
  }

  void reverse(long id) {
    expect(200, maren.post("/api/payouts/" + id + "/reversal", "{\"reason\":\"wrong week\"}"));
    ended(id);
  }

  /**
   * The payout, when nothing is done with it any more: a slow machine goes on behind the scenes.
   */
  JsonNode ended(long id) {
    var view = payout(id);
    for (var n = 0; n < 600 && view.at("/job").isObject(); n++) {
      assertThat(view.at("/job/refused").isNull()).isTrue();
      LockSupport.parkNanos(50_000_000);
      view = payout(id);
    }
    return view;
  }

  /** What stands on every account, by its name. */
  Map<String, String> books() {
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

  Map<String, String> change(Map<String, String> before) {
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

  /** The number of the next payout; ids of items are made from it. */
  void nextNumber() {
    number = "T" + NEXT.getAndIncrement();
  }
}

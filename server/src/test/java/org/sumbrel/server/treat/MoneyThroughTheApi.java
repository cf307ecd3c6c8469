package org.sumbrel.server.treat;

import static org.assertj.core.api.Assertions.assertThat;
import static org.sumbrel.server.TestBooks.expect;

import com.fasterxml.jackson.databind.JsonNode;
import java.util.List;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import org.sumbrel.server.Clerk;

/** Entries of made-up statements that are no receipts. The books are whole after every test. */
public abstract class MoneyThroughTheApi {

  private static final AtomicInteger NEXT = new AtomicInteger(1);

  @Autowired protected MockMvc web;
  protected Clerk maren;
  protected Clerk osric;

  /** A word of its own, so that no test meets another's entries. */
  protected String word;

  @BeforeEach
  void sitDown() {
    maren = Clerk.maren(web);
    osric = Clerk.osric(web);
    word = "ZK" + Integer.toString(NEXT.getAndIncrement() * 7919, 36).toUpperCase() + "X";
  }

  @AfterEach
  void booksAreWhole() {
    assertThat(maren.get("/api/trial-balance").body().at("/balanced").asBoolean()).isTrue();
    var trail = maren.get("/api/cent-trail").body();
    assertThat(trail.at("/whole").asBoolean()).as(trail.toString()).isTrue();
  }

  /** The id of the first bank account of the first company, or of another. */
  protected long account(int n) {
    return maren.get("/api/me").body().at("/companies/0/bankAccounts/" + n + "/id").asLong();
  }

  protected long ledger(String code) {
    for (var one : maren.get("/api/ledger-accounts").body()) {
      if (one.at("/code").asText().equals(code)) {
        return one.at("/id").asLong();
      }
    }
    throw new AssertionError("no account " + code);
  }

  /** Takes in one entry and gives its id. */
  protected long entry(int account, String day, String amount, String payer, String text) {
    var reference = word + NEXT.getAndIncrement();
    var intake =
        expect(
                201,
                maren.drop(
                    "statement-" + reference + ".csv",
                    "entry_id,booking_date,amount,currency,payer_name,remittance\n"
                        + "%s,%s,%s,USD,%s,%s %s\n"
                            .formatted(reference, day, amount, payer, text, word),
                    "?bankAccount=" + account(account)))
            .body();
    return maren
        .get("/api/intakes/" + intake.at("/id").asText() + "/records?limit=5")
        .body()
        .at("/rows/0/id")
        .asLong();
  }

  protected JsonNode entry(long id) {
    return expect(200, maren.get("/api/entries/" + id)).body();
  }

  protected String status(long id) {
    return entry(id).at("/status").asText();
  }

  protected String treatment(
      String name, String direction, String cap, String way, String... shares) {
    return """
        {"name":"%s","inUse":true,"words":["%s"],"counterparty":"","counterpartyAccount":"","direction":"%s",
         "cap":{"amount":"%s","currency":"USD"},"way":"%s","shares":[%s]}
        """
        .formatted(name, word, direction, cap, way, String.join(",", List.of(shares)));
  }

  protected static String share(long account, String percent, String tax, String words) {
    return "{\"accountId\":%d,\"percent\":%s,\"taxPercent\":%s,\"words\":\"%s\"}"
        .formatted(account, percent, tax, words);
  }

  protected JsonNode settlementOf(long entry) {
    for (var one : maren.get("/api/settlements?limit=200").body().at("/rows")) {
      if (one.at("/entryId").asLong() == entry && one.at("/status").asText().equals("POSTED")) {
        return one;
      }
    }
    throw new AssertionError("entry " + entry + " has no settlement");
  }
}

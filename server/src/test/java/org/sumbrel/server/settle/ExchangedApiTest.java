package org.sumbrel.server.settle;

import static org.assertj.core.api.Assertions.assertThat;
import static org.sumbrel.server.TestBooks.expect;

import com.fasterxml.jackson.databind.JsonNode;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import org.sumbrel.server.ApiTest;
import org.sumbrel.server.Clerk;
import org.sumbrel.server.TestBooks;

/** Euros settle what is billed in dollars and in pounds, in books that are kept in dollars. */
@ApiTest
class ExchangedApiTest {

  private static final AtomicInteger NEXT = new AtomicInteger(1);

  @Autowired private MockMvc web;
  private Clerk maren;
  private String company;
  private String account;
  private int n;

  @BeforeEach
  void sitDown() {
    maren = Clerk.maren(web);
    var export = maren.get("/api/me").body().at("/companies/1");
    company = export.at("/id").asText();
    account = export.at("/bankAccounts/0/id").asText();
    n = NEXT.getAndIncrement();
  }

  /** A name like no other one's, so that the payer is known by it. */
  private String name() {
    var towns =
        List.of(
            "Aldgate",
            "Brimhope",
            "Corvane",
            "Dunmore",
            "Elmstead",
            "Farrow",
            "Garnock",
            "Harbury",
            "Islip",
            "Jesmond",
            "Kelso",
            "Lydney");
    return towns.get(n % towns.size()) + " Provender";
  }

  private long invoice(String number, String issued, String currency, String total) {
    var customer = "EX" + n;
    expect(
        201,
        maren.drop(
            "c.csv",
            "customer_id,name\n%s,%s\n".formatted(customer, name()),
            "?company=" + company));
    expect(
        201,
        maren.drop(
            "i.csv",
            "number,customer_id,issue_date,due_date,currency,total\n%s,%s,%s,2026-06-30,%s,%s\n"
                .formatted(number, customer, issued, currency, total),
            "?company=" + company));
    return maren
        .get("/api/open-items?company=" + company + "&q=" + number)
        .body()
        .at("/rows/0/id")
        .asLong();
  }

  private long credit(String amount, String day) {
    return credit(amount, day, "QXR" + n);
  }

  private long credit(String amount, String day, String text) {
    var taken =
        expect(
                201,
                maren.drop(
                    "s.csv",
                    "entry_id,booking_date,amount,currency,payer_name,remittance\nQX%d,%s,%s,EUR,%s,%s\n"
                        .formatted(n, day, amount, name(), text),
                    "?company=" + company + "&bankAccount=" + account))
            .body();
    return TestBooks.firstRecord(maren, taken);
  }

  private static String money(String amount, String currency) {
    return "{\"amount\":\"%s\",\"currency\":\"%s\"}".formatted(amount, currency);
  }

  private static String applied(long item, String amount, String currency) {
    return TestBooks.appliedIn(currency, item, amount);
  }

  private static String draft(long entry, String applications, String adjustments, String more) {
    return "{\"entryId\":%d,\"applications\":[%s],\"adjustments\":[%s]%s}"
        .formatted(entry, applications, adjustments, more);
  }

  private static String fee(String amount) {
    return "{\"kind\":\"BANK_FEE\",\"amount\":%s}".formatted(money(amount, "EUR"));
  }

  private JsonNode preview(String draft) {
    return expect(200, maren.post("/api/settlements/preview", draft)).body();
  }

  private static List<String> lines(JsonNode view) {
    return TestBooks.lines(view, "code");
  }

  private List<String> balances() {
    var balances = new ArrayList<String>();
    for (var row : maren.get("/api/trial-balance?company=" + company).body().at("/accounts")) {
      var debit = row.at("/debit/amount").asText();
      var credit = row.at("/credit/amount").asText();
      if (!debit.equals(credit)) {
        balances.add(
            row.at("/code").asText()
                + " "
                + debit
                + " "
                + credit
                + " "
                + row.at("/debit/currency").asText());
      }
    }
    return balances;
  }

  @Test
  void anEarlyPaymentDiscountAndAClaimAreInTheCurrencyOfTheInvoice() {
    var customer = "ED" + n;
    expect(
        201,
        maren.drop(
            "d.csv",
            ("number,kind,customer_id,customer_name,issue_date,due_date,currency,total,open,terms\n"
                    + "DX-%d,invoice,%s,%s,2026-05-20,2026-06-19,USD,1000.00,1000.00,2/10 net 30\n")
                .formatted(n, customer, name()),
            "?company=" + company));
    var item =
        maren
            .get("/api/open-items?company=" + company + "&q=DX-" + n)
            .body()
            .at("/rows/0/id")
            .asLong();
    var rate =
        new BigDecimal(
            maren.get("/api/rates/counting?from=USD&to=EUR&on=2026-05-27").text("/rate/rate"));
    // 980.00 less 60.00 dollars, at the rate of the day
    var entry =
        credit(
            rate.multiply(new BigDecimal("920.00")).setScale(2, RoundingMode.HALF_EVEN).toString(),
            "2026-05-27");
    var draft = draft(entry, applied(item, "1000.00", "USD"), "", "");
    var discounted =
        expect(200, maren.post("/api/settlements/preview?treat=TAKE_DISCOUNT", draft)).body();
    assertThat(discounted.at("/draft/applications/0/discount"))
        .hasToString(money("20.00", "USD").replace(" ", ""));
    var claimed =
        expect(
                200,
                maren.post(
                    "/api/settlements/preview?treat=CLAIM&reason=DAMAGED",
                    discounted.at("/draft").toString()))
            .body();
    assertThat(claimed.at("/tally/left/amount").asText()).isEqualTo("0.00");
    var difference = claimed.at("/draft/adjustments/0");
    assertThat(difference.at("/kind").asText()).isEqualTo("CLAIM");
    assertThat(difference.at("/amount/currency").asText()).isEqualTo("USD");
    // to the cent of the euro, which is a cent or two of the dollar
    assertThat(new BigDecimal(difference.at("/amount/amount").asText()))
        .isBetween(new BigDecimal("59.98"), new BigDecimal("60.02"));
    var posted = expect(201, maren.post("/api/settlements", claimed.at("/draft").toString()));
    assertThat(lines(posted.body().at("/lines")))
        .anyMatch(l -> l.startsWith("4900 dr 20.00 USD"))
        .anyMatch(l -> l.startsWith("1150 dr ") && l.contains(" USD"))
        .anyMatch(l -> l.startsWith("1100 cr 1000.00 USD"));
    assertWhole();
    expect(
        200,
        maren.post(
            "/api/settlements/" + posted.text("/id") + "/reversal", "{\"reason\":\"slip\"}"));
    assertThat(maren.get("/api/open-items/" + item).text("/open/amount")).isEqualTo("1000.00");
    assertWhole();
  }

  private void assertWhole() {
    assertThat(
            maren.get("/api/trial-balance?company=" + company).body().at("/balanced").asBoolean())
        .isTrue();
    assertThat(maren.get("/api/cent-trail?company=" + company).body().at("/whole").asBoolean())
        .isTrue();
    for (var rule : expect(200, maren.get("/api/check")).body()) {
      assertThat(rule.at("/broken")).as(rule.at("/rule").asText()).isEmpty();
    }
    for (var currency : List.of("EUR", "USD")) {
      var path = "/api/books/agreement?company=" + company + "&currency=" + currency;
      assertThat(maren.get(path).body().at("/agrees").asBoolean()).as(currency).isTrue();
    }
  }

  @Test
  void theBanksOwnFiguresSettleADollarInvoiceAndAReversalUndoesIt() throws Exception {
    var item = invoice("QD-" + n, "2026-05-04", "USD", "1000.00");
    var file =
        Files.readString(Path.of("../examples/larkstow-export-from-dollars-2026-05-29.xml"))
            .replace("HX-260529", "HX-" + n)
            .replace("LX-03401", "QD-" + n);
    var taken = expect(201, maren.drop("day.xml", file, "?company=" + company)).body();
    var entry =
        maren
            .get("/api/intakes/" + taken.at("/id").asText() + "/records")
            .body()
            .at("/rows/0/id")
            .asLong();
    var before = balances();

    var bare = preview(draft(entry, applied(item, "1000.00", "USD"), "", ""));
    // 906.70 came, 15.00 was kept: 921.70 for 1,000.00
    assertThat(bare.at("/exchanges/0/given/amount").asText()).isEqualTo("921.70");
    assertThat(bare.at("/exchanges/0/source").asText()).isEqualTo("BANK");
    assertThat(bare.at("/exchanges/0/words").asText())
        .contains("1,000.00 USD instructed", "906.70 EUR booked", "15.00 EUR kept");
    assertThat(bare.at("/tally/left/amount").asText()).isEqualTo("-15.00");
    assertThat(bare.at("/options").findValuesAsText("kind")).contains("BANK_FEE", "EXCHANGE");

    var whole = draft(entry, applied(item, "1000.00", "USD"), fee("15.00"), "");
    var rate = maren.get("/api/rates/counting?from=EUR&to=USD&on=2026-05-29").body();
    var perEuro = new BigDecimal(rate.at("/rate/rate").asText());
    var worth = perEuro.multiply(new BigDecimal("921.70")).setScale(2, RoundingMode.HALF_EVEN);
    assertThat(lines(preview(whole).at("/lines")))
        .contains(
            "1100 cr 1000.00 USD",
            "7590 cr 921.70 EUR = " + worth,
            "7590 dr " + worth + " USD",
            "7500 dr " + new BigDecimal("1000.00").subtract(worth) + " USD");
    var posted = expect(201, maren.post("/api/settlements", whole)).body();
    assertThat(open(item)).isEqualTo("0.00");
    assertWhole();
    var kept = maren.get("/api/settlements/" + posted.at("/id").asText()).body();
    assertThat(kept.at("/rates").toString()).contains("1,000.00 USD instructed", "1 EUR = ");

    expect(
        200,
        maren.post(
            "/api/settlements/" + posted.at("/id").asText() + "/reversal",
            "{\"reason\":\"the wrong invoice\"}"));
    assertThat(open(item)).isEqualTo("1000.00");
    assertThat(balances()).isEqualTo(before);
    assertWhole();
  }

  private String open(long item) {
    return maren.get("/api/open-items/" + item).body().at("/open/amount").asText();
  }

  @Test
  void whatIsLeftBetweenBothCurrenciesIsTreatedWhereItBelongs() {
    var item = invoice("QD-" + n, "2026-05-04", "USD", "1000.00");
    var entry = credit("900.00", "2026-05-28");
    var body = draft(entry, applied(item, "1000.00", "USD"), "", "");
    var left = preview(body);
    assertThat(left.at("/exchanges/0/words").asText()).contains("the other way round of 1 EUR = ");
    var short_ = left.at("/tally/left/amount").asText();
    assertThat(short_).startsWith("-");
    for (var option : left.at("/options")) {
      var kind = option.at("/kind").asText();
      var theirs = List.of("WRITE_OFF", "CLAIM", "LEAVE_OWING").contains(kind);
      assertThat(option.at("/amount/currency").asText()).as(kind).isEqualTo(theirs ? "USD" : "EUR");
    }
    var owing = expect(200, maren.post("/api/settlements/preview?treat=LEAVE_OWING", body)).body();
    assertThat(owing.at("/tally/left/amount").asText()).isEqualTo("0.00");
    assertThat(owing.at("/draft/exchanges/0/given/amount").asText()).isEqualTo("900.00");
    expect(201, maren.post("/api/settlements", owing.at("/draft").toString()));
    assertThat(new BigDecimal(open(item))).isPositive();
    assertWhole();
  }

  @Test
  void anInvoiceInEurosRealisesTheDifferenceToTheRateOfItsDay() {
    var item = invoice("QE-" + n, "2026-04-07", "EUR", "500.00");
    var entry = credit("500.00", "2026-05-28");
    var body = draft(entry, applied(item, "500.00", "EUR"), "", "");
    var posted = expect(201, maren.post("/api/settlements", body)).body();
    var then = rate("2026-04-07").multiply(new BigDecimal("500"));
    var now = rate("2026-05-28").multiply(new BigDecimal("500"));
    var entryId = maren.get("/api/settlements/" + posted.at("/id").asText()).body();
    var lines =
        lines(
            maren
                .get("/api/journal-entries/" + entryId.at("/journalEntryId").asText())
                .body()
                .at("/lines"));
    var lost = then.subtract(now).setScale(2, RoundingMode.HALF_EVEN);
    assertThat(lines)
        .contains(
            "1100 cr 500.00 EUR = " + then.setScale(2, RoundingMode.HALF_EVEN),
            "7500 " + (lost.signum() > 0 ? "dr" : "cr") + " 0.00 EUR = " + lost.abs());
    assertWhole();
  }

  private BigDecimal rate(String on) {
    var path = "/api/rates/counting?from=EUR&to=USD&on=" + on;
    return new BigDecimal(maren.get(path).body().at("/rate/rate").asText());
  }

  @Test
  void whatIsOpenInAnotherCurrencyHasAnUnrealisedDifferenceUntilItIsSettled() {
    var before = unrealised("2026-05-28");
    var item = invoice("QU-" + n, "2026-04-07", "EUR", "800.00");
    var open = unrealised("2026-05-28");
    var gained = worth("2026-05-28", "800.00").subtract(worth("2026-04-07", "800.00"));
    // the whole is rounded once, each item by itself: they differ by a cent at most
    assertThat(open.subtract(before).subtract(gained).abs())
        .isLessThanOrEqualTo(new BigDecimal("0.01"));
    var posted =
        expect(
                201,
                maren.post(
                    "/api/settlements",
                    draft(credit("800.00", "2026-05-28"), applied(item, "800.00", "EUR"), "", "")))
            .body();
    var books = maren.get("/api/trial-balance?company=" + company).body().at("/books");
    assertThat(books.at("/currency").asText()).isEqualTo("USD");
    assertThat(books.at("/difference/amount").asText()).isEqualTo("0.00");
    // as of the day before it was posted it is open still
    assertThat(unrealised("2026-05-28")).isEqualByComparingTo(open);
    expect(
        200,
        maren.post(
            "/api/settlements/" + posted.at("/id").asText() + "/reversal",
            "{\"reason\":\"a test\"}"));
    assertThat(unrealised("2026-05-28")).isEqualByComparingTo(open);
  }

  private BigDecimal worth(String on, String euros) {
    return rate(on).multiply(new BigDecimal(euros)).setScale(2, RoundingMode.HALF_EVEN);
  }

  private BigDecimal unrealised(String on) {
    var report =
        expect(200, maren.get("/api/books/unrealised?company=" + company + "&on=" + on)).body();
    for (var line : report.at("/lines")) {
      if (line.at("/currency").asText().equals("EUR")) {
        return new BigDecimal(line.at("/difference/amount").asText());
      }
    }
    return BigDecimal.ZERO;
  }

  private JsonNode elsewhere(long entry) {
    return expect(200, maren.get("/api/entries/" + entry + "/elsewhere")).body();
  }

  @Test
  void whatTheTextNamesIsProposedAtTheRateOfTheDay() {
    var item = invoice("QN-" + n, "2026-05-04", "USD", "1000.00");
    var day = rate("2026-05-28");
    var euros = new BigDecimal("1000").divide(day, 2, RoundingMode.HALF_EVEN);
    var entry =
        credit(euros.subtract(new BigDecimal("3.00")).toPlainString(), "2026-05-28", "INV QN-" + n);
    var proposed = elsewhere(entry).at("/0");
    assertThat(proposed.at("/named").asBoolean()).isTrue();
    assertThat(proposed.at("/why").asText())
        .contains("QN-" + n + " is in the text", "1,000.00 USD come to", "3.00 EUR less came");
    assertThat(proposed.at("/items/0/itemId").asLong()).isEqualTo(item);
    expect(201, maren.post("/api/settlements", proposed.at("/draft").toString()));
    assertThat(open(item)).isEqualTo("0.00");
    assertWhole();
  }

  @Test
  void whatFitsThroughARateWithinTheMarginIsProposedAndNothingElse() {
    var item = invoice("QM-" + n, "2026-05-04", "USD", "731.00");
    invoice("QMX-" + n, "2026-05-04", "USD", "90.00");
    var euros = new BigDecimal("731").divide(rate("2026-05-28"), 2, RoundingMode.HALF_EVEN);
    var off = euros.multiply(new BigDecimal("0.99")).setScale(2, RoundingMode.HALF_EVEN);
    var entry = credit(off.toPlainString(), "2026-05-28", "for flour");
    var proposed = elsewhere(entry);
    assertThat(proposed.at("/0/named").asBoolean()).isFalse();
    assertThat(proposed.at("/0/items/0/itemId").asLong()).isEqualTo(item);
    assertThat(proposed.at("/0/why").asText()).contains("comes to", "USD", " %");
    var hint = expect(200, maren.get("/api/entries/elsewhere?entryIds=" + entry)).body().at("/0");
    assertThat(hint.at("/currencies/0").asText()).isEqualTo("USD");
    assertThat(hint.at("/companies")).isEmpty();
    var many = ("entryIds=" + entry + "&").repeat(41);
    assertThat(maren.get("/api/entries/elsewhere?" + many).text("/detail"))
        .isEqualTo("41 entries were asked for at once; at most 40 are looked at");
    expect(201, maren.post("/api/settlements", proposed.at("/0/draft").toString()));
    assertWhole();
  }

  @Test
  void aMissingRateIsAskedForAndOnceTypedItCounts() {
    var item = invoice("QT-" + n, "2026-05-04", "THB", "1000.00");
    var entry = credit("26.00", "2026-05-28");
    var body = draft(entry, applied(item, "1000.00", "THB"), "", "");
    var missing = maren.post("/api/settlements/preview", body);
    assertThat(missing.status()).isEqualTo(409);
    assertThat(missing.text("/code")).isEqualTo("RATE_MISSING");
    assertThat(missing.text("/detail")).contains("no rate from THB to EUR", "28 May 2026");
    assertThat(maren.post("/api/settlements", body).text("/code")).isEqualTo("RATE_MISSING");
    var typed =
        "{\"on\":\"2026-05-28\",\"from\":\"THB\",\"to\":\"EUR\",\"rate\":\"0.026\",\"reason\":\"the bank\",\"sure\":true}";
    expect(201, maren.post("/api/rates", typed));
    // its own day's rate is missing still: nobody knows what it stands in the books with
    assertThat(maren.post("/api/settlements", body).text("/detail"))
        .contains("THB to USD", "4 May 2026");
    expect(201, maren.post("/api/rates", typed.replace("05-28", "05-04")));
    expect(201, maren.post("/api/settlements", body));
    assertThat(open(item)).isEqualTo("0.00");
    assertWhole();
  }

  @Test
  void onePaymentForTwoCurrenciesShowsBothAndOverpaymentStaysInTheReceipts() {
    var dollars = invoice("QA-" + n, "2026-05-04", "USD", "300.00");
    var pounds = invoice("QB-" + n, "2026-05-04", "GBP", "200.00");
    var euros = invoice("QC-" + n, "2026-05-04", "EUR", "100.00");
    var entry = credit("700.00", "2026-05-28");
    var customer = maren.get("/api/open-items/" + euros).body().at("/customerId").asText();
    var body =
        draft(
            entry,
            applied(dollars, "300.00", "USD")
                + ","
                + applied(pounds, "200.00", "GBP")
                + ","
                + applied(euros, "100.00", "EUR"),
            "",
            ",\"onAccountCustomerId\":" + customer);
    var view = preview(body);
    assertThat(view.at("/exchanges")).hasSize(2);
    var kept =
        expect(200, maren.post("/api/settlements/preview?treat=KEEP_ON_ACCOUNT", body)).body();
    assertThat(kept.at("/draft/onAccount/currency").asText()).isEqualTo("EUR");
    var posted = expect(201, maren.post("/api/settlements", kept.at("/draft").toString())).body();
    assertWhole();
    var taken =
        "/api/settlements/"
            + posted.at("/id").asText()
            + "/applications/"
            + pounds
            + "/taking-back";
    expect(200, maren.post(taken, "{\"reason\":\"not this one\"}"));
    assertThat(open(pounds)).isEqualTo("200.00");
    assertThat(open(dollars)).isEqualTo("0.00");
    assertWhole();
  }
}

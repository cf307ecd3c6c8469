package org.sumbrel.server.settle;

import static org.assertj.core.api.Assertions.assertThat;
import static org.sumbrel.server.TestBooks.expect;

import com.fasterxml.jackson.databind.JsonNode;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.test.web.servlet.MockMvc;
import org.sumbrel.server.ApiTest;
import org.sumbrel.server.Clerk;
import org.sumbrel.server.TestBooks;

/** Money that the mill received settles invoices of the export company. */
@ApiTest
class GroupApiTest {

  private static final AtomicInteger NEXT = new AtomicInteger(1);
  private static final String DAY = "2026-05-27";

  @Autowired private MockMvc web;
  @Autowired private JdbcClient jdbc;
  private Clerk maren;
  private Long mill;
  private Long export;
  private String account;
  private int n;

  @BeforeEach
  void sitDown() {
    maren = Clerk.maren(web);
    var companies = maren.get("/api/me").body().at("/companies");
    mill = companies.at("/0/id").asLong();
    export = companies.at("/1/id").asLong();
    account = companies.at("/0/bankAccounts/0/id").asText();
    n = NEXT.getAndIncrement();
  }

  private long invoice(Long company, String number, String currency, String total, String terms) {
    expect(
        201,
        maren.drop(
            "i.csv",
            "number,kind,customer_id,customer_name,issue_date,due_date,currency,total,open,terms\n"
                + "%s,invoice,GR%d,Group Payer %d,2026-05-19,2026-06-18,%s,%s,%s,%s\n"
                    .formatted(number, n, n, currency, total, total, terms),
            "?company=" + company));
    return maren
        .get("/api/open-items?company=" + company + "&q=" + number)
        .body()
        .at("/rows/0/id")
        .asLong();
  }

  private long credit(String amount, String text) {
    var taken =
        expect(
                201,
                maren.drop(
                    "s.csv",
                    "entry_id,booking_date,amount,currency,payer_name,remittance\nGRP%d-%s,%s,%s,USD,Zg%dx Holding,%s\n"
                        .formatted(n, amount, DAY, amount, n, text),
                    "?bankAccount=" + account))
            .body();
    return TestBooks.firstRecord(maren, taken);
  }

  private static String applied(long item, String amount, String currency) {
    return TestBooks.appliedIn(currency, item, amount);
  }

  private static String draft(long entry, String... applications) {
    return "{\"entryId\":%d,\"applications\":[%s],\"adjustments\":[]}"
        .formatted(entry, String.join(",", applications));
  }

  private static List<String> lines(JsonNode view) {
    return TestBooks.lines(view, "account");
  }

  private void takeBack(JsonNode posted) {
    var path = "/api/settlements/" + posted.at("/id").asText() + "/reversal";
    expect(200, maren.post(path, "{\"reason\":\"slip\"}"));
  }

  private String open(long item) {
    return maren.get("/api/open-items/" + item).text("/open/amount");
  }

  /** What stands on the accounts that the two companies keep for each other. */
  private List<String> between() {
    var sums = new ArrayList<String>();
    for (var company : List.of(mill, export)) {
      maren
          .get("/api/trial-balance?company=" + company)
          .body()
          .at("/accounts")
          .forEach(
              line -> {
                var sides =
                    line.at("/debit/amount").asText() + "/" + line.at("/credit/amount").asText();
                if (line.at("/account").asText().startsWith("Larkstow")
                    && !sides.equals("0.00/0.00")) {
                  sums.add(line.at("/debit/currency").asText() + " " + sides);
                }
              });
    }
    return sums;
  }

  @Test
  void oneReceiptPaysInvoicesOfTwoCompaniesAndIsTakenBackInBoth() {
    var own = invoice(mill, "GM-" + n, "USD", "300.00", "");
    var other = invoice(export, "GX-" + n, "USD", "700.00", "");
    var entry = credit("1000.00", "GM-" + n + " and GX-" + n);
    var before = between();

    // the text names both, and it is told as what it is
    var told = maren.get("/api/entries/" + entry + "/elsewhere").body();
    assertThat(told).hasSize(1);
    assertThat(told.at("/0/named").asBoolean()).isTrue();
    assertThat(told.at("/0/items")).hasSize(2);
    assertThat(told.at("/0/why").asText())
        .contains("700.00 USD for Larkstow Grain Export Ltd", "to the cent");
    var plain = credit("12.00", "nothing that anybody knows");
    var hints =
        expect(200, maren.get("/api/entries/elsewhere?entryIds=" + plain + "&entryIds=" + entry))
            .body();
    assertThat(hints).hasSize(1);
    assertThat(hints.at("/0/entryId").asLong()).isEqualTo(entry);
    assertThat(hints.at("/0/companies")).hasSize(1);
    assertThat(hints.at("/0/companies/0").asText()).isEqualTo("Larkstow Grain Export Ltd");
    assertThat(hints.at("/0/currencies")).isEmpty();
    assertThat(hints.at("/0/why")).isEqualTo(told.at("/0/why"));

    var draft = draft(entry, applied(own, "300.00", "USD"), applied(other, "700.00", "USD"));
    var view = expect(200, maren.post("/api/settlements/preview", draft)).body();
    assertThat(view.at("/tally/left/amount").asText()).isEqualTo("0.00");
    assertThat(view.at("/tally/forOthers/amount").asText()).isEqualTo("700.00");
    assertThat(view.at("/exchanges/0/company/id").asLong()).isEqualTo(export);
    assertThat(view.at("/exchanges/0/items/0").asLong()).isEqualTo(other);

    var posted = expect(201, maren.post("/api/settlements", draft)).body();
    assertThat(lines(posted.at("/lines")))
        .anyMatch(l -> l.endsWith(" dr 1000.00 USD"))
        .contains("Accounts receivable cr 300.00 USD", "Larkstow Grain Export Ltd cr 700.00 USD");
    assertThat(posted.at("/elsewhere/0/company/id").asLong()).isEqualTo(export);
    assertThat(lines(posted.at("/elsewhere/0/lines")))
        .containsExactly("Larkstow Mill Ltd dr 700.00 USD", "Accounts receivable cr 700.00 USD");
    assertThat(open(own)).isEqualTo("0.00");
    assertThat(open(other)).isEqualTo("0.00");
    var written =
        maren.get("/api/journal-entries/" + posted.at("/elsewhere/0/journalEntryId").asText());
    assertThat(written.text("/text")).contains("received by Larkstow Mill Ltd");
    // each customer's account tells of it
    for (var item : List.of(own, other)) {
      assertThat(maren.get("/api/open-items/" + item + "/settlements").body().at("/0/id"))
          .isEqualTo(posted.at("/id"));
    }
    // and it stands among the settlements of both companies
    for (var company : List.of(mill, export)) {
      assertThat(maren.get("/api/settlements?company=" + company).body().at("/rows/0/id"))
          .isEqualTo(posted.at("/id"));
    }
    assertThat(between()).isNotEqualTo(before).hasSizeGreaterThan(1);
    requireWhole();

    // each company's export has what is its own
    assertThat(exported(mill))
        .anyMatch(l -> l.contains("for_company") && l.contains("Larkstow Grain Export Ltd"))
        .anyMatch(l -> l.contains("GM-" + n))
        .noneMatch(l -> l.contains("GX-" + n));
    assertThat(exported(export)).anyMatch(l -> l.contains("GX-" + n));
    for (var company : List.of(mill, export)) {
      assertThat(
              maren
                  .get("/api/books/agreement?company=" + company + "&currency=USD")
                  .body()
                  .toString())
          .contains("\"agrees\":true")
          .doesNotContain("\"agrees\":false");
    }

    itemsFollowTheirOwnCompanysDay(posted);
    var id = posted.at("/id").asText();
    eachSeesThePartsOfHisCompany(id);
    takeBack(posted);
    assertThat(open(own)).isEqualTo("300.00");
    assertThat(open(other)).isEqualTo("700.00");
    assertThat(between()).isEqualTo(before);
    assertThat(maren.get("/api/entries/" + entry).text("/status")).isEqualTo("WAITING");
    requireWhole();
  }

  /** And what the companies owe each other for it; of the other's items and journal nothing. */
  private void eachSeesThePartsOfHisCompany(String id) {
    var receiver = new Clerk(web, "milly", "CLERK", mill);
    var seen = expect(200, receiver.get("/api/settlements/" + id)).body();
    assertThat(seen.at("/applications").findValuesAsText("number")).containsExactly("GM-" + n);
    assertThat(seen.at("/receivedBy").isNull()).isTrue();
    assertThat(lines(seen.at("/lines"))).contains("Larkstow Grain Export Ltd cr 700.00 USD");
    assertThat(seen.at("/rates/0/given/amount").asText()).isEqualTo("700.00");
    assertThat(seen.at("/elsewhere/0/company/id").asLong()).isEqualTo(export);
    assertThat(seen.at("/elsewhere/0/journalEntryId").isNull()).isTrue();
    assertThat(seen.at("/elsewhere/0/lines").isNull()).isTrue();

    var other = new Clerk(web, "sela", "CLERK", export);
    for (var path : List.of("/api/settlements/" + id, "/api/settlements?company=" + export)) {
      var body = expect(200, other.get(path)).body();
      var there = body.has("rows") ? body.at("/rows/0") : body;
      assertThat(there.toString()).contains("GX-" + n);
      // the payer's words are the receipt's; of the mill's items nothing is told
      assertThat(there.at("/applications").toString()).doesNotContain("GM-" + n);
      assertThat(there.at("/receivedBy/id").asLong()).isEqualTo(mill);
      assertThat(there.at("/journalEntryId").isNull()).isTrue();
      assertThat(there.at("/lines").isNull()).isTrue();
      assertThat(there.at("/onAccount/amount").asText()).isEqualTo("0.00");
      assertThat(there.at("/rates")).hasSize(1);
    }
    assertThat(lines(other.get("/api/settlements/" + id).body().at("/elsewhere/0/lines")))
        .containsExactly("Larkstow Mill Ltd dr 700.00 USD", "Accounts receivable cr 700.00 USD");
    assertThat(other.post("/api/settlements/" + id + "/reversal", "{\"reason\":\"mine\"}").status())
        .isEqualTo(403);
  }

  /**
   * Where the day was closed for the bank account, the receiver's entry is of the next one, and the
   * other company's is not: its items go with its own books.
   */
  private void itemsFollowTheirOwnCompanysDay(JsonNode posted) {
    var entry = posted.at("/journalEntryId").asLong();
    var day = posted.at("/postedOn").asText();
    var move = "update journal_entry set booked_on = dateadd(day, :days, booked_on) where id = :id";
    jdbc.sql(move).param("days", 1).param("id", entry).update();
    try {
      for (var company : List.of(mill, export)) {
        var path = "/api/books/agreement?currency=USD&company=" + company + "&on=" + day;
        assertThat(maren.get(path).body().at("/agrees").asBoolean()).as(path).isTrue();
      }
    } finally {
      jdbc.sql(move).param("days", -1).param("id", entry).update();
    }
  }

  private List<String> exported(Long company) {
    return maren
        .saved(
            "/api/applications.csv?company="
                + company
                + "&currency=USD&from=2000-01-01&until=2100-01-01")
        .lines()
        .toList();
  }

  private void requireWhole() {
    var rules = expect(200, maren.get("/api/check")).body();
    assertThat(rules.size()).isGreaterThan(15);
    for (var rule : rules) {
      assertThat(rule.at("/broken")).as(rule.at("/rule").asText()).isEmpty();
    }
  }

  @Test
  void theDiscountAndASmallRestAreTheOtherCompanys() {
    var other = invoice(export, "GX-" + n, "USD", "700.00", "2/10 net 30");
    var entry = credit("685.98", "GX-" + n);
    var short2 = draft(entry, applied(other, "700.00", "USD"));
    var off =
        expect(200, maren.post("/api/settlements/preview?treat=TAKE_DISCOUNT", short2)).body();
    assertThat(off.at("/draft/applications/0/discount/amount").asText()).isEqualTo("14.00");
    var rest =
        expect(
                200,
                maren.post("/api/settlements/preview?treat=WRITE_OFF", off.at("/draft").toString()))
            .body();
    assertThat(rest.at("/draft/adjustments/0/companyId").asLong()).isEqualTo(export);
    assertThat(rest.at("/tally/left/amount").asText()).isEqualTo("0.00");
    var posted = expect(201, maren.post("/api/settlements", rest.at("/draft").toString())).body();
    assertThat(lines(posted.at("/elsewhere/0/lines")))
        .containsExactly(
            "Larkstow Mill Ltd dr 685.98 USD",
            "Small write-offs dr 0.02 USD",
            "Discounts allowed dr 14.00 USD",
            "Accounts receivable cr 700.00 USD");
    assertThat(posted.at("/adjustments/0/company/id").asLong()).isEqualTo(export);
    var costs =
        maren.get(
            "/api/books/differences?company="
                + export
                + "&currency=USD&from=2026-01-01&until=2100-01-01");
    assertThat(costs.body().toString()).contains("EARLY_DISCOUNT", "WRITE_OFF");
    requireWhole();
    takeBack(posted);
    assertThat(open(other)).isEqualTo("700.00");
    requireWhole();
  }

  @Test
  void onlyWhoWorksInBothPostsAndTakesBack() {
    var other = invoice(export, "GX-" + n, "USD", "50.00", "");
    var entry = credit("50.00", "GX-" + n);
    var draft = draft(entry, applied(other, "50.00", "USD"));
    var mills = new Clerk(web, "mara", "SUPERVISOR", mill);
    var exports = new Clerk(web, "sela", "SUPERVISOR", export);
    for (var half : List.of(mills, exports)) {
      assertThat(half.post("/api/settlements", draft).text("/code")).isEqualTo("NOT_YOUR_COMPANY");
    }
    assertThat(mills.get("/api/entries/" + entry + "/elsewhere").body()).isEmpty();
    // what a colleague drafted and handed over is no way round it
    expect(200, maren.put("/api/drafts/entry-" + entry, draft));
    var kept = "/api/drafts/entry-" + entry;
    assertThat(maren.get(kept).body().at("/held/draft/applications")).hasSize(1);
    assertThat(expect(200, mills.get(kept)).body().at("/held/draft/applications")).isEmpty();
    assertThat(mills.post(kept + "/holder", "{}").text("/code")).isEqualTo("NOT_YOUR_COMPANY");
    expect(200, maren.post("/api/drafts/entry-" + entry + "/handing", "{}"));
    assertThat(
            mills
                .post("/api/drafts/entry-" + entry + "/verdict", "{\"approved\":true}")
                .text("/code"))
        .isEqualTo("NOT_YOUR_COMPANY");
    assertThat(open(other)).isEqualTo("50.00");
    var both = new Clerk(web, "osric", "SUPERVISOR", mill, export);
    expect(200, both.post("/api/drafts/entry-" + entry + "/verdict", "{\"approved\":true}"));
    assertThat(open(other)).isEqualTo("0.00");
    // from either side it is seen, and taken back by whoever works in both
    var id = exports.get("/api/open-items/" + other + "/settlements").body().at("/0/id").asText();
    assertThat(exports.get("/api/settlements/" + id).status()).isEqualTo(200);
    for (var half : List.of(mills, exports)) {
      assertThat(
              half.post("/api/settlements/" + id + "/reversal", "{\"reason\":\"x\"}").text("/code"))
          .isEqualTo("NOT_YOUR_COMPANY");
    }
    expect(200, both.post("/api/settlements/" + id + "/reversal", "{\"reason\":\"x\"}"));
    assertThat(open(other)).isEqualTo("50.00");
    // with no money that came, companies are not set against each other
    assertThat(
            maren
                .post(
                    "/api/settlements",
                    "{\"accountOf\":%d,\"applications\":[%s],\"adjustments\":[]}"
                        .formatted(
                            maren
                                .get("/api/customers?company=" + mill + "&limit=1")
                                .body()
                                .at("/rows/0/id")
                                .asLong(),
                            applied(other, "50.00", "USD")))
                .text("/detail"))
        .contains("only items of one company");
  }

  /** Paid to the wrong company of the group, without a word on what for. */
  @Test
  void whatWhoIsCalledAsThePayerOwesAnotherCompanyIsProposedWhereItFits() {
    var head =
        "number,kind,customer_id,customer_name,issue_date,due_date,currency,total,open,terms\n";
    var rows = new StringBuilder(head);
    for (var one :
        List.of(
            "GN1,Zg%dx Holding SA,USD,412.37".formatted(n),
            "GN2,Zg%dx Holding SA,USD,87.63".formatted(n),
            "GN3,Zg%dx Holdings West,USD,500.00".formatted(n),
            "GN4,Zg%dx Holding SA,GBP,330.00".formatted(n))) {
      var cell = one.split(",");
      var who = cell[1].contains("West") ? "GW" : "GH";
      rows.append(
          "%s-%d,invoice,%s%d,%s,2026-05-19,2026-06-18,%s,%s,%s,\n"
              .formatted(cell[0], n, who, n, cell[1], cell[2], cell[3], cell[3]));
    }
    expect(201, maren.drop("i.csv", rows.toString(), "?company=" + export));
    var entry = credit("500.00", "thank you");

    var told = expect(200, maren.get("/api/entries/" + entry + "/elsewhere")).body();
    // both of his together; nothing of whoever is called a little otherwise
    assertThat(told).hasSize(1);
    assertThat(told.at("/0/named").asBoolean()).isFalse();
    assertThat(told.at("/0/why").asText())
        .isEqualTo(
            "GN1-%1$d, GN2-%1$d, owed by Zg%1$dx Holding SA to Larkstow Grain Export Ltd, come to 500.00 USD, to the cent"
                .formatted(n));
    var posted = expect(201, maren.post("/api/settlements", told.at("/0/draft").toString())).body();
    assertThat(lines(posted.at("/elsewhere/0/lines")))
        .containsExactly(
            "Larkstow Mill Ltd dr 500.00 USD",
            "Accounts receivable cr 412.37 USD",
            "Accounts receivable cr 87.63 USD");
    requireWhole();
    takeBack(posted);
    // to whoever does not work there nothing of it is told
    var mills = new Clerk(web, "milly", "CLERK", mill);
    assertThat(mills.get("/api/entries/" + entry + "/elsewhere").body()).isEmpty();
    var hints = "/api/entries/elsewhere?entryIds=" + entry;
    assertThat(expect(200, maren.get(hints)).body()).hasSize(1);
    assertThat(expect(200, mills.get(hints)).body()).isEmpty();
    var exports = new Clerk(web, "sela", "CLERK", export);
    assertThat(exports.get(hints).text("/code")).isEqualTo("NOT_YOUR_COMPANY");
  }
}

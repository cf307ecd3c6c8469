package org.sumbrel.server.customers;

import static org.assertj.core.api.Assertions.assertThat;
import static org.sumbrel.server.TestBooks.applied;
import static org.sumbrel.server.TestBooks.draft;
import static org.sumbrel.server.TestBooks.expect;

import com.lowagie.text.pdf.PdfReader;
import com.lowagie.text.pdf.parser.PdfTextExtractor;
import java.math.BigDecimal;
import java.math.RoundingMode;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;
import org.sumbrel.server.ApiTest;
import org.sumbrel.server.Clerk;
import org.sumbrel.server.TestBooks;

/** A customer's account: what moved with its balance, what paid what. */
@ApiTest
class CustomerStatementApiTest {

  @Autowired private MockMvc web;
  private Clerk maren;

  @BeforeEach
  void sitDown() {
    maren = Clerk.maren(web);
  }

  private long customer(TestBooks books) {
    return maren
        .get("/api/open-items?q=" + books.number(0))
        .body()
        .at("/rows/0/customerId")
        .asLong();
  }

  @Test
  void carriesTheBalanceThroughInvoiceReceiptAndReversal() {
    var books = new TestBooks(maren).invoices("1000.00", "250.00");
    var id = customer(books);
    var entry = books.credit("900.00", "part");
    var settlement =
        expect(
                201,
                maren.post("/api/settlements", draft(entry, applied(books.item(0), "900.00"), "")))
            .text("/id");
    var statement = expect(200, maren.get("/api/customers/" + id + "/statement")).body();
    assertThat(statement.at("/lines").findValuesAsText("on"))
        .containsExactly("2026-05-20", "2026-05-20", "2026-05-28");
    assertThat(statement.at("/lines/2/amount/amount").asText()).isEqualTo("-900.00");
    assertThat(statement.at("/lines/2/settlementId").asText()).isEqualTo(settlement);
    assertThat(statement.at("/closing/amount").asText()).isEqualTo("350.00");
    expect(200, maren.post("/api/settlements/" + settlement + "/reversal", "{\"reason\":\"x\"}"));
    var after = maren.get("/api/customers/" + id + "/statement").body();
    assertThat(after.at("/lines").size()).isEqualTo(4);
    assertThat(after.at("/closing/amount").asText()).isEqualTo("1250.00");

    var late = maren.get("/api/customers/" + id + "/statement?from=2026-05-21&until=2026-05-28");
    assertThat(late.text("/opening/amount")).isEqualTo("1250.00");
    assertThat(late.text("/closing/amount")).isEqualTo("350.00");
    var wrong = maren.get("/api/customers/" + id + "/statement?from=2026-06-01&until=2026-05-01");
    assertThat(wrong.status()).isEqualTo(400);
    assertThat(wrong.text("/detail")).contains("2026-06-01", "2026-05-01");
  }

  /** For every customer of the demo the statement ends with what his items have open. */
  @Test
  void endsWithWhatIsOpenForEveryCustomer() {
    var rows = maren.get("/api/customers?limit=500").body().at("/rows");
    assertThat(rows.size()).isGreaterThan(50);
    for (var row : rows) {
      var id = row.at("/id").asText();
      var open = BigDecimal.ZERO;
      for (var owed : row.at("/owes")) {
        open = open.add(new BigDecimal(owed.at("/amount").asText()));
      }
      var closing =
          maren
              .get(
                  "/api/customers/"
                      + id
                      + "/statement?branches=false&from=2020-01-01&until=2030-01-01")
              .text("/closing/amount");
      assertThat(new BigDecimal(closing)).as(row.toString()).isEqualByComparingTo(open);
    }
  }

  @Test
  void isSentAsPdfAndCsv() throws Exception {
    var books = new TestBooks(maren).invoices("1000.00");
    var path = "/api/customers/" + customer(books) + "/statement";
    var by = Clerk.signedIn("maren", "CLERK");
    var pdf =
        web.perform(MockMvcRequestBuilders.get(path + ".pdf").with(by)).andReturn().getResponse();
    assertThat(pdf.getContentType()).isEqualTo("application/pdf");
    assertThat(pdf.getHeader("Content-Disposition")).contains("attachment", "2026-05-29.pdf");
    assertThat(new String(pdf.getContentAsByteArray(), 0, 5)).isEqualTo("%PDF-");
    var csv =
        web.perform(MockMvcRequestBuilders.get(path + ".csv").with(by)).andReturn().getResponse();
    assertThat(csv.getContentAsString())
        .contains("Invoice " + books.number(0) + ",1000.00,,1000.00,USD");
  }

  /** Of a company that keeps its books in dollars, for a customer who owes euros. */
  @Test
  void hasItsClosingBalanceInTheBooksWhereThatIsAskedFor() throws Exception {
    var export = maren.get("/api/me").text("/companies/1/id");
    var head = "number,kind,customer_id,customer_name,issue_date,due_date,currency,total,open\n";
    expect(
        201,
        maren.drop(
            "euros.csv",
            head
                + "ZQST-1,invoice,ZQST,Zqstatement SA,2026-05-20,2026-06-19,EUR,100.00,100.00\n"
                + "ZQST-2,invoice,ZQST,Zqstatement SA,2026-05-21,2026-06-20,EUR,0.35,0.35\n",
            "?company=" + export));
    var id =
        maren.get("/api/open-items?company=" + export + "&q=ZQST-1").text("/rows/0/customerId");
    var path = "/api/customers/" + id + "/statement";
    var rate =
        new BigDecimal(
            maren.get("/api/rates/counting?from=EUR&to=USD&on=2026-04-30").text("/rate/rate"));
    var closing = new BigDecimal("100.35").multiply(rate).setScale(2, RoundingMode.HALF_EVEN);

    var shown = expect(200, maren.get(path + "?currency=EUR&ratesOn=2026-04-30")).body();
    assertThat(shown.at("/closing/amount").asText()).isEqualTo("100.35");
    assertThat(shown.at("/inBooks/currency").asText()).isEqualTo("USD");
    assertThat(shown.at("/inBooks/words").asText()).contains("30 April 2026");
    assertThat(shown.at("/inBooks/closing/amount").asText()).isEqualTo(closing.toPlainString());
    // the last day's where none is stated
    assertThat(maren.get(path + "?currency=EUR&until=2026-05-25").text("/inBooks/ratesOn"))
        .isEqualTo("2026-05-25");
    assertThat(maren.get(path + "?currency=USD").body().at("/inBooks").isNull()).isTrue();

    var file = "?currency=EUR&inBooks=true&ratesOn=2026-04-30";
    assertThat(maren.saved(path + ".csv" + file))
        .contains("balance,currency,in_books,books,rate,rates_on")
        .contains("100.35,EUR," + closing + ",USD," + rate + ",2026-04-30");
    assertThat(maren.saved(path + ".csv?currency=EUR")).doesNotContain("in_books");
    assertThat(paper(path + ".pdf" + file)).contains("in USD", closing.toPlainString());
    assertThat(paper(path + ".pdf?currency=EUR")).doesNotContain("in USD");
    var all = "/api/customer-statements.pdf?company=" + export + "&currency=EUR";
    assertThat(paper(all + "&inBooks=true&ratesOn=2026-04-30"))
        .contains("Zqstatement SA", closing.toPlainString());

    // no rate is guessed, and nothing half is sent
    var never = file.replace("2026-04-30", "2020-01-01");
    assertThat(maren.get(path + "?currency=EUR&ratesOn=2020-01-01").text("/inBooks/words"))
        .isEmpty();
    assertThat(maren.get(path + ".pdf" + never).text("/code")).isEqualTo("RATE_MISSING");
    assertThat(maren.get(path + ".csv" + never).text("/code")).isEqualTo("RATE_MISSING");
    assertThat(maren.get(all + "&inBooks=true&ratesOn=2020-01-01").text("/code"))
        .isEqualTo("RATE_MISSING");
  }

  /** The words of a document. */
  private String paper(String path) throws Exception {
    var request = MockMvcRequestBuilders.get(path).with(Clerk.signedIn("maren", "CLERK"));
    var result = web.perform(request).andReturn();
    if (result.getRequest().isAsyncStarted()) {
      result = web.perform(MockMvcRequestBuilders.asyncDispatch(result)).andReturn();
    }
    var reader = new PdfReader(result.getResponse().getContentAsByteArray());
    var text = new StringBuilder();
    for (var page = 1; page <= reader.getNumberOfPages(); page++) {
      text.append(new PdfTextExtractor(reader).getTextFromPage(page));
    }
    return text.toString();
  }

  @Test
  void drawsWhatPaidWhatAndWhatCanBeApplied() {
    var books = new TestBooks(maren).invoices("300.00", "80.00");
    var id = customer(books);
    var entry = books.credit("350.00", "round");
    var call = draft(entry, applied(books.item(0), "300.00"), "");
    expect(
        201,
        maren.post(
            "/api/settlements",
            call.substring(0, call.length() - 1)
                + ",\"onAccount\":"
                + TestBooks.money("50.00")
                + ",\"onAccountCustomerId\":"
                + id
                + "}"));
    var all = expect(200, maren.get("/api/customers/" + id + "/payments")).body();
    assertThat(all.at("/links")).hasSize(1);
    assertThat(all.at("/links/0/amount/amount").asText()).isEqualTo("300.00");
    assertThat(all.at("/paying/0/left/amount").asText()).isEqualTo("50.00");
    assertThat(all.at("/paying/1/key").asText()).isEqualTo(all.at("/links/0/from").asText());
    // what nothing paid stands beside the credit that could, what is paid beside what paid it
    assertThat(all.at("/paid").findValuesAsText("number"))
        .containsExactly(books.number(1), books.number(0));
    var open = maren.get("/api/customers/" + id + "/payments?settled=false").body();
    assertThat(open.at("/links")).isEmpty();
    assertThat(open.at("/paid").findValuesAsText("number")).containsExactly(books.number(1));
  }
}

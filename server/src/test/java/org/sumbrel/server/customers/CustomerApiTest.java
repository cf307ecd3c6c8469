package org.sumbrel.server.customers;

import static org.assertj.core.api.Assertions.assertThat;
import static org.sumbrel.server.TestBooks.expect;

import com.fasterxml.jackson.databind.JsonNode;
import java.util.ArrayList;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import org.sumbrel.server.ApiTest;
import org.sumbrel.server.Clerk;
import org.sumbrel.server.TestBooks;

@ApiTest
class CustomerApiTest {

  @Autowired private MockMvc web;
  private Clerk maren;

  @BeforeEach
  void sitDown() {
    maren = Clerk.maren(web);
  }

  private static long cents(JsonNode money) {
    return Long.parseLong(money.at("/amount").asText().replace(".", ""));
  }

  private JsonNode named(String q) {
    var row = maren.get("/api/customers?q=" + q).body().at("/rows/0");
    return maren.get("/api/customers/" + row.at("/id").asText()).body();
  }

  @Test
  void listsCustomersByNameInPages() {
    var names = new ArrayList<String>();
    var cursor = "";
    do {
      var page = expect(200, maren.get("/api/customers?limit=7&cursor=" + cursor)).body();
      page.at("/rows").forEach(r -> names.add(r.at("/name").asText()));
      cursor = page.at("/next").isNull() ? "" : page.at("/next").asText();
    } while (!cursor.isEmpty());
    assertThat(names)
        .isSorted()
        .doesNotHaveDuplicates()
        .contains("Café Tamarisk", "Wrenhouse Bagels");
    assertThat(maren.get("/api/customers?cursor=nonsense").status()).isEqualTo(400);
  }

  @Test
  void showsAnAccountWhoseAgeingAddsUpToWhatIsOwed() {
    var account = named("Three Rivers");
    var owed = cents(account.at("/owes/0"));
    var open = 0L;
    for (var item : account.at("/openItems")) {
      open += cents(item.at("/open"));
    }
    var aged = 0L;
    for (var amount : account.at("/ageing/0/amounts")) {
      aged += cents(amount);
    }
    assertThat(owed).isEqualTo(open).isEqualTo(aged).isPositive();
    assertThat(account.at("/settledItems")).isNotEmpty();
  }

  @Test
  void knowsParentAndBranches() {
    var parent = named("Thistlebrook");
    assertThat(parent.at("/branches")).hasSize(8);
    assertThat(parent.at("/openItems").findValuesAsText("customerName"))
        .contains("Elm Road School Kitchen");
    var branch = named("Elm Road");
    assertThat(branch.at("/parent/name").asText()).isEqualTo("Thistlebrook School Kitchens");
    assertThat(named("Saltmarsh").at("/oldestFirst").asBoolean()).isTrue();
  }

  @Test
  void saysWhichDiscountIsStillToBeHad() {
    // issued 20 May on 2/10 net 30 with three days of grace: until 2 June
    var books = new TestBooks(maren).invoices("1000.00");
    var item = maren.get("/api/open-items?q=" + books.number(0)).body().at("/rows/0");
    assertThat(item.at("/discountAvailable/amount").asText()).isEqualTo("20.00");
    assertThat(item.at("/discountUntil").asText()).isEqualTo("2026-06-02");
    assertThat(item.at("/terms").asText()).isEqualTo("2/10 net 30");
  }

  @Test
  void findsOpenItemsByNumberAmountAndCustomer() {
    var books = new TestBooks(maren).invoices("8765.43");
    for (var q :
        new String[] {books.number(0), "8,765.43", "8765.43", books.customer().split(" ")[0]}) {
      var rows = maren.get("/api/open-items?q=" + q).body().at("/rows");
      assertThat(rows).as(q).hasSize(1);
      assertThat(rows.get(0).at("/number").asText()).isEqualTo(books.number(0));
    }
    var customer =
        maren.get("/api/open-items?q=" + books.number(0)).body().at("/rows/0/customerId").asText();
    assertThat(maren.get("/api/open-items?customer=" + customer).body().at("/rows")).hasSize(1);
    // with a figure in it, since the made-up names are of any letters
    assertThat(maren.get("/api/open-items?customer=" + customer + "&q=nobody9").body().at("/rows"))
        .isEmpty();
  }

  @Test
  void keepsCompaniesApart() {
    var export = maren.get("/api/me").body().at("/companies/1/id").asText();
    var there =
        maren.get("/api/customers?company=" + export).body().at("/rows").findValuesAsText("name");
    assertThat(there).contains("Moulin Importers SARL").doesNotContain("Wrenhouse Bagels");
    assertThat(maren.get("/api/customers/999999").status()).isEqualTo(404);
  }
}

package org.sumbrel.server.desk;

import static org.assertj.core.api.Assertions.assertThat;
import static org.sumbrel.server.TestBooks.applied;
import static org.sumbrel.server.TestBooks.draft;
import static org.sumbrel.server.TestBooks.expect;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;
import org.sumbrel.core.propose.ReceiptProposals;
import org.sumbrel.server.ApiTest;
import org.sumbrel.server.Clerk;
import org.sumbrel.server.TestBooks;
import org.sumbrel.server.changes.RowChanges;
import org.sumbrel.server.companies.Companies;
import org.sumbrel.server.companies.CompanyPolicies;
import org.sumbrel.server.customers.Customers;
import org.sumbrel.server.payers.PayerAliases;
import org.sumbrel.server.remittance.Advices;

/** What is kept of the engine's thoughts is what it would think of everything anew. */
@ApiTest
class EngineMemoryTest {

  @Autowired private MockMvc web;
  @Autowired private JdbcClient jdbc;
  @Autowired private EngineMemory memory;
  @Autowired private Proposals proposals;
  @Autowired private ProposalRenewal renewal;
  @Autowired private BankEntryRepository rows;
  @Autowired private Customers customers;
  @Autowired private Companies companies;
  @Autowired private CompanyPolicies policies;
  @Autowired private Advices advices;
  @Autowired private PayerAliases aliases;
  @Autowired private PastChoices pastChoices;
  @Autowired private RowChanges changes;
  @Autowired private PlatformTransactionManager transactions;
  private Clerk maren;
  private long company;

  @BeforeEach
  void sitDown() {
    maren = Clerk.maren(web);
    company = maren.get("/api/me").body().at("/companies/0/id").asLong();
  }

  private Map<Long, String> kept() {
    var kept = new TreeMap<Long, String>();
    jdbc.sql(
            """
            select e.id, e.standing_rank, e.lead_customer_id, p.body from bank_entry e left join proposal p on p.entry_id = e.id
            where e.status = 'WAITING' and e.company_id = :company
            """)
        .param("company", company)
        .query(
            row -> {
              kept.put(
                  row.getLong(1), row.getInt(2) + " " + row.getLong(3) + " " + row.getString(4));
            });
    return kept;
  }

  private void assertAsThoughtAnew() {
    var followed = kept();
    assertThat(followed).isNotEmpty();
    memory.drop(company);
    jdbc.sql("update proposal set body = '{}', lead_body = '{}' where company_id = :company")
        .param("company", company)
        .update();
    proposals.mark(company);
    renewal.after(company);
    assertThat(followed).isEqualTo(kept());
  }

  @Test
  void followsPostingsReversalsItemsAndMoney() {
    var books = new TestBooks(maren).invoices("310.00", "45.50", "120.00", "80.00");
    assertThat(memory.knows(company)).isTrue();
    var entries = new ArrayList<Long>();
    entries.add(books.credit("310.00", books.number(0)));
    entries.add(books.credit("45.50", "for " + books.number(1)));
    entries.add(books.credit("200.00", "flour"));
    var twin = new TestBooks(maren).invoices("310.00");
    twin.credit("310.00", books.number(0) + " " + twin.number(0));
    var posted =
        expect(
            201,
            maren.post(
                "/api/settlements", draft(entries.get(0), applied(books.item(0), "310.00"), "")));
    books.creditNote("-20.00");
    books.credit("310.00", books.number(0));
    assertAsThoughtAnew();
    expect(
        200,
        maren.post(
            "/api/settlements/" + posted.text("/id") + "/reversal", "{\"reason\":\"mistake\"}"));
    expect(
        204,
        maren.post(
            "/api/entries/" + entries.get(1) + "/shelving",
            "{\"reason\":\"NOT_OURS\",\"note\":\"\"}"));
    assertAsThoughtAnew();
    expect(204, maren.delete("/api/entries/" + entries.get(1) + "/shelving"));
  }

  private static final int FEW = 3;

  /** Only the latest payments tell who pays for whom; one that goes makes room for an older one. */
  @Test
  void remembersSoManyPaymentsAndNoMore() {
    var follows = withFewPayments();
    var thoughts = new TreeMap<String, ReceiptProposals>();
    var books = new TestBooks(maren).invoices("17.10", "17.20", "17.30", "17.40", "17.50");
    var posted = new ArrayList<Long>();
    for (var n = 0; n < 4; n++) {
      posted.add(pay(books, n, "17." + (n + 1) + "0"));
      follow(follows, thoughts);
    }
    books.credit("17.50", "flour");
    follow(follows, thoughts);
    assertThat(thoughts).isEqualTo(follow(withFewPayments(), new TreeMap<>()));
    for (var settlement : posted.subList(1, 4)) {
      expect(
          200,
          maren.post("/api/settlements/" + settlement + "/reversal", "{\"reason\":\"mistake\"}"));
      follow(follows, thoughts);
      assertThat(thoughts).isEqualTo(follow(withFewPayments(), new TreeMap<>()));
    }
  }

  private long pay(TestBooks books, int item, String amount) {
    var entry = books.credit(amount, books.number(item));
    var draft = draft(entry, applied(books.item(item), amount), "");
    return expect(201, maren.post("/api/settlements", draft)).body().at("/id").asLong();
  }

  private EngineMemory withFewPayments() {
    return new EngineMemory(
        rows, customers, companies, policies, advices, aliases, pastChoices, changes, FEW);
  }

  private Map<String, ReceiptProposals> follow(
      EngineMemory follows, Map<String, ReceiptProposals> thoughts) {
    new TransactionTemplate(transactions)
        .executeWithoutResult(
            t -> {
              var news = follows.look(company, (done, of) -> {});
              if (news.whole()) {
                thoughts.clear();
              }
              news.results().forEach(r -> thoughts.put(r.receiptId(), r));
              news.gone().forEach(id -> thoughts.remove(id.toString()));
            });
    return thoughts;
  }

  /** Money of another currency has books of its own, begun when the first of it arrives. */
  @Test
  void followsASecondCurrency() {
    var inEuros =
        "number,kind,customer_id,customer_name,issue_date,due_date,currency,total,open\n"
            + "EUR-77001,invoice,TE1,Zqeuro Kitchens,2026-05-20,2026-06-19,EUR,64.20,64.20\n"
            + "EUR-77002,invoice,TE1,Zqeuro Kitchens,2026-05-21,2026-06-20,EUR,64.20,64.20\n";
    assertThat(memory.knows(company)).isTrue();
    expect(201, maren.drop("euros.csv", inEuros));
    jdbc.sql(
            """
            insert into bank_account (id, company_id, name, bank, number, currency, ledger_account_id, version)
            select 7700, company_id, 'Operating EUR', bank, 'EUR7700', 'EUR', ledger_account_id, 0 from bank_account
            where company_id = :company order by id fetch first row only
            """)
        .param("company", company)
        .update();
    var first = euros("E1", "EUR-77002 flour");
    assertThat(kept().values())
        .anyMatch(thought -> thought.contains("EUR-77002 stands in the text"));
    assertAsThoughtAnew();
    var second = euros("E2", "flour");
    assertAsThoughtAnew();
    for (var intake : List.of(second, first)) {
      expect(200, maren.post("/api/intakes/" + intake + "/taking-back", "{}"));
    }
    assertAsThoughtAnew();
    jdbc.sql("delete from bank_account where id = 7700").update();
  }

  /** Takes in 64.20 EUR and gives the intake's id. */
  private long euros(String id, String text) {
    var csv =
        "entry_id,booking_date,amount,currency,payer_name,remittance\n%s,2026-05-28,64.20,EUR,Zqeuro Kitchens,%s\n"
            .formatted(id, text);
    return expect(201, maren.drop("euros-" + id + ".csv", csv, "?bankAccount=7700"))
        .body()
        .at("/id")
        .asLong();
  }
}

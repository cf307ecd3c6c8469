package org.sumbrel.server.desk;

import static org.assertj.core.api.Assertions.assertThat;
import static org.sumbrel.server.TestBooks.applied;
import static org.sumbrel.server.TestBooks.draft;
import static org.sumbrel.server.TestBooks.expect;

import java.util.ArrayList;
import java.util.Map;
import java.util.TreeMap;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.test.web.servlet.MockMvc;
import org.sumbrel.server.ApiTest;
import org.sumbrel.server.Clerk;
import org.sumbrel.server.TestBooks;

/** What is kept of the engine's thoughts is what it would think of everything anew. */
@ApiTest
class EngineMemoryTest {

  @Autowired private MockMvc web;
  @Autowired private JdbcClient jdbc;
  @Autowired private EngineMemory memory;
  @Autowired private Proposals proposals;
  @Autowired private ProposalRenewal renewal;
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
            where e.status = 'WAITING'
            """)
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
    jdbc.sql("update proposal set body = '{}', lead_body = '{}'").update();
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
}

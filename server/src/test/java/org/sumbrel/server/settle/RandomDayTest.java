package org.sumbrel.server.settle;

import static org.assertj.core.api.Assertions.assertThat;
import static org.sumbrel.server.TestBooks.applied;
import static org.sumbrel.server.TestBooks.draft;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.concurrent.Callable;
import java.util.concurrent.Executors;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.test.web.servlet.MockMvc;
import org.sumbrel.server.ApiTest;
import org.sumbrel.server.Clerk;
import org.sumbrel.server.TestBooks;

/**
 * Several clerks post and reverse at random on the same few items; afterwards every rule that never
 * breaks holds.
 */
@ApiTest
class RandomDayTest {

  private static final int CLERKS = 4;
  private static final int STEPS = 25;

  @Autowired private MockMvc web;
  @Autowired private JdbcClient jdbc;

  @Test
  void leavesTheBooksWhole() throws Exception {
    var maren = Clerk.maren(web);
    var books =
        new TestBooks(maren).invoices("300.00", "300.00", "500.00", "75.50", "900.00", "120.25");
    var entries = new ArrayList<Long>();
    for (var amount :
        List.of("300.00", "600.00", "75.50", "420.25", "1000.00", "50.00", "195.75", "800.00")) {
      entries.add(books.credit(amount, "random"));
    }
    var items = new ArrayList<Long>();
    for (var n = 0; n < 6; n++) {
      items.add(books.item(n));
    }
    var pool = Executors.newFixedThreadPool(CLERKS);
    var days = new ArrayList<Callable<Integer>>();
    for (var n = 0; n < CLERKS; n++) {
      var seed = n;
      days.add(
          () ->
              day(new Clerk(web, "clerk" + seed, "SUPERVISOR"), new Random(seed), entries, items));
    }
    var posted = 0;
    for (var day : pool.invokeAll(days)) {
      posted += day.get();
    }
    pool.shutdown();

    assertThat(posted).isGreaterThan(5);
    assertWhole(maren);
  }

  /** One clerk's day; the number of posts that went through. Every refusal must explain itself. */
  private static int day(Clerk clerk, Random random, List<Long> entries, List<Long> items) {
    var posted = 0;
    for (var step = 0; step < STEPS; step++) {
      if (random.nextInt(4) == 0) {
        var all = clerk.get("/api/settlements?limit=20").body().at("/rows");
        var id = all.get(random.nextInt(all.size())).at("/id").asText();
        assertExplained(
            clerk.post("/api/settlements/" + id + "/reversal", "{\"reason\":\"random\"}"));
        continue;
      }
      var entry = clerk.get("/api/entries/" + entries.get(random.nextInt(entries.size()))).body();
      var left = Math.round(Double.parseDouble(entry.at("/amount/amount").asText()) * 100);
      var parts = new ArrayList<String>();
      for (var n = 0; n < items.size() && left > 0; n++) {
        if (random.nextBoolean()) {
          var part = n == items.size() - 1 ? left : Math.min(left, 2_500 + random.nextInt(40_000));
          parts.add(applied(items.get(n), "%d.%02d".formatted(part / 100, part % 100)));
          left -= part;
        }
      }
      var answer =
          clerk.post(
              "/api/settlements", draft(entry.at("/id").asLong(), String.join(",", parts), ""));
      assertExplained(answer);
      posted += answer.status() == 201 ? 1 : 0;
    }
    return posted;
  }

  private static void assertExplained(Clerk.Answer answer) {
    assertThat(answer.status()).as(answer.toString()).isIn(200, 201, 409, 422);
    if (answer.status() >= 400) {
      assertThat(answer.text("/detail")).as(answer.toString()).hasSizeGreaterThan(20);
    }
  }

  private void assertWhole(Clerk maren) {
    // 2: nothing below zero or beyond its total
    assertThat(
            count(
                "select count(*) from open_item where open_minor * total_minor < 0 or abs(open_minor) > abs(total_minor)"))
        .isZero();
    // 3: the trial balance is zero, and so is every entry
    assertThat(maren.get("/api/trial-balance").body().at("/balanced").asBoolean()).isTrue();
    assertThat(
            count(
                "select count(*) from (select journal_entry_id from journal_line group by journal_entry_id, currency"
                    + " having sum(amount_minor) <> 0) off"))
        .isZero();
    // 4: subledger = ledger for each customer; the bank holds what its entries are explained by
    assertThat(
            count(
                """
                select count(*) from (
                  select customer_id, currency, sum(minor) as minor from (
                    select customer_id, currency, open_minor as minor from open_item
                    union all
                    select customer_id, currency, -amount_minor from journal_line where customer_id is not null) both_sides
                  group by customer_id, currency having sum(minor) <> 0) off
                """))
        .isZero();
    assertThat(
            count(
                "select coalesce(sum(l.amount_minor), 0) from journal_line l join ledger_account a on a.id ="
                    + " l.ledger_account_id where a.role = 'BANK'"))
        .isEqualTo(
            count(
                "select coalesce(sum(received_minor), 0) from settlement where status = 'POSTED'"))
        .isEqualTo(
            count(
                "select coalesce(sum(amount_minor), 0) from bank_entry where status = 'SETTLED'"));
    // 5: every cent is somewhere; an entry has one explanation at most
    assertThat(maren.get("/api/cent-trail").body().at("/whole").asBoolean()).isTrue();
    assertThat(
            count(
                "select count(*) from (select entry_id from settlement where status = 'POSTED' group by entry_id"
                    + " having count(*) > 1) twice"))
        .isZero();
  }

  private long count(String query) {
    return jdbc.sql(query).query(Long.class).single();
  }
}

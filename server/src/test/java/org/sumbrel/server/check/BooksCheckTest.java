package org.sumbrel.server.check;

import static org.assertj.core.api.Assertions.assertThat;
import static org.sumbrel.server.TestBooks.applied;
import static org.sumbrel.server.TestBooks.draft;
import static org.sumbrel.server.TestBooks.expect;

import java.io.ByteArrayOutputStream;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.transaction.support.TransactionTemplate;
import org.sumbrel.server.ApiTest;
import org.sumbrel.server.Clerk;
import org.sumbrel.server.TestBooks;

/** The check finds nothing in sound books, and each fault that somebody puts into them. */
@ApiTest
class BooksCheckTest {

  @Autowired private MockMvc web;
  @Autowired private BooksCheck check;
  @Autowired private JdbcClient jdbc;
  @Autowired private TransactionTemplate transaction;

  private Clerk maren;
  private long settlement;
  private long reversed;

  @BeforeEach
  void somethingIsSettled() {
    maren = Clerk.maren(web);
    var books = new TestBooks(maren).invoices("100.00", "60.00");
    settlement = settled(books, books.credit("130.00", "and thirty"), 0);
    reversed = settled(books, books.credit("60.00", "again"), 1);
    expect(
        200, maren.post("/api/settlements/" + reversed + "/reversal", "{\"reason\":\"a test\"}"));
  }

  private long settled(TestBooks books, long entry, int item) {
    var amount = books.open(item);
    var applied = applied(books.item(item), amount);
    var body = draft(entry, applied, "");
    var customer = maren.get("/api/open-items/" + books.item(item)).text("/customerId");
    var answer = maren.post("/api/settlements", item == 0 ? onAccount(body, customer) : body);
    return expect(201, answer).body().at("/id").asLong();
  }

  /** What is left of a receipt stays on account. */
  private static String onAccount(String draft, String customer) {
    return draft.replaceFirst(
        "\\}$",
        ",\"onAccount\":"
            + TestBooks.money("30.00")
            + ",\"onAccountCustomerId\":"
            + customer
            + "}");
  }

  private List<String> broken() {
    return check.all().stream().filter(c -> !c.holds()).map(BooksCheck.Checked::rule).toList();
  }

  @Test
  void everyRuleHoldsInBooksThatTestsHaveWorkedIn() {
    assertThat(check.all().stream().filter(c -> !c.holds())).isEmpty();
    assertThat(check.all()).filteredOn(c -> c.looked() > 0).hasSizeGreaterThan(10);
  }

  /** Breaks the books behind the application's back, and puts them back. */
  private void breaks(String rule, String sql) {
    transaction.executeWithoutResult(
        t -> {
          t.setRollbackOnly();
          assertThat(jdbc.sql(sql).update()).as(sql).isPositive();
          assertThat(broken()).as(sql).anyMatch(b -> b.contains(rule));
        });
  }

  private long entryOf(long id) {
    return jdbc.sql("select journal_entry_id from settlement where id = :id")
        .param("id", id)
        .query(Long.class)
        .single();
  }

  @Test
  void findsEachFaultThatSomebodyPutsIntoTheBooks() {
    var line =
        "(select min(id) from journal_line where journal_entry_id = " + entryOf(settlement) + ")";
    breaks(
        "Every journal entry balances",
        "update journal_line set amount_minor = amount_minor + 1 where id = " + line);
    breaks(
        "balances in the currency of the books",
        "update journal_line set worth_minor = worth_minor + 1 where id = (select min(id) from journal_line where worth_minor is not null)");
    breaks(
        "stand in the books with is what their accounts say",
        "update open_item set worth_minor = worth_minor + 1 where id = (select max(id) from open_item where worth_minor > 1)");
    breaks(
        "What of a receipt counts in another currency",
        "insert into settlement_rate (id, settlement_id, position, from_currency, to_currency, per_unit, source, words, given_minor, counted_minor, counted_currency, company_id)"
            + " values (next value for settlement_line_seq, "
            + settlement
            + ", 0, 'EUR', 'USD', 1.1, 'TABLE', '', 110, 100, 'EUR', (select min(id) from company))");
    breaks(
        "agree on what they owe each other",
        "update journal_line set ledger_account_id = (select min(id) from ledger_account where role = 'GROUP_COMPANY') where id = "
            + line);
    breaks(
        "What is settled of another company's items is in its journal",
        "update settlement_application set company_id = (select max(id) from company) where settlement_id = "
            + settlement);
    breaks(
        "What belongs to an account",
        "update bank_entry set bank_account_id = (select max(id) from bank_account where company_id <> (select min(id) from company)) where id = (select entry_id from settlement where id = "
            + settlement
            + ")");
    breaks(
        "What belongs to an account",
        "update journal_line set ledger_account_id = (select max(id) from ledger_account where company_id <> (select min(id) from company)) where id = "
            + line);
    breaks(
        "has two lines at least",
        "delete from journal_line where journal_entry_id = "
            + entryOf(settlement)
            + " and id <> "
            + line);
    breaks(
        "Every settlement adds up",
        "update settlement set on_account_minor = on_account_minor + 1 where id = " + settlement);
    breaks(
        "What a settlement made is open",
        "update open_item set open_minor = open_minor + 1 where made_by_settlement_id = "
            + settlement);
    breaks(
        "What was taken back has its mirror",
        "update settlement set reversal_entry_id = journal_entry_id where id = " + reversed);
    breaks(
        "No entry of the bank is settled twice",
        "update settlement set status = 'POSTED', entry_id = (select entry_id from settlement where id = %d) where id = %d"
            .formatted(settlement, reversed));
    breaks(
        "What waits is not settled",
        "update bank_entry set status = 'WAITING' where id = (select entry_id from settlement where id = "
            + settlement
            + ")");
    breaks(
        "the items of each customer come to what the ledger says",
        "update open_item set open_minor = open_minor - 1 where id = (select max(id) from open_item where kind = 'INVOICE' and open_minor > 1)");
    breaks(
        "every cent that arrived is somewhere",
        "update bank_entry set amount_minor = amount_minor + 1 where id = (select entry_id from settlement where id = "
            + settlement
            + ")");
  }

  @Test
  void printsEachRuleWithHowManyThingsItIsAbout() {
    var out = new ByteArrayOutputStream();

    assertThat(new CheckCommand(check).print(new PrintStream(out, true, StandardCharsets.UTF_8)))
        .isTrue();

    assertThat(out.toString(StandardCharsets.UTF_8))
        .containsPattern("holds +\\d+  Every journal entry balances in each currency")
        .containsPattern("All \\d\\d rules hold.");
  }
}

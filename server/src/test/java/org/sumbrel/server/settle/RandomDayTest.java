package org.sumbrel.server.settle;

import static org.assertj.core.api.Assertions.assertThat;
import static org.sumbrel.server.TestBooks.applied;
import static org.sumbrel.server.TestBooks.draft;
import static org.sumbrel.server.TestBooks.money;

import com.fasterxml.jackson.databind.JsonNode;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import java.util.concurrent.Callable;
import java.util.concurrent.Executors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.test.web.servlet.MockMvc;
import org.sumbrel.server.ApiTest;
import org.sumbrel.server.Clerk;
import org.sumbrel.server.TestBooks;
import org.sumbrel.server.exports.ExportedBooks;
import org.sumbrel.testing.TestDepth;

/**
 * Eight clerks post and reverse at random on the same fifty invoices; afterwards every rule that
 * never breaks holds.
 */
@ApiTest
class RandomDayTest {

  private static final int CLERKS = 8;
  private static final int STEPS = TestDepth.pick(25, 150);
  private static final int INVOICES = 40;
  private static final int CREDITS = 70;

  @Autowired private MockMvc web;
  @Autowired private JdbcClient jdbc;

  /** What became of one clerk's steps. */
  private record Day(int posted, int reversed, int refused) {
    Day plus(Day other) {
      return new Day(posted + other.posted, reversed + other.reversed, refused + other.refused);
    }
  }

  @Test
  void leavesTheBooksWhole() throws Exception {
    var maren = Clerk.maren(web);
    var random = new Random(20260529);
    var totals = Stream.generate(() -> amount(2_000 + random.nextInt(90_000))).limit(INVOICES);
    var books = new TestBooks(maren).invoices(totals.toArray(String[]::new));
    var items = IntStream.range(0, INVOICES).mapToObj(books::item).toList();
    var credits = Stream.generate(() -> amount(1_000 + random.nextInt(60_000))).limit(CREDITS);
    var entries = books.credits(credits.toList());

    bankCloses(maren);
    var debits = debits(maren, random);
    // other tests leave some of a payout there; no step of this one touches it
    var atProcessors = beyondTheReceiptsInTheOffice();

    var pool = Executors.newFixedThreadPool(CLERKS);
    var days =
        IntStream.range(0, CLERKS)
            .<Callable<Day>>mapToObj(
                n ->
                    () ->
                        day(
                            new Clerk(web, "clerk" + n, "SUPERVISOR"),
                            new Random(n),
                            entries,
                            items,
                            debits))
            .toList();
    var all = new Day(0, 0, 0);
    for (var day : pool.invokeAll(days)) {
      all = all.plus(day.get());
    }
    pool.shutdown();

    // enough of each happened for the rest to mean something
    assertThat(all.posted).as(all.toString()).isGreaterThan(STEPS / 2);
    assertThat(all.reversed).as(all.toString()).isGreaterThan(STEPS / 2);
    assertThat(all.refused).as(all.toString()).isGreaterThan(STEPS / 2);
    assertWhole(maren, atProcessors);
    assertTiedOut(maren);
    assertSubledgerAndExportsAgree(maren);
    assertEachChangeIsInTheTrailOnce();
    reopenAll();
  }

  private void assertSubledgerAndExportsAgree(Clerk maren) throws Exception {
    assertThat(maren.get("/api/books/agreement").body().at("/agrees").asBoolean()).isTrue();
    for (var checked : maren.get("/api/check").body()) {
      assertThat(checked.at("/broken")).as(checked.at("/rule").asText()).isEmpty();
    }
    ExportedBooks.assertAgree(maren);
  }

  /** However many clerks at once: a settlement is made once, and taken back at most once. */
  private void assertEachChangeIsInTheTrailOnce() {
    assertThat(
            count(
                """
                select count(*) from settlement s where s.posted_by like 'clerk%'
                  and (select count(*) from audit_record r where r.what = 'settlement' and r.thing = cast(s.id as varchar)) <>
                    case when s.status = 'REVERSED' then 2 else 1 end
                """))
        .isZero();
    assertThat(
            count(
                "select count(*) from audit_record r where r.what = 'settlement' and r.actor like 'clerk%'"))
        .isPositive();
  }

  /** Other tests post on the same days. */
  private void reopenAll() {
    var osric = Clerk.osric(web);
    for (var account : osric.get("/api/tie-outs").body()) {
      for (var closed : account.at("/closed")) {
        if (closed.at("/reopenedAt").isNull()) {
          var path = "/api/tie-outs/" + closed.at("/id").asText() + "/reopening";
          TestBooks.expect(200, osric.post(path, "{\"reason\":\"the day is over\"}"));
        }
      }
    }
  }

  /** Money from us on two accounts, some of it the other side of what comes to the other. */
  private List<Long> debits(Clerk maren, Random random) {
    var before = moved();
    for (var account = 0; account < 2; account++) {
      var csv = new StringBuilder("entry_id,booking_date,amount,currency,payer_name,remittance\n");
      for (var n = 0; n < 14; n++) {
        // amounts from a few, so that sides and halves are found
        var sign = random.nextInt(3) == 0 ? "" : "-";
        csv.append(
            "RD%d-%d,2026-05-%d,%s%d.00,USD,Random,TO LOCKBOX ACCOUNT\n"
                .formatted(account, n, 26 + random.nextInt(4), sign, 100 + random.nextInt(4)));
      }
      var id = maren.get("/api/me").body().at("/companies/0/bankAccounts/" + account + "/id");
      TestBooks.expect(
          201, maren.drop("out" + account + ".csv", csv.toString(), "?bankAccount=" + id.asText()));
    }
    var all = moved();
    all.removeAll(before);
    return all;
  }

  private List<Long> moved() {
    return new ArrayList<>(
        jdbc.sql("select id from bank_entry where remittance = 'TO LOCKBOX ACCOUNT'")
            .query(Long.class)
            .list());
  }

  /**
   * What no receipt is: a charge, a transfer, a mistake put right, a refund; or a day is closed.
   */
  private Clerk.Answer aside(Clerk clerk, Random random, List<Long> debits) {
    var entry = "/api/entries/" + debits.get(random.nextInt(debits.size()));
    var other = debits.get(random.nextInt(debits.size()));
    return switch (random.nextInt(7)) {
      case 0 -> clerk.post(entry + "/transfer", "{\"otherEntryId\":%d}".formatted(other));
      case 1 -> clerk.post(entry + "/bank-correction", "{\"otherEntryId\":%d}".formatted(other));
      case 2 -> {
        var ways = clerk.get(entry + "/ways").body();
        var found = ways.at(random.nextBoolean() ? "/transfers/0" : "/corrections/0");
        yield found.isMissingNode()
            ? clerk.get(entry)
            : clerk.post(
                entry + (found.has("named") ? "/transfer" : "/bank-correction"),
                "{\"otherEntryId\":%d}".formatted(found.at("/entryId").asLong()));
      }
      case 3, 4 -> {
        var amount = new BigDecimal(clerk.get(entry).text("/amount/amount"));
        var account = clerk.get("/api/ledger-accounts").body().at("/0/id").asLong();
        yield clerk.post(
            "/api/settlements",
            draft(
                Long.parseLong(entry.substring("/api/entries/".length())),
                "",
                "{\"kind\":\"TO_ACCOUNT\",\"amount\":%s,\"accountId\":%d}"
                    .formatted(money(amount.negate().toPlainString()), account)));
      }
      case 5 -> bankCloses(clerk);
      default -> {
        var closed = clerk.get("/api/tie-outs").body().at("/0/closed");
        yield closed.isEmpty() || !closed.at("/0/reopenedAt").isNull()
            ? clerk.get(entry)
            : clerk.post(
                "/api/tie-outs/" + closed.at("/0/id").asText() + "/reopening",
                "{\"reason\":\"random\"}");
      }
    };
  }

  private Clerk.Answer bankCloses(Clerk clerk) {
    var account = clerk.get("/api/tie-outs").body().at("/0/bankAccountId").asLong();
    return clerk.post(
        "/api/bank-accounts/" + account + "/tie-out/closing",
        "{\"asOf\":\"2026-05-29\",\"balance\":%s}".formatted(money(atTheBank(account))));
  }

  /** What the bank shows, by its entries alone. */
  private String atTheBank(long account) {
    return amount(
        count(
            """
            select b.opening_minor + coalesce((select sum(e.amount_minor) from bank_entry e where e.bank_account_id = b.id
              and e.booked_on > b.opening_on and e.status not in ('PENDING', 'WITHDRAWN')), 0)
            from bank_account b where b.id =\s"""
                + account));
  }

  /**
   * Bank and books agree to the cent on every account, and what was closed and not reopened has the
   * same in the books as on the day it was closed.
   */
  private void assertTiedOut(Clerk maren) {
    for (var account : maren.get("/api/tie-outs").body()) {
      var id = account.at("/bankAccountId").asLong();
      // what was posted while the day was closed is of the next one
      for (var day : List.of("2026-05-28", "2026-05-29", "2026-05-30")) {
        var path = "/api/bank-accounts/" + id + "/tie-out?asOf=" + day + "&balance=";
        var looked = maren.get(path + atTheBank(id)).body();
        if (!day.equals("2026-05-28")) {
          assertThat(looked.at("/figures/gap/amount").asText())
              .as(looked.toString())
              .isEqualTo("0.00");
        }
        for (var closed : account.at("/closed")) {
          if (closed.at("/reopenedAt").isNull() && closed.at("/asOf").asText().equals(day)) {
            var kept = maren.get("/api/tie-outs/" + closed.at("/id").asText()).body();
            assertThat(looked.at("/figures/books")).isEqualTo(kept.at("/figures/books"));
          }
        }
      }
    }
  }

  private static String amount(long minor) {
    return "%d.%02d".formatted(minor / 100, minor % 100);
  }

  private Day day(
      Clerk clerk, Random random, List<Long> entries, List<Long> items, List<Long> debits) {
    var day = new Day(0, 0, 0);
    for (var step = 0; step < STEPS; step++) {
      var reverses = random.nextInt(3) == 0;
      if (random.nextInt(6) == 0) {
        assertExplained(aside(clerk, random, debits));
        continue;
      }
      if (random.nextInt(5) == 0) {
        assertExplained(overTheCounter(clerk, random, entries, items));
        continue;
      }
      var answer =
          reverses
              ? reverse(clerk, random)
              : post(clerk, random, entries.get(random.nextInt(entries.size())), items);
      assertExplained(answer);
      var done = answer.status() < 300;
      day = day.plus(new Day(done && !reverses ? 1 : 0, done && reverses ? 1 : 0, done ? 0 : 1));
    }
    return day;
  }

  /** Something with receipts in the office or their deposits, whatever comes of it. */
  private static Clerk.Answer overTheCounter(
      Clerk clerk, Random random, List<Long> entries, List<Long> items) {
    var step = random.nextInt(9);
    if (step == 8) {
      return sells(clerk, random);
    }
    if (step < 3) {
      return clerk.post(
          "/api/receipts",
          "{\"method\":\"%s\",\"receivedOn\":\"2026-05-27\",\"amount\":%s,\"from\":\"Random\",\"reference\":\"\",\"itemIds\":[%s]}"
              .formatted(
                  List.of("CHEQUE", "CASH", "CARD").get(random.nextInt(3)),
                  money(amount(1 + random.nextInt(9_000))),
                  random.nextBoolean() ? "" : items.get(random.nextInt(items.size()))));
    }
    var account = clerk.get("/api/entries/" + entries.get(0)).text("/bankAccountId");
    if (step < 5) {
      var ids = new ArrayList<String>();
      var receipts = clerk.get("/api/receipts").body().at("/receipts");
      receipts.forEach(
          r -> {
            if (random.nextInt(4) == 0) {
              ids.add(r.at("/id").asText());
            }
          });
      return clerk.post(
          "/api/deposits",
          "{\"bankAccountId\":%s,\"on\":\"2026-05-28\",\"receiptIds\":[%s],\"lines\":[],\"counted\":[]}"
              .formatted(account, String.join(",", ids)));
    }
    // other tests leave deposits on other accounts
    var deposits = new ArrayList<JsonNode>();
    for (var deposit : clerk.get("/api/deposits?tied=true").body()) {
      if (deposit.at("/bankAccountId").asText().equals(account)) {
        deposits.add(deposit);
      }
    }
    if (deposits.isEmpty()) {
      return clerk.get("/api/deposits");
    }
    var deposit = deposits.get(random.nextInt(deposits.size())).at("/id").asText();
    return switch (step + random.nextInt(2)) {
      case 5 -> clerk.post("/api/deposits/" + deposit + "/opening", "{}");
      case 6 -> clerk.delete("/api/deposits/" + deposit);
      case 7 -> clerk.delete("/api/deposits/" + deposit + "/tie");
      default ->
          clerk.post(
              "/api/deposit-ties",
              "{\"depositIds\":[%s],\"entryIds\":[%d],\"lines\":[]}"
                  .formatted(deposit, entries.get(random.nextInt(entries.size()))));
    };
  }

  /** A till's day, more or less cash in it than there should be, or the latest taken back. */
  private static Clerk.Answer sells(Clerk clerk, Random random) {
    var latest = clerk.get("/api/takings").body();
    if (random.nextInt(3) == 0 && !latest.isEmpty()) {
      var id = latest.get(random.nextInt(latest.size())).at("/id").asText();
      return clerk.post("/api/takings/" + id + "/withdrawal", "{\"reason\":\"random\"}");
    }
    var cash = 500 + random.nextInt(9_000);
    var card = 1 + random.nextInt(9_000);
    return clerk.post(
        "/api/takings",
        "{\"on\":\"2026-05-27\",\"name\":\"Till\",\"sales\":[{\"amount\":%s}],\"tillCash\":%s,\"paid\":[{\"method\":\"CASH\",\"amount\":%s},{\"method\":\"%s\",\"amount\":%s}]}"
            .formatted(
                money(amount(cash + card)),
                money(amount(cash)),
                money(amount(cash + random.nextInt(100) - 50)),
                random.nextBoolean() ? "CARD" : "CHEQUE",
                money(amount(card))));
  }

  private static Clerk.Answer reverse(Clerk clerk, Random random) {
    var all = new ArrayList<JsonNode>();
    var any = random.nextInt(6) == 0;
    clerk
        .get("/api/settlements?limit=60")
        .body()
        .at("/rows")
        .forEach(
            s -> {
              if (any || s.at("/status").asText().equals("POSTED")) {
                all.add(s);
              }
            });
    if (all.isEmpty()) {
      return clerk.get("/api/settlements");
    }
    var id = all.get(random.nextInt(all.size())).at("/id").asText();
    return clerk.post("/api/settlements/" + id + "/reversal", "{\"reason\":\"random\"}");
  }

  /** Some of the money to up to three items; the rest on account, or forgotten. */
  private static Clerk.Answer post(Clerk clerk, Random random, long entry, List<Long> items) {
    var left =
        new BigDecimal(clerk.get("/api/entries/" + entry).text("/amount/amount"))
            .movePointRight(2)
            .longValueExact();
    var parts = new ArrayList<String>();
    var chosen = new ArrayList<>(items);
    Collections.shuffle(chosen, random);
    for (var item : chosen.subList(0, 1 + random.nextInt(3))) {
      var part = Math.min(left, 1 + random.nextInt(20_000));
      if (part > 0) {
        parts.add(applied(item, amount(part)));
        left -= part;
      }
    }
    var onAccount =
        random.nextInt(4) == 0 ? "" : ",\"onAccount\":%s".formatted(money(amount(left)));
    var draft = draft(entry, String.join(",", parts), "");
    return clerk.post("/api/settlements", draft.substring(0, draft.length() - 1) + onAccount + "}");
  }

  private static void assertExplained(Clerk.Answer answer) {
    assertThat(answer.status()).as(answer.toString()).isIn(200, 201, 204, 409, 422);
    if (answer.status() >= 400) {
      assertThat(answer.text("/detail")).as(answer.toString()).hasSizeGreaterThan(20);
    }
  }

  private void assertWhole(Clerk maren, long atProcessors) {
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
    // an entry is explained as its settlement or its deposits say
    assertThat(
            jdbc.sql(
                    """
                    select e.id || ' ' || e.status || ' ' || e.amount_minor from bank_entry e join bank_account b on b.id = e.bank_account_id
                    where b.kind = 'BANK' and (e.status in ('SETTLED', 'PAID')) <> (exists
                      (select 1 from settlement s where s.status = 'POSTED' and (s.entry_id = e.id or s.shown_by_id = e.id)))
                    union all
                    select e.id || ' ' || e.status || ' ' || e.amount_minor from bank_entry e
                    where (e.status = 'BANKED') <> (exists (select 1 from deposit_shown d where d.entry_id = e.id))
                    union all
                    select 'deposit ' || d.id || ' ' || d.status || ' ' || d.total_minor || ' ' || d.shown_minor from deposit d
                    where d.shown_minor <> coalesce((select sum(s.amount_minor) from deposit_shown s where s.deposit_id = d.id), 0)
                      or d.status = 'TIED' and d.total_minor <> d.shown_minor or d.status in ('OPEN', 'GIVEN_UP') and d.shown_minor <> 0
                    """)
                .query(String.class)
                .list())
        .isEmpty();
    assertThat(booked("BANK"))
        .isEqualTo(
            count(
                """
                select (select coalesce(sum(opening_minor), 0) from bank_account)
                  + (select coalesce(sum(s.received_minor), 0) from settlement s where s.status = 'POSTED'
                    and not exists (select 1 from held_receipt h where h.entry_id = s.entry_id))
                  - (select coalesce(sum(fee_minor), 0) from returned_receipt)
                  + (select coalesce(sum(total_minor), 0) from deposit where status in ('MADE', 'TIED'))
                  - (select coalesce(sum(e.amount_minor), 0) from bank_entry e join held_receipt h on h.entry_id = e.id
                    where e.status = 'RETURNED')
                """))
        // or by the bank: what its entries are explained by, and the deposits in transit
        .isEqualTo(
            count(
                """
                select (select coalesce(sum(opening_minor), 0) from bank_account)
                  + (select coalesce(sum(e.amount_minor), 0) from bank_entry e where e.status in ('SETTLED', 'PAID', 'RETURNED', 'BANKED')
                    and not exists (select 1 from held_receipt h where h.entry_id = e.id))
                  + (select coalesce(sum(total_minor - shown_minor), 0) from deposit where status = 'MADE')
                """));
    assertThat(beyondTheReceiptsInTheOffice()).isEqualTo(atProcessors);
    assertThat(-booked("RECEIPTS_TO_APPLY"))
        .isEqualTo(
            count(
                """
                select coalesce(sum(h.amount_minor), 0) from held_receipt h join bank_entry e on e.id = h.entry_id
                where e.status in ('WAITING', 'SHELVED')
                """));
    // 5: every cent is somewhere; an entry has one explanation at most
    assertThat(maren.get("/api/cent-trail").body().at("/whole").asBoolean()).isTrue();
    assertThat(
            count(
                "select count(*) from (select entry_id from settlement where status = 'POSTED' and entry_id is not null group by entry_id"
                    + " having count(*) > 1) twice"))
        .isZero();
  }

  /** What stands with the receipts in the office and is none of them: what a processor holds. */
  private long beyondTheReceiptsInTheOffice() {
    return booked("RECEIPTS_ON_HAND")
        + booked("PROCESSOR_CLEARING")
        - count(
            """
            select coalesce(sum(h.amount_minor), 0) from held_receipt h left join deposit d on d.id = h.deposit_id
            where h.withdrawn_at is null and (d.id is null or d.status = 'OPEN')
            """);
  }

  private long booked(String role) {
    return count(
        "select coalesce(sum(l.amount_minor), 0) from journal_line l join ledger_account a on a.id ="
            + " l.ledger_account_id where a.role = '"
            + role
            + "'");
  }

  private long count(String query) {
    return jdbc.sql(query).query(Long.class).single();
  }
}

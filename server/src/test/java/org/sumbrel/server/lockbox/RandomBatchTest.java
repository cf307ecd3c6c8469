package org.sumbrel.server.lockbox;

import static org.assertj.core.api.Assertions.assertThat;
import static org.awaitility.Awaitility.await;
import static org.sumbrel.server.TestBooks.adjusted;
import static org.sumbrel.server.TestBooks.applied;
import static org.sumbrel.server.TestBooks.money;
import static org.sumbrel.server.lockbox.MailedBatch.item;

import com.fasterxml.jackson.databind.JsonNode;
import java.math.BigDecimal;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.test.web.servlet.MockMvc;
import org.sumbrel.server.ApiTest;
import org.sumbrel.server.Clerk;
import org.sumbrel.server.TestBooks;

/**
 * Random batches, worked through by hand at random: after every step the control total is applied +
 * on account + differences + to accounts + left, to the cent; and in the end so by the items and
 * the journal, which know nothing of the batch.
 */
@ApiTest
class RandomBatchTest {

  private static final int CHEQUES = 12;
  private static final int INVOICES = 14;
  private static final int STEPS = 30;

  @Autowired private MockMvc web;
  @Autowired private JdbcClient jdbc;

  private Clerk osric;
  private Random random;
  private List<TestBooks> books;
  private long batch;
  private BigDecimal control;
  private int done;
  private int refused;

  @ParameterizedTest
  @ValueSource(ints = {1, 2, 3, 4})
  void accountForEveryCentWhateverIsDoneByHand(int seed) {
    osric = Clerk.osric(web);
    random = new Random(seed);
    books = List.of(new TestBooks(osric), new TestBooks(osric));
    books.forEach(
        b ->
            b.invoices(
                IntStream.range(0, INVOICES)
                    .mapToObj(n -> amount(3_000 + random.nextInt(90_000)))
                    .toArray(String[]::new)));
    batch = takeIn();
    for (var step = 0; step < STEPS; step++) {
      step();
      assertAddsUp();
    }
    post("/api/lockbox-batches/" + batch + "/runs", "{}");
    assertAddsUp();
    assertAsItemsAndJournalSay();
    // enough of both happened for the rest to mean something
    assertThat(done).isGreaterThan(8);
    assertThat(done + refused).isEqualTo(STEPS + 1);
    // others count what is on the shelf
    osric
        .get("/api/lockbox-batches/" + batch + "/cheques?state=ASIDE")
        .body()
        .at("/rows")
        .forEach(c -> osric.delete("/api/entries/" + c.at("/entry/id").asText() + "/shelving"));
  }

  private static String amount(long minor) {
    return "%d.%02d".formatted(minor / 100, minor % 100);
  }

  private TestBooks any() {
    return books.get(random.nextInt(books.size()));
  }

  private long takeIn() {
    var mailed = new MailedBatch();
    control = BigDecimal.ZERO;
    for (var n = 0; n < CHEQUES; n++) {
      var payer = any();
      var invoice = random.nextInt(INVOICES);
      var open = payer.open(invoice);
      var off = random.nextInt(3) == 0 ? random.nextInt(400) - 200 : 0;
      var paid = new BigDecimal(open).add(BigDecimal.valueOf(off, 2)).toPlainString();
      control = control.add(new BigDecimal(paid));
      switch (random.nextInt(3)) {
        case 0 -> mailed.cheque(payer.customer(), "31" + n, paid);
        case 1 -> mailed.cheque(payer.customer(), "31" + n, paid, item("QQ" + n, paid));
        default ->
            mailed.cheque(payer.customer(), "31" + n, paid, item(payer.number(invoice), paid));
      }
    }
    var intake = osric.drop("random.txt", mailed.file());
    assertThat(intake.status()).as(intake.toString()).isEqualTo(201);
    return osric
        .get("/api/lockbox-batches?intake=" + intake.text("/id"))
        .body()
        .at("/rows/0/id")
        .asLong();
  }

  private JsonNode cheque() {
    var all = osric.get("/api/lockbox-batches/" + batch + "/cheques").body().at("/rows");
    return all.get(random.nextInt(all.size()));
  }

  private void step() {
    var cheque = cheque();
    var entry = cheque.at("/entry/id").asLong();
    switch (random.nextInt(12)) {
      case 0 -> post("/api/lockbox-batches/" + batch + "/runs", "{}");
      case 1 ->
          post(
              "/api/settlements/" + cheque.at("/settlementId").asText("0") + "/reversal",
              "{\"reason\":\"random\"}");
      case 2 ->
          post(
              "/api/entries/" + entry + "/shelving",
              "{\"reason\":\"NOT_OURS\",\"note\":\"random\"}");
      case 3 -> count(osric.delete("/api/drafts/entry-" + entry));
      case 4, 5 -> post("/api/settlements", draft(cheque));
      default -> count(osric.put("/api/drafts/entry-" + entry, draft(cheque)));
    }
  }

  private void post(String path, String body) {
    var answer = osric.post(path, body);
    count(answer);
    if (answer.status() == 202) {
      var run = "/api/runs/" + answer.text("/id");
      await()
          .atMost(Duration.ofSeconds(60))
          .until(() -> !"RUNNING".equals(osric.get(run).text("/state")));
    }
  }

  private void count(Clerk.Answer answer) {
    assertThat(answer.status()).as(answer.toString()).isIn(200, 201, 202, 204, 400, 404, 409, 422);
    if (answer.status() < 300) {
      done++;
    } else {
      refused++;
    }
  }

  /** Some items of one or both customers, a difference, the rest on account or forgotten. */
  private String draft(JsonNode cheque) {
    var left = minor(cheque.at("/entry/amount/amount"));
    var parts = new ArrayList<String>();
    for (var n = random.nextInt(3); n >= 0; n--) {
      var payer = any();
      var open = payer.open(random.nextInt(INVOICES));
      var invoice =
          IntStream.range(0, INVOICES).filter(i -> payer.open(i).equals(open)).findFirst();
      if (!open.isEmpty() && invoice.isPresent() && left > 0) {
        var part = Math.min(left, new BigDecimal(open).movePointRight(2).longValueExact());
        parts.add(applied(payer.item(invoice.getAsInt()), amount(part)));
        left -= part;
      }
    }
    var adjustments = new ArrayList<String>();
    if (left > 0 && random.nextBoolean()) {
      adjustments.add(adjusted("WRITE_OFF", "-" + amount(Math.min(left, 90))));
      left -= Math.min(left, 90);
    }
    var keeper = osric.get("/api/open-items?q=" + any().number(0).split("-")[0] + "-");
    var onAccount =
        left > 0 && random.nextInt(4) > 0
            ? ",\"onAccount\":%s,\"onAccountCustomerId\":%s"
                .formatted(money(amount(left)), keeper.text("/rows/0/customerId"))
            : "";
    return "{\"entryId\":%s,\"applications\":[%s],\"adjustments\":[%s]%s}"
        .formatted(
            cheque.at("/entry/id").asText(),
            String.join(",", parts),
            String.join(",", adjustments),
            onAccount);
  }

  private static long minor(JsonNode plain) {
    return new BigDecimal(plain.asText()).movePointRight(2).longValueExact();
  }

  private JsonNode totals() {
    return osric.get("/api/lockbox-batches/" + batch).body().at("/totals");
  }

  private void assertAddsUp() {
    var totals = totals();
    assertThat(new BigDecimal(totals.at("/control/amount").asText())).isEqualByComparingTo(control);
    assertThat(minor(totals.at("/control/amount")))
        .as(totals.toString())
        .isEqualTo(
            minor(totals.at("/applied/amount"))
                + minor(totals.at("/onAccount/amount"))
                + minor(totals.at("/differences/amount"))
                + minor(totals.at("/toAccounts/amount"))
                + minor(totals.at("/left/amount")));
  }

  /** What is posted of the batch, by what it did to the items and in the journal. */
  private void assertAsItemsAndJournalSay() {
    osric
        .get("/api/lockbox-batches/" + batch + "/cheques?show=BY_HAND")
        .body()
        .at("/rows")
        .forEach(c -> osric.delete("/api/drafts/entry-" + c.at("/entry/id").asText()));
    var posted = 0L;
    var view = osric.get("/api/lockbox-batches/" + batch).body();
    var left = 0L;
    for (var group : view.at("/groups")) {
      if (group.at("/state").asText().equals("POSTED")) {
        posted = minor(group.at("/amount/amount"));
      } else {
        left += minor(group.at("/amount/amount"));
      }
    }
    assertThat(posted + left).isEqualTo(minor(view.at("/totals/control/amount")));
    assertThat(posted).isPositive();
    // these customers have no other money: their items fell by what was applied
    var prefixes = books.stream().map(b -> b.number(0).split("-")[0] + "-%").toList();
    var fell =
        sum(
            """
            select coalesce(sum(total_minor - open_minor), 0) from open_item
            where kind = 'INVOICE' and (number like :one or number like :other)
            """,
            prefixes);
    var kept =
        sum(
            """
            select coalesce(sum(i.open_minor), 0) from open_item i where i.kind = 'ON_ACCOUNT' and i.customer_id in
              (select customer_id from open_item where number like :one or number like :other)
            """,
            prefixes);
    var settled =
        jdbc.sql(
                """
                select coalesce(sum(l.amount_minor), 0) from journal_line l join ledger_account a on a.id = l.ledger_account_id
                where a.role not in ('RECEIPTS_TO_APPLY', 'RECEIVABLE', 'UNAPPLIED_RECEIPTS') and l.journal_entry_id in (select s.journal_entry_id from settlement s
                  join held_receipt r on r.entry_id = s.entry_id where r.lockbox_batch_id = :batch and s.status = 'POSTED')
                """)
            .param("batch", batch)
            .query(Long.class)
            .single();
    // on account is negative on the account: open_minor of it is below zero
    assertThat(posted).isEqualTo(fell - kept - settled);
  }

  private long sum(String query, List<String> prefixes) {
    return jdbc.sql(query)
        .param("one", prefixes.get(0))
        .param("other", prefixes.get(1))
        .query(Long.class)
        .single();
  }
}

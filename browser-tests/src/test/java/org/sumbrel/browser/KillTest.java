package org.sumbrel.browser;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.concurrent.Callable;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.concurrent.locks.LockSupport;
import java.util.function.IntSupplier;
import java.util.zip.ZipInputStream;
import org.junit.jupiter.api.Test;

/**
 * The server is killed again and again at random moments while people post, reverse, draft, import,
 * run, book payouts and back up: whatever it answered with success is in the database afterwards,
 * and every rule of the books holds. Ten kills; with {@code -Dsumbrel.tests=full} two hundred, at
 * moments from a fresh seed.
 */
class KillTest {

  private static final boolean FULL = "full".equals(System.getProperty("sumbrel.tests"));
  private static final int KILLS = FULL ? 200 : 10;
  private static final long SEED =
      Long.getLong("sumbrel.seed", FULL ? System.nanoTime() : 20_260_529L);

  private static final int BY_HAND = 24;
  private static final int IN_A_RUN = 24;
  private static final int USERS = 3;
  private static final int MOST_BACKUPS = 1;

  /** From an act of the kind that a round is about to the kill. */
  private static final int LATEST_MS = 400;

  private static final long MOST_WAIT = TimeUnit.SECONDS.toNanos(180);

  /** What was answered with success, by what it was about. */
  private static final class Acknowledged {
    final Map<Long, Boolean> posted = new ConcurrentHashMap<>();
    final Map<Long, Boolean> reversed = new ConcurrentHashMap<>();
    final Map<Long, String> drafts = new ConcurrentHashMap<>();
    final Map<Long, Integer> imports = new ConcurrentHashMap<>();
    final Map<Long, Integer> runs = new ConcurrentHashMap<>();
    final Map<Long, Boolean> payouts = new ConcurrentHashMap<>();
    final AtomicInteger backups = new AtomicInteger();

    /** How much of each kind, so that each round is about one of them. */
    List<IntSupplier> kinds() {
      return List.of(
          posted::size,
          payouts::size,
          () -> runs.values().stream().mapToInt(Integer::intValue).sum(),
          reversed::size,
          drafts::size,
          imports::size,
          backups::get);
    }

    int count() {
      return posted.size()
          + reversed.size()
          + drafts.size()
          + imports.size()
          + runs.values().stream().mapToInt(Integer::intValue).sum()
          + payouts.size();
    }
  }

  private final Acknowledged acknowledged = new Acknowledged();
  private final Random random = new Random(SEED);

  /** A receipt and the invoice that it pays. */
  private record Pair(long entry, long item, String amount) {}

  @Test
  void losesNothingThatWasAnswered() throws Exception {
    System.out.println("Kills: " + KILLS + ", seed " + SEED);
    var sumbrel = RunningSumbrel.toBeKilled();
    try {
      for (var kill = 0; kill < KILLS; kill++) {
        workUntilKilled(sumbrel, kill);
        assertKept(sumbrel);
        sumbrel = sumbrel.again();
      }
      var osric = ApiUser.signIn(sumbrel.address(), "osric");
      assertRulesHold(osric);
    } finally {
      sumbrel.close();
    }
    System.out.println(
        acknowledged.count()
            + " acknowledged acts kept: "
            + acknowledged.posted.size()
            + " settlements, "
            + acknowledged.reversed.size()
            + " reversals, "
            + acknowledged.drafts.size()
            + " drafts, "
            + acknowledged.imports.size()
            + " imports, "
            + acknowledged.runs.size()
            + " runs, "
            + acknowledged.payouts.size()
            + " payouts; "
            + acknowledged.backups
            + " backups were whole");
    assertThat(acknowledged.kinds()).allMatch(kind -> kind.getAsInt() > 0);
  }

  private void workUntilKilled(RunningSumbrel sumbrel, int round) throws Exception {
    var osric = ApiUser.signIn(sumbrel.address(), "osric");
    assertRulesHold(osric);
    var pairs = books(osric, round);
    awaitProposals(osric);
    var byHand = new ConcurrentLinkedQueue<>(pairs.subList(0, BY_HAND));
    var inRun = pairs.subList(BY_HAND, pairs.size());
    var work = new ArrayList<Callable<Void>>();
    for (var user = 0; user < USERS; user++) {
      var seed = random.nextLong();
      work.add(() -> postAndReverse(osric, byHand, new Random(seed)));
    }
    work.add(() -> draft(osric, inRun));
    work.add(() -> bringFiles(osric, round));
    work.add(() -> run(osric, inRun));
    work.add(() -> payouts(osric, round));
    work.add(() -> backUp(osric));
    var before = acknowledged.kinds().get(round % acknowledged.kinds().size()).getAsInt();
    var pool = Executors.newFixedThreadPool(work.size());
    for (var one : work) {
      pool.submit(() -> untilTheServerIsGone(one));
    }
    awaitOneMore(acknowledged.kinds().get(round % acknowledged.kinds().size()), before, round);
    LockSupport.parkNanos(TimeUnit.MILLISECONDS.toNanos(random.nextInt(LATEST_MS)));
    sumbrel.kill();
    pool.shutdown();
    assertThat(pool.awaitTermination(60, TimeUnit.SECONDS)).isTrue();
  }

  private static void awaitOneMore(IntSupplier kind, int before, int round) {
    var until = System.nanoTime() + MOST_WAIT;
    while (kind.getAsInt() == before) {
      if (System.nanoTime() > until) {
        throw new AssertionError("nothing of what round " + round + " is about was acknowledged");
      }
      LockSupport.parkNanos(TimeUnit.MILLISECONDS.toNanos(5));
    }
  }

  private static void untilTheServerIsGone(Callable<Void> work) {
    try {
      work.call();
    } catch (IOException killed) {
      // the answer did not come: whether the act was done is open
    } catch (Exception e) {
      System.out.println("a worker of the kill test stopped: " + e);
    }
  }

  /** Invoices and the receipts that pay them, all of them clear. */
  private static List<Pair> books(ApiUser user, int round) throws Exception {
    var invoices =
        new StringBuilder(
            "number,kind,customer_id,customer_name,issue_date,due_date,currency,total,open\n");
    var money =
        new StringBuilder("entry_id,booking_date,amount,currency,payer_name,remittance,account\n");
    for (var n = 0; n < BY_HAND + IN_A_RUN; n++) {
      var amount = "%d.%02d".formatted(100 + n, round % 100);
      invoices.append(
          "KL%1$d-%2$d,invoice,KL%2$d,Killed Bakery %2$d,2026-05-02,2026-06-01,USD,%3$s,%3$s\n"
              .formatted(round, 1000 + n, amount));
      money.append(
          "KE%1$d-%2$d,2026-05-28,%3$s,USD,Killed Bakery %2$d,INV KL%1$d-%2$d,4410027719\n"
              .formatted(round, 1000 + n, amount));
    }
    user.drop("invoices.csv", invoices.toString());
    user.drop("statement.csv", money.toString());
    var items = user.rows("/api/open-items?limit=500&q=KL" + round + "-");
    var entries = user.rows("/api/entries?limit=500&q=KL" + round + "-");
    var byCustomer = new ConcurrentHashMap<String, Long>();
    items.forEach(
        i -> byCustomer.put(i.get("customerName").getAsString(), i.get("id").getAsLong()));
    var pairs = new ArrayList<Pair>();
    for (var entry : entries) {
      pairs.add(
          new Pair(
              entry.get("id").getAsLong(),
              byCustomer.get(entry.get("payer").getAsString()),
              entry.getAsJsonObject("amount").get("amount").getAsString()));
    }
    assertThat(pairs).hasSize(BY_HAND + IN_A_RUN);
    return pairs;
  }

  private static void awaitProposals(ApiUser user) throws Exception {
    while (user.get("/api/flow").getAsJsonObject().get("behind").getAsBoolean()) {
      LockSupport.parkNanos(TimeUnit.MILLISECONDS.toNanos(50));
    }
  }

  private static String draftOf(Pair pair) {
    return "{\"entryId\":%d,\"applications\":[{\"itemId\":%d,\"amount\":{\"amount\":\"%s\",\"currency\":\"USD\"}}],\"adjustments\":[]}"
        .formatted(pair.entry(), pair.item(), pair.amount());
  }

  private Void postAndReverse(ApiUser user, ConcurrentLinkedQueue<Pair> pairs, Random chance)
      throws Exception {
    for (var pair = pairs.poll(); pair != null; pair = pairs.poll()) {
      var id = user.post("/api/settlements", draftOf(pair)).get("id").getAsLong();
      acknowledged.posted.put(id, true);
      if (chance.nextInt(3) == 0) {
        user.post("/api/settlements/" + id + "/reversal", "{\"reason\":\"killed\"}");
        acknowledged.reversed.put(id, true);
      }
    }
    return null;
  }

  /** Drafts of what the run leaves alone: it takes the first half. */
  private Void draft(ApiUser user, List<Pair> pairs) throws Exception {
    for (var pair : pairs.subList(pairs.size() / 2, pairs.size())) {
      user.put("/api/drafts/entry-" + pair.entry(), draftOf(pair));
      acknowledged.drafts.put(pair.entry(), pair.amount());
    }
    return null;
  }

  private Void bringFiles(ApiUser user, int round) throws Exception {
    for (var n = 0; n < 200; n++) {
      var rows = 1 + n % 40;
      var csv =
          new StringBuilder(
              "entry_id,booking_date,amount,currency,payer_name,remittance,account\n");
      for (var row = 0; row < rows; row++) {
        csv.append(
            "KF%d-%d-%d,2026-05-28,-1.%02d,USD,Bank,killed file,4410027719\n"
                .formatted(round, n, row, row));
      }
      var taken = user.drop("file%d-%d.csv".formatted(round, n), csv.toString());
      acknowledged.imports.put(taken.get("id").getAsLong(), rows);
    }
    return null;
  }

  private Void run(ApiUser user, List<Pair> pairs) throws Exception {
    var ids =
        pairs.subList(0, pairs.size() / 2).stream().map(p -> Long.toString(p.entry())).toList();
    var run =
        user.post(
            "/api/runs",
            "{\"currency\":\"USD\",\"allClear\":false,\"except\":[],\"entryIds\":[%s]}"
                .formatted(String.join(",", ids)));
    var id = run.get("id").getAsLong();
    while (run.get("state").getAsString().equals("RUNNING")) {
      acknowledged.runs.put(id, run.get("posted").getAsInt());
      run = user.get("/api/runs/" + id).getAsJsonObject();
    }
    acknowledged.runs.put(id, run.get("posted").getAsInt());
    return null;
  }

  private Void payouts(ApiUser user, int round) throws Exception {
    var company = user.get("/api/me").getAsJsonObject().getAsJsonArray("companies").get(0);
    var account =
        company.getAsJsonObject().getAsJsonArray("bankAccounts").get(0).getAsJsonObject().get("id");
    for (var n = 0; n < 30; n++) {
      var number = "KP" + round + "-" + n;
      var csv =
          "processor,payout,payout_date,type,item,related,reference,date,gross,tax,fee,net,payout_net,currency\n"
              + "Killfold,%1$s,2026-05-28,sale,%1$s-1,,WEB-%1$s,2026-05-26,100.00,,3.20,96.80,96.80,USD\n"
                  .formatted(number);
      var taken = user.drop("payout-" + number + ".csv", csv);
      acknowledged.imports.put(taken.get("id").getAsLong(), 0);
      var id =
          user.rows("/api/payouts?intake=" + taken.get("id").getAsLong())
              .get(0)
              .get("id")
              .getAsLong();
      var posted =
          user.post("/api/payouts/" + id + "/posting", "{\"bankAccountId\":" + account + "}");
      if (!posted.getAsJsonObject("payout").get("postedBy").isJsonNull()) {
        acknowledged.payouts.put(id, true);
      }
    }
    return null;
  }

  private Void backUp(ApiUser user) throws Exception {
    for (var n = 0; n < MOST_BACKUPS; n++) {
      var zip = new ZipInputStream(new ByteArrayInputStream(user.bytes("POST", "/api/backups")));
      var found = zip.getNextEntry();
      assertThat(found.getName()).endsWith(".mv.db");
      assertThat(zip.readAllBytes()).isNotEmpty();
      acknowledged.backups.incrementAndGet();
    }
    return null;
  }

  private static void assertRulesHold(ApiUser user) throws Exception {
    for (var checked : user.get("/api/check").getAsJsonArray()) {
      var rule = checked.getAsJsonObject();
      assertThat(rule.getAsJsonArray("broken").asList())
          .as(rule.get("rule").getAsString())
          .isEmpty();
    }
  }

  /** Looks into the database that the killed process has left. */
  private void assertKept(RunningSumbrel sumbrel) throws SQLException {
    try (var database = DriverManager.getConnection(sumbrel.database(), "sumbrel", "")) {
      for (var id : acknowledged.posted.keySet()) {
        assertThat(text(database, "select status from settlement where id = " + id))
            .as("settlement %d", id)
            .isIn("POSTED", "REVERSED");
      }
      for (var id : acknowledged.reversed.keySet()) {
        assertThat(text(database, "select status from settlement where id = " + id))
            .as("reversal of settlement %d", id)
            .isEqualTo("REVERSED");
      }
      for (var draft : acknowledged.drafts.entrySet()) {
        assertThat(text(database, "select body from draft where entry_id = " + draft.getKey()))
            .as("draft of entry %d", draft.getKey())
            .contains("\"" + draft.getValue() + "\"");
      }
      for (var taken : acknowledged.imports.entrySet()) {
        assertThat(text(database, "select id from intake where id = " + taken.getKey()))
            .as("import %d", taken.getKey())
            .isNotNull();
        assertThat(
                number(
                    database,
                    "select count(*) from bank_entry where intake_id = " + taken.getKey()))
            .as("entries of import %d", taken.getKey())
            .isEqualTo(taken.getValue());
      }
      for (var run : acknowledged.runs.entrySet()) {
        assertThat(
                number(
                    database,
                    "select count(*) from posting_run_line l join settlement s on s.id = l.settlement_id where l.run_id = "
                        + run.getKey()))
            .as("lines posted by run %d", run.getKey())
            .isGreaterThanOrEqualTo(run.getValue());
      }
      for (var id : acknowledged.payouts.keySet()) {
        assertThat(text(database, "select posted_by from payout where id = " + id))
            .as("payout %d", id)
            .isEqualTo("osric");
      }
    }
  }

  private static String text(Connection database, String sql) throws SQLException {
    try (var look = database.createStatement();
        var rows = look.executeQuery(sql)) {
      return rows.next() ? rows.getString(1) : null;
    }
  }

  private static int number(Connection database, String sql) throws SQLException {
    return Integer.parseInt(text(database, sql));
  }
}

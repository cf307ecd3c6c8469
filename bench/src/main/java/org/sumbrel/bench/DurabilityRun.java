package org.sumbrel.bench;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.Executors;

/**
 * What it costs that each answer waits for the disk: settlements a second by hand, eight users at
 * once, and in a run; with and without forcing commits, one after the other on the same machine.
 */
final class DurabilityRun {

  private static final int USERS = 8;
  private static final int WARM_UP = 200;
  private static final int BY_HAND = 800;
  private static final int IN_A_RUN = 4_000;
  private static final int PAGE = 200;
  private static final int LOOK_EVERY_MS = 100;

  /**
   * One server.
   *
   * @param forced whether commits were forced to disk before they were answered
   * @param byHandPerSecond settlements a second, eight users at once
   * @param runPerSecond settlements a second from the call that starts a run until its last line
   */
  record Pace(boolean forced, double byHandPerSecond, double runPerSecond) {}

  private final ServedSumbrel server;

  private DurabilityRun(ServedSumbrel server) {
    this.server = server;
  }

  /** Without and with, twice each, so that a machine that slows down is seen. */
  static List<Pace> run(Path jar) throws IOException, InterruptedException, ExecutionException {
    var paces = new ArrayList<Pace>();
    for (var forced : List.of(false, true, false, true)) {
      try (var server = ServedSumbrel.start(jar, "--sumbrel.forced-commits=" + forced)) {
        paces.add(new DurabilityRun(server).measure(forced));
      }
    }
    return paces;
  }

  private Pace measure(boolean forced)
      throws IOException, InterruptedException, ExecutionException {
    makeUp(WARM_UP + BY_HAND + IN_A_RUN);
    awaitProposals();
    byHand(drafts(WARM_UP));
    awaitProposals();
    var byHand = byHand(drafts(BY_HAND));
    awaitProposals();
    return new Pace(forced, byHand, inARun());
  }

  private void makeUp(int count) throws IOException, InterruptedException {
    var random = new Random(30);
    var invoices =
        new StringBuilder(
            "number,kind,customer_id,customer_name,issue_date,due_date,currency,total,open\n");
    var money =
        new StringBuilder("entry_id,booking_date,amount,currency,payer_name,remittance,account\n");
    var account = server.get("/api/me").at("/companies/0/bankAccounts/0/number").asText();
    for (var n = 0; n < count; n++) {
      var number = "DX-%07d".formatted(1_000_000 + n);
      var cents = 5_000 + random.nextInt(500_000);
      var amount = "%d.%02d".formatted(cents / 100, cents % 100);
      var customer = "Durable Bakery " + (n % 400);
      invoices.append(
          "%s,invoice,DX%d,%s,2026-04-20,2026-05-20,USD,%s,%s%n"
              .formatted(number, n % 400, customer, amount, amount));
      money.append(
          "DE%d,2026-05-28,%s,USD,%s,INV %s,%s%n".formatted(n, amount, customer, number, account));
    }
    server.take("invoices.csv", invoices);
    server.take("statement.csv", money);
  }

  private void awaitProposals() throws IOException, InterruptedException {
    while (server.get("/api/flow").path("behind").asBoolean()) {
      Thread.sleep(LOOK_EVERY_MS);
    }
  }

  private List<String> drafts(int count) throws IOException, InterruptedException {
    var drafts = new ArrayList<String>();
    var cursor = "";
    while (drafts.size() < count) {
      var page =
          server.get(
              "/api/entries?standing=CLEAR&q=durable&limit=%d&cursor=%s".formatted(PAGE, cursor));
      for (var row : page.at("/rows")) {
        if (drafts.size() < count) {
          drafts.add(DeskRun.draft(server.get("/api/entries/" + row.path("id").asText())));
        }
      }
      cursor = page.path("next").asText("");
      if (cursor.isEmpty() && drafts.size() < count) {
        throw new IllegalStateException("only " + drafts.size() + " of " + count + " are clear");
      }
    }
    return drafts;
  }

  private double byHand(List<String> drafts) throws InterruptedException, ExecutionException {
    var pool = Executors.newFixedThreadPool(USERS);
    try {
      var users = new ArrayList<Callable<Void>>();
      for (var user = 0; user < USERS; user++) {
        var first = user;
        users.add(
            () -> {
              for (var n = first; n < drafts.size(); n += USERS) {
                server.post("/api/settlements", drafts.get(n));
              }
              return null;
            });
      }
      var begun = System.nanoTime();
      for (var user : pool.invokeAll(users)) {
        user.get();
      }
      return drafts.size() / ((System.nanoTime() - begun) / 1e9);
    } finally {
      pool.shutdown();
    }
  }

  private double inARun() throws IOException, InterruptedException {
    var begun = System.nanoTime();
    var run =
        server.post(
            "/api/runs", "{\"currency\":\"USD\",\"allClear\":true,\"except\":[],\"entryIds\":[]}");
    while (run.path("state").asText().equals("RUNNING")) {
      Thread.sleep(LOOK_EVERY_MS);
      run = server.get("/api/runs/" + run.path("id").asText());
    }
    return run.path("posted").asInt() / ((System.nanoTime() - begun) / 1e9);
  }
}

package org.sumbrel.bench;

import java.io.IOException;
import java.nio.file.Path;
import java.util.Random;
import java.util.TreeSet;

/**
 * A payout of 50,000 items through the packed application: read and joined, looked at, booked as
 * one settlement and one deposit, taken back.
 */
final class PayoutRun {

  private static final int ITEMS = 50_000;
  private static final int LOOKS = 10;
  private static final long LOOK_AGAIN_MS = 100;

  /** One of so many sales pays an invoice; the others are new. */
  private static final int INVOICED = 5;

  /** One of so many sales is taken back in part. */
  private static final int REFUNDED = 40;

  /**
   * One payout.
   *
   * @param takenSeconds from the call that brings the file until its items are kept and joined
   * @param joined sales that belong to an invoice
   * @param viewMs the median of a look at the statement
   * @param bookingMs the median of a look at what booking writes
   * @param pageMs the median of a look at a hundred items
   * @param bookedSeconds from the call until it is booked
   * @param progressSeen how many steps of the booking were seen by somebody who looked on
   * @param reversedSeconds from the call until it is taken back
   */
  record Payout(
      int items,
      double takenSeconds,
      int joined,
      double viewMs,
      double bookingMs,
      double pageMs,
      double bookedSeconds,
      int progressSeen,
      double reversedSeconds) {}

  private final ServedSumbrel server;
  private final StringBuilder invoices =
      new StringBuilder(
          "number,kind,customer_id,customer_name,issue_date,due_date,currency,total,open\n");
  private final StringBuilder list =
      new StringBuilder(
          "processor,payout,payout_date,type,item,related,reference,date,gross,fee,net,currency\n");

  private PayoutRun(ServedSumbrel server) {
    this.server = server;
  }

  static Payout run(Path jar) throws IOException, InterruptedException {
    try (var server = ServedSumbrel.start(jar)) {
      return new PayoutRun(server).measure();
    }
  }

  private Payout measure() throws IOException, InterruptedException {
    makeUp();
    server.take("invoices.csv", invoices);
    var begun = System.nanoTime();
    var intake = server.take("payout.csv", list);
    var taken = seconds(begun);
    if (intake.path("fresh").asInt() != ITEMS) {
      throw new IllegalStateException("not all items were new: " + intake);
    }
    var id = server.get("/api/payouts?intake=" + intake.path("id").asText()).at("/rows/0/id");
    var path = "/api/payouts/" + id.asText();
    var joined = 0;
    for (var one : server.get(path).at("/joins")) {
      joined += one.path("kind").asText().equals("INVOICE") ? one.path("items").asInt() : 0;
    }
    var viewMs = server.median(path, LOOKS);
    var bookingMs = server.median(path + "/booking", LOOKS);
    var pageMs = server.median(path + "/items?limit=100&cursor=20000", LOOKS);
    var account = server.get("/api/me").at("/companies/0/bankAccounts/0/id").asText();
    begun = System.nanoTime();
    server.post(path + "/posting", "{\"bankAccountId\":" + account + "}");
    var seen = untilItEnds(path);
    var booked = seconds(begun);
    begun = System.nanoTime();
    server.post(path + "/reversal", "{\"reason\":\"measured\"}");
    untilItEnds(path);
    return new Payout(
        ITEMS, taken, joined, viewMs, bookingMs, pageMs, booked, seen, seconds(begun));
  }

  /** Waits for what is done behind the scenes; how many steps of it somebody who looks has seen. */
  private int untilItEnds(String path) throws IOException, InterruptedException {
    var steps = new TreeSet<Long>();
    for (var job = server.get(path).path("job");
        job.isObject();
        job = server.get(path).path("job")) {
      if (job.path("refused").isTextual()) {
        throw new IllegalStateException("refused: " + job.path("refused").asText());
      }
      steps.add(job.path("done").asLong());
      Thread.sleep(LOOK_AGAIN_MS);
    }
    return steps.size();
  }

  private static double seconds(long begun) {
    return (System.nanoTime() - begun) / 1e9;
  }

  private void makeUp() {
    var random = new Random(4_187);
    var sold = 0;
    for (var n = 0; n < ITEMS; n++) {
      if (n % REFUNDED == REFUNDED - 1) {
        line("refund", n, sold, "", -(100 + random.nextInt(400)), -3);
      } else {
        var cents = 1_000 + random.nextInt(90_000);
        var number = "PY-%07d".formatted(2_000_000 + n);
        if (n % INVOICED == 0) {
          invoices.append(
              "%s,invoice,PY%d,Shop kitchen %d,2026-05-20,2026-06-19,USD,%s,%s%n"
                  .formatted(number, n % 500, n % 500, amount(cents), amount(cents)));
        }
        line("sale", n, -1, number, cents, cents * 29 / 1_000 + 30);
        sold = n;
      }
    }
  }

  private void line(String type, int n, int related, String reference, int gross, int fee) {
    list.append(
        "Benchfold,B-1,2026-05-28,%s,%d,%s,%s,2026-05-%02d,%s,%s,%s,USD%n"
            .formatted(
                type,
                n,
                related < 0 ? "" : related,
                reference,
                22 + n % 7,
                amount(gross),
                amount(fee),
                amount(gross - fee)));
  }

  private static String amount(int cents) {
    return (cents < 0 ? "-" : "")
        + "%d.%02d".formatted(Math.abs(cents) / 100, Math.abs(cents) % 100);
  }
}

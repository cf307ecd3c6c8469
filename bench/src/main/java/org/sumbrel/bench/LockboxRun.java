package org.sumbrel.bench;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Locale;
import java.util.Random;

/**
 * A lockbox of 5,000 cheques and 20,000 items through the packed application: read and taken in,
 * thought about, looked at, posted as one run.
 */
final class LockboxRun {

  private static final int CHEQUES = 5_000;
  private static final int ITEMS_OF_A_CHEQUE = 4;
  private static final int LOOK_EVERY_MS = 100;
  private static final int LOOKS = 30;

  /** Every so-manieth slip is not right: a figure is lost, or the cheque is short. */
  private static final int MISHAPS = 20;

  /**
   * One lockbox.
   *
   * @param takenSeconds from the call that brings the file to its answer
   * @param thoughtSeconds from then until what is thought of every cheque is current
   * @param clear cheques that stand clear then
   * @param batchMs the median of a look at the control totals
   * @param pageMs the median of a look at a hundred cheques
   * @param posted of {@code clear}
   * @param postedSeconds from the call until the run is done
   */
  record Lockbox(
      int cheques,
      int items,
      double takenSeconds,
      double thoughtSeconds,
      int clear,
      double batchMs,
      double pageMs,
      int posted,
      double postedSeconds) {}

  private final ServedSumbrel server;
  private final StringBuilder invoices =
      new StringBuilder(
          "number,kind,customer_id,customer_name,issue_date,due_date,currency,total,open\n");
  private final StringBuilder list =
      new StringBuilder(
          "lockbox,batch,deposit_date,item,check_number,routing,account,check_amount,payer_name,reference,amount_paid\n");

  private LockboxRun(ServedSumbrel server) {
    this.server = server;
  }

  static Lockbox run(Path jar) throws IOException, InterruptedException {
    try (var server = ServedSumbrel.start(jar)) {
      return new LockboxRun(server).measure();
    }
  }

  private Lockbox measure() throws IOException, InterruptedException {
    makeUp();
    server.take("invoices.csv", invoices);
    var begun = System.nanoTime();
    var intake = server.take("lockbox.csv", list);
    var taken = seconds(begun);
    if (intake.path("fresh").asInt() != CHEQUES) {
      throw new IllegalStateException("not all cheques were new: " + intake);
    }
    begun = System.nanoTime();
    while (server.get("/api/flow").path("behind").asBoolean()) {
      Thread.sleep(LOOK_EVERY_MS);
    }
    var thought = seconds(begun);
    var id =
        server.get("/api/lockbox-batches?intake=" + intake.path("id").asText()).at("/rows/0/id");
    var path = "/api/lockbox-batches/" + id.asText();
    var ready = server.get(path).at("/ready/cheques").asInt();
    var batchMs = server.median(path, LOOKS);
    var pageMs = server.median(path + "/cheques?limit=100&cursor=2000", LOOKS);
    begun = System.nanoTime();
    var run = server.post(path + "/runs", "{}");
    while (run.path("state").asText().equals("RUNNING")) {
      Thread.sleep(LOOK_EVERY_MS);
      run = server.get("/api/runs/" + run.path("id").asText());
    }
    return new Lockbox(
        CHEQUES,
        CHEQUES * ITEMS_OF_A_CHEQUE,
        taken,
        thought,
        ready,
        batchMs,
        pageMs,
        run.path("posted").asInt(),
        seconds(begun));
  }

  private static double seconds(long begun) {
    return (System.nanoTime() - begun) / 1e9;
  }

  private void makeUp() {
    var random = new Random(823);
    for (var cheque = 0; cheque < CHEQUES; cheque++) {
      var total = 0L;
      var lines = new ArrayList<String>();
      var wrong = random.nextInt(MISHAPS) == 0;
      for (var item = 0; item < ITEMS_OF_A_CHEQUE; item++) {
        var number = "BX-%07d".formatted(1_000_000 + cheque * 10 + item);
        var cents = 5_000 + random.nextInt(500_000);
        invoices.append(
            "%s,invoice,BX%d,%s,2026-04-20,2026-05-20,USD,%s,%s%n"
                .formatted(number, cheque, name(cheque), amount(cents), amount(cents)));
        var paid = wrong && item == 0 ? cents - 150 : cents;
        total += paid;
        lines.add((wrong && item == 1 ? number.substring(4) : number) + "," + amount(paid));
      }
      for (var line : lines) {
        list.append(
            "4410,77,2026-05-28,%d,%d,021000021,%d,%s,%s,%s%n"
                .formatted(
                    cheque + 1,
                    30_000 + cheque,
                    700_000 + cheque,
                    amount(total),
                    name(cheque).toUpperCase(Locale.ROOT),
                    line));
      }
    }
  }

  private static String name(int cheque) {
    return "Boxed Kitchen " + Integer.toString(cheque * 7_919 + 50_000, 36);
  }

  private static String amount(long cents) {
    return "%d.%02d".formatted(cents / 100, cents % 100);
  }
}

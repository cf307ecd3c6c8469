package org.sumbrel.bench;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.Executors;

/**
 * The desk on the big set (100,000 open items, 5,000 customers, 10,000 waiting entries): how long
 * reads take with eight users at once, and how fast a run posts all that is clear.
 */
final class DeskRun {

  private static final int USERS = 8;
  private static final int ROUNDS = 25;

  /** A server that has run for a morning is measured, not one whose code is still compiled. */
  private static final int WARM_UP_ROUNDS = 70;

  /** Between two reads of a user who works in haste, so still far more than a clerk makes. */
  private static final int PAUSE_MS = 100;

  private static final int SINGLE_POSTINGS = 100;

  private static final int LOOK_EVERY_MS = 100;

  /**
   * Reads of one kind.
   *
   * @param medianMs half of them are faster
   * @param p95Ms of a hundred, five are slower
   */
  record Reads(String what, int count, double medianMs, double p95Ms) {}

  /** A run: lines posted in a second, from the call until the last line. */
  record Posting(int lines, int refused, double seconds, double perSecond) {}

  /**
   * How long it takes from a call until what is thought of all that waits is current again.
   *
   * @param slowestMs of all of them
   */
  record Current(String after, int count, double medianMs, double p95Ms, double slowestMs) {}

  /**
   * All of it.
   *
   * @param current after single postings and reversals
   * @param reads with a pause of a tenth of a second between two reads of a user
   * @param hurried without any pause, so that eight requests are always under way
   */
  record Desk(List<Reads> reads, List<Reads> hurried, List<Current> current, Posting posting) {}

  private final ServedSumbrel server;

  private DeskRun(ServedSumbrel server) {
    this.server = server;
  }

  static Desk run(Path jar) throws IOException, InterruptedException, ExecutionException {
    try (var server = ServedSumbrel.start(jar, "--sumbrel.demo.big=true")) {
      var desk = new DeskRun(server);
      desk.awaitProposals();
      var paths = desk.paths();
      desk.round(paths, WARM_UP_ROUNDS, 0);
      var hurried = desk.reads(paths, 0);
      var reads = desk.reads(paths, PAUSE_MS);
      return new Desk(reads, hurried, desk.current(), desk.posting());
    }
  }

  /** After a start the proposals are made behind the scenes: what is measured comes after them. */
  private void awaitProposals() throws IOException, InterruptedException {
    while (!server
        .get("/api/entries?limit=1&standing=CLEAR")
        .at("/standings")
        .elements()
        .hasNext()) {
      Thread.sleep(LOOK_EVERY_MS);
    }
  }

  private Map<String, String> paths() throws IOException, InterruptedException {
    var entry = server.get("/api/entries?limit=1").at("/rows/0/id").asText();
    var customer = server.get("/api/open-items?limit=1").at("/rows/0/customerId").asText();
    var paths = new LinkedHashMap<String, String>();
    paths.put("queue, 100 rows", "/api/entries?limit=100&standing=TORN&standing=LEANING");
    paths.put("queue, searched", "/api/entries?limit=100&q=bakery");
    paths.put("one entry", "/api/entries/" + entry);
    paths.put("ways of an entry", "/api/entries/" + entry + "/ways");
    paths.put("one customer", "/api/customers/" + customer);
    paths.put("account with balance", "/api/customers/" + customer + "/statement");
    paths.put("what paid what", "/api/customers/" + customer + "/payments");
    paths.put("customers, 100 rows", "/api/customers?limit=100");
    paths.put("open items, 100 rows", "/api/open-items?limit=100");
    paths.put("items by amount", "/api/open-items?limit=8&q=612.30");
    paths.put("found: number", "/api/found?what=OPEN&limit=100&q=LB-1000042");
    paths.put("found: month", "/api/found?what=OPEN&limit=100&q=may+600..700");
    paths.put("found: entries", "/api/found?what=ENTRIES&limit=100&q=bakery");
    paths.put("suggestions", "/api/search-suggestions?q=LB-10000");
    paths.put("settlements", "/api/settlements?limit=60");
    paths.put("flow of the day", "/api/flow");
    var account = server.get("/api/tie-outs").at("/0/bankAccountId").asText();
    paths.put(
        "tie-out", "/api/bank-accounts/" + account + "/tie-out?asOf=2026-05-29&balance=1000.00");
    paths.put("cent trail", "/api/cent-trail");
    paths.put("money from us", "/api/money-from-us?currency=USD");
    paths.put("drafts", "/api/drafts");
    paths.put("note marks", "/api/notes/marks");
    paths.put("journal", "/api/journal-entries?limit=40");
    paths.put("everything: name", "/api/everything?q=bakery");
    paths.put("everything: number", "/api/everything?q=LB-1000042");
    paths.put("everything: amount", "/api/everything?q=612.30");
    paths.put("day sheet", "/api/day-sheet?currency=USD");
    paths.put("trial balance", "/api/trial-balance");
    paths.put("audit trail", "/api/audit-records?limit=60");
    return paths;
  }

  private List<Reads> reads(Map<String, String> paths, int pauseMs)
      throws InterruptedException, ExecutionException {
    var taken = round(paths, ROUNDS, pauseMs);
    var reads = new ArrayList<Reads>();
    var all = new ArrayList<Long>();
    for (var what : paths.keySet()) {
      reads.add(reads(what, taken.get(what)));
      all.addAll(taken.get(what));
    }
    reads.add(reads("all together", all));
    return reads;
  }

  private static Reads reads(String what, List<Long> nanos) {
    var sorted = nanos.stream().mapToLong(Long::longValue).sorted().toArray();
    return new Reads(
        what,
        sorted.length,
        sorted[sorted.length / 2] / 1e6,
        sorted[(int) Math.ceil(sorted.length * 0.95) - 1] / 1e6);
  }

  /** Each user asks for everything, one after the other, beginning at a place of his own. */
  private Map<String, List<Long>> round(Map<String, String> paths, int rounds, int pauseMs)
      throws InterruptedException, ExecutionException {
    var pool = Executors.newFixedThreadPool(USERS);
    try {
      var users = new ArrayList<Callable<Map<String, List<Long>>>>();
      for (var user = 0; user < USERS; user++) {
        var first = user * paths.size() / USERS;
        users.add(() -> user(paths, first, rounds, pauseMs));
      }
      var taken = new LinkedHashMap<String, List<Long>>();
      paths.keySet().forEach(what -> taken.put(what, new ArrayList<>()));
      for (var one : pool.invokeAll(users)) {
        one.get().forEach((what, nanos) -> taken.get(what).addAll(nanos));
      }
      return taken;
    } finally {
      pool.shutdown();
    }
  }

  private Map<String, List<Long>> user(
      Map<String, String> paths, int first, int rounds, int pauseMs)
      throws IOException, InterruptedException {
    var taken = new LinkedHashMap<String, List<Long>>();
    var names = List.copyOf(paths.keySet());
    for (var step = 0; step < rounds * names.size(); step++) {
      var what = names.get((first + step) % names.size());
      taken.computeIfAbsent(what, w -> new ArrayList<>()).add(server.nanosFor(paths.get(what)));
      Thread.sleep(pauseMs);
    }
    return taken;
  }

  /** Posts clear entries one by one, and takes them back again. */
  private List<Current> current() throws IOException, InterruptedException {
    var rows = server.get("/api/entries?standing=CLEAR&limit=" + SINGLE_POSTINGS).at("/rows");
    var posted = new ArrayList<Long>();
    var reversed = new ArrayList<Long>();
    var settlements = new ArrayList<String>();
    for (var row : rows) {
      var entry = server.get("/api/entries/" + row.path("id").asText());
      if (entry.path("status").asText().equals("WAITING")) {
        var draft = draft(entry);
        var begun = System.nanoTime();
        settlements.add(server.post("/api/settlements", draft).path("id").asText());
        posted.add(untilCurrent(begun));
      }
    }
    for (var settlement : settlements) {
      var begun = System.nanoTime();
      server.post("/api/settlements/" + settlement + "/reversal", "{\"reason\":\"measured\"}");
      reversed.add(untilCurrent(begun));
    }
    return List.of(current("a posting", posted), current("a reversal", reversed));
  }

  private long untilCurrent(long begun) throws IOException, InterruptedException {
    while (server.get("/api/flow").path("behind").asBoolean()) {
      Thread.sleep(1);
    }
    return System.nanoTime() - begun;
  }

  private static Current current(String after, List<Long> nanos) {
    var reads = reads(after, nanos);
    var slowest = nanos.stream().mapToLong(Long::longValue).max().orElse(0) / 1e6;
    return new Current(after, reads.count(), reads.medianMs(), reads.p95Ms(), slowest);
  }

  /** The first explanation of an entry, as it stands. */
  static String draft(JsonNode entry) {
    var first = entry.at("/proposals/0");
    var draft = JsonNodeFactory.instance.objectNode();
    draft.set("entryId", entry.path("id"));
    var applications = draft.putArray("applications");
    for (var taken : first.path("applications")) {
      var application = applications.addObject();
      List.of("itemId", "amount", "discount", "itemVersion")
          .forEach(field -> application.set(field, taken.path(field)));
    }
    draft.set("adjustments", first.path("adjustments"));
    draft.set("onAccount", first.path("onAccount"));
    draft.set("onAccountCustomerId", first.path("onAccountCustomerId"));
    draft.put("explanation", 1);
    return draft.toString();
  }

  private Posting posting() throws IOException, InterruptedException {
    var begun = System.nanoTime();
    var run =
        server.post(
            "/api/runs", "{\"currency\":\"USD\",\"allClear\":true,\"except\":[],\"entryIds\":[]}");
    var id = run.path("id").asText();
    while (run.path("state").asText().equals("RUNNING")) {
      Thread.sleep(LOOK_EVERY_MS);
      run = server.get("/api/runs/" + id);
    }
    var seconds = (System.nanoTime() - begun) / 1e9;
    var posted = run.path("posted").asInt();
    return new Posting(
        run.path("total").asInt(), run.path("refused").asInt(), seconds, posted / seconds);
  }
}

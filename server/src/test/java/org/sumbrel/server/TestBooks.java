package org.sumbrel.server;

import com.fasterxml.jackson.databind.JsonNode;
import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import java.util.concurrent.atomic.AtomicInteger;
import org.sumbrel.server.Clerk.Answer;

/**
 * Fresh items and entries for one test each, taken in through the API, so that tests do not depend
 * on each other. Every call makes a customer of its own with a name that is like no other's.
 */
public final class TestBooks {

  private static final AtomicInteger NEXT = new AtomicInteger(1);

  private final Clerk clerk;
  private final int n = NEXT.getAndIncrement();

  public TestBooks(Clerk clerk) {
    this.clerk = clerk;
  }

  public String customer() {
    return "Zq" + word() + " Kitchens";
  }

  /**
   * Seven letters that are unlike those of any other: who is nearly called so is taken for the
   * same.
   */
  private String word() {
    var random = new SplittableRandom(n);
    return random
        .ints(7, 'a', 'z' + 1)
        .collect(StringBuilder::new, StringBuilder::appendCodePoint, StringBuilder::append)
        .toString();
  }

  public String number(int item) {
    return "T" + n + "-" + (100 + item);
  }

  /** Takes in invoices with these open amounts, numbered from 0. */
  public TestBooks invoices(String... amounts) {
    var csv =
        new StringBuilder(
            "number,kind,customer_id,customer_name,issue_date,due_date,currency,total,open,terms\n");
    for (var i = 0; i < amounts.length; i++) {
      csv.append(
          "%s,invoice,T%d,%s,2026-05-20,2026-06-19,USD,%s,%s,2/10 net 30\n"
              .formatted(number(i), n, customer(), amounts[i], amounts[i]));
    }
    expect(201, clerk.drop("invoices.csv", csv.toString()));
    return this;
  }

  /** Takes in a credit note of this amount. */
  public void creditNote(String amount) {
    expect(
        201,
        clerk.drop(
            "credit.csv",
            "number,kind,customer_id,customer_name,issue_date,due_date,currency,total,open\n"
                + "%s,credit_note,T%d,%s,2026-05-25,2026-05-25,USD,%s,%s\n"
                    .formatted(number(90), n, customer(), amount, amount)));
  }

  /** Takes in one credit of the day and gives its id. */
  public long credit(String amount, String text) {
    return credits(List.of(amount), text).get(0);
  }

  /** Takes in credits of the day in one statement and gives their ids. */
  public List<Long> credits(List<String> amounts) {
    return credits(amounts, "several");
  }

  private List<Long> credits(List<String> amounts, String text) {
    var csv = new StringBuilder("entry_id,booking_date,amount,currency,payer_name,remittance\n");
    for (var amount : amounts) {
      csv.append(
          "T%d-%d,2026-05-28,%s,USD,%s,%s\n"
              .formatted(n, NEXT.getAndIncrement(), amount, customer(), text));
    }
    var account = clerk.get("/api/me").body().at("/companies/0/bankAccounts/0/id").asLong();
    var before = waiting();
    expect(201, clerk.drop("statement.csv", csv.toString(), "?bankAccount=" + account));
    return waiting().stream().filter(id -> !before.contains(id)).toList();
  }

  /** The journal lines that a settlement wrote. */
  public static JsonNode written(Clerk clerk, JsonNode settlement) {
    var path = "/api/journal-entries/" + settlement.at("/journalEntryId").asText();
    return expect(200, clerk.get(path)).body().at("/lines");
  }

  private List<Long> waiting() {
    var ids = new ArrayList<Long>();
    // what is posted without a hand may be settled already
    for (var status : List.of("WAITING", "SETTLED", "DEBIT")) {
      clerk
          .get("/api/entries?limit=500&status=" + status + "&q=" + customer().split(" ")[0])
          .body()
          .at("/rows")
          .forEach(row -> ids.add(row.at("/id").asLong()));
    }
    return ids;
  }

  public long item(int item) {
    return clerk.get("/api/open-items?q=" + number(item)).body().at("/rows/0/id").asLong();
  }

  public String open(int item) {
    return clerk.get("/api/open-items?q=" + number(item)).body().at("/rows/0/open/amount").asText();
  }

  public static String applied(long item, String amount) {
    return applied(item, amount, "0.00");
  }

  public static String applied(long item, String amount, String discount) {
    return "{\"itemId\":%d,\"amount\":%s,\"discount\":%s}"
        .formatted(item, money(amount), money(discount));
  }

  /** A part of an item in its own currency. */
  public static String appliedIn(String currency, long item, String amount) {
    return "{\"itemId\":%d,\"amount\":{\"amount\":\"%s\",\"currency\":\"%s\"}}"
        .formatted(item, amount, currency);
  }

  /**
   * The lines of an entry as they are shown, each with its side and amount, and its worth where it
   * has one.
   *
   * @param by what an account is called by: {@code code} or {@code account}
   */
  public static List<String> lines(JsonNode view, String by) {
    var lines = new ArrayList<String>();
    for (var line : view) {
      var debit = line.at("/debit").isObject();
      var side = line.at(debit ? "/debit" : "/credit");
      lines.add(
          line.at("/" + by).asText()
              + (debit ? " dr " : " cr ")
              + side.at("/amount").asText()
              + " "
              + side.at("/currency").asText()
              + (line.at("/worth").isObject() ? " = " + line.at("/worth/amount").asText() : ""));
    }
    return lines;
  }

  /** The id of the first record that an intake brought. */
  public static long firstRecord(Clerk clerk, JsonNode intake) {
    return clerk
        .get("/api/intakes/" + intake.at("/id").asText() + "/records")
        .body()
        .at("/rows/0/id")
        .asLong();
  }

  public static String money(String amount) {
    return "{\"amount\":\"%s\",\"currency\":\"USD\"}".formatted(amount);
  }

  public static String draft(long entry, String applications, String adjustments) {
    return "{\"entryId\":%d,\"applications\":[%s],\"adjustments\":[%s]}"
        .formatted(entry, applications, adjustments);
  }

  public static String adjusted(String kind, String amount) {
    return "{\"kind\":\"%s\",\"amount\":%s}".formatted(kind, money(amount));
  }

  public static Answer expect(int status, Answer answer) {
    if (answer.status() != status) {
      throw new AssertionError("expected " + status + ", got " + answer);
    }
    return answer;
  }
}

package org.sumbrel.server.audit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.sumbrel.server.TestBooks.applied;
import static org.sumbrel.server.TestBooks.draft;
import static org.sumbrel.server.TestBooks.expect;
import static org.sumbrel.server.TestBooks.money;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.test.web.servlet.MockMvc;
import org.sumbrel.server.ApiTest;
import org.sumbrel.server.Clerk;
import org.sumbrel.server.TestBooks;

/** Every change has one record, no record is of no change, and nobody changes one. */
@ApiTest
class AuditTrailTest {

  private static final int STEPS = 60;

  @Autowired private MockMvc web;
  @Autowired private JdbcClient jdbc;
  private Clerk maren;
  private Clerk osric;
  private final List<Long> inPouch = new ArrayList<>();

  @BeforeEach
  void sitDown() {
    maren = Clerk.maren(web);
    osric = Clerk.osric(web);
  }

  /** A table whose rows are things of their own, and by which columns they are told apart. */
  private static final Map<String, List<String>> THINGS =
      Map.ofEntries(
          Map.entry("policy", List.of("company_id", "currency")),
          Map.entry("app_user", List.of("id")),
          Map.entry("customer", List.of("id")),
          Map.entry("payer_alias", List.of("id")),
          Map.entry("open_item", List.of("id")),
          Map.entry("bank_entry", List.of("id")),
          Map.entry("settlement", List.of("id")),
          Map.entry("deposit", List.of("id")),
          Map.entry("held_receipt", List.of("entry_id")),
          Map.entry("treatment", List.of("id")),
          Map.entry("note", List.of("id")),
          Map.entry("intake", List.of("id")),
          Map.entry("journal_export", List.of("id")),
          Map.entry("journal_export_taken", List.of("id")));

  /** Rows that are a part of a thing: the thing's table and by which columns it is named. */
  private static final Map<String, Map.Entry<String, List<String>>> PARTS =
      Map.of(
          "policy_limit", Map.entry("policy", List.of("company_id", "currency")),
          "deposit_line", Map.entry("deposit", List.of("deposit_id")),
          "treatment_share", Map.entry("treatment", List.of("treatment_id")));

  private static final Set<String> NOBODY_DECIDES =
      Set.of(
          "version",
          "standing_rank",
          "lead_customer_id",
          "settled_customer_id",
          "told",
          "entry_key",
          "failed_attempts",
          "locked_until");

  private List<Map<String, Object>> rows(String table) {
    return jdbc.sql("select * from " + table).query().listOfRows();
  }

  /** Everything as it stands, each thing with all that is said of it. */
  private Map<String, String> state() {
    var state = new TreeMap<String, String>();
    THINGS.forEach((table, keys) -> rows(table).forEach(row -> said(state, table, keys, "", row)));
    PARTS.forEach(
        (table, of) ->
            rows(table).stream()
                .map(row -> Map.entry(row.toString(), row))
                .sorted(Map.Entry.comparingByKey())
                .forEach(e -> said(state, of.getKey(), of.getValue(), table, e.getValue())));
    return state;
  }

  private static void said(
      Map<String, String> state,
      String what,
      List<String> keys,
      String part,
      Map<String, Object> row) {
    var low = new TreeMap<String, Object>();
    row.forEach((name, value) -> low.put(name.toLowerCase(Locale.ROOT), value));
    var key =
        what + " " + String.join("/", keys.stream().map(k -> String.valueOf(low.get(k))).toList());
    // what a file brought is told by its intake, as long as nobody touches it
    low.keySet().removeAll(NOBODY_DECIDES);
    state.merge(key, part + low, (a, b) -> a + b);
  }

  /**
   * Things that are other than before; what came with a file, and what the engine finds, is none.
   */
  private static Set<String> changed(Map<String, String> before, Map<String, String> after) {
    var changed = new TreeSet<String>();
    for (var key : after.keySet()) {
      if (before.containsKey(key)) {
        if (!Objects.equals(before.get(key), after.get(key))) {
          changed.add(key);
        }
      } else if (!key.startsWith("bank_entry")
          && !(after.get(key).contains("intake_id=")
              && !after.get(key).contains("intake_id=null"))) {
        changed.add(key);
      }
    }
    before.keySet().stream().filter(k -> !after.containsKey(k)).forEach(changed::add);
    return changed;
  }

  private long last() {
    return jdbc.sql("select coalesce(max(id), 0) from audit_record").query(Long.class).single();
  }

  private List<String> recorded(long since) {
    return jdbc.sql("select what || ' ' || thing from audit_record where id > :since order by 1")
        .param("since", since)
        .query(String.class)
        .list();
  }

  @Test
  void hasExactlyOneRecordForEachChangeOfARandomDay() {
    var random = new Random(13);
    var books = new TestBooks(maren).invoices("500.00", "400.00", "300.00", "200.00");
    var entries = books.credits(List.of("100.00", "150.00", "200.00", "250.00", "300.00"));
    var done = new HashMap<Integer, Integer>();
    var grace = osric.get("/api/policies/USD").body().at("/discountGraceDays").asInt();
    for (var step = 0; step < STEPS || !inPouch.isEmpty(); step++) {
      var before = state();
      var since = last();
      var kind = step < STEPS ? random.nextInt(11) : 10;
      var answer = something(kind, random, books, entries);
      var changed = changed(before, state());
      assertThat(recorded(since))
          .as("step %d, something of kind %d, answered %s", step, kind, answer)
          .containsExactlyElementsOf(changed);
      if (!changed.isEmpty()) {
        done.merge(kind, 1, Integer::sum);
      }
    }
    leaveAsFound(entries, grace);
    // whatever was changed is named
    assertThat(
            jdbc.sql("select what from audit_record where thing = '' or thing like '%null%'")
                .query(String.class)
                .list())
        .isEmpty();
    // enough of each happened for the rest to mean something
    assertThat(done.keySet()).as(done.toString()).hasSizeGreaterThanOrEqualTo(10);
  }

  private Object something(int kind, Random random, TestBooks books, List<Long> entries) {
    var entry = entries.get(random.nextInt(entries.size()));
    return switch (kind) {
      case 0, 1 ->
          maren
              .post(
                  "/api/settlements",
                  draft(entry, applied(books.item(random.nextInt(4)), amountOf(entry)), ""))
              .status();
      case 2 -> {
        var settlement =
            maren
                .get("/api/settlements?q=" + books.customer().split(" ")[0])
                .body()
                .at("/rows/0/id");
        yield maren
            .post("/api/settlements/" + settlement.asText() + "/reversal", "{\"reason\":\"wrong\"}")
            .status();
      }
      case 3 ->
          maren
              .post(
                  "/api/entries/" + entry + "/shelving",
                  "{\"reason\":\"NOT_OURS\",\"note\":\"step\"}")
              .status();
      case 4 -> maren.delete("/api/entries/" + entry + "/shelving").status();
      case 5 ->
          maren
              .post(
                  "/api/notes",
                  "{\"about\":\"entry-%d\",\"text\":\"asked %d\"}"
                      .formatted(entry, random.nextInt()))
              .status();
      case 6 -> policy(random);
      case 7 ->
          maren
              .drop(
                  "audit.csv",
                  "number,kind,customer_id,customer_name,issue_date,due_date,currency,total,open\nAU-%d,invoice,AUD,Audited Deli,2026-05-01,2026-05-31,USD,10.00,10.00\n"
                      .formatted(random.nextInt(1_000_000)))
              .status();
      case 8 ->
          new Clerk(web, "wynne", "ADMINISTRATOR")
              .post(
                  "/api/users",
                  "{\"user\":\"audit%d\",\"fullName\":\"A\",\"role\":\"CLERK\",\"password\":\"long enough it is\"}"
                      .formatted(random.nextInt(1_000_000)))
              .status();
      case 9 -> {
        var recorded =
            maren.post(
                "/api/receipts",
                "{\"method\":\"CASH\",\"receivedOn\":\"2026-05-29\",\"amount\":%s,\"from\":\"Audited Deli\",\"reference\":\"step\",\"again\":true}"
                    .formatted(money("5.00")));
        inPouch.add(recorded.body().at("/receipt/id").asLong());
        yield recorded.status();
      }
      default ->
          inPouch.isEmpty()
              ? 0
              : maren
                  .post(
                      "/api/receipts/" + inPouch.remove(0) + "/withdrawal",
                      "{\"reason\":\"a test\"}")
                  .status();
    };
  }

  /** Other tests work in the same books. */
  private void leaveAsFound(List<Long> entries, int grace) {
    entries.forEach(entry -> maren.delete("/api/entries/" + entry + "/shelving"));
    var policy = (ObjectNode) osric.get("/api/policies/USD").body();
    policy.put("discountGraceDays", grace);
    expect(200, osric.put("/api/policies/USD", policy.toString()));
  }

  private String amountOf(long entry) {
    return maren.get("/api/entries/" + entry).text("/amount/amount");
  }

  private int policy(Random random) {
    var policy = (ObjectNode) osric.get("/api/policies/USD").body();
    policy.put("discountGraceDays", random.nextInt(3));
    return osric.put("/api/policies/USD", policy.toString()).status();
  }

  @Test
  void tellsWhoFromWhereByWhichCallWithBeforeAndAfter() {
    var books = new TestBooks(maren).invoices("80.00");
    var item = books.item(0);
    var entry = books.credit("30.00", "in part");
    expect(201, maren.post("/api/settlements", draft(entry, applied(item, "30.00"), "")));

    var records = maren.get("/api/audit-records?what=open_item&thing=" + item).body().at("/rows");

    assertThat(records).hasSize(1);
    var record = records.get(0);
    assertThat(record.at("/actor").asText()).isEqualTo("maren");
    assertThat(record.at("/call").asText()).isEqualTo("POST /api/settlements");
    assertThat(record.at("/source").asText()).isEqualTo("127.0.0.1");
    assertThat(record.at("/kind").asText()).isEqualTo("CHANGED");
    assertThat(record.at("/values")).hasSize(1);
    assertThat(record.at("/values/0/name").asText()).isEqualTo("open");
    assertThat(record.at("/values/0/before").asText()).isEqualTo("80.00");
    assertThat(record.at("/values/0/after").asText()).isEqualTo("50.00");
    var act = record.at("/act").asLong();
    var together = new ArrayList<String>();
    for (JsonNode row : maren.get("/api/audit-records?limit=10").body().at("/rows")) {
      if (row.at("/act").asLong() == act) {
        together.add(row.at("/what").asText());
      }
    }
    assertThat(together).containsExactlyInAnyOrder("open_item", "bank_entry", "settlement");
    assertThat(maren.saved("/api/audit-records.csv?what=open_item&thing=" + item))
        .contains("open: 80.00", "open: 50.00");
  }

  @Test
  void aPasswordIsNotInTheTrail() {
    new Clerk(web, "wynne", "ADMINISTRATOR")
        .post(
            "/api/users",
            "{\"user\":\"hidden-one\",\"fullName\":\"H\",\"role\":\"CLERK\",\"password\":\"very secret indeed\"}");

    var after =
        jdbc.sql(
                "select after_json from audit_record where what = 'app_user' and after_json like '%hidden-one%'")
            .query(String.class)
            .list();

    assertThat(after).hasSize(1);
    assertThat(after.get(0)).doesNotContain("bcrypt").contains("(hidden)");
  }

  @Test
  void nobodyChangesARecord() {
    new TestBooks(maren).invoices("10.00");
    assertThatThrownBy(() -> jdbc.sql("update audit_record set actor = 'nobody'").update())
        .rootCause()
        .hasMessageContaining("cannot be changed");
    assertThatThrownBy(() -> jdbc.sql("delete from audit_record").update())
        .rootCause()
        .hasMessageContaining("cannot be changed");
  }

  @Test
  void whatIsRefusedLeavesNoRecord() {
    var books = new TestBooks(maren).invoices("20.00");
    var entry = books.credit("90.00", "too much");
    var item = books.item(0);
    var since = last();

    assertThat(maren.post("/api/settlements", draft(entry, applied(item, "90.00"), "")).status())
        .isGreaterThanOrEqualTo(400);

    assertThat(recorded(since)).isEmpty();
  }
}

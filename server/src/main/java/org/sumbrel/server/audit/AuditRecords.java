package org.sumbrel.server.audit;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.core.type.TypeReference;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Instant;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeSet;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.core.money.MoneyText;

/** Reads the audit trail. */
@Component
@Transactional(readOnly = true)
class AuditRecords {

  private static final ObjectMapper JSON = new ObjectMapper();
  private static final TypeReference<Map<String, Object>> VALUES = new TypeReference<>() {};
  private static final String MINOR = "_minor";

  private final JdbcClient jdbc;

  AuditRecords(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  /** A value that is other than before; empty texts where there was or is none. */
  record ChangedValue(String name, String before, String after) {}

  /** One record of the trail. */
  record AuditRecord(
      long id,
      long act,
      Instant at,
      String actor,
      String source,
      String call,
      String what,
      String thing,
      Changed.Kind kind,
      List<ChangedValue> values) {}

  /**
   * Which records.
   *
   * @param everywhere whether users and other companies are told of as well
   * @param text in any value, the thing, the actor or the call; empty for all
   * @param actor empty for all
   * @param what empty for all
   * @param thing empty for all
   */
  record Sought(
      Long company,
      boolean everywhere,
      String text,
      String actor,
      String what,
      String thing,
      LocalDate from,
      LocalDate until) {}

  /** Those of a company, and those of no company, the latest first, below an id. */
  List<AuditRecord> find(Sought sought, ZoneId zone, long below, int most) {
    var from = sought.from() == null ? LocalDate.of(1970, 1, 1) : sought.from();
    var until = sought.until() == null ? LocalDate.of(9999, 1, 1) : sought.until().plusDays(1);
    return jdbc.sql(
            """
            select * from audit_record r
            where r.id < :below and (r.company_id = :company or r.company_id is null and (:everywhere or r.what not in ('company', 'app_user')
                or r.what = 'company' and r.thing = cast(:company as varchar)))
              and (:actor = '' or r.actor = :actor) and (:what = '' or r.what = :what) and (:thing = '' or r.thing = :thing)
              and r.changed_at >= :from and r.changed_at < :until
              and (:text = '' or lower(r.after_json) like :like or lower(r.before_json) like :like or lower(r.thing) like :like
                or lower(r.actor) like :like or lower(r.call) like :like or lower(r.what) like :like)
            order by r.id desc fetch first :most rows only
            """)
        .param("below", below)
        .param("company", sought.company())
        .param("everywhere", sought.everywhere())
        .param("actor", sought.actor())
        .param("what", sought.what())
        .param("thing", sought.thing())
        .param("from", from.atStartOfDay(zone).toOffsetDateTime())
        .param("until", until.atStartOfDay(zone).toOffsetDateTime())
        .param("text", sought.text())
        .param("like", "%" + sought.text().toLowerCase(Locale.ROOT).replace(' ', '%') + "%")
        .param("most", most)
        .query((row, n) -> read(row))
        .list();
  }

  private static AuditRecord read(ResultSet row) throws SQLException {
    var currency = row.getString("currency");
    return new AuditRecord(
        row.getLong("id"),
        row.getLong("act"),
        row.getObject("changed_at", OffsetDateTime.class).toInstant(),
        row.getString("actor"),
        row.getString("source"),
        row.getString("call"),
        row.getString("what"),
        row.getString("thing"),
        Changed.Kind.valueOf(row.getString("kind")),
        values(
            currency == null ? null : CurrencyUnit.of(currency),
            json(row.getString("before_json")),
            json(row.getString("after_json"))));
  }

  static Map<String, Object> json(String text) {
    try {
      return JSON.readValue(text, VALUES);
    } catch (JsonProcessingException e) {
      throw new IllegalStateException("a record of the audit trail cannot be read", e);
    }
  }

  private static List<ChangedValue> values(
      CurrencyUnit currency, Map<String, Object> before, Map<String, Object> after) {
    var names = new TreeSet<>(before.keySet());
    names.addAll(after.keySet());
    var values = new ArrayList<ChangedValue>();
    for (var name : names) {
      values.add(
          new ChangedValue(
              words(name),
              text(name, before.get(name), currency),
              text(name, after.get(name), currency)));
    }
    return values;
  }

  /** The column's name in words. */
  private static String words(String name) {
    return (name.endsWith(MINOR) ? name.substring(0, name.length() - MINOR.length()) : name)
        .replace('_', ' ');
  }

  private static String text(String name, Object value, CurrencyUnit currency) {
    if (value == null) {
      return "";
    }
    return name.endsWith(MINOR) && currency != null && value instanceof Number minor
        ? MoneyText.grouped(Money.ofMinor(currency, minor.longValue()))
        : value.toString();
  }
}

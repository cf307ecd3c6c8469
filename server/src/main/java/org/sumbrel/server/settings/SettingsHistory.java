package org.sumbrel.server.settings;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.server.api.BadRequest;
import org.sumbrel.server.api.Conflict;
import org.sumbrel.server.api.NotThere;
import org.sumbrel.server.audit.AuditedValues;
import org.sumbrel.server.audit.AuditedValues.Record;

/**
 * Takes a change of a setting back, from what the audit trail says it was before: as long as nobody
 * has changed it since, and nothing was booked with what was new.
 */
@Service
@Transactional
class SettingsHistory {

  /** The tables that are settings, with the columns by which their rows are named in the trail. */
  private static final Map<String, List<String>> SETTINGS =
      Map.of(
          "company", List.of("id"),
          "bank_account", List.of("id"),
          "ledger_account", List.of("id"),
          "tax_code", List.of("company_id", "code"),
          "policy", List.of("company_id", "currency"),
          "app_user", List.of("id"),
          "number_range", List.of("company_id", "kind"),
          "claim_reason_word", List.of("company_id", "reason"));

  private static final String LIMIT = "policy_limit ";

  private final JdbcClient jdbc;
  private final AuditedValues trail;

  SettingsHistory(JdbcClient jdbc, AuditedValues trail) {
    this.jdbc = jdbc;
    this.trail = trail;
  }

  /** One column of one row, what it was and what it became. */
  private record Was(
      String table,
      String where,
      Map<String, Object> keys,
      String column,
      Object before,
      Object after) {}

  /**
   * Takes a change back.
   *
   * @return what was changed
   * @throws BadRequest where it is of no setting
   * @throws Conflict where it has been changed since, or is in use
   */
  Record takeBack(Long recordId) {
    var record = trail.record(recordId).orElseThrow(() -> new NotThere("change", recordId));
    if (!SETTINGS.containsKey(record.what())) {
      throw new BadRequest("Only settings are taken back so; what is posted is reversed.");
    }
    switch (record.kind()) {
      case "MADE" -> remove(record);
      case "CHANGED" -> putBack(record);
      default -> throw new BadRequest("What was removed is made anew.");
    }
    return record;
  }

  private void remove(Record record) {
    var keys = keys(record);
    if (record.what().equals("app_user")) {
      throw new BadRequest("A user stays in the trail; let him sign in no more instead.");
    }
    try {
      if (record.what().equals("policy")) {
        jdbc.sql("delete from policy_limit where " + where(keys)).params(keys).update();
      }
      jdbc.sql("delete from " + record.what() + " where " + where(keys)).params(keys).update();
    } catch (DataIntegrityViolationException e) {
      throw new Conflict(
          "IN_USE", "It is in use already, and cannot be taken back; change it instead.");
    }
  }

  private void putBack(Record record) {
    var columns = new ArrayList<Was>();
    record.names().forEach(name -> columns.add(column(record, name)));
    for (var was : columns) {
      var current =
          jdbc.sql("select " + was.column() + " from " + was.table() + " where " + was.where())
              .params(was.keys())
              .query()
              .optionalValue();
      if (!alike(current.orElse(null), was.after())) {
        throw new Conflict(
            "CHANGED_SINCE",
            "It has been changed since: "
                + was.column().replace('_', ' ')
                + " is "
                + current.orElse("nothing")
                + " now, and not "
                + was.after()
                + ". Take the later change back first.");
      }
    }
    for (var was : columns) {
      try {
        jdbc.sql("update " + was.table() + " set " + was.column() + " = :was where " + was.where())
            .params(was.keys())
            .param("was", was.before())
            .update();
      } catch (DataIntegrityViolationException e) {
        throw new Conflict(
            "IN_USE", was.before() + " is taken by another one now; change that one first.");
      }
    }
    if (!record.what().equals("ledger_account") && !record.what().equals("tax_code")) {
      var keys = keys(record);
      jdbc.sql("update " + record.what() + " set version = version + 1 where " + where(keys))
          .params(keys)
          .update();
    }
  }

  /** Where the value of a name in the trail stands: in the row itself, or in one of its limits. */
  private static Was column(Record record, String name) {
    var keys = keys(record);
    var table = record.what();
    var column = name;
    if (name.startsWith(LIMIT)) {
      var parts = name.substring(LIMIT.length()).split(" ");
      var limit = parts[0].split("/");
      keys.put("authority", limit[0]);
      keys.put("kind", limit[1]);
      table = "policy_limit";
      column = parts[1];
    }
    if (column.equals("every_company") || column.startsWith("user_company")) {
      throw new BadRequest(
          "In which companies somebody works is not taken back; say it anew beside his name.");
    }
    if (!column.matches("[a-z_]+") || column.equals("password_hash")) {
      throw new BadRequest("A password is not taken back; give the user another one.");
    }
    return new Was(
        table, where(keys), keys, column, record.before().get(name), record.after().get(name));
  }

  private static LinkedHashMap<String, Object> keys(Record record) {
    var columns = SETTINGS.get(record.what());
    var values = record.thing().split("/", columns.size());
    var keys = new LinkedHashMap<String, Object>();
    for (var n = 0; n < columns.size(); n++) {
      keys.put(columns.get(n), values[n]);
    }
    return keys;
  }

  private static String where(Map<String, Object> keys) {
    return String.join(" and ", keys.keySet().stream().map(k -> k + " = :" + k).toList());
  }

  /** Numbers are compared as numbers, whatever their type. */
  private static boolean alike(Object current, Object told) {
    if (current instanceof Number a && told instanceof Number b) {
      return new BigDecimal(a.toString()).compareTo(new BigDecimal(b.toString())) == 0;
    }
    return Objects.equals(
        current == null ? null : current.toString(), told == null ? null : told.toString());
  }
}

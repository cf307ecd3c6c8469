package org.sumbrel.server.audit;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.sql.Connection;
import java.sql.SQLException;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.Collection;
import java.util.Map;

/** Writes the records of an act, on the connection and in the transaction of whoever changed it. */
final class AuditWriting {

  private static final ObjectMapper JSON = new ObjectMapper();
  private static final int LONGEST_CALL = 300;

  private AuditWriting() {}

  static void write(Connection connection, Collection<Changed> changes, Instant at)
      throws SQLException {
    var some = changes.stream().filter(c -> !c.isNothing()).toList();
    if (some.isEmpty()) {
      return;
    }
    long act;
    try (var next = connection.prepareStatement("select next value for audit_act_seq");
        var number = next.executeQuery()) {
      number.next();
      act = number.getLong(1);
    }
    var acting = Acting.now();
    try (var insert =
        connection.prepareStatement(
            "insert into audit_record (act, company_id, changed_at, actor, source, call, what, thing, kind, currency, before_json, after_json)"
                + " values (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)")) {
      for (var changed : some) {
        insert.setLong(1, act);
        insert.setObject(2, changed.companyId());
        insert.setObject(3, at.atOffset(ZoneOffset.UTC));
        insert.setString(4, acting.actor());
        insert.setString(5, acting.source());
        insert.setString(6, shortened(acting.call()));
        insert.setString(7, changed.what());
        insert.setString(8, changed.thing());
        insert.setString(9, changed.kind().name());
        insert.setString(10, changed.currency());
        insert.setString(11, json(changed.before()));
        insert.setString(12, json(changed.after()));
        insert.addBatch();
      }
      insert.executeBatch();
    }
  }

  private static String shortened(String text) {
    return text.length() <= LONGEST_CALL ? text : text.substring(0, LONGEST_CALL);
  }

  private static String json(Map<String, Object> values) {
    try {
      return JSON.writeValueAsString(values);
    } catch (JsonProcessingException e) {
      throw new IllegalStateException("values of a row cannot be told", e);
    }
  }
}

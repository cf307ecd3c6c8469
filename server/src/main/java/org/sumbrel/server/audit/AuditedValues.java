package org.sumbrel.server.audit;

import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/**
 * What a record of the trail says was before and after, as it was told, for whoever takes it back.
 */
@Component
@Transactional(readOnly = true)
public class AuditedValues {

  private final JdbcClient jdbc;

  AuditedValues(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  /**
   * One record.
   *
   * @param what the table
   * @param thing the row's key, its columns joined by a slash
   * @param kind MADE, CHANGED or REMOVED
   */
  public record Record(
      Long companyId,
      String what,
      String thing,
      String kind,
      Map<String, Object> before,
      Map<String, Object> after) {

    /** The columns that changed. */
    public Set<String> names() {
      var names = new TreeSet<>(before.keySet());
      names.addAll(after.keySet());
      return names;
    }
  }

  public Optional<Record> record(Long id) {
    return jdbc.sql(
            "select company_id, what, thing, kind, before_json, after_json from audit_record where id = :id")
        .param("id", id)
        .query(
            (row, n) ->
                new Record(
                    row.getObject("company_id", Long.class),
                    row.getString("what"),
                    row.getString("thing"),
                    row.getString("kind"),
                    AuditRecords.json(row.getString("before_json")),
                    AuditRecords.json(row.getString("after_json"))))
        .optional();
  }
}

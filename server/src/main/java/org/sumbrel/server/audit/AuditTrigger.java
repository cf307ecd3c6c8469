package org.sumbrel.server.audit;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.function.Predicate;
import org.h2.api.Trigger;

/**
 * Tells the audit trail what became of a row, whoever wrote it. Called by the database, in the
 * thread and the transaction of whoever writes.
 */
public class AuditTrigger implements Trigger {

  private static final String HIDDEN = "(hidden)";

  private String table;
  private List<String> columns;

  @Override
  public void init(
      Connection connection, String schema, String trigger, String table, boolean before, int type)
      throws SQLException {
    this.table = table.toLowerCase(Locale.ROOT);
    var names = new ArrayList<String>();
    try (var found = connection.getMetaData().getColumns(null, schema, table, null)) {
      while (found.next()) {
        names.add(found.getString("COLUMN_NAME").toLowerCase(Locale.ROOT));
      }
    }
    this.columns = List.copyOf(names);
  }

  @Override
  public void fire(Connection connection, Object[] before, Object[] after) throws SQLException {
    var row = after == null ? before : after;
    if ((before == null || after == null)
        && AuditedTables.cameByFile(table)
        && value(row, "intake_id") != null) {
      return;
    }
    var act = AuditAct.current(connection);
    var part = AuditedTables.partOf(table).orElse(null);
    var changed =
        part == null ? act.changed(table, key(row)) : act.changed(part.what(), ownerKey(row, part));
    changed.of(value(row, "company_id"), value(row, "currency"));
    if (part == null && before == null) {
      changed.isMade();
    } else if (part == null && after == null) {
      changed.isRemoved();
    }
    var prefix = part == null ? "" : prefix(row);
    for (var n = 0; n < columns.size(); n++) {
      var name = columns.get(n);
      if (!AuditedTables.told(table, name)
          || part != null && (part.key().contains(name) || AuditedTables.isPartKey(table, name))) {
        continue;
      }
      var old = before == null ? null : before[n];
      var fresh = after == null ? null : after[n];
      if (!Objects.deepEquals(old, fresh)) {
        var hidden = AuditedTables.secret(name);
        changed.column(
            prefix + name,
            hidden && old != null ? HIDDEN : told(old),
            hidden ? HIDDEN + "*" : told(fresh));
      }
    }
    // a row whose part has no other column is told by being there
    if (part != null
        && columns.stream()
            .allMatch(c -> part.key().contains(c) || AuditedTables.isPartKey(table, c))) {
      changed.column(prefix.strip(), before == null ? null : true, after == null ? null : true);
    }
    act.done(connection);
  }

  private String key(Object[] row) {
    return joined(row, name -> AuditedTables.isKey(table, name));
  }

  private String ownerKey(Object[] row, AuditedTables.PartOf part) {
    return joined(row, part.key()::contains);
  }

  /** How the columns of a part are called among those of the thing it belongs to. */
  private String prefix(Object[] row) {
    return table + " " + joined(row, name -> AuditedTables.isPartKey(table, name)) + " ";
  }

  private String joined(Object[] row, Predicate<String> which) {
    var parts = new ArrayList<String>();
    for (var n = 0; n < columns.size(); n++) {
      if (which.test(columns.get(n))) {
        parts.add(String.valueOf(row[n]));
      }
    }
    return String.join("/", parts);
  }

  private Object value(Object[] row, String column) {
    var place = columns.indexOf(column);
    return place < 0 ? null : row[place];
  }

  /** Numbers and truths stay what they are, all else is told as text. */
  private static Object told(Object value) {
    return value == null || value instanceof Number || value instanceof Boolean
        ? value
        : value.toString();
  }
}

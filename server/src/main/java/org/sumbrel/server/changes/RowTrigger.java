package org.sumbrel.server.changes;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.Locale;
import org.h2.api.Trigger;

/**
 * Notes which row was written, in the same transaction, whoever wrote it. Called by the database;
 * the first column of a table is its id.
 */
public class RowTrigger implements Trigger {

  private String table;

  @Override
  public void init(
      Connection connection,
      String schema,
      String trigger,
      String table,
      boolean before,
      int type) {
    this.table = table.toLowerCase(Locale.ROOT);
  }

  @Override
  public void fire(Connection connection, Object[] before, Object[] after) throws SQLException {
    try (var note =
        connection.prepareStatement("insert into row_change (what, row_id) values (?, ?)")) {
      note.setString(1, table);
      note.setObject(2, after == null ? before[0] : after[0]);
      note.executeUpdate();
    }
  }
}

package org.sumbrel.server.audit;

import java.sql.Connection;
import java.sql.SQLException;
import org.h2.api.Trigger;

/** Refuses whatever would change a record of the audit trail, whoever asks. */
public class AuditGuard implements Trigger {

  @Override
  public void fire(Connection connection, Object[] before, Object[] after) throws SQLException {
    throw new SQLException("The audit trail cannot be changed.", "45000");
  }
}

package org.sumbrel.server.audit;

import java.sql.SQLException;
import java.time.Clock;
import java.util.Map;
import javax.sql.DataSource;
import org.hibernate.Interceptor;
import org.hibernate.Transaction;
import org.springframework.boot.autoconfigure.orm.jpa.HibernatePropertiesCustomizer;
import org.springframework.jdbc.datasource.DataSourceUtils;
import org.springframework.stereotype.Component;

/**
 * Writes what a transaction has changed as the last thing before it is committed: when all has been
 * flushed, so that each thing has one record.
 */
@Component
class AuditAtCommit implements Interceptor, HibernatePropertiesCustomizer {

  private final DataSource source;
  private final Clock clock;

  AuditAtCommit(DataSource source, Clock clock) {
    this.source = source;
    this.clock = clock;
  }

  @Override
  public void customize(Map<String, Object> properties) {
    properties.put("hibernate.session_factory.interceptor", this);
  }

  @Override
  public void beforeTransactionCompletion(Transaction transaction) {
    AuditAct.underWay().ifPresent(this::write);
  }

  private void write(AuditAct act) {
    var connection = DataSourceUtils.getConnection(source);
    try {
      AuditWriting.write(connection, act.changes(), clock.instant());
    } catch (SQLException e) {
      throw new IllegalStateException("the audit trail cannot be written; nothing was changed", e);
    } finally {
      DataSourceUtils.releaseConnection(connection, source);
    }
  }
}

package org.sumbrel.server.audit;

import java.sql.Connection;
import java.sql.SQLException;
import java.time.Instant;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;

/**
 * All that one transaction changes, collected until it is committed; what is rolled back is told by
 * nobody.
 */
final class AuditAct implements TransactionSynchronization {

  private final Map<String, Changed> changes = new LinkedHashMap<>();

  private AuditAct() {}

  /** The act of the transaction that is under way; one of its own for a change outside of any. */
  static AuditAct current(Connection connection) {
    if (!TransactionSynchronizationManager.isSynchronizationActive()) {
      return new AuditAct();
    }
    return underWay()
        .orElseGet(
            () -> {
              var act = new AuditAct();
              TransactionSynchronizationManager.registerSynchronization(act);
              return act;
            });
  }

  /** The act of the transaction that is under way, where it has changed anything. */
  static Optional<AuditAct> underWay() {
    return TransactionSynchronizationManager.isSynchronizationActive()
        ? TransactionSynchronizationManager.getSynchronizations().stream()
            .filter(AuditAct.class::isInstance)
            .map(AuditAct.class::cast)
            .findFirst()
        : Optional.empty();
  }

  Changed changed(String what, String thing) {
    return changes.computeIfAbsent(what + " " + thing, key -> new Changed(what, thing));
  }

  Collection<Changed> changes() {
    return changes.values();
  }

  /** What was changed outside of any transaction is told at once. */
  void done(Connection connection) throws SQLException {
    if (!TransactionSynchronizationManager.isSynchronizationActive()) {
      AuditWriting.write(connection, changes.values(), Instant.now());
    }
  }
}

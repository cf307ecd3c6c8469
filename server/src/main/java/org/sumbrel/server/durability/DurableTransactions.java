package org.sumbrel.server.durability;

import java.util.concurrent.atomic.AtomicInteger;
import org.springframework.orm.jpa.JpaTransactionManager;
import org.springframework.transaction.support.DefaultTransactionStatus;

/**
 * Transactions whose commit returns when the changes are on disk, so that nothing is answered,
 * published or done after a commit that a crash could still undo.
 */
final class DurableTransactions extends JpaTransactionManager {

  private static final long serialVersionUID = 1L;

  private final transient CommittedChanges changes;

  /** Commits whose changes others can read already and that are not known to be on disk. */
  private final AtomicInteger underWay = new AtomicInteger();

  DurableTransactions(CommittedChanges changes) {
    this.changes = changes;
  }

  @Override
  protected void doCommit(DefaultTransactionStatus status) {
    if (status.isReadOnly()) {
      super.doCommit(status);
      return;
    }
    underWay.incrementAndGet();
    try {
      super.doCommit(status);
      changes.force();
    } finally {
      underWay.decrementAndGet();
    }
  }

  /** Whether what was read just now may be of a commit that is not on disk yet. */
  boolean underWay() {
    return underWay.get() > 0;
  }
}

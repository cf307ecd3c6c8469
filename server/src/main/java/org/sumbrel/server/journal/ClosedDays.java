package org.sumbrel.server.journal;

import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import java.util.concurrent.locks.LockSupport;
import java.util.concurrent.locks.ReentrantReadWriteLock;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;
import org.sumbrel.core.journal.ClosedPeriod;
import org.sumbrel.server.api.Conflict;

/**
 * The days in which nothing is posted any more: those of closed periods of a company, and on a bank
 * account those up to its last tie-out that was closed.
 */
@Component
public class ClosedDays {

  private static final int ATTEMPTS = 100;
  private static final long BETWEEN_NANOS = 50_000_000;

  private final JdbcClient jdbc;

  /** Whoever posts shares it to the end of his transaction; whoever closes has it alone. */
  private final ReentrantReadWriteLock posting = new ReentrantReadWriteLock();

  ClosedDays(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  /**
   * What is closed for an entry that touches these ledger accounts of banks. From here on nobody
   * closes anything until the transaction has ended.
   */
  ClosedPeriod of(Long company, Collection<Long> bankLedgerAccounts) {
    share();
    var accounts = bankLedgerAccounts.isEmpty() ? List.of(-1L) : List.copyOf(bankLedgerAccounts);
    return jdbc.sql(
            """
            select max(closed) as closed from (
              select max(until_day) as closed from closed_period where company_id = :company and reopened_at is null
              union all
              select max(t.as_of) from tie_out t join bank_account b on b.id = t.bank_account_id
              where b.ledger_account_id in (:accounts) and t.reopened_at is null
            )
            """)
        .param("company", company)
        .param("accounts", accounts)
        .query(
            (row, n) -> {
              var closed = row.getObject("closed", LocalDate.class);
              return closed == null ? ClosedPeriod.NONE : ClosedPeriod.until(closed);
            })
        .single();
  }

  private void share() {
    if (!TransactionSynchronizationManager.isSynchronizationActive()
        || posting.isWriteLockedByCurrentThread()
        || posting.getReadHoldCount() > 0) {
      return;
    }
    posting.readLock().lock();
    TransactionSynchronizationManager.registerSynchronization(
        new TransactionSynchronization() {
          @Override
          public void afterCompletion(int status) {
            posting.readLock().unlock();
          }
        });
  }

  /**
   * Does something while nobody posts, so that no entry slips into a day that is closed at that
   * moment. Never waits in line: those who post are not kept waiting behind it.
   *
   * @param what in a transaction of its own
   * @throws Conflict where somebody posts all the while
   */
  public void alone(Runnable what) {
    for (var attempt = 1; !posting.writeLock().tryLock(); attempt++) {
      if (attempt == ATTEMPTS) {
        throw new Conflict(
            "BUSY", "Something long is being posted just now; close it when that is done.");
      }
      LockSupport.parkNanos(BETWEEN_NANOS);
    }
    try {
      what.run();
    } finally {
      posting.writeLock().unlock();
    }
  }
}

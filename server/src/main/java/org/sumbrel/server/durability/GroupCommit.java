package org.sumbrel.server.durability;

import java.util.concurrent.atomic.AtomicLong;
import java.util.concurrent.locks.ReentrantLock;

/**
 * Lets many threads share one expensive write: whoever comes while a write is under way waits for
 * the next, which one of them does for all.
 */
final class GroupCommit {

  private final Runnable write;
  private final ReentrantLock writing = new ReentrantLock();
  private final AtomicLong asked = new AtomicLong();

  /** Up to which request everything is written; guarded by the lock. */
  private long written;

  /**
   * @param write writes everything that was changed before it began
   */
  GroupCommit(Runnable write) {
    this.write = write;
  }

  /** Returns after a write that began after this call; a failed one is tried by each waiter. */
  void force() {
    var request = asked.incrementAndGet();
    writing.lock();
    try {
      if (written >= request) {
        return;
      }
      var covered = asked.get();
      write.run();
      written = covered;
    } finally {
      writing.unlock();
    }
  }
}

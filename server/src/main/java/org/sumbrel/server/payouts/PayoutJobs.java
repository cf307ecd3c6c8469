package org.sumbrel.server.payouts;

import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.concurrent.atomic.AtomicLong;
import java.util.function.LongConsumer;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.core.task.TaskExecutor;
import org.springframework.scheduling.concurrent.ThreadPoolTaskExecutor;
import org.springframework.security.access.AccessDeniedException;
import org.springframework.stereotype.Component;
import org.sumbrel.core.payout.PayoutRefused;
import org.sumbrel.core.settle.SettlementRefused;
import org.sumbrel.server.api.BadRequest;
import org.sumbrel.server.api.Conflict;
import org.sumbrel.server.api.NotThere;

/**
 * Payouts that are booked or taken back behind the scenes, and how far each is. Each is one
 * transaction: a process that is stopped in the middle leaves the payout as it was.
 */
@Component
class PayoutJobs {

  private static final Logger LOG = LoggerFactory.getLogger(PayoutJobs.class);

  /** So long a call waits for the end; most payouts are booked by then. */
  private static final long PATIENCE_SECONDS = 2;

  /** What is done with a payout. */
  enum Doing {
    BOOK,
    REVERSE
  }

  /**
   * How far one is.
   *
   * @param done items so far; 0 while that is not known
   * @param refused why nothing was done, where whoever asked did not wait for it; else null
   */
  record Progress(Doing doing, String by, long done, long items, String refused) {}

  /** The work; it says now and then how many items are done. */
  interface Work {
    void go(LongConsumer watch);
  }

  private static final class Job {
    private final Doing doing;
    private final String by;
    private final long items;
    private final AtomicLong done = new AtomicLong();
    private volatile String refused;

    Job(Doing doing, String by, long items) {
      this.doing = doing;
      this.by = by;
      this.items = items;
    }
  }

  private final Map<Long, Job> jobs = new ConcurrentHashMap<>();
  private final TaskExecutor behindTheScenes;

  PayoutJobs() {
    var executor = new ThreadPoolTaskExecutor();
    executor.setCorePoolSize(2);
    executor.setMaxPoolSize(2);
    executor.setThreadNamePrefix("payout-");
    executor.setDaemon(true);
    executor.initialize();
    this.behindTheScenes = executor;
  }

  /** How far the one of a payout is; empty where none is at work and none was refused. */
  Optional<Progress> of(Long payoutId) {
    return Optional.ofNullable(jobs.get(payoutId))
        .map(j -> new Progress(j.doing, j.by, j.done.get(), j.items, j.refused));
  }

  /**
   * Begins, and waits a little for the end.
   *
   * @throws Conflict where one of this payout is at work
   * @throws RuntimeException what the work was refused with, where that was soon
   */
  void run(Long payoutId, Doing doing, String by, long items, Work work) {
    var job = new Job(doing, by, items);
    var before =
        jobs.compute(payoutId, (id, old) -> old == null || old.refused != null ? job : old);
    if (before != job) {
      throw new Conflict(
          "AT_WORK",
          before.by
              + (before.doing == Doing.BOOK ? " books" : " takes back")
              + " this payout just now; wait for it.");
    }
    var end =
        CompletableFuture.runAsync(() -> work.go(job.done::set), behindTheScenes)
            .whenComplete((nothing, refusal) -> ended(payoutId, job, refusal));
    try {
      end.get(PATIENCE_SECONDS, TimeUnit.SECONDS);
    } catch (TimeoutException stillAtWork) {
      LOG.debug("payout {} is still at work", payoutId);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    } catch (ExecutionException e) {
      jobs.remove(payoutId, job);
      if (e.getCause() instanceof RuntimeException refusal) {
        throw refusal;
      }
      throw new IllegalStateException(e.getCause());
    }
  }

  private void ended(Long payoutId, Job job, Throwable refusal) {
    if (refusal == null) {
      jobs.remove(payoutId, job);
      return;
    }
    var cause = refusal instanceof CompletionException ? refusal.getCause() : refusal;
    if (saysWhy(cause)) {
      job.refused = cause.getMessage();
    } else {
      // what went wrong inside is for the log, not for whoever looks at the payout
      LOG.error("payout {} was not done", payoutId, cause);
      job.refused = "Something went wrong inside; nothing of it was kept. Try it again.";
    }
  }

  private static boolean saysWhy(Throwable cause) {
    return cause instanceof PayoutRefused
        || cause instanceof SettlementRefused
        || cause instanceof Conflict
        || cause instanceof BadRequest
        || cause instanceof NotThere
        || cause instanceof AccessDeniedException;
  }
}

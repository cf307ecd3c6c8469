package org.sumbrel.server.payouts;

import jakarta.annotation.PreDestroy;
import java.time.Instant;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.concurrent.atomic.AtomicLong;
import java.util.function.Consumer;
import java.util.function.LongConsumer;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.ConcurrencyFailureException;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.scheduling.concurrent.ThreadPoolTaskExecutor;
import org.springframework.security.access.AccessDeniedException;
import org.springframework.stereotype.Component;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.TransactionDefinition;
import org.springframework.transaction.support.TransactionTemplate;
import org.sumbrel.core.payout.PayoutRefused;
import org.sumbrel.core.settle.SettlementRefused;
import org.sumbrel.server.api.BadRequest;
import org.sumbrel.server.api.Conflict;
import org.sumbrel.server.api.NotThere;

/**
 * Payouts that are booked or reversed in the background, and how far each is. Each is one
 * transaction: a process that is stopped in the middle leaves the payout as it was. The jobs are
 * rows, so that any number of processes know of each other's, and that a dead one holds nothing up.
 */
@Component
class PayoutJobs {

  private static final Logger LOG = LoggerFactory.getLogger(PayoutJobs.class);

  /** So long a call waits for the end; most payouts are booked by then. */
  private static final long PATIENCE_SECONDS = 2;

  private static final int ATTEMPTS = 10;

  private static final long BETWEEN_NOTES = TimeUnit.MILLISECONDS.toNanos(500);

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

  private final PayoutJobRepository jobs;
  private final TransactionTemplate beside;
  private final ThreadPoolTaskExecutor behindTheScenes;

  /** The payouts this process works on, whose jobs it renews. */
  private final Set<Long> ownJobs = ConcurrentHashMap.newKeySet();

  PayoutJobs(PayoutJobRepository jobs, PlatformTransactionManager transactions) {
    this.jobs = jobs;
    this.beside = new TransactionTemplate(transactions);
    this.beside.setPropagationBehavior(TransactionDefinition.PROPAGATION_REQUIRES_NEW);
    var executor = new ThreadPoolTaskExecutor();
    executor.setCorePoolSize(2);
    executor.setMaxPoolSize(2);
    executor.setThreadNamePrefix("payout-");
    executor.setDaemon(true);
    executor.initialize();
    this.behindTheScenes = executor;
  }

  @PreDestroy
  void stop() {
    behindTheScenes.shutdown();
  }

  /** How far the one of a payout is; empty where none is at work and none was refused. */
  Optional<Progress> of(Long payoutId) {
    return jobs.findById(payoutId)
        .filter(job -> job.isRefused() || job.atWork(Instant.now()))
        .map(PayoutJobEntity::view);
  }

  /**
   * Begins, and waits a little for the end.
   *
   * @throws Conflict where one of this payout is at work
   * @throws RuntimeException what the work was refused with, where that was soon
   */
  void run(Long payoutId, Doing doing, String by, long items, Work work) {
    begin(payoutId, doing, by, items);
    ownJobs.add(payoutId);
    var end =
        CompletableFuture.runAsync(() -> work.go(noting(payoutId)), behindTheScenes)
            .whenComplete((nothing, refusal) -> ended(payoutId, refusal));
    try {
      end.get(PATIENCE_SECONDS, TimeUnit.SECONDS);
    } catch (TimeoutException stillAtWork) {
      LOG.debug("payout {} is still at work", payoutId);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    } catch (ExecutionException e) {
      remove(payoutId);
      if (e.getCause() instanceof RuntimeException refusal) {
        throw refusal;
      }
      throw new IllegalStateException(e.getCause());
    }
  }

  /** Renews the jobs of this process, so that others know that it lives. */
  @Scheduled(fixedRate = 5, timeUnit = TimeUnit.SECONDS)
  void renew() {
    for (var payoutId : ownJobs) {
      change(payoutId, job -> job.renew(Instant.now()));
    }
  }

  private void begin(Long payoutId, Doing doing, String by, long items) {
    try {
      beside.executeWithoutResult(
          t -> {
            var job = jobs.findById(payoutId).orElseGet(() -> new PayoutJobEntity(payoutId));
            if (job.atWork(Instant.now())) {
              throw atWork(job);
            }
            job.begin(doing, by, items, Instant.now());
            jobs.saveAndFlush(job);
          });
    } catch (ConcurrencyFailureException | DataIntegrityViolationException e) {
      // somebody began at this very moment
      throw jobs.findById(payoutId).map(PayoutJobs::atWork).orElseThrow(() -> e);
    }
  }

  private static Conflict atWork(PayoutJobEntity job) {
    return new Conflict(
        "AT_WORK",
        job.startedBy()
            + (job.doing() == Doing.BOOK ? " books" : " takes back")
            + " this payout just now; wait for it.");
  }

  /** Notes progress, not more often than somebody who looks would see. */
  private LongConsumer noting(Long payoutId) {
    var last = new AtomicLong(Long.MIN_VALUE);
    return done -> {
      var now = System.nanoTime();
      if (last.get() == Long.MIN_VALUE || now - last.get() > BETWEEN_NOTES) {
        last.set(now);
        change(payoutId, job -> job.progress(done, Instant.now()));
      }
    };
  }

  /** Changes the job; where another thread changed it at the same moment, it is tried again. */
  private void change(Long payoutId, Consumer<PayoutJobEntity> how) {
    for (var attempt = 1; ; attempt++) {
      try {
        beside.executeWithoutResult(t -> jobs.findById(payoutId).ifPresent(how));
        return;
      } catch (ConcurrencyFailureException e) {
        if (attempt == ATTEMPTS) {
          throw e;
        }
      }
    }
  }

  private void remove(Long payoutId) {
    change(payoutId, jobs::delete);
  }

  private void ended(Long payoutId, Throwable refusal) {
    ownJobs.remove(payoutId);
    if (refusal == null) {
      remove(payoutId);
      return;
    }
    var cause = refusal instanceof CompletionException ? refusal.getCause() : refusal;
    if (saysWhy(cause)) {
      change(payoutId, job -> job.refuse(cause.getMessage()));
    } else {
      // what went wrong inside is for the log, not for whoever looks at the payout
      LOG.error("payout {} was not done", payoutId, cause);
      change(
          payoutId,
          job -> job.refuse("Something went wrong inside; nothing of it was kept. Try it again."));
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

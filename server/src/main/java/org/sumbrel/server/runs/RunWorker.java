package org.sumbrel.server.runs;

import jakarta.annotation.PreDestroy;
import java.time.Clock;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import java.util.stream.IntStream;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.core.annotation.Order;
import org.springframework.dao.ConcurrencyFailureException;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.data.domain.Limit;
import org.springframework.scheduling.concurrent.ThreadPoolTaskExecutor;
import org.springframework.security.access.AccessDeniedException;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;
import org.sumbrel.core.settle.SettlementRefused;
import org.sumbrel.server.Closing;
import org.sumbrel.server.access.Actor;
import org.sumbrel.server.api.BadRequest;
import org.sumbrel.server.api.Conflict;
import org.sumbrel.server.api.NotThere;
import org.sumbrel.server.audit.Acting;
import org.sumbrel.server.desk.ProposalRenewal;

/**
 * Works through the lines of runs behind the scenes. How far a run is stands in its lines, so that
 * it goes on after a crash; two workers on one run find each line done only once.
 */
@Component
@Order(110)
class RunWorker implements ApplicationRunner {

  private static final Logger LOG = LoggerFactory.getLogger(RunWorker.class);

  /** Posted in one transaction, and between two looks whether somebody asked to stop. */
  private static final int CHUNK = 50;

  private static final int ATTEMPTS = 5;

  private static final int MOST_HANDS = 4;

  private final RunRepository runs;
  private final RunLineRepository lines;
  private final RunLines each;
  private final ProposalRenewal renewal;
  private final TransactionTemplate transaction;
  private final Clock clock;
  private final Closing closing;
  private final ThreadPoolTaskExecutor behindTheScenes;
  private final ThreadPoolTaskExecutor otherHands;
  private final int hands;

  RunWorker(
      RunRepository runs,
      RunLineRepository lines,
      RunLines each,
      ProposalRenewal renewal,
      TransactionTemplate transaction,
      Clock clock,
      Closing closing) {
    this.runs = runs;
    this.lines = lines;
    this.each = each;
    this.renewal = renewal;
    this.transaction = transaction;
    this.clock = clock;
    this.closing = closing;
    var executor = new ThreadPoolTaskExecutor();
    executor.setCorePoolSize(2);
    executor.setMaxPoolSize(2);
    executor.setThreadNamePrefix("run-");
    executor.setDaemon(true);
    executor.initialize();
    this.behindTheScenes = executor;
    this.hands = Math.max(1, Math.min(MOST_HANDS, Runtime.getRuntime().availableProcessors()));
    var otherHands = new ThreadPoolTaskExecutor();
    otherHands.setCorePoolSize(hands);
    otherHands.setMaxPoolSize(hands);
    otherHands.setThreadNamePrefix("run-hand-");
    otherHands.setDaemon(true);
    otherHands.initialize();
    this.otherHands = otherHands;
  }

  @PreDestroy
  void stop() {
    behindTheScenes.shutdown();
    otherHands.shutdown();
  }

  void submit(Long runId) {
    behindTheScenes.execute(() -> work(runId));
  }

  /** What a process that was killed has left goes on where it was. */
  @Override
  public void run(ApplicationArguments arguments) {
    runs.findByStateOrderById(RunEntity.State.RUNNING).forEach(run -> submit(run.id()));
  }

  private void work(Long runId) {
    var run = runs.findById(runId).orElseThrow();
    Acting.with(run.actor().name(), "run " + runId, () -> work(run));
  }

  private void work(RunEntity run) {
    var runId = run.id();
    try {
      var others =
          IntStream.range(1, hands)
              .mapToObj(
                  hand ->
                      CompletableFuture.runAsync(
                          () ->
                              Acting.with(
                                  run.actor().name(),
                                  "run " + runId,
                                  () -> work(runId, hand, run.actor())),
                          otherHands))
              .toList();
      work(runId, 0, run.actor());
      others.forEach(CompletableFuture::join);
      var left = lines.existsByRunIdAndState(runId, RunLineEntity.State.PENDING);
      var end = left ? RunEntity.State.STOPPED : RunEntity.State.DONE;
      transaction.executeWithoutResult(
          t -> runs.move(runId, RunEntity.State.RUNNING, end, clock.instant()));
    } catch (RuntimeException e) {
      // it stays running, and goes on at the next start or when somebody continues it
      closing.note(LOG, "run " + runId + " was interrupted", e);
    } finally {
      renewal.after(run.companyId());
    }
  }

  /** What one hand does: its lines, until there are none or somebody asked to stop. */
  private void work(Long runId, int hand, Actor actor) {
    var more = true;
    while (more && !runs.stopAsked(runId)) {
      var chunk = lines.pending(runId, hand, hands, Limit.of(CHUNK));
      settle(runId, chunk, actor);
      more = !chunk.isEmpty();
    }
  }

  /** Lines together, which costs least; where one of them cannot be posted, each by itself. */
  private void settle(Long runId, List<Long> some, Actor actor) {
    try {
      each.post(runId, some, actor);
    } catch (SettlementRefused
        | Conflict
        | BadRequest
        | NotThere
        | AccessDeniedException
        | IllegalArgumentException
        | ConcurrencyFailureException
        | DataIntegrityViolationException e) {
      some.forEach(line -> settle(runId, line, actor));
    }
  }

  private void settle(Long runId, Long line, Actor actor) {
    for (var attempt = 1; ; attempt++) {
      try {
        each.post(runId, List.of(line), actor);
        return;
      } catch (SettlementRefused
          | Conflict
          | BadRequest
          | NotThere
          | AccessDeniedException
          | IllegalArgumentException e) {
        each.refuse(runId, line, actor, e.getMessage());
        return;
      } catch (ConcurrencyFailureException | DataIntegrityViolationException e) {
        // somebody moved the same rows: the next attempt is right, or refused with the figures
        if (attempt == ATTEMPTS) {
          each.refuse(
              runId, line, actor, "Others changed the same items again and again; try it alone.");
          return;
        }
      }
    }
  }
}

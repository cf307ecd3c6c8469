package org.sumbrel.server.runs;

import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.springframework.security.access.AccessDeniedException;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.server.access.Actor;
import org.sumbrel.server.access.Role;
import org.sumbrel.server.api.BadRequest;
import org.sumbrel.server.api.Conflict;
import org.sumbrel.server.api.NotThere;
import org.sumbrel.server.settle.RunPosting;

/** Starts, stops and continues runs. */
@Service
@Transactional
class Runs {

  private final RunRepository runs;
  private final RunLineRepository lines;
  private final RunPosting posting;
  private final Clock clock;

  Runs(RunRepository runs, RunLineRepository lines, RunPosting posting, Clock clock) {
    this.runs = runs;
    this.lines = lines;
    this.posting = posting;
    this.clock = clock;
  }

  /**
   * Writes down what a run is to post, each draft as it is now.
   *
   * @param key by which a repeated call is known; null where none was given
   * @param all whether everything that stands clear is posted, but for {@code except}
   * @param entryIds entries of which one's own draft or the clear explanation is posted
   */
  RunEntity start(
      Long companyId,
      CurrencyUnit currency,
      boolean all,
      List<Long> except,
      List<Long> entryIds,
      String key,
      Actor actor) {
    if (key != null) {
      var before = runs.findByStartedByAndCallKey(actor.name(), key);
      if (before.isPresent()) {
        return before.get();
      }
    }
    var prepared = new ArrayList<RunPosting.Prepared>();
    if (all) {
      prepared.addAll(posting.allClear(companyId, currency, except, actor));
    }
    prepared.addAll(posting.prepare(companyId, entryIds, actor));
    return write(companyId, prepared, key, actor);
  }

  /**
   * Writes down what is to be posted of a lockbox batch.
   *
   * @param second whether a second person must release it
   * @param notBefore the time before which nothing is posted; null for at once
   * @throws Conflict where another run of the batch is not at its end
   */
  RunEntity ofBatch(
      Long companyId,
      Long batch,
      List<Long> entryIds,
      boolean second,
      Instant notBefore,
      String key,
      Actor actor) {
    if (key != null) {
      var before = runs.findByStartedByAndCallKey(actor.name(), key);
      if (before.isPresent()) {
        return before.get();
      }
    }
    if (runs.existsByLockboxBatchIdAndStateIn(batch, RunEntity.UNDER_WAY)) {
      throw new Conflict(
          "RUN_BEFORE",
          "Another run of this batch is not at its end; wait for it, release it or call it off first.");
    }
    var run = write(companyId, posting.prepare(companyId, entryIds, actor), key, actor);
    run.of(batch, second, notBefore);
    return run;
  }

  /**
   * A second person says yes to a run.
   *
   * @throws AccessDeniedException where it is his own
   */
  RunEntity release(Long id, Actor actor) {
    var run = found(id);
    if (run.state() != RunEntity.State.WAITS || run.releasedBy() != null) {
      throw new Conflict(
          "CHANGED_MEANWHILE",
          run.releasedBy() == null
              ? "Run " + id + " does not wait to be released."
              : "Run " + id + " was released by " + run.releasedBy() + " already.");
    }
    if (!run.needsRelease()) {
      throw new Conflict(
          "NOTHING_TO_RELEASE",
          "Run " + id + " waits for its time only; nobody has to release it.");
    }
    if (run.actor().name().equals(actor.name())) {
      throw new AccessDeniedException("Nobody releases his own run; ask a colleague.");
    }
    run.release(actor.name(), clock.instant());
    return run;
  }

  /** Calls a run off that still waits; nothing of it is posted. */
  RunEntity callOff(Long id, Actor actor) {
    requireOwn(found(id), actor);
    if (runs.move(id, RunEntity.State.WAITS, RunEntity.State.CALLED_OFF, clock.instant()) == 0) {
      throw new Conflict("CHANGED_MEANWHILE", "Run " + id + " does not wait any more.");
    }
    return found(id);
  }

  /** The runs that wait for nothing any more; each is at work from now on, and named once. */
  List<Long> due() {
    return runs.due(clock.instant()).stream()
        .filter(id -> runs.move(id, RunEntity.State.WAITS, RunEntity.State.RUNNING, null) == 1)
        .toList();
  }

  /** Writes down these drafts as a run. */
  RunEntity write(Long companyId, List<RunPosting.Prepared> prepared, String key, Actor actor) {
    if (prepared.isEmpty()) {
      throw new BadRequest("Nothing is chosen that could be posted.");
    }
    var unit = prepared.get(0).amount().getCurrencyUnit();
    if (prepared.stream().anyMatch(p -> !p.amount().getCurrencyUnit().equals(unit))) {
      throw new BadRequest("One run posts one currency; choose entries of one of them.");
    }
    var sum = Money.total(unit, prepared.stream().map(RunPosting.Prepared::amount).toList());
    var refused = (int) prepared.stream().filter(p -> p.refusal() != null).count();
    var run =
        runs.saveAndFlush(
            new RunEntity(companyId, actor, key, clock.instant(), prepared.size(), refused, sum));
    var rows = new ArrayList<RunLineEntity>();
    for (var one : prepared) {
      rows.add(new RunLineEntity(run.id(), rows.size() + 1, one));
    }
    lines.saveAll(rows);
    return run;
  }

  void stop(Long id, Actor actor) {
    requireOwn(found(id), actor);
    if (runs.askToStop(id) == 0) {
      throw new Conflict("NOT_RUNNING", "Run " + id + " has ended already.");
    }
  }

  void goOn(Long id, Actor actor) {
    requireOwn(found(id), actor);
    if (runs.move(id, RunEntity.State.STOPPED, RunEntity.State.RUNNING, null) == 0) {
      throw new Conflict("NOT_STOPPED", "Run " + id + " is not stopped; nothing to continue.");
    }
  }

  RunEntity found(Long id) {
    return runs.findById(id).orElseThrow(() -> new NotThere("run", id));
  }

  private static void requireOwn(RunEntity run, Actor actor) {
    if (actor.role() != Role.SUPERVISOR && !run.actor().name().equals(actor.name())) {
      throw new AccessDeniedException(
          "Run "
              + run.id()
              + " was started by "
              + run.actor().name()
              + "; he or a supervisor can stop or continue it.");
    }
  }
}

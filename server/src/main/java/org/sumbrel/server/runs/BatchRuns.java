package org.sumbrel.server.runs;

import java.time.Instant;
import java.util.List;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import org.sumbrel.server.access.Actor;

/** Runs of lockbox batches: started, and begun as soon as they wait for nothing any more. */
@Component
public class BatchRuns {

  private static final Logger LOG = LoggerFactory.getLogger(BatchRuns.class);

  private final Runs runs;
  private final RunRepository rows;
  private final RunWorker worker;

  BatchRuns(Runs runs, RunRepository rows, RunWorker worker) {
    this.runs = runs;
    this.rows = rows;
    this.worker = worker;
  }

  /**
   * Writes down what of a batch is to be posted, and begins with it where it need not wait.
   *
   * @param entryIds the cheques of which one's own draft, or the clear explanation, is posted
   * @param second whether a second person must release it
   * @param notBefore the time before which nothing is posted; null for at once
   * @param key by which a repeated call is known; null where none was given
   */
  public RunController.RunView start(
      Long companyId,
      Long batch,
      List<Long> entryIds,
      boolean second,
      Instant notBefore,
      String key,
      Actor actor) {
    var run = runs.ofBatch(companyId, batch, entryIds, second, notBefore, key, actor);
    // a repeated call may find it at work already: each line is done once all the same
    if (run.state() == RunEntity.State.RUNNING) {
      worker.submit(run.id());
    }
    return RunController.RunView.of(run);
  }

  /** Whether a run of a batch waits or is at work. */
  public boolean underWay(Long batch) {
    return rows.existsByLockboxBatchIdAndStateIn(batch, RunEntity.UNDER_WAY);
  }

  /** The batch goes; what was posted of it, or called off, stays on record by itself. */
  public void forget(Long batch) {
    rows.findByLockboxBatchIdOrderByIdDesc(batch).forEach(RunEntity::ofNoBatch);
    rows.flush();
  }

  /** The runs of a batch, the newest first. */
  public List<RunController.RunView> of(Long batch) {
    return rows.findByLockboxBatchIdOrderByIdDesc(batch).stream()
        .map(RunController.RunView::of)
        .toList();
  }

  /** What was released for a time begins when that has come. */
  @Scheduled(fixedDelayString = "${sumbrel.runs-every:10s}", initialDelayString = "5s")
  void begin() {
    try {
      runs.due().forEach(worker::submit);
    } catch (RuntimeException e) {
      LOG.error("runs that are due were not begun", e);
    }
  }
}

package org.sumbrel.server.runs;

import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.server.access.Actor;
import org.sumbrel.server.settle.RunPosting;

/**
 * One line of a run, posted or refused: its settlement and its result are one transaction, so that
 * a crash leaves it either done or as it was.
 */
@Service
@Transactional
class RunLines {

  private final RunRepository runs;
  private final RunLineRepository lines;
  private final RunPosting posting;

  RunLines(RunRepository runs, RunLineRepository lines, RunPosting posting) {
    this.runs = runs;
    this.lines = lines;
    this.posting = posting;
  }

  void post(Long run, Long lineId, Actor actor) {
    var line = lines.held(lineId).orElseThrow();
    if (line.state() != RunLineEntity.State.PENDING) {
      return;
    }
    line.posted(posting.post(line.prepared(), actor));
    runs.countPosted(run, line.amount().getAmountMinorLong());
  }

  /** The line cannot be posted; its draft stays, with the reason, where the entry still waits. */
  void refuse(Long run, Long lineId, Actor actor, String reason) {
    var line = lines.held(lineId).orElseThrow();
    if (line.state() != RunLineEntity.State.PENDING) {
      return;
    }
    posting.leaveAsDraft(line.prepared(), actor, reason);
    line.refused(reason);
    runs.countRefused(run);
  }
}

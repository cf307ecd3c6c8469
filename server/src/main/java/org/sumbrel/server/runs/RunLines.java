package org.sumbrel.server.runs;

import java.util.List;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.server.access.Actor;
import org.sumbrel.server.settle.RunPosting;

/**
 * Lines of a run, posted or refused: what they settle and what became of them is one transaction,
 * so that a crash leaves them either done or as they were.
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

  /** Posts all of these lines, or none of them where one is refused. */
  void post(Long run, List<Long> lineIds, Actor actor) {
    var pending = pending(lineIds);
    var posted =
        posting.post(pending.stream().map(RunLineEntity::prepared).toList(), released(run), actor);
    var minor = 0L;
    for (var n = 0; n < posted.size(); n++) {
      pending.get(n).posted(posted.get(n));
      minor += pending.get(n).amount().getAmountMinorLong();
    }
    runs.countPosted(run, pending.size(), minor);
  }

  private boolean released(Long run) {
    return runs.findById(run).orElseThrow().releasedBy() != null;
  }

  /** The line cannot be posted; its draft stays, with the reason, where the entry still waits. */
  void refuse(Long run, Long lineId, Actor actor, String reason) {
    for (var line : pending(List.of(lineId))) {
      posting.leaveAsDraft(line.prepared(), actor, reason);
      line.refused(reason);
      runs.countRefused(run);
    }
  }

  /** Of these lines, held, what nobody has done meanwhile. */
  private List<RunLineEntity> pending(List<Long> lineIds) {
    return lines.held(lineIds).stream()
        .filter(line -> line.state() == RunLineEntity.State.PENDING)
        .toList();
  }
}

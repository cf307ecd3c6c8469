package org.sumbrel.server.runs;

import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;
import org.sumbrel.server.Closing;
import org.sumbrel.server.access.Actor;
import org.sumbrel.server.audit.Acting;
import org.sumbrel.server.desk.ProposalsRenewed;

/** Begins what is posted without a hand as soon as proposals are current. */
@Component
class UnattendedStart {

  private static final Logger LOG = LoggerFactory.getLogger(UnattendedStart.class);

  private final UnattendedRuns unattended;
  private final RunWorker worker;
  private final Closing closing;

  UnattendedStart(UnattendedRuns unattended, RunWorker worker, Closing closing) {
    this.closing = closing;
    this.unattended = unattended;
    this.worker = worker;
  }

  /** Whoever made proposals current must not hear of what goes wrong here. */
  @EventListener
  public synchronized void renewed(ProposalsRenewed proposals) {
    try {
      Acting.with(
          Actor.UNATTENDED.name(),
          "without a hand",
          () -> unattended.start(proposals.companyId()).forEach(worker::submit));
    } catch (RuntimeException e) {
      closing.note(
          LOG, "nothing was posted without a hand for company " + proposals.companyId(), e);
    }
  }
}

package org.sumbrel.server.treat;

import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;
import org.sumbrel.server.desk.ProposalRenewal;
import org.sumbrel.server.desk.ProposalsRenewed;

/** Posts what house rules post by themselves, as soon as it is known what came. */
@Component
class TreatmentStart {

  private static final Logger LOG = LoggerFactory.getLogger(TreatmentStart.class);

  private final TreatmentPosting posting;
  private final ProposalRenewal renewal;

  TreatmentStart(TreatmentPosting posting, ProposalRenewal renewal) {
    this.posting = posting;
    this.renewal = renewal;
  }

  /** Whoever made proposals current must not hear of what goes wrong here. */
  @EventListener
  public void renewed(ProposalsRenewed proposals) {
    try {
      begin(proposals.companyId());
    } catch (RuntimeException e) {
      LOG.error("house rules posted nothing for company {}", proposals.companyId(), e);
    }
  }

  /**
   * @return how many were posted
   */
  int begin(Long company) {
    var posted = sweep(company);
    if (posted > 0) {
      renewal.after(company);
    }
    return posted;
  }

  private synchronized int sweep(Long company) {
    return posting.sweep(company);
  }
}

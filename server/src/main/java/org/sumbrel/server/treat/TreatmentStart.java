package org.sumbrel.server.treat;

import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;
import org.sumbrel.server.Closing;
import org.sumbrel.server.changes.RowChanges;
import org.sumbrel.server.desk.ProposalRenewal;
import org.sumbrel.server.desk.ProposalsRenewed;

/**
 * Posts what house rules post by themselves, as soon as it is known what came: each time only the
 * entries that were written since, all of them where a rule has changed.
 */
@Component
class TreatmentStart {

  private static final Logger LOG = LoggerFactory.getLogger(TreatmentStart.class);

  private final TreatmentPosting posting;
  private final ProposalRenewal renewal;
  private final Closing closing;
  private final RowChanges.Reader changes;

  /** The companies that were looked at as a whole, with the entries written since. */
  private final Map<Long, Set<Long>> written = new HashMap<>();

  TreatmentStart(
      TreatmentPosting posting, ProposalRenewal renewal, Closing closing, RowChanges changes) {
    this.posting = posting;
    this.renewal = renewal;
    this.closing = closing;
    this.changes = changes.reader();
  }

  /** Whoever made proposals current must not hear of what goes wrong here. */
  @EventListener
  public void renewed(ProposalsRenewed proposals) {
    try {
      begin(proposals.companyId(), false);
    } catch (RuntimeException e) {
      closing.note(LOG, "house rules posted nothing for company " + proposals.companyId(), e);
    }
  }

  /** Looks at all that waits, after a rule has changed. */
  void begin(Long company) {
    begin(company, true);
  }

  private void begin(Long company, boolean all) {
    if (sweep(company, all) > 0) {
      renewal.after(company);
    }
  }

  private synchronized int sweep(Long company, boolean all) {
    var told = changes.next();
    if (told.everything()) {
      written.clear();
    }
    written.values().forEach(ids -> ids.addAll(told.rows("bank_entry")));
    var since = Optional.ofNullable(written.put(company, new HashSet<>()));
    return posting.sweep(company, all ? Optional.empty() : since.map(Set::copyOf));
  }
}

package org.sumbrel.server.lockbox;

import java.util.Optional;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.server.companies.CompanyPolicies;
import org.sumbrel.server.settle.PostingHolds;

/**
 * No cheque of a batch that contradicts itself is posted until a supervisor has accepted that; and
 * none without a second person where the policy asks for one.
 */
@Component
@Transactional(readOnly = true)
class BatchHolds implements PostingHolds {

  private final LockboxBatchRepository batches;
  private final CompanyPolicies policies;

  BatchHolds(LockboxBatchRepository batches, CompanyPolicies policies) {
    this.batches = batches;
    this.policies = policies;
  }

  @Override
  public Optional<String> against(Long entryId, boolean released) {
    return batches.ofEntry(entryId).flatMap(batch -> against(batch, released));
  }

  private Optional<String> against(LockboxBatchEntity batch, boolean released) {
    if (batch.blocked()) {
      return Optional.of(
          "This cheque is of "
              + batch.words()
              + ", which contradicts itself: "
              + batch.contradictions().sentences().get(0)
              + ". A supervisor has to accept that with a reason first.");
    }
    return !released && policies.batchesReleased(batch.companyId(), batch.currency())
        ? Optional.of(
            "This cheque is of "
                + batch.words()
                + "; by the policy a second person releases what is posted of it. Post the batch, or hand the draft over.")
        : Optional.empty();
  }
}

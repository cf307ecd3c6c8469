package org.sumbrel.server.desk;

import java.util.Optional;
import java.util.function.Predicate;
import org.sumbrel.core.propose.Proposal;
import org.sumbrel.core.settle.Adjustment;
import org.sumbrel.core.settle.Application;
import org.sumbrel.server.api.AdjustmentKind;

/**
 * What the first explanation of an entry comes to, in minor units, for whoever counts many; all
 * zero where there is none.
 *
 * @param applied what the items' balances would fall by
 * @param kept discounts, and what others keep from us
 * @param onAccount what would stay on account
 * @param elsewhere what would be promised back or go to accounts of the ledger
 * @param owing whether it pays less of an item than is open of it
 */
public record LeadSums(long applied, long kept, long onAccount, long elsewhere, boolean owing) {

  private static final LeadSums NONE = new LeadSums(0, 0, 0, 0, false);

  static LeadSums of(Optional<Proposal> first) {
    return first.map(LeadSums::of).orElse(NONE);
  }

  private static LeadSums of(Proposal proposal) {
    var discounts =
        proposal.applications().stream().mapToLong(a -> a.discount().getAmountMinorLong()).sum();
    return new LeadSums(
        proposal.applications().stream().mapToLong(a -> a.amount().getAmountMinorLong()).sum(),
        discounts + adjusted(proposal, kind -> !kind.elsewhere()),
        proposal.onAccount().getAmountMinorLong(),
        -adjusted(proposal, AdjustmentKind::elsewhere),
        leavesOwing(proposal));
  }

  private static long adjusted(Proposal proposal, Predicate<AdjustmentKind> which) {
    return proposal.adjustments().stream()
        .filter(a -> which.test(AdjustmentKind.of(a)))
        .map(Adjustment::amount)
        .mapToLong(m -> m.getAmountMinorLong())
        .sum();
  }

  /** Whether an explanation pays less of an item than is open of it. */
  static boolean leavesOwing(Proposal proposal) {
    return proposal.applications().stream().anyMatch(LeadSums::leavesOwing);
  }

  private static boolean leavesOwing(Application application) {
    return application.item().open().isGreaterThan(application.amount())
        && application.item().open().isPositive();
  }
}

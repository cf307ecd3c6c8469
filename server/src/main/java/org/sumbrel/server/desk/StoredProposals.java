package org.sumbrel.server.desk;

import java.util.List;
import org.sumbrel.core.money.MoneyText;
import org.sumbrel.core.propose.Evidence;
import org.sumbrel.core.propose.Proposal;
import org.sumbrel.core.propose.ReceiptProposals;
import org.sumbrel.core.propose.TextMark;
import org.sumbrel.core.receivables.ClaimReason;
import org.sumbrel.core.settle.Adjustment;
import org.sumbrel.core.settle.ClaimRaised;
import org.sumbrel.server.api.AdjustmentKind;

/** The engine's thoughts as they are kept; amounts are plain decimals in the entry's currency. */
record StoredProposals(
    int alternatives,
    boolean exhaustive,
    List<Stored> proposals,
    List<Evidence> notes,
    List<TextMark> marks) {

  record Stored(
      double probability,
      Long customerId,
      Long payerId,
      List<StoredApplication> applications,
      List<StoredAdjustment> adjustments,
      String onAccount,
      boolean owing,
      List<Evidence> evidence) {

    /** As {@link Proposal#onAccountCustomerId()}; null where nobody is known. */
    Long onAccountCustomerId() {
      return payerId == null ? customerId : payerId;
    }
  }

  record StoredApplication(Long itemId, String number, String amount, String discount) {}

  /**
   * What explains a difference.
   *
   * @param customerId who owes a claim; null for all else
   * @param reason why a claim is made; null for all else
   */
  record StoredAdjustment(AdjustmentKind kind, String amount, Long customerId, ClaimReason reason) {

    static StoredAdjustment of(Adjustment adjustment) {
      var claim = adjustment instanceof ClaimRaised raised ? raised : null;
      return new StoredAdjustment(
          AdjustmentKind.of(adjustment),
          MoneyText.plain(adjustment.amount()),
          claim == null ? null : Long.valueOf(claim.customerId()),
          claim == null ? null : claim.reason());
    }
  }

  static StoredProposals of(ReceiptProposals result) {
    return new StoredProposals(
        result.alternatives(),
        result.exhaustive(),
        result.proposals().stream().map(StoredProposals::stored).toList(),
        result.notes(),
        result.marks());
  }

  private static Stored stored(Proposal proposal) {
    return new Stored(
        proposal.probability(),
        proposal.customerId().map(Long::valueOf).orElse(null),
        proposal.payerId().map(Long::valueOf).orElse(null),
        proposal.applications().stream()
            .map(
                a ->
                    new StoredApplication(
                        Long.valueOf(a.item().id()),
                        a.item().number(),
                        MoneyText.plain(a.amount()),
                        MoneyText.plain(a.discount())))
            .toList(),
        proposal.adjustments().stream().map(StoredAdjustment::of).toList(),
        MoneyText.plain(proposal.onAccount()),
        LeadSums.leavesOwing(proposal),
        proposal.evidence());
  }

  /** The first explanation alone, without what was marked and noted. */
  StoredProposals lead() {
    return new StoredProposals(
        alternatives, exhaustive, proposals.stream().limit(1).toList(), List.of(), List.of());
  }

  /** Whose account the first explanation speaks of; null where nobody's. */
  Long leadCustomer() {
    return proposals.isEmpty() ? null : proposals.get(0).onAccountCustomerId();
  }
}

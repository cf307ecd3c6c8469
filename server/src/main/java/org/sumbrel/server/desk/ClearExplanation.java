package org.sumbrel.server.desk;

import java.util.List;
import org.sumbrel.core.receivables.ClaimReason;
import org.sumbrel.server.api.AdjustmentKind;

/**
 * An explanation that may be posted as it stands; amounts are plain decimals in the entry's
 * currency.
 */
public record ClearExplanation(
    List<Part> parts, List<Difference> differences, String onAccount, Long onAccountCustomerId) {

  /** What it takes of one item. */
  public record Part(Long itemId, String amount, String discount) {}

  /** What explains a difference. */
  public record Difference(
      AdjustmentKind kind, String amount, Long customerId, ClaimReason reason) {}

  static ClearExplanation of(StoredProposals.Stored stored) {
    return new ClearExplanation(
        stored.applications().stream()
            .map(a -> new Part(a.itemId(), a.amount(), a.discount()))
            .toList(),
        stored.adjustments().stream()
            .map(a -> new Difference(a.kind(), a.amount(), a.customerId(), a.reason()))
            .toList(),
        stored.onAccount(),
        stored.onAccountCustomerId());
  }
}

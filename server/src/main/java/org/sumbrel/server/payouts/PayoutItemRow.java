package org.sumbrel.server.payouts;

import org.sumbrel.core.payout.Join;
import org.sumbrel.core.payout.PayoutItem;

/**
 * An item of a payout as it is kept.
 *
 * @param decidedBy who said what it belongs to; null where nobody did
 */
record PayoutItemRow(Long id, Long payoutId, PayoutItem item, Join join, String decidedBy) {

  /** The same item where it belongs to something else. */
  PayoutItemRow joined(Join other) {
    return new PayoutItemRow(id, payoutId, item, other, decidedBy);
  }
}

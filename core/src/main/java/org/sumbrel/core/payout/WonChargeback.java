package org.sumbrel.core.payout;

import java.util.Collection;
import java.util.Optional;
import org.joda.money.Money;
import org.sumbrel.core.receivables.Claim;
import org.sumbrel.core.receivables.OpenItem;

/** What a chargeback that was decided for us settles of what it has left open. */
public final class WonChargeback {

  private WonChargeback() {}

  /**
   * The open item that it settles; empty where nothing of it is open any more with the amount.
   *
   * @param won what comes back, positive
   * @param reopened whether the chargeback opened the invoice again; else it became a claim
   * @param paid the invoice that the sale paid, as it stands
   * @param made what booking the chargeback made, as it stands
   */
  public static Optional<OpenItem> settles(
      Money won, boolean reopened, OpenItem paid, Collection<OpenItem> made) {
    if (reopened) {
      return Optional.of(paid).filter(i -> !i.open().isLessThan(won));
    }
    return made.stream()
        .filter(i -> i instanceof Claim && i.customerId().equals(paid.customerId()))
        .filter(i -> i.open().equals(won))
        .findFirst();
  }
}

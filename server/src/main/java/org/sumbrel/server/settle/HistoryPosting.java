package org.sumbrel.server.settle;

import java.util.List;
import org.joda.money.Money;
import org.springframework.stereotype.Service;
import org.sumbrel.server.access.Actor;
import org.sumbrel.server.access.Role;
import org.sumbrel.server.api.MoneyView;
import org.sumbrel.server.desk.Entries;
import org.sumbrel.server.settle.PostSettlement.AppliedItem;

/**
 * Posts what was settled before Sumbrel was there, or in a demonstration's past, through the same
 * rules.
 */
@Service
public class HistoryPosting {

  private final Settlements settlements;
  private final Entries entries;

  HistoryPosting(Settlements settlements, Entries entries) {
    this.settlements = settlements;
    this.entries = entries;
  }

  /** What a past receipt took of one item, in minor units of its currency. */
  public record Taken(Long itemId, long amountMinor, long discountMinor) {}

  /** Posts what an entry paid, on the day on which the bank booked it. */
  public void post(Long entryId, List<Taken> taken, String by) {
    var entry = entries.entry(entryId);
    var currency = entry.amount().getCurrencyUnit();
    var applications =
        taken.stream()
            .map(
                t ->
                    new AppliedItem(
                        t.itemId(),
                        MoneyView.of(Money.ofMinor(currency, t.amountMinor())),
                        MoneyView.of(Money.ofMinor(currency, t.discountMinor())),
                        null))
            .toList();
    settlements.postOf(
        entry.bookedOn(),
        PostSettlement.of(entryId, applications, List.of()),
        new Actor(by, Role.CLERK));
  }
}

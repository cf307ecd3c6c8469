package org.sumbrel.server.settle;

import java.util.List;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.server.access.Actor;
import org.sumbrel.server.api.Conflict;
import org.sumbrel.server.api.MoneyView;
import org.sumbrel.server.desk.BankEntryEntity;
import org.sumbrel.server.desk.Entries;
import org.sumbrel.server.desk.Proposals;
import org.sumbrel.server.settle.PostSettlement.AppliedItem;
import org.sumbrel.server.settle.PostSettlement.Difference;

/** Posts the first explanation of an entry as it stands, where it stands clear. */
@Service
@Transactional
class ClearPosting {

  private final Settlements settlements;
  private final Proposals proposals;
  private final Entries entries;

  ClearPosting(Settlements settlements, Proposals proposals, Entries entries) {
    this.settlements = settlements;
    this.proposals = proposals;
    this.entries = entries;
  }

  Long post(Long entryId, String key, Actor actor) {
    var entry = entries.entry(entryId);
    var currency = entry.amount().getCurrencyUnit().getCode();
    var clear = proposals.clear(entryId);
    var command =
        clear
            .map(
                c ->
                    new PostSettlement(
                        entryId,
                        null,
                        null,
                        c.parts().stream()
                            .map(
                                p ->
                                    new AppliedItem(
                                        p.itemId(),
                                        new MoneyView(p.amount(), currency),
                                        new MoneyView(p.discount(), currency),
                                        null))
                            .toList(),
                        c.differences().stream()
                            .map(
                                d ->
                                    Difference.proposed(
                                        d.kind(),
                                        new MoneyView(d.amount(), currency),
                                        d.customerId(),
                                        d.reason()))
                            .toList(),
                        new MoneyView(c.onAccount(), currency),
                        c.customerId(),
                        1,
                        null))
            // what is settled already is refused by name below; a repeated call is answered as
            // before
            .orElseGet(() -> PostSettlement.of(entryId, List.of(), List.of()));
    if (clear.isEmpty() && entry.status() == BankEntryEntity.Status.WAITING) {
      throw new Conflict("NOT_CLEAR", "This entry no longer stands clear; nothing was posted.");
    }
    return settlements.post(
        command, SettlementEntity.Origin.CLEAR, CallKey.of(key, "clear " + entryId), actor);
  }
}

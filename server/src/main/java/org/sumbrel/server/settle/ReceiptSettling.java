package org.sumbrel.server.settle;

import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.core.settle.PaidInFull;
import org.sumbrel.server.access.Actor;
import org.sumbrel.server.api.MoneyView;
import org.sumbrel.server.companies.CompanyPolicies;
import org.sumbrel.server.customers.Customers;
import org.sumbrel.server.customers.OpenItemEntity;
import org.sumbrel.server.desk.Entries;
import org.sumbrel.server.settle.PostSettlement.AppliedItem;

/** Settles money of which it was said what it pays, where that comes to the cent. */
@Service
@Transactional
public class ReceiptSettling {

  private final Settlements settlements;
  private final SettlementRepository repository;
  private final Entries entries;
  private final Customers customers;
  private final CompanyPolicies policies;

  ReceiptSettling(
      Settlements settlements,
      SettlementRepository repository,
      Entries entries,
      Customers customers,
      CompanyPolicies policies) {
    this.settlements = settlements;
    this.repository = repository;
    this.entries = entries;
    this.customers = customers;
    this.policies = policies;
  }

  /** What settled an entry: the settlement, and the numbers of the items it was set against. */
  public record SettledWith(Long settlementId, List<String> numbers) {}

  /** What settled these entries, by the entry's id; left out where nothing does. */
  @Transactional(readOnly = true)
  public Map<Long, SettledWith> settledWith(Collection<Long> entryIds) {
    var found = new HashMap<Long, SettledWith>();
    var posted =
        repository.ofEntries(entryIds).stream()
            .filter(s -> s.status() == SettlementEntity.Status.POSTED)
            .toList();
    var itemIds =
        posted.stream()
            .flatMap(s -> s.applications().stream())
            .map(ApplicationEntity::itemId)
            .collect(Collectors.toSet());
    var items = customers.items(itemIds);
    for (var settlement : posted) {
      found.put(
          settlement.entryId(),
          new SettledWith(
              settlement.id(),
              settlement.applications().stream()
                  .map(a -> items.get(a.itemId()).number())
                  .toList()));
    }
    return found;
  }

  /**
   * Settles an entry with all that is open of these items.
   *
   * @return the settlement's id; empty where the sums differ, so that it is left to a draft
   */
  public Optional<Long> inFull(Long entryId, List<Long> itemIds, Actor actor) {
    var entry = entries.entry(entryId);
    var currency = entry.amount().getCurrencyUnit();
    var found = customers.items(itemIds);
    var items = itemIds.stream().distinct().map(found::get).map(OpenItemEntity::toItem).toList();
    if (items.stream().anyMatch(i -> !i.open().getCurrencyUnit().equals(currency))) {
      return Optional.empty();
    }
    var grace = policies.of(entry.companyId(), currency).discountGraceDays();
    return PaidInFull.on(entry.bookedOn(), currency, items, grace)
        .by(entry.amount())
        .map(
            applications ->
                settlements.post(
                    PostSettlement.of(
                        entryId,
                        applications.stream()
                            .map(
                                a ->
                                    new AppliedItem(
                                        Long.valueOf(a.item().id()),
                                        MoneyView.of(a.amount()),
                                        MoneyView.of(a.discount()),
                                        null))
                            .toList(),
                        List.of()),
                    SettlementEntity.Origin.HAND,
                    Optional.empty(),
                    actor));
  }
}

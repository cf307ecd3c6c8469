package org.sumbrel.server.settle;

import java.util.Map;
import java.util.Optional;
import org.joda.money.Money;
import org.springframework.stereotype.Component;
import org.sumbrel.core.money.MoneyText;
import org.sumbrel.core.settle.Application;
import org.sumbrel.core.settle.Draft;
import org.sumbrel.server.api.BadRequest;
import org.sumbrel.server.api.Conflict;
import org.sumbrel.server.api.MoneyView;
import org.sumbrel.server.customers.Customers;
import org.sumbrel.server.customers.OpenItemEntity;
import org.sumbrel.server.desk.BankEntryEntity;
import org.sumbrel.server.desk.Entries;
import org.sumbrel.server.settle.PostSettlement.AppliedItem;

/**
 * Turns a draft as it is sent into the core's draft: looks everything up and holds it against what
 * was seen.
 */
@Component
class DraftAssembler {

  private final Entries entries;
  private final Customers customers;
  private final SettlementRepository settlements;

  DraftAssembler(Entries entries, Customers customers, SettlementRepository settlements) {
    this.entries = entries;
    this.customers = customers;
    this.settlements = settlements;
  }

  /** A draft with the rows it was made of. */
  record Assembled(Draft draft, BankEntryEntity entry, Map<Long, OpenItemEntity> items) {}

  /**
   * The draft.
   *
   * @throws Conflict where the entry is settled already, or entry or item changed since they were
   *     looked at
   */
  Assembled assemble(PostSettlement command) {
    var entry = entries.entry(command.entryId());
    requireWaiting(entry);
    if (command.entryVersion() != null && command.entryVersion() != entry.version()) {
      throw new Conflict(
          "STALE",
          "This entry has changed since you looked at it. Look again; nothing was posted.");
    }
    var items =
        customers.items(
            command.applications().stream().map(AppliedItem::itemId).distinct().toList());
    command.applications().forEach(a -> requireUnchanged(a, items.get(a.itemId())));
    var zero = Money.zero(entry.amount().getCurrencyUnit());
    var applications =
        command.applications().stream()
            .map(
                a ->
                    new Application(
                        items.get(a.itemId()).toItem(),
                        a.amount().toMoney(),
                        a.discount() == null ? zero : a.discount().toMoney()))
            .toList();
    var adjustments =
        command.adjustments().stream().map(d -> d.kind().of(d.amount().toMoney())).toList();
    var onAccount = Optional.ofNullable(command.onAccount()).map(MoneyView::toMoney).orElse(zero);
    if (onAccount.isNegative()) {
      throw new BadRequest("What stays on account cannot be negative.");
    }
    var keeper =
        Optional.ofNullable(command.onAccountCustomerId())
            .map(id -> customers.customer(entry.companyId(), id).id().toString());
    return new Assembled(
        new Draft(entry.toReceipt(), applications, adjustments, onAccount, keeper), entry, items);
  }

  private void requireWaiting(BankEntryEntity entry) {
    if (entry.status() == BankEntryEntity.Status.DEBIT) {
      throw new BadRequest("This entry is money from us; it pays no invoice.");
    }
    if (entry.status() == BankEntryEntity.Status.SETTLED) {
      var by =
          settlements
              .findFirstByEntryIdAndStatus(entry.id(), SettlementEntity.Status.POSTED)
              .map(s -> " by " + s.postedBy() + " with settlement " + s.id())
              .orElse("");
      throw new Conflict(
          "ALREADY_SETTLED",
          "These "
              + MoneyText.grouped(entry.amount())
              + " are settled already"
              + by
              + "; nothing was posted.");
    }
  }

  private static void requireUnchanged(AppliedItem application, OpenItemEntity item) {
    if (application.itemVersion() != null && application.itemVersion() != item.version()) {
      throw new Conflict(
          "STALE",
          item.number()
              + " has changed since you looked at it: "
              + MoneyText.grouped(item.open())
              + " of it is open now. Nothing was posted.");
    }
  }
}

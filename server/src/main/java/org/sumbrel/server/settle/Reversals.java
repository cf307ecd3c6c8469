package org.sumbrel.server.settle;

import java.time.Clock;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.Optional;
import org.joda.money.Money;
import org.springframework.security.access.AccessDeniedException;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.core.receivables.OpenItem;
import org.sumbrel.core.receivables.Receipt;
import org.sumbrel.core.settle.Application;
import org.sumbrel.core.settle.Draft;
import org.sumbrel.core.settle.Settlement;
import org.sumbrel.server.access.Actor;
import org.sumbrel.server.access.Membership;
import org.sumbrel.server.access.Role;
import org.sumbrel.server.api.Conflict;
import org.sumbrel.server.api.NotThere;
import org.sumbrel.server.customers.Customers;
import org.sumbrel.server.customers.OpenItemEntity;
import org.sumbrel.server.desk.Entries;
import org.sumbrel.server.desk.Proposals;
import org.sumbrel.server.journal.Journal;
import org.sumbrel.server.payers.PayerAliases;

/** Takes settlements back: each as one unit with its mirror journal entry, or not at all. */
@Service
@Transactional
public class Reversals {

  private final SettlementRepository settlements;
  private final Entries entries;
  private final Customers customers;
  private final Journal journal;
  private final Proposals proposals;
  private final PayerAliases aliases;
  private final Clock clock;

  Reversals(
      SettlementRepository settlements,
      Entries entries,
      Customers customers,
      Journal journal,
      Proposals proposals,
      PayerAliases aliases,
      Clock clock) {
    this.settlements = settlements;
    this.entries = entries;
    this.customers = customers;
    this.journal = journal;
    this.proposals = proposals;
    this.aliases = aliases;
    this.clock = clock;
  }

  /**
   * Takes a settlement back with the mirror journal entry; every balance is then as before.
   *
   * @throws Conflict where it is reversed already
   * @throws org.sumbrel.core.settle.SettlementRefused where money it kept on account has been used
   *     since
   */
  public void reverse(Long id, String reason, Actor actor) {
    var posted = settlements.held(id).orElseThrow(() -> new NotThere("settlement", id));
    if (posted.payoutId() != null) {
      throw new Conflict(
          "PAID_OUT",
          "Settlement "
              + id
              + " is what "
              + posted.payoutWords()
              + " is booked as; reverse the payout as a whole.");
    }
    reverseWhole(id, reason, actor);
    if (posted.transferId() != null) {
      // one side alone would leave the other under way for ever
      settlements
          .findByTransferIdAndStatusOrderById(posted.transferId(), SettlementEntity.Status.POSTED)
          .forEach(other -> reverseWhole(other.id(), reason, actor));
    }
  }

  /** Takes a settlement back on the say of whatever it is made of. */
  void reverseWhole(Long id, String reason, Actor actor) {
    // held first: of two who reverse it at once, the second must not see its items as the first
    // left them
    var posted = settlements.held(id).orElseThrow(() -> new NotThere("settlement", id));
    if (actor.role() == Role.CLERK && !posted.postedBy().equals(actor.name())) {
      throw new AccessDeniedException(
          "Settlement "
              + id
              + " was posted by "
              + posted.postedBy()
              + "; a supervisor can reverse it.");
    }
    if (posted.status() == SettlementEntity.Status.REVERSED) {
      throw new Conflict(
          "ALREADY_REVERSED",
          "Settlement " + id + " was reversed by " + posted.reversedBy() + " already.");
    }
    var entry = posted.entryId() == null ? null : entries.entry(posted.entryId());
    var items =
        customers.items(posted.applications().stream().map(ApplicationEntity::itemId).toList());
    var made = customers.madeBy(id);
    var settlement = readBack(posted);
    var now = new HashMap<String, OpenItem>();
    items.values().forEach(i -> now.put(i.id().toString(), i.toItem()));
    var rows = new HashMap<>(items);
    made.forEach(i -> rows.put(i.id(), i));
    var today = LocalDate.now(clock);
    var after =
        settlement.itemsAfterReversal(now, made.stream().map(OpenItemEntity::toItem).toList());
    for (var item : after) {
      rows.get(Long.valueOf(item.id())).balanceIs(item.open(), today);
    }
    for (var application : posted.applications()) {
      items.get(application.itemId()).worthComesBack(application.worthMinor());
    }
    made.forEach(OpenItemEntity::worthNothing);
    var mirror =
        journal.reverse(
            posted.journalEntryId(),
            today,
            "Reversal of settlement " + id + ": " + reason,
            actor.name());
    posted.reversed(actor.name(), clock.instant(), reason, mirror);
    for (var other : posted.elsewhere()) {
      Membership.current().require(other.companyId());
      other.reversed(
          journal.reverse(
              other.journalEntryId(),
              today,
              "Reversal of settlement " + id + ": " + reason,
              actor.name()));
      proposals.mark(other.companyId());
    }
    if (entry != null) {
      entry.waitsAgain();
    }
    if (posted.shownById() != null) {
      entries.entry(posted.shownById()).waitsAgain();
      posted.shownBy(null);
    }
    aliases.forgetLearnedFrom(id, actor.name());
    proposals.mark(posted.companyId());
  }

  /** A settlement as it was posted, with its items as they stand now. */
  @Transactional(readOnly = true)
  Settlement readBack(SettlementEntity posted) {
    var entry = posted.entryId() == null ? null : entries.entry(posted.entryId());
    var items =
        customers.items(posted.applications().stream().map(ApplicationEntity::itemId).toList());
    var applications =
        posted.applications().stream()
            .map(a -> new Application(items.get(a.itemId()).toItem(), a.amount(), a.discount()))
            .toList();
    var adjustments = posted.adjustments().stream().map(AdjustmentEntity::toAdjustment).toList();
    Money onAccount = posted.onAccount();
    return Settlement.readBack(
        new Draft(
            entry == null
                ? Receipt.none(
                        posted.companyId().toString(),
                        posted.postedOn(),
                        posted.received().getCurrencyUnit())
                    .of(posted.received())
                : entry.toReceipt(),
            applications,
            adjustments,
            onAccount,
            Optional.ofNullable(posted.onAccountCustomerId()).map(Object::toString),
            posted.exchanges()));
  }
}

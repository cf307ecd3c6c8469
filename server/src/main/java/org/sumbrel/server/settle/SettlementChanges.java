package org.sumbrel.server.settle;

import java.util.List;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.core.settle.Draft;
import org.sumbrel.server.access.Actor;
import org.sumbrel.server.api.NotThere;
import org.sumbrel.server.customers.Customers;

/**
 * Corrections of what is posted, each one step: a reversal and what is posted in its place, or none
 * of both.
 */
@Service
@Transactional
class SettlementChanges {

  private final SettlementRepository settlements;
  private final Settlements posting;
  private final Reversals reversals;
  private final HeldDrafts held;
  private final Customers customers;

  SettlementChanges(
      SettlementRepository settlements,
      Settlements posting,
      Reversals reversals,
      HeldDrafts held,
      Customers customers) {
    this.settlements = settlements;
    this.posting = posting;
    this.reversals = reversals;
    this.held = held;
    this.customers = customers;
  }

  /** Reverses a settlement and keeps the same as a draft of the actor's; the draft's subject. */
  DraftSubject redo(Long id, String reason, Actor actor) {
    var posted = found(id);
    var again = command(posted, reversals.readBack(posted).again());
    reversals.reverse(id, reason, actor);
    var subject = DraftSubject.of(again);
    held.keep(subject, again, null, actor);
    return subject;
  }

  /**
   * Takes one application of a settlement back; its money stays on account.
   *
   * @return the settlement that stands in its place
   */
  Long takeBack(Long id, Long itemId, String reason, Actor actor) {
    var posted = found(id);
    if (posted.applications().stream().noneMatch(a -> a.itemId().equals(itemId))) {
      throw new NotThere("item in settlement " + id, itemId);
    }
    var owner = customers.items(List.of(itemId)).get(itemId).customerId();
    return replace(
        posted,
        reversals.readBack(posted).without(itemId.toString(), owner.toString()),
        reason,
        actor);
  }

  /**
   * Moves the whole receipt onto another customer's account.
   *
   * @return the settlement that stands in its place
   */
  Long move(Long id, Long customerId, String reason, Actor actor) {
    var posted = found(id);
    var to = customers.customer(posted.companyId(), customerId).id();
    return replace(posted, reversals.readBack(posted).movedTo(to.toString()), reason, actor);
  }

  private Long replace(SettlementEntity posted, Draft next, String reason, Actor actor) {
    var command = command(posted, next);
    reversals.reverse(posted.id(), reason, actor);
    return posting.postInPlaceOf(posted.id(), command, actor);
  }

  private static PostSettlement command(SettlementEntity posted, Draft draft) {
    return PostSettlement.of(draft, posted.entryId(), posted.accountOfId());
  }

  private SettlementEntity found(Long id) {
    return settlements.findById(id).orElseThrow(() -> new NotThere("settlement", id));
  }
}

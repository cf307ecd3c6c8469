package org.sumbrel.server.payouts;

import java.util.List;
import java.util.Locale;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.core.money.MoneyText;
import org.sumbrel.core.payout.PayoutItem;
import org.sumbrel.core.payout.PayoutItemType;
import org.sumbrel.core.receivables.CreditNote;
import org.sumbrel.server.access.Actor;
import org.sumbrel.server.api.BadRequest;
import org.sumbrel.server.api.Conflict;
import org.sumbrel.server.api.NotThere;
import org.sumbrel.server.customers.Customers;
import org.sumbrel.server.payouts.JoinText.Kind;

/** What somebody says of the items of a payout: what they are, and what they belong to. */
@Service
@Transactional
class PayoutDecisions {

  private final Payouts payouts;
  private final PayoutItems items;
  private final PayoutJoins joins;
  private final Processors processors;
  private final PayoutConcerns concerns;
  private final Customers customers;

  PayoutDecisions(
      Payouts payouts,
      PayoutItems items,
      PayoutJoins joins,
      Processors processors,
      PayoutConcerns concerns,
      Customers customers) {
    this.payouts = payouts;
    this.items = items;
    this.joins = joins;
    this.processors = processors;
    this.concerns = concerns;
    this.customers = customers;
  }

  private PayoutEntity open(Long id) {
    var payout = payouts.held(id);
    if (payout.posted()) {
      throw new Conflict(
          "POSTED", "This payout was booked by " + payout.postedBy() + "; reverse it first.");
    }
    return payout;
  }

  private PayoutItemRow item(PayoutEntity payout, Long id) {
    return items.one(payout.id(), id).orElseThrow(() -> new NotThere("item of this payout", id));
  }

  /** Says what an item belongs to. */
  void belongs(Long id, Long itemId, JoinText to, Actor actor) {
    var payout = open(id);
    var row = item(payout, itemId);
    var type = row.item().type();
    var sale = type == PayoutItemType.SALE;
    var fits =
        switch (to.kind()) {
          case INVOICE -> (sale || type == PayoutItemType.REFUND) && to.target() != null;
          case RECEIPT -> sale && to.target() != null;
          case NEW -> sale;
          case SALE -> !sale && to.target() != null;
          case REOPEN -> type == PayoutItemType.CHARGEBACK && to.target() != null;
          case LOOSE, NOTHING -> !sale;
          case ASKED -> false;
        };
    if (!fits) {
      throw new BadRequest("A " + said(type) + " cannot belong to that.");
    }
    if (to.kind() == Kind.INVOICE) {
      requireOpen(payout, row.item(), to.target());
    }
    if (to.kind() == Kind.RECEIPT
        && !joins.mayBeReceipt(
            processors.processor(payout.processorId()), to.target(), row.item().gross())) {
      throw new BadRequest(
          "No card receipt of "
              + MoneyText.grouped(row.item().gross())
              + " that waits to be paid out is known by that number.");
    }
    if ((to.kind() == Kind.SALE || to.kind() == Kind.REOPEN)
        && !items.isSale(payout.processorId(), to.target())) {
      throw new NotThere("sale", to.target());
    }
    var join = to.toJoin("", "");
    if (to.kind() == Kind.REOPEN && concerns.of(List.of(row.joined(join))).isEmpty()) {
      throw new BadRequest("That sale paid no invoice that could be opened again.");
    }
    items.decide(itemId, join, actor.name());
  }

  private void requireOpen(PayoutEntity payout, PayoutItem item, Long target) {
    var there = customers.itemsThere(payout.companyId(), List.of(target));
    if (there.isEmpty()) {
      throw new NotThere("open item", target);
    }
    var open = there.get(0).open();
    var refund = item.type() == PayoutItemType.REFUND;
    if (!open.getCurrencyUnit().equals(payout.currency())
        || (refund ? open.isGreaterThan(item.gross()) : open.isLessThan(item.gross()))) {
      throw new BadRequest(
          there.get(0).number()
              + " is open with "
              + MoneyText.grouped(open)
              + "; a "
              + said(item.type())
              + " of "
              + MoneyText.grouped(item.gross())
              + " cannot be set against it.");
    }
    if (refund != there.get(0).toItem() instanceof CreditNote) {
      throw new BadRequest(
          refund
              ? "A refund pays out a credit note; " + there.get(0).number() + " is none."
              : "A sale does not pay " + there.get(0).number() + ", which is a credit note.");
    }
  }

  /** Says what an item is whose type nobody knew; then it is looked up what it belongs to. */
  void is(Long id, Long itemId, PayoutItemType type) {
    var payout = open(id);
    var row = item(payout, itemId);
    if (type == PayoutItemType.UNKNOWN || type == PayoutItemType.TRANSFER) {
      throw new BadRequest("That says nothing of what the item is.");
    }
    try {
      items.is(itemId, row.item().as(type));
    } catch (IllegalArgumentException e) {
      throw new BadRequest(
          "What comes to "
              + MoneyText.grouped(row.item().net())
              + " cannot be a "
              + said(type)
              + ": its sign is against it.");
    }
    lookAgain(payout);
  }

  /** Looks up anew what nobody has decided; how many items belong to something else now. */
  int lookAgain(Long id) {
    return lookAgain(open(id));
  }

  private int lookAgain(PayoutEntity payout) {
    return joins.again(payout, processors.processor(payout.processorId()));
  }

  private static String said(PayoutItemType type) {
    return type.name().toLowerCase(Locale.ROOT).replace('_', ' ');
  }
}

package org.sumbrel.server.payouts;

import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.joda.money.Money;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.core.payout.Join;
import org.sumbrel.core.payout.PayoutItemType;
import org.sumbrel.core.payout.WonChargeback;
import org.sumbrel.server.customers.Customers;
import org.sumbrel.server.customers.OpenItemEntity;

/**
 * The open items that chargebacks concern: the invoice that the sale paid, whether through the
 * payout or by a card slip that was recorded before; of a chargeback that was won, what it has left
 * open.
 */
@Component
@Transactional(readOnly = true)
class PayoutConcerns {

  private final PayoutItems items;
  private final PayoutRepository payouts;
  private final Customers customers;
  private final JdbcClient jdbc;

  PayoutConcerns(
      PayoutItems items, PayoutRepository payouts, Customers customers, JdbcClient jdbc) {
    this.items = items;
    this.payouts = payouts;
    this.customers = customers;
    this.jdbc = jdbc;
  }

  /** The items that are concerned, by the items of a payout. */
  Map<Long, Long> of(Collection<PayoutItemRow> some) {
    var concerned = new HashMap<Long, Long>();
    var chargebacks = about(some, PayoutItemType.CHARGEBACK);
    var sales = new HashMap<Long, PayoutItemRow>();
    items
        .some(chargebacks.values().stream().distinct().toList())
        .forEach(s -> sales.put(s.id(), s));
    chargebacks.forEach(
        (row, sale) ->
            // the payout of the sale may have been taken back since
            Optional.ofNullable(sales.get(sale))
                .flatMap(this::paid)
                .ifPresent(id -> concerned.put(row.id(), id)));
    about(some, PayoutItemType.CHARGEBACK_REVERSAL)
        .forEach((row, sale) -> leftOpen(row, sale).ifPresent(id -> concerned.put(row.id(), id)));
    return concerned;
  }

  /** The sales that items of a type are about. */
  private static Map<PayoutItemRow, Long> about(
      Collection<PayoutItemRow> some, PayoutItemType type) {
    var about = new HashMap<PayoutItemRow, Long>();
    for (var row : some) {
      if (row.item().type() == type && row.join() instanceof Join.ToSale sale) {
        about.put(row, Long.valueOf(sale.saleId()));
      }
    }
    return about;
  }

  private Optional<Long> paid(PayoutItemRow sale) {
    if (sale.join() instanceof Join.ToInvoice invoice) {
      return Optional.of(Long.valueOf(invoice.itemId()));
    }
    return sale.join() instanceof Join.ToReceipt receipt
        ? settledBy(Long.valueOf(receipt.receiptId()), sale.item().gross())
        : Optional.empty();
  }

  /** What a card slip paid; of several the one of the whole amount, else the largest. */
  private Optional<Long> settledBy(Long receipt, Money amount) {
    return jdbc.sql(
            """
            select a.item_id from settlement s join settlement_application a on a.settlement_id = s.id
            join open_item i on i.id = a.item_id
            where s.entry_id = :receipt and s.status = 'POSTED' and i.kind = 'INVOICE'
            order by case when a.amount_minor = :minor then 0 else 1 end, a.amount_minor desc, a.id limit 1
            """)
        .param("receipt", receipt)
        .param("minor", amount.getAmountMinorLong())
        .query(Long.class)
        .optional();
  }

  /**
   * What a chargeback of the sale has left open in an earlier payout: the invoice that it opened
   * again, or its claim.
   */
  private Optional<Long> leftOpen(PayoutItemRow won, Long sale) {
    for (var before : items.about(List.of(sale))) {
      if (before.item().type() == PayoutItemType.CHARGEBACK
          && !before.payoutId().equals(won.payoutId())) {
        var settlement =
            payouts.findById(before.payoutId()).map(PayoutEntity::settlementId).orElse(null);
        var paid = of(List.of(before)).get(before.id());
        if (settlement != null && paid != null) {
          var open = leftOpen(won, before, paid, settlement);
          if (open.isPresent()) {
            return open;
          }
        }
      }
    }
    return Optional.empty();
  }

  private Optional<Long> leftOpen(
      PayoutItemRow won, PayoutItemRow before, Long paid, Long settlement) {
    var invoice = customers.itemsLeft(List.of(paid)).get(paid);
    if (invoice == null) {
      return Optional.empty();
    }
    var reopened = before.join() instanceof Join.ToSale sale && sale.reopens();
    var made = customers.madeBy(settlement).stream().map(OpenItemEntity::toItem).toList();
    return WonChargeback.settles(won.item().gross(), reopened, invoice.toItem(), made)
        .map(i -> Long.valueOf(i.id()));
  }
}

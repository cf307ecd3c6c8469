package org.sumbrel.server.payouts;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.core.payout.Join;
import org.sumbrel.core.payout.PayoutItem;
import org.sumbrel.core.payout.PayoutJoining;
import org.sumbrel.core.payout.RecordedSale;
import org.sumbrel.core.receivables.CreditNote;
import org.sumbrel.core.receivables.Invoice;

/** Brings together what the items of a payout may belong to, and has them joined. */
@Component
@Transactional
class PayoutJoins {

  private final PayoutItems items;
  private final JdbcClient jdbc;

  PayoutJoins(PayoutItems items, JdbcClient jdbc) {
    this.items = items;
    this.jdbc = jdbc;
  }

  /**
   * What the items of a payout belong to, in their order.
   *
   * @param payoutId earlier payouts have smaller ids; for a new one the largest there may be
   */
  @Transactional(readOnly = true)
  public List<Join> of(
      ProcessorEntity processor,
      CurrencyUnit currency,
      Long payoutId,
      List<PayoutItem> told,
      List<Long> ids) {
    return PayoutJoining.among(
            invoices(processor.companyId(), currency),
            credits(processor.companyId(), currency),
            recorded(processor.companyId(), currency),
            items.sales(processor.id(), currency, payoutId))
        .join(told, ids.stream().map(Object::toString).toList());
  }

  /**
   * Joins anew what nobody has decided.
   *
   * @return how many items belong to something else now
   */
  int again(PayoutEntity payout, ProcessorEntity processor) {
    var rows = items.of(payout.id());
    var joins =
        of(
            processor,
            payout.currency(),
            payout.id(),
            rows.stream().map(PayoutItemRow::item).toList(),
            rows.stream().map(PayoutItemRow::id).toList());
    var ids = new ArrayList<Long>();
    var changed = new ArrayList<Join>();
    for (var n = 0; n < rows.size(); n++) {
      if (rows.get(n).decidedBy() == null && !rows.get(n).join().equals(joins.get(n))) {
        ids.add(rows.get(n).id());
        changed.add(joins.get(n));
      }
    }
    items.join(ids, changed);
    return ids.size();
  }

  /** Whether a receipt of just this amount is recorded and not paid out. */
  @Transactional(readOnly = true)
  public boolean mayBeReceipt(ProcessorEntity processor, Long receipt, Money amount) {
    return recorded(processor.companyId(), amount.getCurrencyUnit()).stream()
        .anyMatch(r -> r.id().equals(receipt.toString()) && r.amount().equals(amount));
  }

  /** All invoices of the company, the settled ones too: a reference to one of them is a doubt. */
  private List<Invoice> invoices(Long company, CurrencyUnit currency) {
    return jdbc.sql(
            """
            select id, customer_id, number, issued_on, due_on, total_minor, open_minor, order_reference, creditor_reference
            from open_item where company_id = :company and currency = :currency and kind = 'INVOICE' order by id
            """)
        .param("company", company)
        .param("currency", currency.getCode())
        .query(
            (row, n) ->
                new Invoice(
                    row.getString("id"),
                    company.toString(),
                    row.getString("customer_id"),
                    row.getString("number"),
                    row.getObject("issued_on", LocalDate.class),
                    row.getObject("due_on", LocalDate.class),
                    Money.ofMinor(currency, row.getLong("total_minor")),
                    Money.ofMinor(currency, row.getLong("open_minor")),
                    row.getString("order_reference"),
                    row.getString("creditor_reference"),
                    Optional.empty()))
        .list();
  }

  private List<CreditNote> credits(Long company, CurrencyUnit currency) {
    return jdbc.sql(
            """
            select id, customer_id, number, issued_on, due_on, total_minor, open_minor
            from open_item where company_id = :company and currency = :currency and kind = 'CREDIT_NOTE' and open_minor < 0
            order by id
            """)
        .param("company", company)
        .param("currency", currency.getCode())
        .query(
            (row, n) ->
                new CreditNote(
                    row.getString("id"),
                    company.toString(),
                    row.getString("customer_id"),
                    row.getString("number"),
                    row.getObject("issued_on", LocalDate.class),
                    row.getObject("due_on", LocalDate.class),
                    Money.ofMinor(currency, row.getLong("total_minor")),
                    Money.ofMinor(currency, row.getLong("open_minor"))))
        .list();
  }

  private static final class Recorded {
    private LocalDate on;
    private Money amount;
    private String from;
    private final List<String> references = new ArrayList<>();
  }

  /** Card receipts that nobody has paid out, with what they pay. */
  private List<RecordedSale> recorded(Long company, CurrencyUnit currency) {
    Map<String, Recorded> found = new LinkedHashMap<>();
    jdbc.sql(
            """
            select r.entry_id, r.received_on, r.amount_minor, r.payer, r.reference, i.number, i.order_reference
            from held_receipt r
            left join settlement s on s.entry_id = r.entry_id and s.status = 'POSTED'
            left join settlement_application a on a.settlement_id = s.id
            left join open_item i on i.id = a.item_id
            where r.company_id = :company and r.currency = :currency and r.method = 'CARD' and r.deposit_id is null
              and r.withdrawn_at is null
            order by r.entry_id
            """)
        .param("company", company)
        .param("currency", currency.getCode())
        .query(
            row -> {
              var one = found.computeIfAbsent(row.getString("entry_id"), id -> new Recorded());
              one.on = row.getObject("received_on", LocalDate.class);
              one.amount = Money.ofMinor(currency, row.getLong("amount_minor"));
              one.from = row.getString("payer");
              for (var column : List.of("reference", "number", "order_reference")) {
                var text = row.getString(column);
                if (text != null && !text.isBlank() && !one.references.contains(text)) {
                  one.references.add(text);
                }
              }
            });
    return found.entrySet().stream()
        .map(
            e ->
                new RecordedSale(
                    e.getKey(),
                    e.getValue().on,
                    e.getValue().amount,
                    e.getValue().references,
                    e.getValue().from))
        .toList();
  }
}

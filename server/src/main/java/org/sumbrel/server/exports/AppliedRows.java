package org.sumbrel.server.exports;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.core.receivables.RemittanceAdvice;
import org.sumbrel.core.receivables.RemittanceItem;

/** What settlements that stand have applied, line by line. */
@Component
@Transactional(readOnly = true)
class AppliedRows {

  private final JdbcClient jdbc;

  AppliedRows(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  /** What a line of a settlement is. */
  enum LineKind {
    APPLICATION,
    ADJUSTMENT,
    ON_ACCOUNT,
    /** What counts in another currency; the reference is that currency. */
    EXCHANGED,
    /** What counts for another company of the group, whose name is the reference. */
    FOR_COMPANY
  }

  /**
   * One line.
   *
   * @param reference the item's number; of an adjustment its kind
   * @param amount what the item's balance falls by; of an adjustment what it kept from us; what
   *     stays on account
   * @param counts what it is of the receipt, or of what of it counts in this currency and company:
   *     together they come to it
   */
  record AppliedLine(
      Long settlementId,
      LocalDate postedOn,
      LocalDate receivedOn,
      String payer,
      String bankReference,
      LineKind kind,
      String reference,
      String customerNumber,
      String customer,
      Money amount,
      Money discount,
      Money counts) {}

  /** Of settlements booked between two days, in the order in which they were posted. */
  List<AppliedLine> between(Long company, CurrencyUnit currency, LocalDate first, LocalDate last) {
    return jdbc.sql(
            """
            select s.id, j.booked_on, coalesce(e.booked_on, s.posted_on) as received_on, coalesce(e.payer_name, '') as payer,
              coalesce(e.bank_reference, '') as bank_reference, t.kind, t.reference, coalesce(c.number, '') as customer_number,
              coalesce(c.name, '') as customer, t.amount_minor, t.discount_minor, t.counts_minor
            from journal_entry j join settlement s on s.journal_entry_id = j.id join (
              select a.settlement_id, 1 as part, a.position, 'APPLICATION' as kind, i.number as reference, i.customer_id,
                a.amount_minor, a.discount_minor, a.amount_minor - a.discount_minor as counts_minor, a.currency, a.company_id
              from settlement_application a join open_item i on i.id = a.item_id
              union all
              select d.settlement_id, 2, d.position, 'ADJUSTMENT', d.kind, d.customer_id, d.amount_minor, 0, -d.amount_minor, d.currency, d.company_id
              from settlement_adjustment d
              union all
              select o.id, 3, 0, 'ON_ACCOUNT', coalesce((select min(i.number) from open_item i where i.made_by_settlement_id = o.id and i.kind = 'ON_ACCOUNT'), ''),
                o.on_account_customer_id, o.on_account_minor, 0, o.on_account_minor, o.currency, o.company_id
              from settlement o where o.on_account_minor <> 0
              union all
              select r.settlement_id, 4, r.position, case when r.counted_currency = r.to_currency then 'FOR_COMPANY' else 'EXCHANGED' end,
                case when p.company_id = r.company_id then r.counted_currency else g.name end, null, r.given_minor, 0, r.given_minor, r.to_currency, p.company_id
              from settlement_rate r join settlement p on p.id = r.settlement_id join company g on g.id = r.company_id where r.given_minor is not null
            ) t on t.settlement_id = s.id
              left join customer c on c.id = t.customer_id left join bank_entry e on e.id = s.entry_id
            where t.company_id = :company and t.currency = :currency and s.status = 'POSTED' and j.booked_on between :first and :last
            order by s.id, t.part, t.position
            """)
        .param("company", company)
        .param("currency", currency.getCode())
        .param("first", first)
        .param("last", last)
        .query(
            (row, n) ->
                new AppliedLine(
                    row.getLong("id"),
                    row.getObject("booked_on", LocalDate.class),
                    row.getObject("received_on", LocalDate.class),
                    row.getString("payer"),
                    row.getString("bank_reference"),
                    LineKind.valueOf(row.getString("kind")),
                    row.getString("reference"),
                    row.getString("customer_number"),
                    row.getString("customer"),
                    Money.ofMinor(currency, row.getLong("amount_minor")),
                    Money.ofMinor(currency, row.getLong("discount_minor")),
                    Money.ofMinor(currency, row.getLong("counts_minor"))))
        .list();
  }

  /** One advice for each settlement: its total is what was received. */
  static List<RemittanceAdvice> advices(List<AppliedLine> lines, CurrencyUnit currency) {
    var bySettlement = new LinkedHashMap<Long, List<AppliedLine>>();
    lines.forEach(
        l -> bySettlement.computeIfAbsent(l.settlementId(), s -> new ArrayList<>()).add(l));
    var zero = Money.zero(currency);
    var advices = new ArrayList<RemittanceAdvice>();
    bySettlement.forEach(
        (id, of) -> {
          var first = of.get(0);
          advices.add(
              new RemittanceAdvice(
                  id.toString(),
                  Optional.of(first.receivedOn()),
                  first.payer().isEmpty() ? first.customer() : first.payer(),
                  of.stream().map(AppliedLine::counts).reduce(zero, Money::plus),
                  of.stream().map(l -> item(l, zero)).toList()));
        });
    return advices;
  }

  /** What is for no document stands for itself, with its word as the reference. */
  private static RemittanceItem item(AppliedLine line, Money zero) {
    return line.kind() == LineKind.APPLICATION
        ? new RemittanceItem(line.reference(), line.counts(), line.discount(), zero, "")
        : new RemittanceItem(
            line.kind() == LineKind.ON_ACCOUNT ? "ON ACCOUNT" : line.reference().replace('_', ' '),
            zero,
            zero,
            line.counts(),
            "ZZ");
  }
}

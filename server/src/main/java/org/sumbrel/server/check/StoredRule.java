package org.sumbrel.server.check;

import java.util.List;

/**
 * A rule that the stored books must fulfil.
 *
 * @param says the rule, in a sentence
 * @param counted a query for how many things it is about
 * @param broken a query for those that break it, each as a sentence
 */
record StoredRule(String says, String counted, String broken) {

  private static final String SUMS =
      "coalesce((select sum(a.amount_minor - a.discount_minor) from settlement_application a where a.settlement_id = s.id and a.currency = s.currency and a.company_id = s.company_id), 0)"
          + " - coalesce((select sum(d.amount_minor) from settlement_adjustment d where d.settlement_id = s.id and d.currency = s.currency and d.company_id = s.company_id), 0)"
          + " + s.on_account_minor + s.exchanged_minor";

  static final List<StoredRule> ALL =
      List.of(
          new StoredRule(
              "Every journal entry balances in each currency",
              "select count(*) from journal_entry",
              """
              select 'journal entry ' || l.journal_entry_id || ' is off by ' || sum(l.amount_minor) || ' minor units of ' || l.currency
              from journal_line l group by l.journal_entry_id, l.currency having sum(l.amount_minor) <> 0
              """),
          new StoredRule(
              "Every journal entry balances in the currency of the books, where the rates of its day are known",
              "select count(*) from journal_entry",
              """
              select 'journal entry ' || e.id || ' is off by ' || sum(case when l.currency = c.currency then l.amount_minor else l.worth_minor end)
                || ' minor units of ' || c.currency || ' in the books'
              from journal_line l join journal_entry e on e.id = l.journal_entry_id join company c on c.id = e.company_id
              where exists (select 1 from journal_line f where f.journal_entry_id = e.id and f.worth_minor is not null)
              group by e.id, c.currency having sum(case when l.currency = c.currency then l.amount_minor else l.worth_minor end) <> 0
                or count(*) <> count(case when l.currency = c.currency then l.amount_minor else l.worth_minor end)
              """),
          new StoredRule(
              "What items in other currencies stand in the books with is what their accounts say",
              "select count(*) from open_item i join company c on c.id = i.company_id where i.currency <> c.currency",
              """
              select c.name || ' has items worth ' || coalesce(i.w, 0) || ' and accounts worth ' || l.w || ' minor units of ' || c.currency
              from company c join (
                select e.company_id, sum(l.worth_minor) as w, count(*) - count(l.worth_minor) as missing
                from journal_line l join journal_entry e on e.id = l.journal_entry_id join company c on c.id = e.company_id
                  join ledger_account a on a.id = l.ledger_account_id
                where l.currency <> c.currency and a.role in ('RECEIVABLE', 'UNAPPLIED_RECEIPTS', 'CLAIMS', 'REFUNDS_DUE') group by e.company_id
              ) l on l.company_id = c.id left join (
                select i.company_id, sum(i.worth_minor) as w from open_item i join company c on c.id = i.company_id
                where i.currency <> c.currency group by i.company_id
              ) i on i.company_id = c.id
              where l.missing = 0 and l.w <> coalesce(i.w, 0)
              """),
          new StoredRule(
              "What of a receipt counts in another currency or for another company is what it settles there",
              "select count(*) from settlement_rate where counted_minor is not null",
              """
              select 'settlement ' || r.settlement_id || ' counts ' || r.counted_minor || ' minor units of ' || r.counted_currency
              from settlement_rate r where r.counted_minor <> coalesce((select sum(a.amount_minor - a.discount_minor) from settlement_application a
                  where a.settlement_id = r.settlement_id and a.currency = r.counted_currency and a.company_id = r.company_id), 0)
                - coalesce((select sum(d.amount_minor) from settlement_adjustment d
                  where d.settlement_id = r.settlement_id and d.currency = r.counted_currency and d.company_id = r.company_id), 0)
              """),
          new StoredRule(
              "Every journal entry has two lines at least",
              "select count(*) from journal_entry",
              """
              select 'journal entry ' || e.id || ' has ' || count(l.id) || ' lines' from journal_entry e
              left join journal_line l on l.journal_entry_id = e.id group by e.id having count(l.id) < 2
              """),
          new StoredRule(
              "Every settlement adds up: what was received is what was applied, less discounts and differences, and what stays on account",
              "select count(*) from settlement",
              "select 'settlement ' || s.id || ' received ' || s.received_minor || ' minor units and accounts for ' || ("
                  + SUMS
                  + ") from settlement s where s.received_minor <> "
                  + SUMS),
          new StoredRule(
              "No item is open beyond its total, or in the other sign",
              "select count(*) from open_item",
              """
              select 'item ' || i.number || ' has ' || i.open_minor || ' open of ' || i.total_minor from open_item i
              where i.open_minor <> 0 and (sign(i.open_minor) <> sign(i.total_minor) or abs(i.open_minor) > abs(i.total_minor))
              """),
          new StoredRule(
              "What a settlement made is open by what was not applied of it, and gone where the settlement was taken back",
              "select count(*) from open_item where made_by_settlement_id is not null",
              """
              select 'item ' || i.number || ' has ' || i.open_minor || ' open' from open_item i join settlement m on m.id = i.made_by_settlement_id
              where i.open_minor <> case when m.status = 'REVERSED' then 0 else i.total_minor - coalesce((select sum(a.amount_minor)
                from settlement_application a join settlement s on s.id = a.settlement_id where a.item_id = i.id and s.status = 'POSTED'), 0) end
              """),
          new StoredRule(
              "What was taken back has its mirror in the journal",
              "select count(*) from settlement where status = 'REVERSED'",
              """
              select 'settlement ' || s.id || ' is not mirrored' from settlement s where s.status = 'REVERSED' and (s.reversal_entry_id is null or exists (
                select 1 from journal_line l where l.journal_entry_id in (s.journal_entry_id, s.reversal_entry_id)
                group by l.ledger_account_id, l.customer_id, l.currency having sum(l.amount_minor) <> 0)
                or exists (select 1 from settlement_elsewhere x where x.settlement_id = s.id and (x.reversal_entry_id is null or exists (
                  select 1 from journal_line l where l.journal_entry_id in (x.journal_entry_id, x.reversal_entry_id)
                  group by l.ledger_account_id, l.customer_id, l.currency having sum(l.amount_minor) <> 0))))
              """),
          new StoredRule(
              "Companies of the group agree on what they owe each other",
              "select count(*) from settlement_elsewhere",
              """
              select c.name || ' and ' || o.name || ' differ by ' || t.minor || ' minor units of ' || t.currency from (
                select least(a.company_id, a.counterpart_id) as one, greatest(a.company_id, a.counterpart_id) as other, l.currency, sum(l.amount_minor) as minor
                from ledger_account a join journal_line l on l.ledger_account_id = a.id where a.counterpart_id is not null
                group by least(a.company_id, a.counterpart_id), greatest(a.company_id, a.counterpart_id), l.currency having sum(l.amount_minor) <> 0
              ) t join company c on c.id = t.one join company o on o.id = t.other
              """),
          new StoredRule(
              "What is settled of another company's items is in its journal",
              "select count(*) from settlement_application a join settlement s on s.id = a.settlement_id where a.company_id <> s.company_id",
              """
              select 'settlement ' || s.id || ' wrote nothing for company ' || a.company_id from settlement_application a join settlement s on s.id = a.settlement_id
              where a.company_id <> s.company_id and not exists (
                select 1 from settlement_elsewhere x where x.settlement_id = s.id and x.company_id = a.company_id)
              """),
          OneCompany.RULE,
          new StoredRule(
              "No entry of the bank is settled twice",
              "select count(*) from bank_entry",
              """
              select 'entry ' || s.entry_id || ' has ' || count(*) || ' settlements' from settlement s
              where s.status = 'POSTED' and s.entry_id is not null group by s.entry_id having count(*) > 1
              """),
          new StoredRule(
              "What waits is not settled, and what is settled does not wait",
              "select count(*) from bank_entry",
              """
              select 'entry ' || e.id || ' is ' || lower(e.status) from bank_entry e
              where e.status = 'WAITING' and exists (select 1 from settlement s where s.entry_id = e.id and s.status = 'POSTED')
                or e.status = 'SETTLED' and not exists (select 1 from settlement s where s.entry_id = e.id and s.status = 'POSTED')
              """),
          new StoredRule(
              "Receipts on hand in the ledger are those in the pouch",
              "select count(*) from held_receipt",
              """
              select 'receipts on hand of company ' || t.company_id || ' differ by ' || sum(t.minor) || ' minor units of ' || t.currency from (
                select a.company_id, l.currency, l.amount_minor as minor from ledger_account a join journal_line l on l.ledger_account_id = a.id
                  where a.role = 'RECEIPTS_ON_HAND'
                union all
                select h.company_id, h.currency, -h.amount_minor from held_receipt h left join deposit d on d.id = h.deposit_id
                  where h.withdrawn_at is null and h.method <> 'CARD' and h.lockbox_batch_id is null and (d.id is null or d.status = 'OPEN')
              ) t group by t.company_id, t.currency having sum(t.minor) <> 0
              """),
          new StoredRule(
              "What is booked for a closed day was written before it was closed",
              "select count(*) from closed_period where reopened_at is null",
              """
              select 'journal entry ' || e.id || ' of ' || e.booked_on || ' was written after that day was closed' from closed_period c
              join journal_entry e on e.company_id = c.company_id and e.booked_on <= c.until_day and e.written_at > c.closed_at
              where c.reopened_at is null
              """),
          new StoredRule(
              "Every export of the journal has the entries that it says",
              "select count(*) from journal_export",
              """
              select 'export ' || x.id || ' says ' || x.entries || ' entries' from journal_export x
              where x.entries <> (select count(*) from journal_export_entry e where e.export_id = x.id)
              """),
          new StoredRule(
              "The audit trail tells of every settlement since it began, once",
              "select count(*) from settlement",
              """
              select 'settlement ' || s.id || ' has ' || count(r.id) || ' records of its making' from settlement s
              left join audit_record r on r.what = 'settlement' and r.thing = cast(s.id as varchar) and r.kind = 'MADE'
              where s.id >= coalesce((select min(cast(m.thing as bigint)) from audit_record m where m.what = 'settlement' and m.kind = 'MADE'), 0)
                and exists (select 1 from audit_record)
              group by s.id having count(r.id) <> 1
              """));
}

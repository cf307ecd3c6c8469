package org.sumbrel.server.learning;

import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.core.propose.Rehearsal;
import org.sumbrel.core.propose.Snapshot;
import org.sumbrel.core.settle.Policy;
import org.sumbrel.server.customers.Customers;
import org.sumbrel.server.desk.BankEntryEntity;
import org.sumbrel.server.desk.EngineBooks;
import org.sumbrel.server.desk.Entries;
import org.sumbrel.server.payers.PayerAliases;

/**
 * What would have been thought of the money of the last days under a policy, held against what
 * people posted; as if all of it came at once, with what is known of payers from before.
 */
@Service
@Transactional(readOnly = true)
class Rehearsals {

  static final int DAYS_BACK = 90;

  private final JdbcClient jdbc;
  private final Entries entries;
  private final Customers customers;
  private final PayerAliases aliases;
  private final Clock clock;

  Rehearsals(
      JdbcClient jdbc, Entries entries, Customers customers, PayerAliases aliases, Clock clock) {
    this.jdbc = jdbc;
    this.entries = entries;
    this.customers = customers;
    this.aliases = aliases;
    this.clock = clock;
  }

  /** What was settled in these days, for one policy after the other. */
  record Past(Snapshot now, List<Rehearsal.Posted> posted) {

    List<Rehearsal.Thought> under(Policy policy) {
      var books =
          new Snapshot(
              now.items(), now.settledOn(), now.customers(), now.aliases(), now.history(), policy);
      return Rehearsal.of(books, posted);
    }
  }

  /** Receipts of the last days that are settled, with the books as they stand. */
  Past past(Long company, CurrencyUnit currency, Policy policy) {
    var since = LocalDate.now(clock).minusDays(DAYS_BACK);
    var applied = new LinkedHashMap<Long, Map<String, Money>>();
    var settlements = new HashSet<Long>();
    jdbc.sql(
            """
            select s.id, s.entry_id, a.item_id, a.amount_minor
            from settlement s join bank_entry e on e.id = s.entry_id
              left join settlement_application a on a.settlement_id = s.id
            where s.company_id = :company and s.status = 'POSTED' and s.currency = :currency and e.booked_on >= :since
              and not exists (select 1 from settlement_adjustment d where d.settlement_id = s.id and d.kind = 'TO_ACCOUNT')
            order by s.entry_id, a.position
            """)
        .param("company", company)
        .param("currency", currency.getCode())
        .param("since", since)
        .query(
            row -> {
              settlements.add(row.getLong("id"));
              var items = applied.computeIfAbsent(row.getLong("entry_id"), e -> new HashMap<>());
              if (row.getString("item_id") != null) {
                items.merge(
                    row.getString("item_id"),
                    Money.ofMinor(currency, row.getLong("amount_minor")),
                    Money::plus);
              }
            });
    var posted = new ArrayList<Rehearsal.Posted>();
    for (BankEntryEntity entry : entries.all(applied.keySet())) {
      posted.add(new Rehearsal.Posted(entry.toReceipt(), applied.get(entry.id())));
    }
    return new Past(snapshot(company, currency, policy, since, settlements), posted);
  }

  private Snapshot snapshot(
      Long company,
      CurrencyUnit currency,
      Policy policy,
      LocalDate since,
      HashSet<Long> settlements) {
    var items =
        customers.itemsOf(company).stream()
            .filter(i -> i.currency().equals(currency.getCode()))
            .filter(i -> !settlements.contains(i.madeBySettlementId()))
            .toList();
    return EngineBooks.of(
        items,
        customers.all(company),
        aliases.all(company).values(),
        entries.pastPayers(company, since),
        List.of(),
        policy);
  }
}

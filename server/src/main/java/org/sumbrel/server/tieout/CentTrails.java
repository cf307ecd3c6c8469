package org.sumbrel.server.tieout;

import java.time.Instant;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Isolation;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.core.tieout.CentTrail;
import org.sumbrel.server.changes.RowChanges;

/**
 * Counts the cent trail. What arrived is what the statements and lockbox batches said when they
 * were taken in, and what corrected ones changed of it when somebody accepted that; what is
 * applied, on account and waiting is counted from settlements and entries: two sides that know
 * nothing of each other. Everything is counted as it stood at one moment: what is posted between
 * two counts would look missing.
 */
@Service
@Transactional(readOnly = true, isolation = Isolation.SERIALIZABLE)
class CentTrails {

  /** The tables whose rows are counted, or are written with one that is. */
  private static final Set<String> COUNTED =
      Set.of("bank_entry", "settlement", "statement", "correction");

  private final JdbcClient jdbc;
  private final RowChanges.Reader changes;
  private final Map<Long, List<IntakeTrail>> counted = new HashMap<>();

  CentTrails(JdbcClient jdbc, RowChanges changes) {
    this.jdbc = jdbc;
    this.changes = changes.reader();
  }

  /** The trail of one intake in one currency. */
  record IntakeTrail(
      Long intakeId, String fileName, Instant takenAt, CurrencyUnit currency, CentTrail trail) {}

  private record Key(Long intakeId, String currency) {}

  /**
   * The trails of all intakes that brought money, newest first; counted anew when a row that they
   * count was written.
   */
  synchronized List<IntakeTrail> of(Long company) {
    var told = changes.next();
    if (told.everything() || told.rows().keySet().stream().anyMatch(COUNTED::contains)) {
      counted.clear();
    }
    var known = counted.get(company);
    if (known == null) {
      known = count(company);
      counted.put(company, known);
    }
    return known;
  }

  private List<IntakeTrail> count(Long company) {
    var waiting =
        sums(
            company,
            """
            select e.intake_id, e.currency, sum(e.amount_minor) as minor from bank_entry e
            where e.company_id = :company and e.status = 'WAITING' group by e.intake_id, e.currency
            """);
    var onAccount =
        sums(
            company,
            """
            select e.intake_id, e.currency, sum(s.on_account_minor) as minor
            from settlement s join bank_entry e on e.id = s.entry_id
            where e.company_id = :company and e.amount_minor > 0 and s.status = 'POSTED' group by e.intake_id, e.currency
            """);
    var applied =
        sums(
            company,
            """
            select e.intake_id, e.currency, sum(a.amount_minor - a.discount_minor) as minor
            from settlement_application a join settlement s on s.id = a.settlement_id join bank_entry e on e.id = s.entry_id
            where e.company_id = :company and e.amount_minor > 0 and s.status = 'POSTED' group by e.intake_id, e.currency
            """);
    var adjusted =
        sums(
            company,
            """
            select e.intake_id, e.currency, sum(d.amount_minor) as minor
            from settlement_adjustment d join settlement s on s.id = d.settlement_id join bank_entry e on e.id = s.entry_id
            where e.company_id = :company and e.amount_minor > 0 and s.status = 'POSTED' and d.kind <> 'TO_ACCOUNT' group by e.intake_id, e.currency
            """);
    var toAccounts =
        sums(
            company,
            """
            select intake_id, currency, sum(minor) as minor from (
              select e.intake_id, e.currency, -d.amount_minor as minor
              from settlement_adjustment d join settlement s on s.id = d.settlement_id join bank_entry e on e.id = s.entry_id
              where e.company_id = :company and e.amount_minor > 0 and s.status = 'POSTED' and d.kind = 'TO_ACCOUNT'
              union all
              select e.intake_id, e.currency, e.amount_minor from bank_entry e
              where e.company_id = :company and e.status = 'SOLD'
            ) group by intake_id, currency
            """);
    var shelved =
        sums(
            company,
            """
            select e.intake_id, e.currency, sum(e.amount_minor) as minor from bank_entry e
            where e.company_id = :company and e.status = 'SHELVED' group by e.intake_id, e.currency
            """);
    var returned =
        sums(
            company,
            """
            select e.intake_id, e.currency, sum(e.amount_minor) as minor from bank_entry e
            where e.company_id = :company and e.status = 'RETURNED' and e.amount_minor > 0 group by e.intake_id, e.currency
            """);
    var banked =
        sums(
            company,
            """
            select e.intake_id, e.currency, sum(e.amount_minor) as minor from bank_entry e
            where e.company_id = :company and e.status = 'BANKED' group by e.intake_id, e.currency
            """);
    var corrected =
        sums(
            company,
            """
            select e.intake_id, e.currency, sum(greatest(coalesce(c.new_minor, 0), 0) - greatest(c.old_minor, 0)) as minor
            from correction c join bank_entry e on e.id = c.entry_id
            where c.company_id = :company and c.status = 'ACCEPTED' group by e.intake_id, e.currency
            """);
    var parts =
        new Parts(
            corrected,
            applied,
            adjusted,
            onAccount,
            toAccounts,
            shelved,
            returned,
            banked,
            waiting);
    var trails = new ArrayList<IntakeTrail>();
    jdbc.sql(
            """
            select currency, sum(amount_minor) as minor, max(recorded_at) as last_at from held_receipt
            where company_id = :company and withdrawn_at is null and lockbox_batch_id is null group by currency
            """)
        .param("company", company)
        .query(
            row -> {
              var currency = CurrencyUnit.of(row.getString("currency"));
              // rows without an intake have none as their key too
              var key = new Key(0L, currency.getCode());
              trails.add(
                  new IntakeTrail(
                      null,
                      "Recorded in the office",
                      row.getObject("last_at", OffsetDateTime.class).toInstant(),
                      currency,
                      trail(Money.ofMinor(currency, row.getLong("minor")), parts, key)));
            });
    jdbc.sql(
            """
            select i.id, i.file_name, i.taken_at, t.currency, sum(t.minor) as minor
            from intake i join (
              select intake_id, currency, credits_minor - known_credits_minor as minor from statement
              union all
              select intake_id, currency, total_minor from lockbox_batch
            ) t on t.intake_id = i.id
            where i.company_id = :company group by i.id, i.file_name, i.taken_at, t.currency order by i.id desc, t.currency
            """)
        .param("company", company)
        .query(
            row -> {
              var currency = CurrencyUnit.of(row.getString("currency"));
              var key = new Key(row.getLong("id"), currency.getCode());
              var trail = trail(Money.ofMinor(currency, row.getLong("minor")), parts, key);
              var takenAt = row.getObject("taken_at", OffsetDateTime.class).toInstant();
              trails.add(
                  new IntakeTrail(
                      key.intakeId(), row.getString("file_name"), takenAt, currency, trail));
            });
    return trails;
  }

  private record Parts(
      Map<Key, Long> corrected,
      Map<Key, Long> applied,
      Map<Key, Long> adjusted,
      Map<Key, Long> onAccount,
      Map<Key, Long> toAccounts,
      Map<Key, Long> shelved,
      Map<Key, Long> returned,
      Map<Key, Long> banked,
      Map<Key, Long> waiting) {}

  private static CentTrail trail(Money told, Parts parts, Key key) {
    var currency = told.getCurrencyUnit();
    return new CentTrail(
        told.plus(money(currency, parts.corrected(), key)),
        money(currency, parts.applied(), key).minus(money(currency, parts.adjusted(), key)),
        money(currency, parts.onAccount(), key),
        money(currency, parts.toAccounts(), key),
        money(currency, parts.shelved(), key),
        money(currency, parts.returned(), key),
        money(currency, parts.banked(), key),
        money(currency, parts.waiting(), key));
  }

  /** Rows without an intake are receipts that were recorded here. */
  private Map<Key, Long> sums(Long company, String query) {
    var sums = new LinkedHashMap<Key, Long>();
    jdbc.sql(query)
        .param("company", company)
        .query(
            row -> {
              sums.put(
                  new Key(row.getLong("intake_id"), row.getString("currency")),
                  row.getLong("minor"));
            });
    return sums;
  }

  private static Money money(CurrencyUnit currency, Map<Key, Long> sums, Key key) {
    return Money.ofMinor(currency, sums.getOrDefault(key, 0L));
  }
}

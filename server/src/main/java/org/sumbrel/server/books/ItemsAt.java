package org.sumbrel.server.books;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.core.receivables.Aged;
import org.sumbrel.core.receivables.ClaimReason;
import org.sumbrel.server.customers.OpenItemEntity.Kind;

/**
 * The items of customers as they stood at the end of a day: what each was when it came, less what
 * was applied to it by settlements that are in the books of its company for that day or one before
 * and were not taken back by then, and less what was paid elsewhere.
 */
@Component
@Transactional(readOnly = true)
public class ItemsAt {

  private final JdbcClient jdbc;

  ItemsAt(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  /** An item with what was open of it; never zero. */
  public record ItemAt(
      Long id,
      Long customerId,
      Kind kind,
      String number,
      LocalDate issuedOn,
      LocalDate dueOn,
      ClaimReason claimReason,
      Money total,
      Money open)
      implements Aged {}

  /**
   * What was open at the end of a day.
   *
   * @param day null for all that is in the books, whatever its day
   */
  public List<ItemAt> at(Long company, CurrencyUnit currency, LocalDate day) {
    if (day == null) {
      return jdbc.sql(
              "select * from open_item where company_id = :company and currency = :currency and open_minor <> 0 order by id")
          .param("company", company)
          .param("currency", currency.getCode())
          .query((row, n) -> item(row, currency, row.getLong("open_minor")))
          .list();
    }
    var applied = applied(company, day);
    var ever = applied(company, null);
    var items = new ArrayList<ItemAt>();
    jdbc.sql(
            """
            select i.*, m.id as maker, mj.booked_on as made_on, mr.booked_on as unmade_on from open_item i
              left join settlement m on m.id = i.made_by_settlement_id
              left join journal_entry mj on mj.id = m.journal_entry_id
              left join journal_entry mr on mr.id = m.reversal_entry_id
            where i.company_id = :company and i.currency = :currency order by i.id
            """)
        .param("company", company)
        .param("currency", currency.getCode())
        .query(
            row -> {
              var open = openAt(row, day, applied, ever);
              if (open != 0) {
                items.add(item(row, currency, open));
              }
            });
    return items;
  }

  private static long openAt(
      ResultSet row, LocalDate day, Map<Long, Long> applied, Map<Long, Long> ever)
      throws SQLException {
    var id = row.getLong("id");
    if (row.getObject("maker") == null) {
      var came = row.getLong("open_minor") + ever.getOrDefault(id, 0L);
      return row.getObject("issued_on", LocalDate.class).isAfter(day)
          ? 0
          : came - applied.getOrDefault(id, 0L);
    }
    // either may be booked first: where a day was closed and opened again in between
    var made = until(row.getObject("made_on", LocalDate.class), day);
    var unmade = until(row.getObject("unmade_on", LocalDate.class), day);
    return (made - unmade) * row.getLong("total_minor") - applied.getOrDefault(id, 0L);
  }

  private static int until(LocalDate on, LocalDate day) {
    return on == null || on.isAfter(day) ? 0 : 1;
  }

  /** What was applied to each item by what stood on a day; null for what stands. */
  private Map<Long, Long> applied(Long company, LocalDate day) {
    var sums = new HashMap<Long, Long>();
    jdbc.sql(
            """
            select t.item_id, sum(t.minor) as minor from (
              select a.item_id, a.amount_minor as minor from settlement s
                join settlement_application a on a.settlement_id = s.id join journal_entry j on j.id = s.journal_entry_id
              where s.company_id = :company and a.company_id = :company and j.booked_on <= :day
              union all
              select a.item_id, -a.amount_minor from settlement s
                join settlement_application a on a.settlement_id = s.id join journal_entry r on r.id = s.reversal_entry_id
              where s.company_id = :company and a.company_id = :company and r.booked_on <= :day
              union all
              select a.item_id, a.amount_minor from settlement_elsewhere x
                join settlement_application a on a.settlement_id = x.settlement_id and a.company_id = x.company_id
                join journal_entry j on j.id = x.journal_entry_id
              where x.company_id = :company and j.booked_on <= :day
              union all
              select a.item_id, -a.amount_minor from settlement_elsewhere x
                join settlement_application a on a.settlement_id = x.settlement_id and a.company_id = x.company_id
                join journal_entry r on r.id = x.reversal_entry_id
              where x.company_id = :company and r.booked_on <= :day
              union all
              select u.item_id, u.old_open_minor - coalesce(u.new_open_minor, 0) from item_update u
              where u.company_id = :company and u.status = 'ACCEPTED' and u.kind <> 'DUE_DATE' and cast(u.decided_at as date) <= :day
            ) t group by t.item_id
            """)
        .param("company", company)
        .param("day", day == null ? LocalDate.of(9999, 12, 31) : day)
        .query(
            row -> {
              sums.put(row.getLong("item_id"), row.getLong("minor"));
            });
    return sums;
  }

  private static ItemAt item(ResultSet row, CurrencyUnit currency, long openMinor)
      throws SQLException {
    var reason = row.getString("claim_reason");
    return new ItemAt(
        row.getLong("id"),
        row.getLong("customer_id"),
        Kind.valueOf(row.getString("kind")),
        row.getString("number"),
        row.getObject("issued_on", LocalDate.class),
        row.getObject("due_on", LocalDate.class),
        reason == null ? null : ClaimReason.valueOf(reason),
        Money.ofMinor(currency, row.getLong("total_minor")),
        Money.ofMinor(currency, openMinor));
  }
}

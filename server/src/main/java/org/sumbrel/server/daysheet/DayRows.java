package org.sumbrel.server.daysheet;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.NavigableMap;
import java.util.TreeMap;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.core.day.TimeToApply.Waited;
import org.sumbrel.server.daysheet.DaySheetView.Hand;

/**
 * Counts what arrived and what was settled by day and hour. Money arrives when the file that tells
 * of it is taken in, or when it is recorded in the office; what was settled before that, as the
 * past of a company that has just begun, arrived when the bank booked it.
 */
@Component
@Transactional(readOnly = true)
class DayRows {

  /** Entries that are money to us, and are not withdrawn. */
  static final String RECEIVED =
      "e.company_id = :company and e.currency = :currency and e.amount_minor > 0 and e.status not in ('PENDING', 'WITHDRAWN')";

  /** What had settled an entry at the end of a day, where anything had. */
  static final String SETTLED_BY =
      """
      exists (select 1 from settlement s left join journal_entry r on r.id = s.reversal_entry_id
          where s.entry_id = e.id and s.posted_on <= :day and (r.id is null or r.booked_on > :day))
        or exists (select 1 from deposit_shown d where d.entry_id = e.id and cast(d.tied_at as date) <= :day)
      """;

  private final JdbcClient jdbc;

  DayRows(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  /** Whose day. */
  record Of(Long company, CurrencyUnit currency) {

    Money money(long minor) {
      return Money.ofMinor(currency, minor);
    }
  }

  /**
   * What came or was settled.
   *
   * @param hour null where it is not known
   */
  record Sum(LocalDate on, Integer hour, long count, long minor) {}

  private JdbcClient.StatementSpec asked(String sql, Of of) {
    return jdbc.sql(sql).param("company", of.company()).param("currency", of.currency().getCode());
  }

  /** What arrived between two days. */
  List<Sum> arrived(Of of, LocalDate first, LocalDate last) {
    var sums =
        new ArrayList<>(
            sums(
                """
        select cast(i.taken_at as date) as d, hour(i.taken_at) as h, count(*) as n, sum(e.amount_minor) as minor
        from intake i join bank_entry e on e.intake_id = i.id
          left join settlement s on s.entry_id = e.id and s.status = 'POSTED'
        where i.company_id = :company and i.taken_at >= :first and i.taken_at < :after
          and (s.id is null or s.posted_on >= cast(i.taken_at as date)) and
        """
                    + RECEIVED
                    + " group by d, h",
                of,
                first,
                last));
    sums.addAll(
        sums(
            """
        select e.booked_on as d, cast(null as int) as h, count(*) as n, sum(e.amount_minor) as minor
        from settlement s join bank_entry e on e.id = s.entry_id join intake i on i.id = e.intake_id
        where s.company_id = :company and s.status = 'POSTED' and e.booked_on >= :first and e.booked_on < :after
          and s.posted_on < cast(i.taken_at as date) and
        """
                + RECEIVED
                + " group by e.booked_on",
            of,
            first,
            last));
    sums.addAll(
        sums(
            """
        select cast(h.recorded_at as date) as d, hour(h.recorded_at) as h, count(*) as n, sum(e.amount_minor) as minor
        from held_receipt h join bank_entry e on e.id = h.entry_id
        where e.intake_id is null and h.withdrawn_at is null and h.recorded_at >= :first and h.recorded_at < :after and
        """
                + RECEIVED
                + " group by d, h",
            of,
            first,
            last));
    return sums;
  }

  /** What was settled between two days and not taken back on the same day. */
  List<Sum> settled(Of of, LocalDate first, LocalDate last) {
    return sums(
        """
        select s.posted_on as d, case when cast(s.posted_at as date) = s.posted_on then hour(s.posted_at) end as h,
          count(*) as n, sum(s.received_minor) as minor
        from settlement s left join journal_entry r on r.id = s.reversal_entry_id
        where s.company_id = :company and s.currency = :currency and s.entry_id is not null and s.received_minor > 0
          and s.posted_on >= :first and s.posted_on < :after and (r.id is null or r.booked_on > s.posted_on)
        group by d, h
        """,
        of,
        first,
        last);
  }

  private List<Sum> sums(String sql, Of of, LocalDate first, LocalDate last) {
    return asked(sql, of)
        .param("first", first)
        .param("after", last.plusDays(1))
        .query(
            (row, n) ->
                new Sum(
                    row.getObject("d", LocalDate.class),
                    row.getObject("h", Integer.class),
                    row.getLong("n"),
                    row.getLong("minor")))
        .list();
  }

  /** How the receipts that were settled on a day came about. */
  record ByHand(Hand hand, long count, long minor) {}

  List<ByHand> hands(Of of, LocalDate day) {
    return asked(
            """
            select s.origin, count(*) as n, sum(s.received_minor) as minor from settlement s
              join bank_entry e on e.id = s.entry_id left join journal_entry r on r.id = s.reversal_entry_id
            where s.company_id = :company and s.currency = :currency and e.amount_minor > 0 and s.posted_on = :day
              and (r.id is null or r.booked_on > s.posted_on)
            group by s.origin
            """,
            of)
        .param("day", day)
        .query(
            (row, n) ->
                new ByHand(
                    Hand.valueOf(row.getString("origin")), row.getLong("n"), row.getLong("minor")))
        .list();
  }

  /** What waits: how much, and the oldest of it. */
  record Waiting(long count, long minor) {}

  Waiting waiting(Of of, LocalDate day, boolean past) {
    return asked(
            "select count(*) as n, coalesce(sum(e.amount_minor), 0) as minor from " + waits(past),
            of)
        .param("day", day)
        .query((row, n) -> new Waiting(row.getLong("n"), row.getLong("minor")))
        .single();
  }

  /**
   * Entries that wait: now, or at the end of a day that is over: what was known by then, and by
   * then neither settled nor explained by a deposit.
   */
  static String waits(boolean past) {
    return past
        ? "bank_entry e left join intake i on i.id = e.intake_id where "
            + RECEIVED
            + " and e.status not in ('SHELVED', 'SOLD') and e.booked_on <= :day and (e.status = 'WAITING' or not ("
            + SETTLED_BY
            + "))"
        : "bank_entry e where " + RECEIVED + " and e.status = 'WAITING' and e.booked_on <= :day";
  }

  /** From when to when receipts waited that were settled between two days. */
  List<Waited> waited(Of of, LocalDate first, LocalDate last) {
    return asked(
            """
            select e.booked_on, s.posted_on from settlement s join bank_entry e on e.id = s.entry_id
              left join journal_entry r on r.id = s.reversal_entry_id
            where s.company_id = :company and s.currency = :currency and e.amount_minor > 0
              and s.posted_on between :first and :last and (r.id is null or r.booked_on > s.posted_on)
            """,
            of)
        .param("first", first)
        .param("last", last)
        .query(
            (row, n) ->
                new Waited(
                    row.getObject("booked_on", LocalDate.class),
                    row.getObject("posted_on", LocalDate.class)))
        .list();
  }

  /** What was sold on a day, from the ledger's sales less what was given back of them. */
  record Sold(LocalDate on, long minor) {}

  List<Sold> sold(Of of, LocalDate first, LocalDate last) {
    return asked(
            """
            select e.booked_on, -sum(l.amount_minor) as minor from ledger_account a join journal_line l on l.ledger_account_id = a.id
              join journal_entry e on e.id = l.journal_entry_id
            where a.company_id = :company and a.role in ('SALES', 'SALES_REFUNDS') and l.currency = :currency
              and e.booked_on between :first and :last
            group by e.booked_on
            """,
            of)
        .param("first", first)
        .param("last", last)
        .query(
            (row, n) -> new Sold(row.getObject("booked_on", LocalDate.class), row.getLong("minor")))
        .list();
  }

  /**
   * What customers owed by the ledger at the end of days, receivables less money on account, in
   * minor units: read in one go, and of a day without entries as of the one before.
   */
  NavigableMap<LocalDate, Long> receivables(Of of, LocalDate last) {
    var owed = new TreeMap<LocalDate, Long>();
    asked(
            """
            select e.booked_on, sum(l.amount_minor) as minor from ledger_account a join journal_line l on l.ledger_account_id = a.id
              join journal_entry e on e.id = l.journal_entry_id
            where a.company_id = :company and a.role in ('RECEIVABLE', 'UNAPPLIED_RECEIPTS') and l.currency = :currency
              and e.booked_on <= :last
            group by e.booked_on order by e.booked_on
            """,
            of)
        .param("last", last)
        .query(
            row -> {
              var before = owed.isEmpty() ? 0 : owed.lastEntry().getValue();
              owed.put(row.getObject("booked_on", LocalDate.class), before + row.getLong("minor"));
            });
    return owed;
  }

  /** What one clerk holds. */
  record Held(String user, long drafts, long handed, long returned, long minor, long questions) {}

  List<Held> held(Of of) {
    return asked(
            """
            select u.name, coalesce(sum(t.drafts), 0) as drafts, coalesce(sum(t.handed), 0) as handed,
              coalesce(sum(t.returned), 0) as returned, coalesce(sum(t.minor), 0) as minor, coalesce(sum(t.questions), 0) as questions
            from app_user u join (
              select d.held_by as who, case when d.state in ('OPEN', 'REFUSED') then 1 else 0 end as drafts,
                case when d.state = 'HANDED' then 1 else 0 end as handed, case when d.state = 'RETURNED' then 1 else 0 end as returned,
                coalesce(e.amount_minor, 0) as minor, 0 as questions
              from draft d left join bank_entry e on e.id = d.entry_id
              where d.company_id = :company and (e.id is null or e.currency = :currency and e.status = 'WAITING')
              union all
              select n.to_user, 0, 0, 0, 0, 1 from note n where n.company_id = :company and n.to_user is not null and n.done_at is null
            ) t on t.who = u.name
            group by u.name order by u.name
            """,
            of)
        .query(
            (row, n) ->
                new Held(
                    row.getString("name"),
                    row.getLong("drafts"),
                    row.getLong("handed"),
                    row.getLong("returned"),
                    row.getLong("minor"),
                    row.getLong("questions")))
        .list();
  }
}

package org.sumbrel.server.daysheet;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.core.day.TimeToApply.Wait;
import org.sumbrel.core.receivables.Ageing.Bucket;
import org.sumbrel.server.api.BadRequest;
import org.sumbrel.server.api.MoneyView;
import org.sumbrel.server.books.DifferenceKind;
import org.sumbrel.server.books.DifferenceRows;
import org.sumbrel.server.books.ItemsAt;
import org.sumbrel.server.customers.Customers;
import org.sumbrel.server.daysheet.DayRows.Of;
import org.sumbrel.server.daysheet.DaySheetView.Behind;
import org.sumbrel.server.daysheet.DaySheetView.BehindFigure;
import org.sumbrel.server.daysheet.DaySheetView.BehindKind;
import org.sumbrel.server.daysheet.DaySheetView.Hand;

/** What a figure of the day sheet is made of. */
@Component
@Transactional(readOnly = true)
class BehindFigures {

  private static final int MOST = 200;

  /** Which figure. */
  enum Figure {
    ARRIVED,
    SETTLED,
    /** Settled in one way; {@code key} is the {@link Hand}. */
    HAND,
    WAITING,
    /** Settled after a time; {@code key} is the {@link Wait}. */
    WAITED,
    /** {@code key} is the bucket. */
    AGEING,
    /** {@code key} is the kind. */
    DIFFERENCE,
    /** {@code key} is the user. */
    HELD
  }

  /**
   * What is asked for.
   *
   * @param hour of the day, or null for all of it
   * @param key what of the figure; null for all of it
   */
  record Which(Figure figure, LocalDate on, boolean past, Integer hour, String key) {}

  private static final String ENTRY =
      "select 'ENTRY' as kind, e.id, e.booked_on as d, e.payer_name as who, e.remittance as words, e.amount_minor as minor,"
          + " (select max(x.id) from settlement x where x.entry_id = e.id and x.status = 'POSTED') as explained_by from ";

  private static final String SETTLEMENT =
      """
      select 'SETTLEMENT' as kind, s.id, s.posted_on as d, e.payer_name as who, e.remittance as words, s.received_minor as minor, s.id as explained_by
      from settlement s join bank_entry e on e.id = s.entry_id left join journal_entry r on r.id = s.reversal_entry_id
      where s.company_id = :company and s.currency = :currency and e.amount_minor > 0 and s.posted_on = :day
        and (r.id is null or r.booked_on > s.posted_on)
      """;

  private final JdbcClient jdbc;
  private final DifferenceRows differences;
  private final ItemsAt items;
  private final Customers customers;

  BehindFigures(JdbcClient jdbc, DifferenceRows differences, ItemsAt items, Customers customers) {
    this.jdbc = jdbc;
    this.differences = differences;
    this.items = items;
    this.customers = customers;
  }

  BehindFigure of(Of of, Which which) {
    return switch (which.figure()) {
      case ARRIVED -> rows(of, which, arrived(which));
      case SETTLED ->
          rows(
              of,
              which,
              SETTLEMENT
                  + (which.hour() == null
                      ? ""
                      : " and cast(s.posted_at as date) = s.posted_on and hour(s.posted_at) = :hour")
                  + " order by s.id");
      case HAND ->
          rows(
              of,
              which,
              SETTLEMENT + " and s.origin = '" + value(Hand.class, which) + "' order by s.id");
      case WAITING ->
          rows(of, which, ENTRY + DayRows.waits(which.past()) + " order by e.booked_on, e.id");
      case WAITED -> waited(of, which);
      case AGEING -> aged(of, which);
      case DIFFERENCE -> differing(of, which);
      case HELD ->
          rows(
              of,
              which,
              """
              select 'DRAFT' as kind, e.id, cast(d.held_since as date) as d, e.payer_name as who, d.note as words, e.amount_minor as minor,
                cast(null as bigint) as explained_by
              from draft d join bank_entry e on e.id = d.entry_id
              where d.company_id = :company and e.currency = :currency and e.status = 'WAITING' and d.held_by = :key order by d.id
              """);
    };
  }

  private static String arrived(Which which) {
    var office =
        ENTRY
            + "held_receipt h join bank_entry e on e.id = h.entry_id where "
            + DayRows.RECEIVED
            + " and e.intake_id is null and h.withdrawn_at is null and cast(h.recorded_at as date) = :day"
            + (which.hour() == null ? "" : " and hour(h.recorded_at) = :hour");
    var files =
        ENTRY
            + "intake i join bank_entry e on e.intake_id = i.id left join settlement s on s.entry_id = e.id and s.status = 'POSTED' where "
            + DayRows.RECEIVED
            + " and (cast(i.taken_at as date) = :day and (s.id is null or s.posted_on >= cast(i.taken_at as date))"
            + (which.hour() == null
                ? " or e.booked_on = :day and s.posted_on < cast(i.taken_at as date))"
                : ") and hour(i.taken_at) = :hour");
    return "select * from (" + files + " union all " + office + ") order by d, id";
  }

  private static <E extends Enum<E>> E value(Class<E> of, Which which) {
    try {
      return Enum.valueOf(of, which.key() == null ? "" : which.key());
    } catch (IllegalArgumentException e) {
      throw new BadRequest("\"" + which.key() + "\" is none of what the day sheet shows.");
    }
  }

  private BehindFigure rows(Of of, Which which, String sql) {
    var rows =
        jdbc.sql(sql + " fetch first " + (MOST + 1) + " rows only")
            .param("company", of.company())
            .param("currency", of.currency().getCode())
            .param("day", which.on())
            .param("hour", which.hour())
            .param("key", which.key())
            .query(
                (row, n) ->
                    new Behind(
                        BehindKind.valueOf(row.getString("kind")),
                        row.getLong("id"),
                        row.getObject("d", LocalDate.class),
                        row.getString("who"),
                        row.getString("words"),
                        MoneyView.of(of.money(row.getLong("minor"))),
                        row.getObject("explained_by", Long.class)))
            .list();
    return cut(rows);
  }

  private static BehindFigure cut(List<Behind> rows) {
    var more = rows.size() > MOST;
    return new BehindFigure(more ? rows.subList(0, MOST) : rows, more);
  }

  private BehindFigure waited(Of of, Which which) {
    var wait = value(Wait.class, which);
    var rows = new ArrayList<Behind>();
    jdbc.sql(
            SETTLEMENT.replace(
                    "s.received_minor as minor",
                    "s.received_minor as minor, e.booked_on as arrived_on")
                + " order by s.id")
        .param("company", of.company())
        .param("currency", of.currency().getCode())
        .param("day", which.on())
        .query(
            row -> {
              var arrived = row.getObject("arrived_on", LocalDate.class);
              if (rows.size() <= MOST && Wait.between(arrived, which.on()) == wait) {
                rows.add(
                    new Behind(
                        BehindKind.SETTLEMENT,
                        row.getLong("id"),
                        arrived,
                        row.getString("who"),
                        row.getString("words"),
                        MoneyView.of(of.money(row.getLong("minor"))),
                        row.getLong("id")));
              }
            });
    return cut(rows);
  }

  private BehindFigure aged(Of of, Which which) {
    var bucket = value(Bucket.class, which);
    var open =
        items.at(of.company(), of.currency(), which.past() ? which.on() : null).stream()
            .filter(i -> Bucket.of(i.dueOn(), which.on()) == bucket)
            .sorted(Comparator.comparing(ItemsAt.ItemAt::dueOn).thenComparing(ItemsAt.ItemAt::id))
            .limit(MOST + 1L)
            .toList();
    var names = customers.names(open.stream().map(ItemsAt.ItemAt::customerId).distinct().toList());
    return cut(
        open.stream()
            .map(
                i ->
                    new Behind(
                        BehindKind.ITEM,
                        i.id(),
                        i.dueOn(),
                        names.getOrDefault(i.customerId(), ""),
                        i.number(),
                        MoneyView.of(i.open()),
                        null))
            .toList());
  }

  private BehindFigure differing(Of of, Which which) {
    var kind = value(DifferenceKind.class, which);
    var found =
        differences.between(of.company(), of.currency(), which.on(), which.on()).stream()
            .filter(d -> d.kind() == kind)
            .limit(MOST + 1L)
            .toList();
    var names =
        customers.names(
            found.stream()
                .map(DifferenceRows.Difference::customerId)
                .filter(Objects::nonNull)
                .distinct()
                .toList());
    return cut(
        found.stream()
            .map(
                d ->
                    new Behind(
                        BehindKind.SETTLEMENT,
                        d.settlementId(),
                        d.on(),
                        d.customerId() == null ? "" : names.getOrDefault(d.customerId(), ""),
                        d.words(),
                        MoneyView.of(d.amount()),
                        d.settlementId()))
            .toList());
  }
}

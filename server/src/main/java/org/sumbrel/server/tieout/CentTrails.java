package org.sumbrel.server.tieout;

import java.time.Instant;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
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
  private final Map<Long, List<Cell>> counted = new HashMap<>();

  CentTrails(JdbcClient jdbc, RowChanges changes) {
    this.jdbc = jdbc;
    this.changes = changes.reader();
  }

  /** What of the trail money is. */
  private enum Part {
    ARRIVED,
    APPLIED,
    ON_ACCOUNT,
    TO_ACCOUNTS,
    SHELVED,
    RETURNED,
    BANKED,
    WAITING
  }

  /**
   * A sum: of one part, of one intake, on one account.
   *
   * @param intakeId 0 for what was recorded in the office
   */
  private record Cell(
      Part part, long intakeId, long accountId, LocalDate on, String currency, long minor) {}

  /** The trail of one intake, account or day in one currency. */
  record KeyTrail<K>(K key, CurrencyUnit currency, CentTrail trail) {}

  /** By intake, the latest first; 0 for what was recorded in the office. */
  List<KeyTrail<Long>> byIntake(Long company) {
    return by(company, Cell::intakeId, false).stream()
        .sorted(
            Comparator.comparing((KeyTrail<Long> t) -> t.key() == 0 ? Long.MAX_VALUE : t.key())
                .reversed())
        .toList();
  }

  /** By bank account. */
  List<KeyTrail<Long>> byAccount(Long company) {
    return by(company, Cell::accountId, false).stream()
        .sorted(Comparator.comparing(KeyTrail::key))
        .toList();
  }

  /**
   * By the day on which the money was booked, the latest first. No statement says what came on each
   * day: what arrived is counted from the entries.
   */
  List<KeyTrail<LocalDate>> byDay(Long company) {
    return by(company, Cell::on, true).stream()
        .sorted(Comparator.comparing((KeyTrail<LocalDate> t) -> t.key()).reversed())
        .toList();
  }

  private <K> List<KeyTrail<K>> by(Long company, Function<Cell, K> key, boolean byEntries) {
    record Of<T>(T key, String currency) {}
    var sums = new LinkedHashMap<Of<K>, EnumMap<Part, Long>>();
    for (var cell : cells(company)) {
      // what is told has no day, what is counted from the entries has one
      if (cell.part() == Part.ARRIVED && (cell.on() != null) != byEntries) {
        continue;
      }
      sums.computeIfAbsent(
              new Of<>(key.apply(cell), cell.currency()), k -> new EnumMap<>(Part.class))
          .merge(cell.part(), cell.minor(), Long::sum);
    }
    var trails = new ArrayList<KeyTrail<K>>();
    sums.forEach(
        (of, parts) -> {
          var currency = CurrencyUnit.of(of.currency());
          trails.add(new KeyTrail<>(of.key(), currency, trail(currency, parts)));
        });
    // an account or intake of which nothing arrived is none of the trail
    return trails.stream().filter(t -> !isNothing(t.trail())).toList();
  }

  private static boolean isNothing(CentTrail trail) {
    return trail.arrived().isZero() && trail.whole() && trail.waiting().isZero();
  }

  private static CentTrail trail(CurrencyUnit currency, Map<Part, Long> parts) {
    Function<Part, Money> money = part -> Money.ofMinor(currency, parts.getOrDefault(part, 0L));
    return new CentTrail(
        money.apply(Part.ARRIVED),
        money.apply(Part.APPLIED),
        money.apply(Part.ON_ACCOUNT),
        money.apply(Part.TO_ACCOUNTS),
        money.apply(Part.SHELVED),
        money.apply(Part.RETURNED),
        money.apply(Part.BANKED),
        money.apply(Part.WAITING));
  }

  /** Counted anew when a row that is counted was written. */
  private synchronized List<Cell> cells(Long company) {
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

  private List<Cell> count(Long company) {
    var cells = new ArrayList<Cell>();
    entries(cells, company, Part.WAITING, "e.amount_minor", "e.status = 'WAITING'");
    entries(cells, company, Part.SHELVED, "e.amount_minor", "e.status = 'SHELVED'");
    entries(cells, company, Part.BANKED, "e.amount_minor", "e.status = 'BANKED'");
    entries(cells, company, Part.RETURNED, "e.amount_minor", "e.status = 'RETURNED'");
    entries(cells, company, Part.TO_ACCOUNTS, "e.amount_minor", "e.status = 'SOLD'");
    entries(
        cells, company, Part.ARRIVED, "e.amount_minor", "e.status not in ('PENDING', 'WITHDRAWN')");
    settled(cells, company, Part.ON_ACCOUNT, "s.on_account_minor", "", "");
    settled(
        cells,
        company,
        Part.APPLIED,
        "a.amount_minor - a.discount_minor",
        "settlement_application a on a.settlement_id = s.id and a.currency = s.currency and a.company_id = s.company_id",
        "");
    // what counts in another currency is applied there
    settled(cells, company, Part.APPLIED, "s.exchanged_minor", "", "");
    var differences =
        "settlement_adjustment d on d.settlement_id = s.id and d.currency = s.currency and d.company_id = s.company_id";
    settled(cells, company, Part.APPLIED, "-d.amount_minor", differences, "d.kind <> 'TO_ACCOUNT'");
    settled(
        cells, company, Part.TO_ACCOUNTS, "-d.amount_minor", differences, "d.kind = 'TO_ACCOUNT'");
    told(cells, company);
    return cells;
  }

  private void entries(List<Cell> cells, Long company, Part part, String sum, String which) {
    sums(cells, company, part, sum, "bank_entry e", which);
  }

  private void settled(
      List<Cell> cells, Long company, Part part, String sum, String joined, String which) {
    sums(
        cells,
        company,
        part,
        sum,
        "settlement s join bank_entry e on e.id = s.entry_id"
            + (joined.isEmpty() ? "" : " join " + joined),
        "s.status = 'POSTED'" + (which.isEmpty() ? "" : " and " + which));
  }

  private void sums(
      List<Cell> cells, Long company, Part part, String sum, String from, String which) {
    jdbc.sql(
            "select coalesce(e.intake_id, 0) as intake_id, e.bank_account_id, e.booked_on, e.currency, sum("
                + sum
                + ") as minor from "
                + from
                + " where e.company_id = :company and e.amount_minor > 0 and "
                + which
                + " group by e.intake_id, e.bank_account_id, e.booked_on, e.currency")
        .param("company", company)
        .query(
            row -> {
              cells.add(
                  new Cell(
                      part,
                      row.getLong("intake_id"),
                      row.getLong("bank_account_id"),
                      row.getObject("booked_on", LocalDate.class),
                      row.getString("currency"),
                      row.getLong("minor")));
            });
  }

  /** What was told when it came, and what corrected statements changed of it. */
  private void told(List<Cell> cells, Long company) {
    jdbc.sql(
            """
            select t.intake_id, t.account_id, t.currency, sum(t.minor) as minor from (
              select s.intake_id, s.bank_account_id as account_id, s.currency, s.credits_minor - s.known_credits_minor as minor
              from statement s join intake i on i.id = s.intake_id where i.company_id = :company
              union all
              select b.intake_id, p.id, b.currency, b.total_minor from lockbox_batch b
                join intake i on i.id = b.intake_id
                join bank_account p on p.company_id = i.company_id and p.kind = 'POUCH' and p.currency = b.currency
              where i.company_id = :company
              union all
              select 0, e.bank_account_id, h.currency, h.amount_minor from held_receipt h join bank_entry e on e.id = h.entry_id
              where h.company_id = :company and h.withdrawn_at is null and h.lockbox_batch_id is null
              union all
              select coalesce(e.intake_id, 0), e.bank_account_id, e.currency,
                greatest(coalesce(c.new_minor, 0), 0) - greatest(c.old_minor, 0)
              from correction c join bank_entry e on e.id = c.entry_id
              where c.company_id = :company and c.status = 'ACCEPTED'
            ) t group by t.intake_id, t.account_id, t.currency
            """)
        .param("company", company)
        .query(
            row -> {
              cells.add(
                  new Cell(
                      Part.ARRIVED,
                      row.getLong("intake_id"),
                      row.getLong("account_id"),
                      null,
                      row.getString("currency"),
                      row.getLong("minor")));
            });
  }

  /**
   * One thing that breaks the trail.
   *
   * @param entryId the entry whose parts do not come to its amount; null where an intake told more
   *     or less than its entries
   * @param told what the entry is, or the intake told
   * @param found what became of it
   */
  record Break(
      Long entryId,
      Long intakeId,
      Long accountId,
      LocalDate on,
      String words,
      Money told,
      Money found) {}

  /**
   * Where the trail breaks: entries whose parts do not add up, intakes that told something else.
   */
  List<Break> breaks(Long company) {
    var breaks = new ArrayList<Break>();
    jdbc.sql(
            """
            select * from (
              select e.id, e.intake_id, e.bank_account_id, e.booked_on, e.currency, e.payer_name, e.remittance, e.amount_minor,
                case when e.status in ('WAITING', 'SHELVED', 'RETURNED', 'BANKED', 'SOLD') then e.amount_minor else 0 end
                + coalesce((select sum(s.on_account_minor + s.exchanged_minor) from settlement s where s.entry_id = e.id and s.status = 'POSTED'), 0)
                + coalesce((select sum(a.amount_minor - a.discount_minor) from settlement s
                    join settlement_application a on a.settlement_id = s.id and a.currency = s.currency and a.company_id = s.company_id where s.entry_id = e.id and s.status = 'POSTED'), 0)
                - coalesce((select sum(d.amount_minor) from settlement s
                    join settlement_adjustment d on d.settlement_id = s.id and d.currency = s.currency and d.company_id = s.company_id where s.entry_id = e.id and s.status = 'POSTED'), 0) as found
              from bank_entry e
              where e.company_id = :company and e.amount_minor > 0 and e.status not in ('PENDING', 'WITHDRAWN')
            ) where found <> amount_minor order by booked_on, id limit 200
            """)
        .param("company", company)
        .query(
            row -> {
              var currency = CurrencyUnit.of(row.getString("currency"));
              breaks.add(
                  new Break(
                      row.getLong("id"),
                      row.getObject("intake_id", Long.class),
                      row.getLong("bank_account_id"),
                      row.getObject("booked_on", LocalDate.class),
                      (row.getString("payer_name") + " " + row.getString("remittance")).strip(),
                      Money.ofMinor(currency, row.getLong("amount_minor")),
                      Money.ofMinor(currency, row.getLong("found"))));
            });
    record At(long intake, long account, String currency) {}
    var told = new LinkedHashMap<At, long[]>();
    for (var cell : cells(company)) {
      if (cell.part() == Part.ARRIVED) {
        told.computeIfAbsent(
                    new At(cell.intakeId(), cell.accountId(), cell.currency()), a -> new long[2])[
                cell.on() == null ? 0 : 1] +=
            cell.minor();
      }
    }
    told.forEach(
        (at, sums) -> {
          if (sums[0] != sums[1]) {
            var currency = CurrencyUnit.of(at.currency());
            breaks.add(
                new Break(
                    null,
                    at.intake() == 0 ? null : at.intake(),
                    at.account(),
                    null,
                    "",
                    Money.ofMinor(currency, sums[0]),
                    Money.ofMinor(currency, sums[1])));
          }
        });
    return breaks;
  }

  /** How intakes are spoken of, by their id. */
  Map<Long, IntakeName> names(Long company, Collection<Long> intakes) {
    var names = new HashMap<Long, IntakeName>();
    jdbc.sql(
            "select i.id, i.file_name, i.taken_at from unnest(:ids) asked(id) join intake i on i.id = asked.id")
        .param("ids", intakes.toArray(Long[]::new))
        .query(
            row -> {
              names.put(
                  row.getLong("id"),
                  new IntakeName(
                      row.getString("file_name"),
                      row.getObject("taken_at", OffsetDateTime.class).toInstant()));
            });
    jdbc.sql(
            "select max(recorded_at) as last_at from held_receipt where company_id = :company and withdrawn_at is null and lockbox_batch_id is null")
        .param("company", company)
        .query(
            row -> {
              var last = row.getObject("last_at", OffsetDateTime.class);
              if (last != null) {
                names.put(0L, new IntakeName("Recorded in the office", last.toInstant()));
              }
            });
    return names;
  }

  record IntakeName(String fileName, Instant takenAt) {}
}

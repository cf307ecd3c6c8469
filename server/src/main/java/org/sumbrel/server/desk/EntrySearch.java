package org.sumbrel.server.desk;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.function.Predicate;
import org.joda.money.CurrencyUnit;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.sumbrel.core.find.Findable;
import org.sumbrel.core.find.Findables;
import org.sumbrel.core.find.SearchLine;
import org.sumbrel.core.find.Sketch;
import org.sumbrel.core.propose.Standing;
import org.sumbrel.core.receivables.PaidBy;
import org.sumbrel.server.api.SearchSum;
import org.sumbrel.server.changes.RowChanges;
import org.sumbrel.server.changes.Shelf;
import org.sumbrel.server.customers.CustomerNames;
import org.sumbrel.server.desk.BankEntryEntity.Status;

/** Bank entries that fit a search line; looked through in memory. */
@Component
public class EntrySearch {

  private static final String ROWS =
      """
      select id, company_id, status, standing_rank, currency, amount_minor, booked_on, payer_name, remittance,
        bank_text, payer_account, bank_reference, check_number,
        coalesce(settled_customer_id, lead_customer_id) as customer_id from bank_entry
      """;

  private static final Comparator<Row> QUEUE =
      Comparator.comparing(Row::standing).thenComparing(Row::on).thenComparing(Row::id);

  private final CustomerNames names;
  private final BankEntryRepository entries;
  private final Shelf<Row> shelf;

  EntrySearch(
      CustomerNames names, BankEntryRepository entries, JdbcClient jdbc, RowChanges changes) {
    this.names = names;
    this.entries = entries;
    this.shelf =
        new Shelf<>(
            changes,
            "bank_entry",
            Row::id,
            Comparator.comparing(Row::on).thenComparing(Row::id).reversed(),
            new Shelf.Source<>() {
              @Override
              public List<Row> all() {
                return jdbc.sql(ROWS).query((row, n) -> row(row)).list();
              }

              @Override
              public List<Row> some(Collection<Long> ids) {
                return jdbc.sql(ROWS + "where id in (:ids)")
                    .param("ids", List.copyOf(ids))
                    .query((row, n) -> row(row))
                    .list();
              }
            });
  }

  /** How many entries stand so, and what they come to. */
  record Group(Standing standing, SearchSum sum) {}

  /**
   * A page of the queue, and all that is in it.
   *
   * @param groups by standing, then currency
   */
  record Queue(List<BankEntryEntity> page, List<Group> groups) {}

  /** Entries on one page, and what all that fit come to. */
  public record Sought(List<BankEntryEntity> page, List<SearchSum> sums) {}

  /** Where a page of the queue ended. */
  record After(int rank, LocalDate on, long id) {}

  /**
   * Of an entry what it is looked for by.
   *
   * @param payer the customer that it was settled for, or whom the first explanation names, so that
   *     he can be looked for
   */
  private record Row(
      long id,
      long company,
      Status status,
      Standing standing,
      String currency,
      long minor,
      String payerName,
      CustomerNames.Name payer,
      String references,
      String told,
      long textSketch,
      long[] sizes,
      int digits,
      LocalDate on,
      PaidBy paidBy)
      implements Findable {

    @Override
    public String names() {
      return payer.words().isEmpty() ? payerName : payerName + "\n" + payer.words();
    }

    @Override
    public long sketch() {
      return textSketch | payer.sketch();
    }
  }

  private Row row(ResultSet row) throws SQLException {
    var currency = row.getString("currency").intern();
    var minor = row.getLong("amount_minor");
    var payerName = Findable.text(row.getString("payer_name"));
    var cheque = row.getString("check_number");
    var remittance = row.getString("remittance");
    var references = Findable.text(row.getString("bank_reference"), cheque, remittance);
    var told =
        Findable.text(remittance, row.getString("bank_text"), row.getString("payer_account"));
    return new Row(
        row.getLong("id"),
        row.getLong("company_id"),
        Status.valueOf(row.getString("status")),
        Standing.values()[row.getInt("standing_rank")],
        currency,
        minor,
        payerName,
        names.of(row.getObject("customer_id", Long.class)),
        references,
        told,
        Sketch.of(payerName) | Sketch.of(references) | Sketch.of(told),
        new long[] {Math.abs(minor)},
        CurrencyUnit.of(currency).getDecimalPlaces(),
        row.getObject("booked_on", LocalDate.class),
        PaidBy.of(cheque, payerName + "\n" + told));
  }

  private Shelf.Look<Row> look() {
    names.refresh();
    return shelf.look();
  }

  private record Queued(Long company, Status status, long names) {}

  private Findables<Row> queue(Long company, Status status) {
    var look = look();
    return look.arranged(
        new Queued(company, status, names.version()),
        rows ->
            new Findables<>(
                rows.stream()
                    .filter(row -> row.company() == company && row.status() == status)
                    .sorted(QUEUE)
                    .toList()));
  }

  private record OfAnyAge(Long company, long names) {}

  private Findables<Row> ofAnyAge(Long company) {
    var look = look();
    return look.arranged(
        new OfAnyAge(company, names.version()),
        rows ->
            new Findables<>(
                rows.stream()
                    .filter(row -> row.company() == company && row.status() != Status.WITHDRAWN)
                    .toList()));
  }

  /** A page of the queue, by standing, booking date, id. */
  Queue queue(
      Long company,
      Status status,
      Collection<Standing> standings,
      SearchLine line,
      After after,
      int most) {
    var page = new ArrayList<Long>();
    Map<Standing, SearchSum.Counting> groups = new EnumMap<>(Standing.class);
    for (var row : queue(company, status).fitting(line)) {
      if (standings.contains(row.standing())) {
        groups
            .computeIfAbsent(row.standing(), s -> new SearchSum.Counting())
            .add(row.currency(), row.minor());
        if (page.size() < most && isAfter(row, after)) {
          page.add(row.id());
        }
      }
    }
    return new Queue(
        loaded(page),
        groups.entrySet().stream()
            .flatMap(g -> g.getValue().all().stream().map(sum -> new Group(g.getKey(), sum)))
            .toList());
  }

  private static boolean isAfter(Row row, After after) {
    var rank = Integer.compare(row.standing().ordinal(), after.rank());
    var day = row.on().compareTo(after.on());
    return rank > 0 || rank == 0 && (day > 0 || day == 0 && row.id() > after.id());
  }

  /** Entries of any age and state, nearest to a figure or newest first. */
  public Sought found(Long company, SearchLine line, int skip, int most) {
    var fitting = ofAnyAge(company).fitting(line);
    var sums = new SearchSum.Counting();
    fitting.forEach(row -> sums.add(row.currency(), row.minor()));
    return new Sought(
        loaded(line.inOrder(fitting).stream().skip(skip).limit(most).map(Row::id).toList()),
        sums.all());
  }

  private List<BankEntryEntity> loaded(List<Long> ids) {
    return Shelf.inOrder(ids, entries.findAllById(ids), BankEntryEntity::id);
  }

  /** Entries that stand so and are not older than a day. */
  public record Counted(Status status, LocalDate from) {}

  /**
   * How many entries of a currency there are of each kind, and what they come to; all at the same
   * moment, so that an entry that is just being posted is counted once.
   */
  public List<SearchSum> count(Long company, CurrencyUnit currency, List<Counted> kinds) {
    var rows = look().rows();
    return kinds.stream().map(kind -> count(rows, company, currency.getCode(), kind)).toList();
  }

  private static SearchSum count(List<Row> rows, Long company, String currency, Counted kind) {
    var count = 0L;
    var minor = 0L;
    for (var row : rows) {
      if (row.on().isBefore(kind.from())) {
        break;
      }
      if (row.company() == company
          && row.status() == kind.status()
          && row.currency().equals(currency)) {
        count++;
        minor = Math.addExact(minor, row.minor());
      }
    }
    return new SearchSum(currency, count, minor);
  }

  /** Whether an entry of an id fits a line, for whoever asks about many. */
  public Predicate<Long> fits(SearchLine line) {
    look();
    var rule = line.rule();
    return id -> id != null && shelf.row(id).filter(rule).isPresent();
  }
}

package org.sumbrel.server.customers;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.Predicate;
import org.joda.money.CurrencyUnit;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.sumbrel.core.find.Findable;
import org.sumbrel.core.find.Findables;
import org.sumbrel.core.find.SearchLine;
import org.sumbrel.core.find.Sketch;
import org.sumbrel.core.receivables.PaidBy;
import org.sumbrel.server.api.SearchSum;
import org.sumbrel.server.changes.RowChanges;
import org.sumbrel.server.changes.Shelf;

/** Items of accounts, open and settled, that fit a search line; looked through in memory. */
@Component
public class ItemSearch {

  private static final String ROWS =
      """
      select id, company_id, customer_id, currency, total_minor, open_minor, number, order_reference,
        creditor_reference, issued_on from open_item
      """;

  private final CustomerNames names;
  private final OpenItemRepository items;
  private final Shelf<Row> shelf;

  ItemSearch(CustomerNames names, OpenItemRepository items, JdbcClient jdbc, RowChanges changes) {
    this.names = names;
    this.items = items;
    this.shelf =
        new Shelf<>(
            changes,
            "open_item",
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

  /** Which items are asked for. */
  public enum Which {
    OPEN,
    SETTLED
  }

  /**
   * Items on one page, and all that fit.
   *
   * @param sums how many fit, and what is open of them (of settled ones: what they were)
   */
  public record Sought(List<OpenItemEntity> page, List<SearchSum> sums) {}

  /** Of an item what it is looked for by. */
  private record Row(
      long id,
      long company,
      long customer,
      boolean open,
      String currency,
      long minor,
      CustomerNames.Name name,
      String references,
      long referencesSketch,
      long[] sizes,
      int digits,
      LocalDate on)
      implements Findable {

    @Override
    public String names() {
      return name.words();
    }

    @Override
    public String told() {
      return "";
    }

    @Override
    public long sketch() {
      return referencesSketch | name.sketch();
    }

    /** No money came by an item itself. */
    @Override
    public PaidBy paidBy() {
      return null;
    }
  }

  private Row row(ResultSet row) throws SQLException {
    var total = row.getLong("total_minor");
    var open = row.getLong("open_minor");
    var currency = row.getString("currency").intern();
    var customer = row.getLong("customer_id");
    var references =
        Findable.text(
            row.getString("number"),
            row.getString("order_reference"),
            row.getString("creditor_reference"));
    return new Row(
        row.getLong("id"),
        row.getLong("company_id"),
        customer,
        open != 0,
        currency,
        open == 0 ? total : open,
        names.of(customer),
        references,
        Sketch.of(references),
        open == 0 || open == total
            ? new long[] {Math.abs(total)}
            : new long[] {Math.abs(open), Math.abs(total)},
        CurrencyUnit.of(currency).getDecimalPlaces(),
        row.getObject("issued_on", LocalDate.class));
  }

  private Shelf.Look<Row> look() {
    names.refresh();
    return shelf.look();
  }

  private record Kept(Long company, Which which, long names) {}

  /** The open or the settled items of a company, newest first. */
  private Findables<Row> items(Long company, Which which) {
    var look = look();
    return look.arranged(
        new Kept(company, which, names.version()),
        rows ->
            new Findables<>(
                rows.stream()
                    .filter(r -> r.company() == company && r.open() == (which == Which.OPEN))
                    .toList()));
  }

  /** Where a page of {@link #open} ended. */
  record After(LocalDate on, long id) {}

  /** Open items, oldest first, a page at a time. */
  List<OpenItemEntity> open(Long company, SearchLine line, After after, int most) {
    var fitting = items(company, Which.OPEN).fitting(line);
    var page = new ArrayList<Long>();
    for (var n = fitting.size() - 1; n >= 0 && page.size() < most; n--) {
      var row = fitting.get(n);
      var days = row.on().compareTo(after.on());
      if (days > 0 || days == 0 && row.id() > after.id()) {
        page.add(row.id());
      }
    }
    return loaded(page);
  }

  /**
   * Items nearest to a figure or newest first.
   *
   * @param owners whose items; null for all of the company
   */
  public Sought found(
      Long company, Collection<Long> owners, Which which, SearchLine line, int skip, int most) {
    var fitting = items(company, which).fitting(line);
    if (owners != null) {
      var owned = new HashSet<>(owners);
      fitting = fitting.stream().filter(row -> owned.contains(row.customer())).toList();
    }
    var sums = new SearchSum.Counting();
    fitting.forEach(row -> sums.add(row.currency(), row.minor()));
    var page = line.inOrder(fitting).stream().skip(skip).limit(most).map(Row::id).toList();
    return new Sought(loaded(page), sums.all());
  }

  /** What is open of each customer's own items, by currency. */
  Function<Long, List<SearchSum>> owed() {
    Map<Long, SearchSum.Counting> owed = look().arranged("owed", ItemSearch::byCustomer);
    return customer ->
        Optional.ofNullable(owed.get(customer)).map(SearchSum.Counting::all).orElse(List.of());
  }

  private static Map<Long, SearchSum.Counting> byCustomer(List<Row> rows) {
    var owed = new HashMap<Long, SearchSum.Counting>();
    for (var row : rows) {
      if (row.open()) {
        owed.computeIfAbsent(row.customer(), c -> new SearchSum.Counting())
            .add(row.currency(), row.minor());
      }
    }
    return owed;
  }

  private List<OpenItemEntity> loaded(List<Long> ids) {
    return Shelf.inOrder(ids, items.findAllById(ids), OpenItemEntity::id);
  }

  /** Whether an item of an id fits a line, whatever is open of it, for whoever asks about many. */
  public Predicate<Long> fits(SearchLine line) {
    look();
    var rule = line.rule();
    return id -> shelf.row(id).filter(rule).isPresent();
  }

  /** Whether an item of an id is a customer's. */
  public Predicate<Long> of(Long customer) {
    look();
    return id -> shelf.row(id).filter(row -> row.customer() == customer).isPresent();
  }
}

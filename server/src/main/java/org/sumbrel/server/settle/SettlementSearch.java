package org.sumbrel.server.settle;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.function.Predicate;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.sumbrel.core.find.SearchLine;
import org.sumbrel.server.changes.RowChanges;
import org.sumbrel.server.changes.Shelf;
import org.sumbrel.server.customers.ItemSearch;
import org.sumbrel.server.desk.EntrySearch;

/** Settlements of a customer, and those whose money or one of whose items fits a search line. */
@Component
class SettlementSearch {

  private static final String ROWS =
      "select id, company_id, entry_id, on_account_customer_id, account_of_id from settlement";
  private static final String ITEMS = "select settlement_id, item_id from settlement_application";
  private static final String OTHERS = "select settlement_id, company_id from settlement_elsewhere";
  private static final long[] NONE = {};

  private final EntrySearch entries;
  private final ItemSearch items;
  private final SettlementRepository settlements;
  private final JdbcClient jdbc;
  private final Shelf<Row> shelf;

  SettlementSearch(
      EntrySearch entries,
      ItemSearch items,
      SettlementRepository settlements,
      JdbcClient jdbc,
      RowChanges changes) {
    this.entries = entries;
    this.items = items;
    this.settlements = settlements;
    this.jdbc = jdbc;
    this.shelf =
        new Shelf<>(
            changes,
            "settlement",
            Row::id,
            Comparator.comparing(Row::id).reversed(),
            new Shelf.Source<>() {
              @Override
              public List<Row> all() {
                return rows("", "", List.of());
              }

              @Override
              public List<Row> some(Collection<Long> ids) {
                return rows(" where id in (:ids)", " where settlement_id in (:ids)", ids);
              }
            });
  }

  /** Of a settlement what never changes of it: what paid, what it paid, whose it is. */
  private record Row(
      long id,
      long company,
      long[] others,
      Long entry,
      Long onAccountOf,
      Long accountOf,
      long[] items) {

    /**
     * Whether it is in the journal of a company: that of the receipt, or one whose items it paid.
     */
    boolean of(Long asked) {
      return company == asked || Arrays.stream(others).anyMatch(other -> other == asked);
    }
  }

  private List<Row> rows(String some, String ofSome, Collection<Long> ids) {
    var applied = many(ITEMS + ofSome, ids);
    var others = many(OTHERS + ofSome, ids);
    return jdbc.sql(ROWS + some)
        .param("ids", List.copyOf(ids))
        .query(
            (row, n) ->
                new Row(
                    row.getLong("id"),
                    row.getLong("company_id"),
                    others.getOrDefault(row.getLong("id"), NONE),
                    row.getObject("entry_id", Long.class),
                    row.getObject("on_account_customer_id", Long.class),
                    row.getObject("account_of_id", Long.class),
                    applied.getOrDefault(row.getLong("id"), NONE)))
        .list();
  }

  /** What belongs to each settlement. */
  private Map<Long, long[]> many(String sql, Collection<Long> ids) {
    var found = new HashMap<Long, long[]>();
    jdbc.sql(sql)
        .param("ids", List.copyOf(ids))
        .query(
            row -> {
              found.merge(row.getLong(1), new long[] {row.getLong(2)}, SettlementSearch::together);
            });
    return found;
  }

  private static long[] together(long[] some, long[] more) {
    var both = Arrays.copyOf(some, some.length + more.length);
    System.arraycopy(more, 0, both, some.length, more.length);
    return both;
  }

  /**
   * A page, newest first.
   *
   * @param customer null for all
   * @param before the id where the page before ended
   */
  List<SettlementEntity> page(Long company, Long customer, SearchLine line, long before, int most) {
    var rows = shelf.look().rows();
    Predicate<Row> asked = customer == null ? row -> true : ofCustomer(customer);
    if (!line.isEmpty()) {
      asked = asked.and(fits(line));
    }
    var page = new ArrayList<Long>();
    for (var row : rows) {
      if (row.of(company) && row.id() < before && asked.test(row)) {
        page.add(row.id());
        if (page.size() == most) {
          break;
        }
      }
    }
    return Shelf.inOrder(page, settlements.findAllById(page), SettlementEntity::id);
  }

  private Predicate<Row> ofCustomer(Long customer) {
    var owned = items.of(customer);
    return row ->
        Objects.equals(row.onAccountOf(), customer)
            || Objects.equals(row.accountOf(), customer)
            || any(row, owned);
  }

  private Predicate<Row> fits(SearchLine line) {
    var entryFits = entries.fits(line);
    var itemFits = items.fits(line);
    return row -> entryFits.test(row.entry()) || any(row, itemFits);
  }

  private static boolean any(Row row, Predicate<Long> rule) {
    return Arrays.stream(row.items()).anyMatch(rule::test);
  }
}

package org.sumbrel.server.changes;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Function;
import java.util.function.ToLongFunction;
import java.util.stream.Collectors;

/**
 * What is looked through of a table, kept in memory in one order, and brought up to date at each
 * look from what was committed since. Nothing is decided by it but what is shown: whoever writes
 * reads the rows themselves. To be looked at within a transaction that writes nothing itself.
 *
 * @param <R> what is kept of a row
 */
public final class Shelf<R> {

  private static final int MOST_AT_ONCE = 5_000;

  /**
   * Reads rows.
   *
   * @param <R> what is kept of a row
   */
  public interface Source<R> {

    List<R> all();

    /** Those of these ids that are still there. */
    List<R> some(Collection<Long> ids);
  }

  private final String table;
  private final ToLongFunction<R> id;
  private final Comparator<R> order;
  private final Source<R> source;
  private final RowChanges.Reader changes;
  private final Map<Long, R> byId = new ConcurrentHashMap<>();
  private Look<R> last;

  /**
   * A shelf that is filled at the first look.
   *
   * @param order in which no two rows are equal
   */
  public Shelf(
      RowChanges changes,
      String table,
      ToLongFunction<R> id,
      Comparator<R> order,
      Source<R> source) {
    this.changes = changes.reader();
    this.table = table;
    this.id = id;
    this.order = order;
    this.source = source;
  }

  /**
   * The rows as they were at one moment.
   *
   * @param <R> what is kept of a row
   */
  public static final class Look<R> {

    private final List<R> rows;
    private final Map<Object, Object> arranged = new ConcurrentHashMap<>();

    private Look(List<R> rows) {
      this.rows = rows;
    }

    /** All of them, in the shelf's order. */
    public List<R> rows() {
      return rows;
    }

    /** The same rows in another way, made once for a moment. */
    @SuppressWarnings("unchecked")
    public <T> T arranged(Object key, Function<List<R>, T> how) {
      return (T) arranged.computeIfAbsent(key, k -> how.apply(rows));
    }
  }

  /** The row of an id, as it was at the last look. */
  public Optional<R> row(long rowId) {
    return Optional.ofNullable(byId.get(rowId));
  }

  /**
   * Rows read by their ids, in the order of these; those that are gone are left out.
   *
   * @param <E> what was read
   */
  public static <E> List<E> inOrder(List<Long> ids, Collection<E> read, Function<E, Long> id) {
    var byId = read.stream().collect(Collectors.toMap(id, Function.identity()));
    return ids.stream().map(byId::get).filter(Objects::nonNull).toList();
  }

  /** The rows as they are now. */
  public synchronized Look<R> look() {
    try {
      var told = changes.next();
      var changed = told.rows(table);
      if (last == null || told.everything() || changed.size() > MOST_AT_ONCE) {
        last = new Look<>(filled());
      } else if (!changed.isEmpty()) {
        last = new Look<>(merged(last.rows(), changed));
      }
      return last;
    } catch (RuntimeException e) {
      // what was told of changes is lost with it: the next look reads everything
      last = null;
      throw e;
    }
  }

  private List<R> filled() {
    var rows = sorted(source.all());
    rows.forEach(row -> byId.put(id.applyAsLong(row), row));
    byId.keySet().retainAll(rows.stream().map(id::applyAsLong).collect(Collectors.toSet()));
    return rows;
  }

  private List<R> sorted(List<R> rows) {
    var sorted = new ArrayList<>(rows);
    sorted.sort(order);
    return sorted;
  }

  private List<R> merged(List<R> old, Set<Long> changed) {
    var fresh = sorted(source.some(changed));
    byId.keySet().removeAll(changed);
    fresh.forEach(row -> byId.put(id.applyAsLong(row), row));
    var rows = new ArrayList<R>(old.size() + fresh.size());
    var next = 0;
    for (var row : old) {
      if (changed.contains(id.applyAsLong(row))) {
        continue;
      }
      while (next < fresh.size() && order.compare(fresh.get(next), row) < 0) {
        rows.add(fresh.get(next++));
      }
      rows.add(row);
    }
    rows.addAll(fresh.subList(next, fresh.size()));
    return rows;
  }
}

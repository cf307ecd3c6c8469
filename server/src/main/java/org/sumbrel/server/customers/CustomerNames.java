package org.sumbrel.server.customers;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.springframework.jdbc.core.RowCallbackHandler;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.sumbrel.core.find.Findable;
import org.sumbrel.core.find.Sketch;
import org.sumbrel.server.changes.RowChanges;

/** The names of all customers as they are looked for, kept in memory. */
@Component
public class CustomerNames {

  private final JdbcClient jdbc;
  private final RowChanges.Reader changes;
  private final Map<Long, Name> names = new ConcurrentHashMap<>();
  private boolean filled;
  private volatile long version;

  CustomerNames(JdbcClient jdbc, RowChanges changes) {
    this.jdbc = jdbc;
    this.changes = changes.reader();
  }

  /** A name; whoever holds it sees what it becomes. */
  public static final class Name {

    private static final Name NONE = new Name();

    private volatile long company;
    private volatile String spelled = "";
    private volatile String words = "";
    private volatile long sketch;

    /** In small letters. */
    public String words() {
      return words;
    }

    /** The sketch of {@link #words}. */
    public long sketch() {
      return sketch;
    }

    /** As it is written. */
    public String spelled() {
      return spelled;
    }
  }

  /** The name of a customer; of nobody, the empty one. */
  public Name of(Long customer) {
    return customer == null ? Name.NONE : names.computeIfAbsent(customer, c -> new Name());
  }

  /** Takes over what was committed since the last time. */
  public synchronized void refresh() {
    try {
      var told = changes.next();
      var changed = told.rows("customer");
      if (!filled || told.everything()) {
        jdbc.sql("select id, company_id, name from customer")
            .query((RowCallbackHandler) this::take);
        filled = true;
      } else if (!changed.isEmpty()) {
        some(changed);
      }
    } catch (RuntimeException e) {
      filled = false;
      throw e;
    }
  }

  private void some(Collection<Long> ids) {
    jdbc.sql("select id, company_id, name from customer where id in (:ids)")
        .param("ids", List.copyOf(ids))
        .query((RowCallbackHandler) this::take);
  }

  private void take(ResultSet row) throws SQLException {
    var name = of(row.getLong("id"));
    name.company = row.getLong("company_id");
    name.spelled = row.getString("name");
    name.words = Findable.text(name.spelled);
    name.sketch = Sketch.of(name.words);
    version++;
  }

  /** Another number whenever a name is another. */
  public long version() {
    return version;
  }

  /** Names that contain a text, in their order. */
  public List<String> like(Long company, String text, int most) {
    refresh();
    var words = Findable.text(text);
    return names.values().stream()
        .filter(name -> name.company == company && name.words.contains(words))
        .map(Name::spelled)
        .sorted()
        .limit(most)
        .toList();
  }
}

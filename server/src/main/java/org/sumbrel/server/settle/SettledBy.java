package org.sumbrel.server.settle;

import java.time.LocalDate;
import java.util.Collection;
import java.util.HashMap;
import java.util.Map;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What settled items and entries, for whoever lists them. */
@Service
@Transactional(readOnly = true)
public class SettledBy {

  private final JdbcClient jdbc;

  SettledBy(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  /**
   * A settlement that stands.
   *
   * @param payer who sent the money; empty where none came
   */
  public record Settled(Long settlementId, LocalDate on, String payer) {}

  /** The last settlement of each of these items that stands. */
  public Map<Long, Settled> ofItems(Collection<Long> items) {
    return asked(
        items,
        """
        select a.item_id as about, s.id, coalesce(e.booked_on, s.posted_on) as received, coalesce(e.payer_name, '') as payer
        from settlement_application a join settlement s on s.id = a.settlement_id left join bank_entry e on e.id = s.entry_id
        where a.item_id in (:some) and s.status = 'POSTED' order by s.id
        """);
  }

  /** The settlement of each of these entries that stands. */
  public Map<Long, Settled> ofEntries(Collection<Long> entries) {
    return asked(
        entries,
        """
        select s.entry_id as about, s.id, s.posted_on as received, '' as payer from settlement s
        where s.entry_id in (:some) and s.status = 'POSTED' order by s.id
        """);
  }

  private Map<Long, Settled> asked(Collection<Long> some, String query) {
    var found = new HashMap<Long, Settled>();
    if (!some.isEmpty()) {
      jdbc.sql(query)
          .param("some", some)
          .query(
              row -> {
                found.put(
                    row.getLong("about"),
                    new Settled(
                        row.getLong("id"),
                        row.getObject("received", LocalDate.class),
                        row.getString("payer")));
              });
    }
    return found;
  }
}

package org.sumbrel.server.lockbox;

import java.time.LocalDate;
import java.util.Collection;
import java.util.HashMap;
import java.util.Map;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.server.settle.ChequeOrigins;

/** Finds the batches of cheques, many at once. */
@Component
@Transactional(readOnly = true)
class MailedOrigins implements ChequeOrigins {

  private final JdbcClient jdbc;

  MailedOrigins(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  @Override
  public Map<Long, ChequeOrigin> of(Collection<Long> entryIds) {
    var found = new HashMap<Long, ChequeOrigin>();
    jdbc.sql(
            """
            select r.entry_id, b.id, b.number, b.lockbox, b.deposited_on, r.batch_item, r.reference
            from unnest(:entries) asked(id) join held_receipt r on r.entry_id = asked.id
              join lockbox_batch b on b.id = r.lockbox_batch_id
            """)
        .param("entries", entryIds.toArray(Long[]::new))
        .query(
            row -> {
              found.put(
                  row.getLong("entry_id"),
                  new ChequeOrigin(
                      row.getLong("entry_id"),
                      row.getLong("id"),
                      row.getString("number"),
                      row.getString("lockbox"),
                      row.getObject("deposited_on", LocalDate.class),
                      row.getString("batch_item"),
                      row.getString("reference")));
            });
    return found;
  }
}

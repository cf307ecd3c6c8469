package org.sumbrel.server.journal;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.Collection;
import java.util.HashMap;
import java.util.Map;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Of what journal entries were written: the way from a line of the books back to what came. */
@Component
@Transactional(readOnly = true)
class JournalSources {

  private final JdbcClient jdbc;

  JournalSources(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  /** Of what an entry was written; each null where it is of none. */
  record JournalSource(
      @Schema(description = "the settlement that it posts or takes back") Long settlementId,
      @Schema(description = "the deposit that it makes") Long depositId,
      @Schema(description = "the entry of the bank or the pouch that it is about") Long entryId,
      @Schema(description = "the lockbox batch whose cheques it is about") Long lockboxBatchId,
      @Schema(description = "the payout that it books") Long payoutId) {}

  /** The sources of these entries, by the entry's id; left out where there is none. */
  Map<Long, JournalSource> of(Collection<Long> journalEntryIds) {
    var found = new HashMap<Long, JournalSource>();
    if (journalEntryIds.isEmpty()) {
      return found;
    }
    jdbc.sql(
            """
            select coalesce(s.journal_entry_id, 0) as written, s.reversal_entry_id as mirrored, s.id as settlement_id,
              cast(null as bigint) as deposit_id, s.entry_id, r.lockbox_batch_id, s.payout_id
            from settlement s left join held_receipt r on r.entry_id = s.entry_id
            where s.journal_entry_id in (:ids) or s.reversal_entry_id in (:ids)
            union all
            select r.journal_entry_id, null, null, null, r.entry_id, r.lockbox_batch_id, null from held_receipt r
            where r.journal_entry_id in (:ids)
            union all
            select d.journal_entry_id, null, null, d.id, null, b.id, d.payout_id from deposit d left join lockbox_batch b on b.deposit_id = d.id
            where d.journal_entry_id in (:ids)
            """)
        .param("ids", journalEntryIds)
        .query(
            row -> {
              var source =
                  new JournalSource(
                      row.getObject("settlement_id", Long.class),
                      row.getObject("deposit_id", Long.class),
                      row.getObject("entry_id", Long.class),
                      row.getObject("lockbox_batch_id", Long.class),
                      row.getObject("payout_id", Long.class));
              found.put(row.getLong("written"), source);
              var mirrored = row.getObject("mirrored", Long.class);
              if (mirrored != null) {
                found.put(mirrored, source);
              }
            });
    return found;
  }
}

package org.sumbrel.server.lockbox;

import jakarta.persistence.EntityManager;
import java.util.Comparator;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.core.lockbox.ChequeState;
import org.sumbrel.core.settle.SettlementRefused;
import org.sumbrel.server.access.Actor;
import org.sumbrel.server.api.Conflict;
import org.sumbrel.server.lockbox.BatchSheets.Cheque;
import org.sumbrel.server.settle.Reversals;

/** Takes all settlements of a batch back: all of them or none. */
@Service
class BatchReversal {

  /** After so many what was written is forgotten: else each would look through all before it. */
  private static final int CHUNK = 50;

  private final BatchSheets sheets;
  private final Reversals reversals;
  private final EntityManager rows;

  BatchReversal(BatchSheets sheets, Reversals reversals, EntityManager rows) {
    this.sheets = sheets;
    this.reversals = reversals;
    this.rows = rows;
  }

  /**
   * Reverses what settles the cheques of a batch, the latest first; the cheques wait again.
   *
   * @return how many settlements
   * @throws Conflict where something later depends on one of them; nothing was reversed then
   */
  @Transactional
  int reverse(LockboxBatchEntity batch, String why, Actor actor) {
    var posted =
        sheets.of(batch).cheques().stream()
            .filter(c -> c.state() == ChequeState.POSTED)
            .sorted(Comparator.comparing(Cheque::settlementId).reversed())
            .toList();
    if (posted.isEmpty()) {
      throw new Conflict("NOTHING_POSTED", "Nothing of this batch is posted.");
    }
    var done = 0;
    for (var cheque : posted) {
      try {
        reversals.reverse(cheque.settlementId(), batch.words() + ": " + why, actor);
      } catch (SettlementRefused | Conflict e) {
        throw new Conflict(
            "COUNTED_ON",
            "Nothing was reversed, because of cheque " + cheque.number() + ": " + e.getMessage());
      }
      if (++done % CHUNK == 0) {
        rows.flush();
        rows.clear();
      }
    }
    return done;
  }
}

package org.sumbrel.server.settle;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.sumbrel.server.access.Actor;

/**
 * What became of receipts that were recorded in the office, as far as their return is concerned.
 */
public interface BankedReceipts {

  /** To which bank account the receipt was taken; empty where the entry is the bank's own. */
  Optional<Long> takenTo(Long entryId);

  /** Receipts of these amounts, in minor units, that were taken to a bank account since a day. */
  List<Long> takenTo(Long bankAccountId, LocalDate since, long least, long most);

  /**
   * The bank took a receipt back that it had shown.
   *
   * @param again whether it is in the pouch again, to be presented once more
   * @return the journal entry by which the books know it; empty where the entry is the bank's own
   */
  Optional<Long> tookBack(Long entryId, boolean again, String reason, Actor actor);
}

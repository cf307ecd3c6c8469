package org.sumbrel.server.desk;

import java.time.Clock;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.sumbrel.core.money.MoneyText;
import org.sumbrel.server.access.Actor;
import org.sumbrel.server.api.Conflict;
import org.sumbrel.server.api.NotThere;

/** Sets entries aside with a reason, and takes them back; no balance moves by either. */
@Service
@Transactional
class Shelving {

  private final BankEntryRepository entries;
  private final Proposals proposals;
  private final Clock clock;

  Shelving(BankEntryRepository entries, Proposals proposals, Clock clock) {
    this.entries = entries;
    this.proposals = proposals;
    this.clock = clock;
  }

  /** The company whose proposals are behind now. */
  Long shelve(Long id, ShelvingReason reason, String note, Actor actor) {
    var entry = expecting(id, BankEntryEntity.Status.WAITING);
    entry.shelve(reason, note, actor.name(), clock.instant());
    proposals.mark(entry.companyId());
    return entry.companyId();
  }

  Long takeBack(Long id) {
    var entry = expecting(id, BankEntryEntity.Status.SHELVED);
    entry.takeBack();
    proposals.mark(entry.companyId());
    return entry.companyId();
  }

  private BankEntryEntity expecting(Long id, BankEntryEntity.Status status) {
    var entry = entries.findById(id).orElseThrow(() -> new NotThere("bank entry", id));
    if (entry.status() != status) {
      throw new Conflict(
          "CHANGED_MEANWHILE",
          "These "
              + MoneyText.grouped(entry.amount())
              + (status == BankEntryEntity.Status.WAITING
                  ? " no longer wait; nothing was shelved."
                  : " are not on the shelf any more."));
    }
    return entry;
  }
}

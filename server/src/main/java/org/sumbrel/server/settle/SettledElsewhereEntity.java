package org.sumbrel.server.settle;

import jakarta.persistence.Entity;
import jakarta.persistence.Table;

/** What a settlement wrote into the journal of another company, whose items it settles. */
@Entity
@Table(name = "settlement_elsewhere")
class SettledElsewhereEntity extends SettlementLine {

  private Long journalEntryId;
  private Long reversalEntryId;

  protected SettledElsewhereEntity() {}

  SettledElsewhereEntity(
      SettlementEntity settlement, int position, Long companyId, Long journalEntryId) {
    super(settlement, position, companyId);
    this.journalEntryId = journalEntryId;
  }

  Long journalEntryId() {
    return journalEntryId;
  }

  void reversed(Long mirrorEntryId) {
    reversalEntryId = mirrorEntryId;
  }

  Long reversalEntryId() {
    return reversalEntryId;
  }
}

package org.sumbrel.server.settle;

import jakarta.persistence.Entity;
import jakarta.persistence.FetchType;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.JoinColumn;
import jakarta.persistence.ManyToOne;
import jakarta.persistence.SequenceGenerator;
import jakarta.persistence.Table;

/** What a settlement wrote into the journal of another company, whose items it settles. */
@Entity
@Table(name = "settlement_elsewhere")
class SettledElsewhereEntity {

  @Id
  @GeneratedValue(strategy = GenerationType.SEQUENCE, generator = "settlement_line_seq")
  @SequenceGenerator(
      name = "settlement_line_seq",
      sequenceName = "settlement_line_seq",
      allocationSize = 50)
  private Long id;

  @ManyToOne(fetch = FetchType.LAZY, optional = false)
  @JoinColumn(name = "settlement_id")
  private SettlementEntity settlement;

  private int position;
  private Long companyId;
  private Long journalEntryId;
  private Long reversalEntryId;

  protected SettledElsewhereEntity() {}

  SettledElsewhereEntity(
      SettlementEntity settlement, int position, Long companyId, Long journalEntryId) {
    this.settlement = settlement;
    this.position = position;
    this.companyId = companyId;
    this.journalEntryId = journalEntryId;
  }

  Long companyId() {
    return companyId;
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

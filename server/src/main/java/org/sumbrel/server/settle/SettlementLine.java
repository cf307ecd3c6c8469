package org.sumbrel.server.settle;

import jakarta.persistence.FetchType;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.JoinColumn;
import jakarta.persistence.ManyToOne;
import jakarta.persistence.MappedSuperclass;
import jakarta.persistence.SequenceGenerator;

/** What every part of a settlement has: which one it is of, where it stands in it, whose it is. */
@MappedSuperclass
abstract class SettlementLine {

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

  protected SettlementLine() {}

  SettlementLine(SettlementEntity settlement, int position, Long companyId) {
    this.settlement = settlement;
    this.position = position;
    this.companyId = companyId;
  }

  SettlementEntity settlement() {
    return settlement;
  }

  /** In whose books it counts. */
  Long companyId() {
    return companyId;
  }
}

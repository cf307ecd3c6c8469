package org.sumbrel.server.settle;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.FetchType;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.JoinColumn;
import jakarta.persistence.ManyToOne;
import jakarta.persistence.SequenceGenerator;
import jakarta.persistence.Table;
import org.sumbrel.core.settle.Adjustment;
import org.sumbrel.server.api.AdjustmentKind;

/** An amount that explains a difference in a settlement. */
@Entity
@Table(name = "settlement_adjustment")
class AdjustmentEntity {

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

  @Enumerated(EnumType.STRING)
  private AdjustmentKind kind;

  private long amountMinor;

  protected AdjustmentEntity() {}

  AdjustmentEntity(SettlementEntity settlement, int position, Adjustment adjustment) {
    this.settlement = settlement;
    this.position = position;
    this.kind = AdjustmentKind.of(adjustment);
    this.amountMinor = adjustment.amount().getAmountMinorLong();
  }

  AdjustmentKind kind() {
    return kind;
  }

  long amountMinor() {
    return amountMinor;
  }
}

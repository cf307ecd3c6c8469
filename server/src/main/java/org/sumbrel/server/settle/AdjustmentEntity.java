package org.sumbrel.server.settle;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Table;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.sumbrel.core.receivables.ClaimReason;
import org.sumbrel.core.settle.Adjustment;
import org.sumbrel.core.settle.ClaimRaised;
import org.sumbrel.core.settle.FeeWithheld;
import org.sumbrel.core.settle.FeeWithheld.KeptBy;
import org.sumbrel.core.settle.OfCompany;
import org.sumbrel.core.settle.RefundPromised;
import org.sumbrel.core.settle.Rounding;
import org.sumbrel.core.settle.SmallWriteOff;
import org.sumbrel.core.settle.ToAccount;
import org.sumbrel.core.settle.UnearnedDiscount;
import org.sumbrel.server.api.AdjustmentKind;

/** An amount that explains a difference in a settlement. */
@Entity
@Table(name = "settlement_adjustment")
class AdjustmentEntity extends SettlementLine {

  @Enumerated(EnumType.STRING)
  private AdjustmentKind kind;

  private long amountMinor;
  private long taxMinor;
  private String currency;
  private Long customerId;
  private Long ledgerAccountId;

  @Enumerated(EnumType.STRING)
  private ClaimReason reason;

  private String text;

  protected AdjustmentEntity() {}

  AdjustmentEntity(SettlementEntity settlement, int position, Adjustment adjustment) {
    super(settlement, position, companyOf(settlement, adjustment));
    var sent = Differences.toSend(adjustment);
    this.kind = sent.kind();
    this.amountMinor = adjustment.amount().getAmountMinorLong();
    this.currency = adjustment.amount().getCurrencyUnit().getCode();
    this.taxMinor = sent.tax() == null ? 0 : sent.tax().toMoney().getAmountMinorLong();
    this.customerId = sent.customerId();
    this.ledgerAccountId = sent.accountId();
    this.reason = sent.reason();
    this.text = sent.text();
  }

  private static Long companyOf(SettlementEntity settlement, Adjustment adjustment) {
    return adjustment instanceof OfCompany of
        ? Long.valueOf(of.companyId())
        : settlement.companyId();
  }

  AdjustmentKind kind() {
    return kind;
  }

  Money amount() {
    return money(amountMinor);
  }

  private Money money(long minor) {
    return Money.ofMinor(CurrencyUnit.of(currency), minor);
  }

  ClaimReason reason() {
    return reason;
  }

  String text() {
    return text;
  }

  /** The adjustment as the core knows it. */
  Adjustment toAdjustment() {
    return companyId().equals(settlement().companyId())
        ? bare()
        : new OfCompany(companyId().toString(), bare());
  }

  private Adjustment bare() {
    var amount = money(amountMinor);
    var tax = money(taxMinor);
    return switch (kind) {
      case BANK_FEE -> new FeeWithheld(amount, KeptBy.BANK, tax);
      case PROCESSING_FEE -> new FeeWithheld(amount, KeptBy.PROCESSOR, tax);
      case UNEARNED_DISCOUNT -> new UnearnedDiscount(amount);
      case WRITE_OFF -> new SmallWriteOff(amount, text);
      case CLAIM -> new ClaimRaised(amount, customerId.toString(), reason, text);
      case ROUNDING -> new Rounding(amount);
      case REFUND -> new RefundPromised(amount, customerId.toString());
      case TO_ACCOUNT -> new ToAccount(amount, ledgerAccountId.toString(), tax, text);
    };
  }
}

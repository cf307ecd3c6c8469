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
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.sumbrel.core.settle.Application;

/** A part of a settlement set against an open item. */
@Entity
@Table(name = "settlement_application")
class ApplicationEntity {

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
  private Long itemId;
  private long amountMinor;
  private long discountMinor;
  private String currency;
  private Long companyId;
  private Long worthMinor;

  protected ApplicationEntity() {}

  ApplicationEntity(SettlementEntity settlement, int position, Application application) {
    this.settlement = settlement;
    this.position = position;
    this.itemId = Long.valueOf(application.item().id());
    this.amountMinor = application.amount().getAmountMinorLong();
    this.discountMinor = application.discount().getAmountMinorLong();
    this.currency = application.amount().getCurrencyUnit().getCode();
    this.companyId = Long.valueOf(application.item().companyId());
  }

  /** What it took of what the item stood in the books with. */
  void took(Money worth) {
    worthMinor = worth.getAmountMinorLong();
  }

  /** The same, where the item is in another currency than the books; null else. */
  Long worthMinor() {
    return worthMinor;
  }

  /** What the item's balance fell by, in its currency. */
  Money amount() {
    return Money.ofMinor(CurrencyUnit.of(currency), amountMinor);
  }

  Money discount() {
    return Money.ofMinor(CurrencyUnit.of(currency), discountMinor);
  }

  /** In whose books it counts. */
  Long companyId() {
    return companyId;
  }

  Long itemId() {
    return itemId;
  }
}

package org.sumbrel.server.settle;

import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.sumbrel.core.settle.Application;

/** A part of a settlement set against an open item. */
@Entity
@Table(name = "settlement_application")
class ApplicationEntity extends SettlementLine {

  private Long itemId;
  private long amountMinor;
  private long discountMinor;
  private String currency;
  private Long worthMinor;

  protected ApplicationEntity() {}

  ApplicationEntity(SettlementEntity settlement, int position, Application application) {
    super(settlement, position, Long.valueOf(application.item().companyId()));
    this.itemId = Long.valueOf(application.item().id());
    this.amountMinor = application.amount().getAmountMinorLong();
    this.discountMinor = application.discount().getAmountMinorLong();
    this.currency = application.amount().getCurrencyUnit().getCode();
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

  Long itemId() {
    return itemId;
  }
}

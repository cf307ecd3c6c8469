package org.sumbrel.server.pouch;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.SequenceGenerator;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.Instant;
import java.time.LocalDate;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.sumbrel.core.deposit.Takings;

/** What was sold on the spot; how it was paid are receipts that name it. */
@Entity
@Table(name = "takings")
class TakingsEntity {

  @Id
  @GeneratedValue(strategy = GenerationType.SEQUENCE, generator = "takings_seq")
  @SequenceGenerator(name = "takings_seq", sequenceName = "takings_seq", allocationSize = 1)
  private Long id;

  private Long companyId;
  private LocalDate soldOn;
  private String name;
  private String currency;
  private long soldMinor;
  private long taxMinor;
  private long tillCashMinor;
  private long differenceMinor;
  private Long journalEntryId;
  private String recordedBy;
  private Instant recordedAt;
  private String withdrawnBy;
  private Instant withdrawnAt;
  private String withdrawnWhy;
  @Version private Long version;

  protected TakingsEntity() {}

  TakingsEntity(Takings takings, Long journalEntryId, String by, Instant at) {
    this.companyId = Long.valueOf(takings.companyId());
    this.soldOn = takings.on();
    this.name = takings.name();
    this.currency = takings.currency().getCode();
    this.soldMinor = takings.sold().getAmountMinorLong();
    this.taxMinor = takings.tax().getAmountMinorLong();
    this.tillCashMinor = takings.tillCash().getAmountMinorLong();
    this.differenceMinor = takings.difference().getAmountMinorLong();
    this.journalEntryId = journalEntryId;
    this.recordedBy = by;
    this.recordedAt = at;
  }

  Long id() {
    return id;
  }

  Long companyId() {
    return companyId;
  }

  LocalDate soldOn() {
    return soldOn;
  }

  String name() {
    return name;
  }

  private Money money(long minor) {
    return Money.ofMinor(CurrencyUnit.of(currency), minor);
  }

  Money sold() {
    return money(soldMinor);
  }

  Money tax() {
    return money(taxMinor);
  }

  Money difference() {
    return money(differenceMinor);
  }

  Long journalEntryId() {
    return journalEntryId;
  }

  String recordedBy() {
    return recordedBy;
  }

  /** Who took them back; null where nobody did. */
  String withdrawnBy() {
    return withdrawnBy;
  }

  boolean withdrawn() {
    return withdrawnAt != null;
  }

  void withdraw(String why, String by, Instant at) {
    withdrawnWhy = why;
    withdrawnBy = by;
    withdrawnAt = at;
  }
}

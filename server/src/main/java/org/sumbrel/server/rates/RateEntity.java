package org.sumbrel.server.rates;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.SequenceGenerator;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.math.BigDecimal;
import java.time.Instant;
import java.time.LocalDate;
import org.joda.money.CurrencyUnit;
import org.sumbrel.core.exchange.Rate;
import org.sumbrel.core.exchange.RateTable.Quote;

/** A rate of a day; only that another stands in its place is ever added to it. */
@Entity
@Table(name = "exchange_rate")
class RateEntity {

  /** Where a rate comes from. */
  enum Origin {
    FILE,
    SERVICE,
    HAND
  }

  @Id
  @GeneratedValue(strategy = GenerationType.SEQUENCE, generator = "exchange_rate_seq")
  @SequenceGenerator(
      name = "exchange_rate_seq",
      sequenceName = "exchange_rate_seq",
      allocationSize = 50)
  private Long id;

  private LocalDate rateOn;
  private String fromCurrency;
  private String toCurrency;
  private BigDecimal perUnit;

  @Enumerated(EnumType.STRING)
  private Origin origin;

  private String reason;
  private Long intakeId;
  private String recordedBy;
  private Instant recordedAt;
  private Long replacedById;
  @Version private long version;

  protected RateEntity() {}

  RateEntity(
      Quote quote, Origin origin, String reason, Long intakeId, String recordedBy, Instant now) {
    this.rateOn = quote.on();
    this.fromCurrency = quote.rate().from().getCode();
    this.toCurrency = quote.rate().to().getCode();
    this.perUnit = quote.rate().perUnit();
    this.origin = origin;
    this.reason = reason;
    this.intakeId = intakeId;
    this.recordedBy = recordedBy;
    this.recordedAt = now;
  }

  Long id() {
    return id;
  }

  Quote quote() {
    return new Quote(
        rateOn,
        new Rate(
            CurrencyUnit.of(fromCurrency),
            CurrencyUnit.of(toCurrency),
            // as it was quoted, without the zeros that the database adds
            perUnit.stripTrailingZeros()));
  }

  Origin origin() {
    return origin;
  }

  String reason() {
    return reason;
  }

  Long intakeId() {
    return intakeId;
  }

  String recordedBy() {
    return recordedBy;
  }

  Instant recordedAt() {
    return recordedAt;
  }

  Long replacedById() {
    return replacedById;
  }

  void replacedBy(RateEntity other) {
    replacedById = other.id;
  }
}

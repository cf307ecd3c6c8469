package org.sumbrel.server.intake;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.SequenceGenerator;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.sumbrel.server.desk.BankEntryEntity;

/** What a later statement says otherwise of an entry that is known; somebody decides about it. */
@Entity
@Table(name = "correction")
class CorrectionEntity {

  /** What the later statement says. */
  enum Kind {
    /** It has the entry with another day or amount. */
    CHANGED,
    /** It covers the day and does not have the entry. */
    MISSING
  }

  /** What was decided. */
  enum Status {
    OPEN,
    ACCEPTED,
    REFUSED
  }

  @Id
  @GeneratedValue(strategy = GenerationType.SEQUENCE, generator = "correction_seq")
  @SequenceGenerator(name = "correction_seq", sequenceName = "correction_seq", allocationSize = 50)
  private Long id;

  private Long companyId;
  private Long bankAccountId;
  private Long intakeId;
  private Long entryId;

  @Enumerated(EnumType.STRING)
  private Kind kind;

  private String currency;
  private LocalDate oldBookedOn;
  private long oldMinor;
  private LocalDate newBookedOn;
  private Long newMinor;

  @Enumerated(EnumType.STRING)
  private Status status;

  private String decidedBy;
  private Instant decidedAt;
  @Version private long version;

  protected CorrectionEntity() {}

  private CorrectionEntity(Long intakeId, BankEntryEntity entry, Kind kind) {
    this.companyId = entry.companyId();
    this.bankAccountId = entry.bankAccountId();
    this.intakeId = intakeId;
    this.entryId = entry.id();
    this.kind = kind;
    this.currency = entry.amount().getCurrencyUnit().getCode();
    this.oldBookedOn = entry.bookedOn();
    this.oldMinor = entry.amount().getAmountMinorLong();
    this.status = Status.OPEN;
  }

  static CorrectionEntity changed(
      Long intakeId, BankEntryEntity entry, LocalDate day, Money amount) {
    var correction = new CorrectionEntity(intakeId, entry, Kind.CHANGED);
    correction.newBookedOn = day;
    correction.newMinor = amount.getAmountMinorLong();
    return correction;
  }

  static CorrectionEntity missing(Long intakeId, BankEntryEntity entry) {
    return new CorrectionEntity(intakeId, entry, Kind.MISSING);
  }

  Long id() {
    return id;
  }

  Long companyId() {
    return companyId;
  }

  Long bankAccountId() {
    return bankAccountId;
  }

  Long intakeId() {
    return intakeId;
  }

  Long entryId() {
    return entryId;
  }

  Kind kind() {
    return kind;
  }

  LocalDate oldBookedOn() {
    return oldBookedOn;
  }

  Money oldAmount() {
    return Money.ofMinor(CurrencyUnit.of(currency), oldMinor);
  }

  Optional<LocalDate> newBookedOn() {
    return Optional.ofNullable(newBookedOn);
  }

  Optional<Money> newAmount() {
    return Optional.ofNullable(newMinor).map(m -> Money.ofMinor(CurrencyUnit.of(currency), m));
  }

  Status status() {
    return status;
  }

  String decidedBy() {
    return decidedBy;
  }

  Instant decidedAt() {
    return decidedAt;
  }

  /** Whether somebody was asked the same before, or decided for what is there now. */
  boolean settlesAlready(Kind asked, Optional<LocalDate> day, Optional<Money> amount) {
    var sameQuestion = kind == asked && newBookedOn().equals(day) && newAmount().equals(amount);
    var wentTheOtherWay =
        status == Status.ACCEPTED
            && day.filter(oldBookedOn::equals).isPresent()
            && amount.filter(oldAmount()::equals).isPresent();
    return sameQuestion || wentTheOtherWay;
  }

  void decide(boolean accept, String by, Instant at) {
    status = accept ? Status.ACCEPTED : Status.REFUSED;
    decidedBy = by;
    decidedAt = at;
  }
}

package org.sumbrel.server.payouts;

import jakarta.persistence.Embedded;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.SequenceGenerator;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.sumbrel.core.payout.Payout;
import org.sumbrel.core.payout.PayoutItem;
import org.sumbrel.server.api.Contradictions;

/** A payout as the processor's file told it; its items stand in rows of their own. */
@Entity
@Table(name = "payout")
class PayoutEntity {

  @Id
  @GeneratedValue(strategy = GenerationType.SEQUENCE, generator = "payout_seq")
  @SequenceGenerator(name = "payout_seq", sequenceName = "payout_seq", allocationSize = 1)
  private Long id;

  private Long companyId;
  private Long intakeId;
  private Long processorId;
  private String number;
  private String currency;
  private LocalDate periodStart;
  private LocalDate periodEnd;
  private LocalDate paidOn;
  private long previousMinor;
  private Long claimedMinor;
  private long netMinor;
  private long paidOutMinor;
  private int items;
  private String fingerprint;
  @Embedded private Contradictions contradictions;
  private String postedBy;
  private Instant postedAt;
  private Long settlementId;
  private Long depositId;
  @Version private long version;

  protected PayoutEntity() {}

  /**
   * A payout that came.
   *
   * @param paidOn the day it was sent, or came to be known
   * @param fingerprint of its items
   * @param contradictions of the file that concern it, a sentence each
   */
  PayoutEntity(
      ProcessorEntity processor,
      Long intakeId,
      Payout payout,
      LocalDate paidOn,
      String fingerprint,
      List<String> contradictions) {
    this.companyId = processor.companyId();
    this.intakeId = intakeId;
    this.processorId = processor.id();
    this.number = payout.number();
    this.currency = payout.currency().getCode();
    this.periodStart = payout.from().orElse(null);
    this.periodEnd = payout.until().orElse(null);
    this.paidOn = paidOn;
    this.previousMinor = payout.previousBalance().getAmountMinorLong();
    this.claimedMinor = payout.claimedNet().map(Money::getAmountMinorLong).orElse(null);
    this.netMinor = payout.net().getAmountMinorLong();
    this.paidOutMinor = payout.paidOut().getAmountMinorLong();
    this.items = payout.items().size();
    this.fingerprint = fingerprint;
    this.contradictions = new Contradictions(contradictions);
  }

  Long id() {
    return id;
  }

  Long companyId() {
    return companyId;
  }

  Long intakeId() {
    return intakeId;
  }

  Long processorId() {
    return processorId;
  }

  String number() {
    return number;
  }

  CurrencyUnit currency() {
    return CurrencyUnit.of(currency);
  }

  LocalDate periodStart() {
    return periodStart;
  }

  LocalDate periodEnd() {
    return periodEnd;
  }

  LocalDate paidOn() {
    return paidOn;
  }

  Money net() {
    return money(netMinor);
  }

  Money paidOut() {
    return money(paidOutMinor);
  }

  Money money(long minor) {
    return Money.ofMinor(currency(), minor);
  }

  int items() {
    return items;
  }

  String fingerprint() {
    return fingerprint;
  }

  /** In what it contradicts itself, and who answers for it. */
  Contradictions contradictions() {
    return contradictions;
  }

  boolean blocked() {
    return contradictions.block();
  }

  boolean posted() {
    return postedBy != null;
  }

  /**
   * It is booked.
   *
   * @param settlement by which; null where its items come to nothing that is to be written
   * @param deposit by which what was sent is on its way to the bank; null where nothing was sent
   */
  void posted(Long settlement, Long deposit, String by, Instant at) {
    settlementId = settlement;
    depositId = deposit;
    postedBy = by;
    postedAt = at;
  }

  /** It is taken back and waits again. */
  void reversed() {
    posted(null, null, null, null);
  }

  String postedBy() {
    return postedBy;
  }

  Instant postedAt() {
    return postedAt;
  }

  Long settlementId() {
    return settlementId;
  }

  Long depositId() {
    return depositId;
  }

  /** The payout as it was told. */
  Payout toPayout(String processor, List<PayoutItem> told) {
    return new Payout(
        processor,
        number,
        currency(),
        Optional.ofNullable(periodStart),
        Optional.ofNullable(periodEnd),
        Optional.of(paidOn),
        money(previousMinor),
        Optional.ofNullable(claimedMinor).map(this::money),
        told);
  }
}

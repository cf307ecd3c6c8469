package org.sumbrel.server.lockbox;

import jakarta.persistence.Embedded;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.SequenceGenerator;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.sumbrel.core.lockbox.LockboxBatch;
import org.sumbrel.server.api.Contradictions;

/** A batch as the bank's file claimed it; its cheques are receipts that name it. */
@Entity
@Table(name = "lockbox_batch")
class LockboxBatchEntity {

  @Id
  @GeneratedValue(strategy = GenerationType.SEQUENCE, generator = "lockbox_batch_seq")
  @SequenceGenerator(
      name = "lockbox_batch_seq",
      sequenceName = "lockbox_batch_seq",
      allocationSize = 1)
  private Long id;

  private Long companyId;
  private Long intakeId;
  private Long bankAccountId;
  private String number;
  private String lockbox;
  private String currency;
  private LocalDate depositedOn;
  private int cheques;
  private long totalMinor;
  private Integer claimedCheques;
  private Long claimedMinor;
  @Embedded private Contradictions contradictions;
  private Long depositId;
  @Version private long version;

  protected LockboxBatchEntity() {}

  /**
   * A batch that came.
   *
   * @param on the day of its deposit
   * @param contradictions of the file that concern it, a sentence each
   */
  LockboxBatchEntity(
      Long companyId,
      Long intakeId,
      Long bankAccountId,
      LockboxBatch batch,
      LocalDate on,
      List<String> contradictions) {
    this.companyId = companyId;
    this.intakeId = intakeId;
    this.bankAccountId = bankAccountId;
    this.number = batch.number();
    this.lockbox = batch.lockbox();
    this.currency = batch.currency().getCode();
    this.depositedOn = on;
    this.cheques = batch.cheques().size();
    this.totalMinor = batch.total().getAmountMinorLong();
    this.claimedCheques = batch.claimedCheques().orElse(null);
    this.claimedMinor = batch.claimedTotal().map(Money::getAmountMinorLong).orElse(null);
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

  Long bankAccountId() {
    return bankAccountId;
  }

  String number() {
    return number;
  }

  String lockbox() {
    return lockbox;
  }

  CurrencyUnit currency() {
    return CurrencyUnit.of(currency);
  }

  LocalDate depositedOn() {
    return depositedOn;
  }

  int cheques() {
    return cheques;
  }

  Money total() {
    return Money.ofMinor(currency(), totalMinor);
  }

  Optional<Integer> claimedCheques() {
    return Optional.ofNullable(claimedCheques);
  }

  Optional<Money> claimedTotal() {
    return Optional.ofNullable(claimedMinor).map(minor -> Money.ofMinor(currency(), minor));
  }

  /** In what it contradicts itself, and who answers for it. */
  Contradictions contradictions() {
    return contradictions;
  }

  boolean blocked() {
    return contradictions.block();
  }

  /** The deposit by which the bank put it on the account; null while it is blocked. */
  Long depositId() {
    return depositId;
  }

  void banked(Long deposit) {
    depositId = deposit;
  }

  /** How it is spoken of. */
  String words() {
    return "batch " + number + (lockbox.isEmpty() ? "" : " of lockbox " + lockbox);
  }
}

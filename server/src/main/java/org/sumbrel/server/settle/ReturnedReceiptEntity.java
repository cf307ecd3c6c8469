package org.sumbrel.server.settle;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.SequenceGenerator;
import jakarta.persistence.Table;
import java.time.Instant;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;

/** A receipt that the bank took back: by which debit, at what cost, and who bears it. */
@Entity
@Table(name = "returned_receipt")
class ReturnedReceiptEntity {

  @Id
  @GeneratedValue(strategy = GenerationType.SEQUENCE, generator = "returned_receipt_seq")
  @SequenceGenerator(
      name = "returned_receipt_seq",
      sequenceName = "returned_receipt_seq",
      allocationSize = 50)
  private Long id;

  private Long companyId;
  private Long entryId;
  private Long debitId;
  private Long feeDebitId;
  private Long settlementId;
  private String currency;
  private long feeMinor;
  private Long feeItemId;
  private Long feeJournalEntryId;
  private Long journalEntryId;
  private String reason;
  private String returnedBy;
  private Instant returnedAt;

  protected ReturnedReceiptEntity() {}

  /**
   * A return.
   *
   * @param entryId the credit that was taken back
   * @param feeDebitId the debit of the fee, where the bank booked one of its own; else null
   * @param settlementId what the credit had settled; null where it still waited
   */
  ReturnedReceiptEntity(
      Long companyId,
      Long entryId,
      Long debitId,
      Long feeDebitId,
      Long settlementId,
      String reason,
      String returnedBy,
      Instant returnedAt) {
    this.companyId = companyId;
    this.entryId = entryId;
    this.debitId = debitId;
    this.feeDebitId = feeDebitId;
    this.settlementId = settlementId;
    this.reason = reason;
    this.returnedBy = returnedBy;
    this.returnedAt = returnedAt;
  }

  /**
   * What it cost.
   *
   * @param itemId the item by which the customer owes it; null where we bear it
   */
  /** By which entry the books know that a banked receipt was taken back. */
  void writtenAs(Long entry) {
    journalEntryId = entry;
  }

  void costs(Money fee, Long itemId, Long journalEntryId) {
    currency = fee.getCurrencyUnit().getCode();
    feeMinor = fee.getAmountMinorLong();
    feeItemId = itemId;
    feeJournalEntryId = journalEntryId;
  }

  Long entryId() {
    return entryId;
  }

  Long debitId() {
    return debitId;
  }

  Long settlementId() {
    return settlementId;
  }

  Money fee() {
    return Money.ofMinor(CurrencyUnit.of(currency), feeMinor);
  }

  Long feeItemId() {
    return feeItemId;
  }

  String reason() {
    return reason;
  }

  String returnedBy() {
    return returnedBy;
  }

  Instant returnedAt() {
    return returnedAt;
  }
}

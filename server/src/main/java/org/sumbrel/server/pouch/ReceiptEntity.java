package org.sumbrel.server.pouch;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.sumbrel.core.deposit.HeldReceipt;
import org.sumbrel.core.receivables.PaidBy;

/**
 * A receipt that was recorded in the office: what is known of it beside the entry of the same id,
 * as which it waits and is settled.
 */
@Entity
@Table(name = "held_receipt")
class ReceiptEntity {

  @Id
  @Column(name = "entry_id")
  private Long id;

  private Long companyId;

  @Enumerated(EnumType.STRING)
  private PaidBy method;

  private LocalDate receivedOn;
  private String currency;
  private long amountMinor;
  private String payer;
  private String reference;
  private String routing;
  private LocalDate heldUntil;
  private Long depositId;
  private Long takingsId;
  private Long pictureId;
  private Long lockboxBatchId;
  private String drawerAccount = "";
  private String batchItem = "";
  private int itemCount;
  private long itemMinor;
  private String recordedBy;
  private Instant recordedAt;
  private Long journalEntryId;
  private String withdrawnBy;
  private Instant withdrawnAt;
  private String withdrawnWhy;
  @Version private Long version;

  protected ReceiptEntity() {}

  ReceiptEntity(
      Long id,
      Long companyId,
      HeldReceipt receipt,
      Pouch.Known known,
      Long journalEntryId,
      String by,
      Instant at) {
    this.id = id;
    this.companyId = companyId;
    this.method = receipt.method();
    this.receivedOn = receipt.receivedOn();
    this.currency = receipt.amount().getCurrencyUnit().getCode();
    this.amountMinor = receipt.amount().getAmountMinorLong();
    this.payer = receipt.from();
    this.reference = receipt.reference();
    this.routing = known.routing();
    this.drawerAccount = known.drawerAccount();
    this.pictureId = known.pictureId();
    this.heldUntil = receipt.heldUntil().orElse(null);
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

  Money amount() {
    return Money.ofMinor(CurrencyUnit.of(currency), amountMinor);
  }

  Long depositId() {
    return depositId;
  }

  String recordedBy() {
    return recordedBy;
  }

  String routing() {
    return routing;
  }

  /** The account of a cheque's code line; empty where it was not read. */
  String drawerAccount() {
    return drawerAccount;
  }

  Long journalEntryId() {
    return journalEntryId;
  }

  /** In a deposit, or in the pouch again where it is null. */
  void in(Long deposit) {
    depositId = deposit;
  }

  /** The takings that it is part of; null where it is not. */
  Long takingsId() {
    return takingsId;
  }

  /** It was for a sale on the spot. */
  void soldIn(Long takings) {
    takingsId = takings;
  }

  Long pictureId() {
    return pictureId;
  }

  /** The lockbox batch whose cheque it is; null where somebody recorded it in the office. */
  Long lockboxBatchId() {
    return lockboxBatchId;
  }

  /** Its number in that batch; empty where there is none. */
  String batchItem() {
    return batchItem;
  }

  /**
   * It is a cheque of a batch.
   *
   * @param items how many documents its slip names
   * @param itemTotal what they come to
   */
  void mailedIn(Long batch, String item, int items, Money itemTotal) {
    lockboxBatchId = batch;
    batchItem = item;
    itemCount = items;
    itemMinor = itemTotal.getAmountMinorLong();
  }

  /** Who took it out; null where nobody did. */
  String withdrawnBy() {
    return withdrawnBy;
  }

  boolean withdrawn() {
    return withdrawnAt != null;
  }

  /** It was recorded by mistake, or given back. */
  void withdraw(String why, String by, Instant at) {
    withdrawnWhy = why;
    withdrawnBy = by;
    withdrawnAt = at;
  }

  HeldReceipt toHeld() {
    return new HeldReceipt(
        id.toString(),
        method,
        receivedOn,
        amount(),
        payer,
        reference,
        Optional.ofNullable(heldUntil));
  }
}

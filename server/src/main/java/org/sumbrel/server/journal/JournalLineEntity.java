package org.sumbrel.server.journal;

import jakarta.persistence.Entity;
import jakarta.persistence.FetchType;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.JoinColumn;
import jakarta.persistence.ManyToOne;
import jakarta.persistence.SequenceGenerator;
import jakarta.persistence.Table;

/** One line of a journal entry; debit positive, in minor units. */
@Entity
@Table(name = "journal_line")
class JournalLineEntity {

  @Id
  @GeneratedValue(strategy = GenerationType.SEQUENCE, generator = "journal_line_seq")
  @SequenceGenerator(
      name = "journal_line_seq",
      sequenceName = "journal_line_seq",
      allocationSize = 50)
  private Long id;

  @ManyToOne(fetch = FetchType.LAZY, optional = false)
  @JoinColumn(name = "journal_entry_id")
  private JournalEntryEntity entry;

  private int position;
  private Long ledgerAccountId;
  private Long customerId;
  private String currency;
  private long amountMinor;
  private Long worthMinor;

  protected JournalLineEntity() {}

  JournalLineEntity(
      JournalEntryEntity entry,
      int position,
      Long ledgerAccountId,
      Long customerId,
      String currency,
      long amountMinor,
      Long worthMinor) {
    this.worthMinor = worthMinor;
    this.entry = entry;
    this.position = position;
    this.ledgerAccountId = ledgerAccountId;
    this.customerId = customerId;
    this.currency = currency;
    this.amountMinor = amountMinor;
  }

  Long ledgerAccountId() {
    return ledgerAccountId;
  }

  Long customerId() {
    return customerId;
  }

  String currency() {
    return currency;
  }

  long amountMinor() {
    return amountMinor;
  }

  /** What it is worth in the currency of the books; null in theirs, and where no rate is known. */
  Long worthMinor() {
    return worthMinor;
  }
}

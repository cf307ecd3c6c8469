package org.sumbrel.server.journal;

import jakarta.persistence.CascadeType;
import jakarta.persistence.Entity;
import jakarta.persistence.FetchType;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.OneToMany;
import jakarta.persistence.OrderBy;
import jakarta.persistence.SequenceGenerator;
import jakarta.persistence.Table;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import org.hibernate.annotations.BatchSize;

/** One balanced entry of the journal; never changed once it is written. */
@Entity
@Table(name = "journal_entry")
class JournalEntryEntity {

  @Id
  @GeneratedValue(strategy = GenerationType.SEQUENCE, generator = "journal_entry_seq")
  @SequenceGenerator(
      name = "journal_entry_seq",
      sequenceName = "journal_entry_seq",
      allocationSize = 50)
  private Long id;

  private Long companyId;
  private LocalDate bookedOn;
  private LocalDate ofDay;
  private String text;
  private String writtenBy;
  private Instant writtenAt;
  private Long reversesId;

  @OneToMany(
      mappedBy = "entry",
      cascade = {CascadeType.PERSIST, CascadeType.DETACH},
      fetch = FetchType.LAZY)
  @OrderBy("position")
  @BatchSize(size = 200)
  private List<JournalLineEntity> lines = new ArrayList<>();

  protected JournalEntryEntity() {}

  JournalEntryEntity(
      Long companyId,
      LocalDate bookedOn,
      LocalDate ofDay,
      String text,
      String writtenBy,
      Instant writtenAt,
      Long reversesId) {
    this.companyId = companyId;
    this.bookedOn = bookedOn;
    this.ofDay = ofDay;
    this.text = text;
    this.writtenBy = writtenBy;
    this.writtenAt = writtenAt;
    this.reversesId = reversesId;
  }

  void add(
      Long ledgerAccountId, Long customerId, String currency, long amountMinor, Long worthMinor) {
    lines.add(
        new JournalLineEntity(
            this, lines.size(), ledgerAccountId, customerId, currency, amountMinor, worthMinor));
  }

  Long id() {
    return id;
  }

  Long companyId() {
    return companyId;
  }

  LocalDate bookedOn() {
    return bookedOn;
  }

  /** The day that it is of, where that was closed already; else null. */
  LocalDate ofDay() {
    return ofDay;
  }

  String text() {
    return text;
  }

  String writtenBy() {
    return writtenBy;
  }

  Instant writtenAt() {
    return writtenAt;
  }

  Long reversesId() {
    return reversesId;
  }

  List<JournalLineEntity> lines() {
    return lines;
  }
}

package org.sumbrel.server.exports;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.SequenceGenerator;
import jakarta.persistence.Table;
import java.time.Instant;
import java.time.LocalDate;

/** A part of the journal that went out; never changed. */
@Entity
@Table(name = "journal_export")
class JournalExportEntity {

  @Id
  @GeneratedValue(strategy = GenerationType.SEQUENCE, generator = "journal_export_seq")
  @SequenceGenerator(
      name = "journal_export_seq",
      sequenceName = "journal_export_seq",
      allocationSize = 1)
  private Long id;

  private Long companyId;
  private LocalDate untilOn;
  private LocalDate firstOn;
  private LocalDate lastOn;
  private int entries;
  private String madeBy;
  private Instant madeAt;

  protected JournalExportEntity() {}

  JournalExportEntity(
      Long companyId,
      LocalDate untilOn,
      LocalDate firstOn,
      LocalDate lastOn,
      int entries,
      String madeBy,
      Instant madeAt) {
    this.companyId = companyId;
    this.untilOn = untilOn;
    this.firstOn = firstOn;
    this.lastOn = lastOn;
    this.entries = entries;
    this.madeBy = madeBy;
    this.madeAt = madeAt;
  }

  Long id() {
    return id;
  }

  Long companyId() {
    return companyId;
  }

  LocalDate untilOn() {
    return untilOn;
  }

  LocalDate firstOn() {
    return firstOn;
  }

  LocalDate lastOn() {
    return lastOn;
  }

  int entries() {
    return entries;
  }

  String madeBy() {
    return madeBy;
  }

  Instant madeAt() {
    return madeAt;
  }
}

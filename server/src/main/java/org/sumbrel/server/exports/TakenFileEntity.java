package org.sumbrel.server.exports;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.SequenceGenerator;
import jakarta.persistence.Table;
import java.time.Instant;

/** That somebody took a file of an export. */
@Entity
@Table(name = "journal_export_taken")
class TakenFileEntity {

  /** As what the journal goes out. */
  enum Format {
    CSV,
    XLSX,
    LEDGER
  }

  @Id
  @GeneratedValue(strategy = GenerationType.SEQUENCE, generator = "journal_export_taken_seq")
  @SequenceGenerator(
      name = "journal_export_taken_seq",
      sequenceName = "journal_export_taken_seq",
      allocationSize = 1)
  private Long id;

  private Long exportId;

  @Enumerated(EnumType.STRING)
  private Format format;

  private String takenBy;
  private Instant takenAt;
  private String why;

  protected TakenFileEntity() {}

  /**
   * @param why it was taken again; empty the first time
   */
  TakenFileEntity(Long exportId, Format format, String takenBy, Instant takenAt, String why) {
    this.exportId = exportId;
    this.format = format;
    this.takenBy = takenBy;
    this.takenAt = takenAt;
    this.why = why;
  }

  Long exportId() {
    return exportId;
  }

  Format format() {
    return format;
  }

  String takenBy() {
    return takenBy;
  }

  Instant takenAt() {
    return takenAt;
  }

  String why() {
    return why;
  }
}

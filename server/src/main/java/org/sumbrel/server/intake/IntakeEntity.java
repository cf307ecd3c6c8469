package org.sumbrel.server.intake;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.SequenceGenerator;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.Arrays;
import java.util.List;

/** One file taken in: its fingerprint, who, when, and what became of its records. */
@Entity
@Table(name = "intake")
class IntakeEntity {

  private static final int LONGEST = 20_000;

  @Id
  @GeneratedValue(strategy = GenerationType.SEQUENCE, generator = "intake_seq")
  @SequenceGenerator(name = "intake_seq", sequenceName = "intake_seq", allocationSize = 50)
  private Long id;

  private Long companyId;
  private String fileName;
  private String format;
  private String profile;
  private String fingerprint;
  private long sizeBytes;
  private String takenBy;
  private Instant takenAt;
  private int records;
  private int fresh;
  private int known;
  private int passedOver;
  private String problems = "";
  private String takenBackBy;
  private Instant takenBackAt;

  protected IntakeEntity() {}

  IntakeEntity(
      Long companyId,
      String fileName,
      String format,
      String profile,
      String fingerprint,
      long sizeBytes,
      String takenBy,
      Instant takenAt) {
    this.companyId = companyId;
    this.fileName = fileName.length() <= 300 ? fileName : fileName.substring(0, 300);
    this.format = format;
    this.profile = profile;
    this.fingerprint = fingerprint;
    this.sizeBytes = sizeBytes;
    this.takenBy = takenBy;
    this.takenAt = takenAt;
  }

  Long id() {
    return id;
  }

  Long companyId() {
    return companyId;
  }

  String fileName() {
    return fileName;
  }

  String format() {
    return format;
  }

  String profile() {
    return profile;
  }

  String fingerprint() {
    return fingerprint;
  }

  long sizeBytes() {
    return sizeBytes;
  }

  String takenBy() {
    return takenBy;
  }

  Instant takenAt() {
    return takenAt;
  }

  String takenBackBy() {
    return takenBackBy;
  }

  Instant takenBackAt() {
    return takenBackAt;
  }

  void takeBack(String by, Instant at) {
    takenBackBy = by;
    takenBackAt = at;
  }

  int records() {
    return records;
  }

  int fresh() {
    return fresh;
  }

  int known() {
    return known;
  }

  int passedOver() {
    return passedOver;
  }

  List<String> problems() {
    return problems.isEmpty() ? List.of() : Arrays.asList(problems.split("\n"));
  }

  void became(Outcome outcome) {
    records = outcome.records();
    fresh = outcome.fresh();
    known = outcome.known();
    passedOver = outcome.passedOver();
    var text = String.join("\n", outcome.problems());
    problems = text.length() <= LONGEST ? text : text.substring(0, LONGEST - 1) + "…";
  }
}

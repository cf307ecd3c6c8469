package org.sumbrel.server.outside;

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

/**
 * A file at the simulated bank, mail room or processor, and what became of it once it was fetched.
 */
@Entity
@Table(name = "simulated_delivery")
class SimulatedDeliveryEntity {

  /** Where it lies. */
  enum Source {
    BANK,
    MAIL_ROOM,
    PROCESSOR
  }

  private static final int LONGEST_REFUSAL = 2_000;

  @Id
  @GeneratedValue(strategy = GenerationType.SEQUENCE, generator = "simulated_delivery_seq")
  @SequenceGenerator(
      name = "simulated_delivery_seq",
      sequenceName = "simulated_delivery_seq",
      allocationSize = 50)
  private Long id;

  private Long companyId;

  @Enumerated(EnumType.STRING)
  private Source source;

  private String fileName;
  private LocalDate madeOn;
  private LocalDate readyOn;
  private String content;
  private Instant fetchedAt;
  private Long intakeId;
  private String refused;
  @Version private long version;

  protected SimulatedDeliveryEntity() {}

  SimulatedDeliveryEntity(
      Long companyId,
      Source source,
      String fileName,
      LocalDate madeOn,
      LocalDate readyOn,
      String content) {
    this.companyId = companyId;
    this.source = source;
    this.fileName = fileName;
    this.madeOn = madeOn;
    this.readyOn = readyOn;
    this.content = content;
  }

  Long id() {
    return id;
  }

  String fileName() {
    return fileName;
  }

  LocalDate madeOn() {
    return madeOn;
  }

  LocalDate readyOn() {
    return readyOn;
  }

  String content() {
    return content;
  }

  Instant fetchedAt() {
    return fetchedAt;
  }

  Long intakeId() {
    return intakeId;
  }

  String refused() {
    return refused;
  }

  void becameIntake(Long intake, Instant at) {
    intakeId = intake;
    fetchedAt = at;
  }

  void wasRefused(String why, Instant at) {
    refused = why.length() <= LONGEST_REFUSAL ? why : why.substring(0, LONGEST_REFUSAL - 1) + "…";
    fetchedAt = at;
  }
}

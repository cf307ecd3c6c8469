package org.sumbrel.server.tieout;

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

/** A period that was closed: nothing is posted in it until it is opened again. */
@Entity
@Table(name = "closed_period")
class ClosedPeriodEntity {

  @Id
  @GeneratedValue(strategy = GenerationType.SEQUENCE, generator = "closed_period_seq")
  @SequenceGenerator(
      name = "closed_period_seq",
      sequenceName = "closed_period_seq",
      allocationSize = 1)
  private Long id;

  private Long companyId;
  private LocalDate untilDay;
  @Embedded private Closing closing;
  @Version private long version;

  protected ClosedPeriodEntity() {}

  ClosedPeriodEntity(Long companyId, LocalDate untilDay, String by, Instant at) {
    this.companyId = companyId;
    this.untilDay = untilDay;
    this.closing = new Closing(by, at);
  }

  Long id() {
    return id;
  }

  Long companyId() {
    return companyId;
  }

  LocalDate untilDay() {
    return untilDay;
  }

  Closing closing() {
    return closing;
  }
}

package org.sumbrel.server.outside;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.LocalDate;

/** The simulated processor of a company: how far its weeks are, how it behaves. */
@Entity
@Table(name = "simulated_processor")
class SimulatedProcessorEntity {

  @Id private Long companyId;
  private LocalDate firstDay;
  private LocalDate lastDay;
  private boolean late;
  private boolean twice;
  private boolean offLine;
  private boolean wrongTotal;
  private boolean unknownType;
  @Version private Long version;

  protected SimulatedProcessorEntity() {}

  SimulatedProcessorEntity(Long companyId, LocalDate day) {
    this.companyId = companyId;
    this.firstDay = day;
    this.lastDay = day;
  }

  /** The day from which on it pays out. */
  LocalDate firstDay() {
    return firstDay;
  }

  /** The last day on which it paid out, or the first. */
  LocalDate day() {
    return lastDay;
  }

  ProcessorBehaviour behaviour() {
    return new ProcessorBehaviour(late, twice, offLine, wrongTotal, unknownType);
  }

  void behave(ProcessorBehaviour now) {
    late = now.late();
    twice = now.twice();
    offLine = now.offLine();
    wrongTotal = now.wrongTotal();
    unknownType = now.unknownType();
  }

  void paidOut(LocalDate day) {
    lastDay = day;
  }
}

package org.sumbrel.server.outside;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;

/** How the simulated rate service behaves; there is one for all companies. */
@Entity
@Table(name = "simulated_rates")
class SimulatedRatesEntity {

  static final Long ONLY = 1L;

  @Id private Long id = ONLY;
  private boolean offLine;
  private boolean late;
  @Version private Long version;

  RatesBehaviour behaviour() {
    return new RatesBehaviour(late, offLine);
  }

  void behave(RatesBehaviour now) {
    late = now.late();
    offLine = now.offLine();
  }
}

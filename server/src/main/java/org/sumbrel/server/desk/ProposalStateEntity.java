package org.sumbrel.server.desk;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;

/**
 * Whether a company's proposals are behind what is posted; its row is the lock under which they are
 * renewed.
 */
@Entity
@Table(name = "proposal_state")
class ProposalStateEntity {

  @Id private Long companyId;
  private boolean stale;

  protected ProposalStateEntity() {}

  ProposalStateEntity(Long companyId) {
    this.companyId = companyId;
  }

  boolean stale() {
    return stale;
  }

  void stale(boolean now) {
    stale = now;
  }
}

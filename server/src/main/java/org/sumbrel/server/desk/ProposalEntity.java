package org.sumbrel.server.desk;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import org.springframework.data.domain.Persistable;

/** What the engine last thought of an entry; {@code body} is {@link StoredProposals} as JSON. */
@Entity
@Table(name = "proposal")
class ProposalEntity implements Persistable<Long> {

  @Id private Long entryId;
  private Long companyId;
  private String leadBody;
  private String body;
  private long leadAppliedMinor;
  private long leadKeptMinor;
  private long leadOnAccountMinor;
  private long leadElsewhereMinor;
  private boolean leadOwing;

  protected ProposalEntity() {}

  ProposalEntity(Long entryId, Long companyId, String leadBody, String body, LeadSums sums) {
    this.entryId = entryId;
    this.companyId = companyId;
    this.leadBody = leadBody;
    this.body = body;
    this.leadAppliedMinor = sums.applied();
    this.leadKeptMinor = sums.kept();
    this.leadOnAccountMinor = sums.onAccount();
    this.leadElsewhereMinor = sums.elsewhere();
    this.leadOwing = sums.owing();
  }

  Long entryId() {
    return entryId;
  }

  String body() {
    return body;
  }

  @Override
  public Long getId() {
    return entryId;
  }

  /** Rows are only ever added after the old ones are gone. */
  @Override
  public boolean isNew() {
    return true;
  }
}

package org.sumbrel.server.payouts;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.SequenceGenerator;
import jakarta.persistence.Table;
import jakarta.persistence.Version;

/** A card processor or marketplace, with the accounts on which its money stands meanwhile. */
@Entity
@Table(name = "processor")
class ProcessorEntity {

  @Id
  @GeneratedValue(strategy = GenerationType.SEQUENCE, generator = "processor_seq")
  @SequenceGenerator(name = "processor_seq", sequenceName = "processor_seq", allocationSize = 1)
  private Long id;

  private Long companyId;
  private String name;
  private Long clearingAccountId;
  private Long reserveAccountId;
  @Version private long version;

  protected ProcessorEntity() {}

  ProcessorEntity(Long companyId, String name, Long clearingAccountId, Long reserveAccountId) {
    this.companyId = companyId;
    this.name = name;
    this.clearingAccountId = clearingAccountId;
    this.reserveAccountId = reserveAccountId;
  }

  Long id() {
    return id;
  }

  Long companyId() {
    return companyId;
  }

  String name() {
    return name;
  }

  Long clearingAccountId() {
    return clearingAccountId;
  }

  Long reserveAccountId() {
    return reserveAccountId;
  }
}

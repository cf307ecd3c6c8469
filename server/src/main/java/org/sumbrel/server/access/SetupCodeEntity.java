package org.sumbrel.server.access;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;

/** The one-time code of the last start that found no administrator. */
@Entity
@Table(name = "setup_code")
class SetupCodeEntity {

  static final Long ONLY = 1L;

  @Id private Long id = ONLY;
  private String codeHash;
  private Instant madeAt;

  protected SetupCodeEntity() {}

  SetupCodeEntity(String codeHash, Instant madeAt) {
    this.codeHash = codeHash;
    this.madeAt = madeAt;
  }

  String codeHash() {
    return codeHash;
  }

  Instant madeAt() {
    return madeAt;
  }
}

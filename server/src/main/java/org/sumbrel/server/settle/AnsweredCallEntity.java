package org.sumbrel.server.settle;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.IdClass;
import jakarta.persistence.Table;
import java.io.Serializable;
import org.springframework.data.domain.Persistable;

/**
 * A call that moved money, by the key its caller gave it, so that saying it twice moves it once.
 */
@Entity
@Table(name = "answered_call")
@IdClass(AnsweredCallEntity.Key.class)
class AnsweredCallEntity implements Persistable<AnsweredCallEntity.Key> {

  /** A user and the key he gave. */
  record Key(String userName, String callKey) implements Serializable {}

  @Id private String userName;
  @Id private String callKey;
  private String requestHash;
  private Long settlementId;

  protected AnsweredCallEntity() {}

  AnsweredCallEntity(String userName, String callKey, String requestHash, Long settlementId) {
    this.userName = userName;
    this.callKey = callKey;
    this.requestHash = requestHash;
    this.settlementId = settlementId;
  }

  String requestHash() {
    return requestHash;
  }

  Long settlementId() {
    return settlementId;
  }

  @Override
  public Key getId() {
    return new Key(userName, callKey);
  }

  @Override
  public boolean isNew() {
    return true;
  }
}

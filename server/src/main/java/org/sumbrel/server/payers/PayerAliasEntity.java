package org.sumbrel.server.payers;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.SequenceGenerator;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.Instant;
import org.sumbrel.core.propose.Alias;

/** A name or an account of a payer that stands for a customer until somebody forgets it. */
@Entity
@Table(name = "payer_alias")
class PayerAliasEntity {

  @Id
  @GeneratedValue(strategy = GenerationType.SEQUENCE, generator = "payer_alias_seq")
  @SequenceGenerator(name = "payer_alias_seq", sequenceName = "payer_alias_seq", allocationSize = 1)
  private Long id;

  private Long companyId;
  private Long customerId;
  private String payerText;
  private String payerAccount;
  private Long settlementId;
  private String learnedBy;
  private Instant learnedAt;
  private String forgottenBy;
  private Instant forgottenAt;
  @Version private long version;

  protected PayerAliasEntity() {}

  PayerAliasEntity(Long companyId, Alias alias, Long settlementId, String by, Instant at) {
    this.companyId = companyId;
    this.customerId = Long.valueOf(alias.customerId());
    this.payerText = alias.payerText();
    this.payerAccount = alias.payerAccount();
    this.settlementId = settlementId;
    this.learnedBy = by;
    this.learnedAt = at;
  }

  Long id() {
    return id;
  }

  Long companyId() {
    return companyId;
  }

  Long settlementId() {
    return settlementId;
  }

  String learnedBy() {
    return learnedBy;
  }

  Instant learnedAt() {
    return learnedAt;
  }

  boolean held() {
    return forgottenAt == null;
  }

  void forget(String by, Instant at) {
    forgottenBy = by;
    forgottenAt = at;
  }

  Alias toAlias() {
    return new Alias(payerText, payerAccount, customerId.toString());
  }
}

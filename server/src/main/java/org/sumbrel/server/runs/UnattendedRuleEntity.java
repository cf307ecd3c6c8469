package org.sumbrel.server.runs;

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
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.sumbrel.core.propose.UnattendedRule;
import org.sumbrel.core.receivables.PaidBy;

/** Says which clear proposals are posted without a hand, until somebody ends it. */
@Entity
@Table(name = "unattended_rule")
class UnattendedRuleEntity {

  @Id
  @GeneratedValue(strategy = GenerationType.SEQUENCE, generator = "unattended_rule_seq")
  @SequenceGenerator(
      name = "unattended_rule_seq",
      sequenceName = "unattended_rule_seq",
      allocationSize = 1)
  private Long id;

  private Long companyId;
  private String currency;
  private Long customerId;
  private Long bankAccountId;

  @Enumerated(EnumType.STRING)
  private PaidBy method;

  private long upToMinor;
  private String madeBy;
  private Instant madeAt;
  private String endedBy;
  private Instant endedAt;
  @Version private long version;

  protected UnattendedRuleEntity() {}

  /**
   * A rule for one customer, one bank account or one method; exactly one of the three is given.
   *
   * @param upTo the largest receipt that it covers
   */
  UnattendedRuleEntity(
      Long companyId,
      Long customerId,
      Long bankAccountId,
      PaidBy method,
      Money upTo,
      String by,
      Instant at) {
    this.companyId = companyId;
    this.customerId = customerId;
    this.bankAccountId = bankAccountId;
    this.method = method;
    this.currency = upTo.getCurrencyUnit().getCode();
    this.upToMinor = upTo.getAmountMinorLong();
    this.madeBy = by;
    this.madeAt = at;
  }

  Long id() {
    return id;
  }

  Long companyId() {
    return companyId;
  }

  Long customerId() {
    return customerId;
  }

  Long bankAccountId() {
    return bankAccountId;
  }

  PaidBy method() {
    return method;
  }

  Money upTo() {
    return Money.ofMinor(CurrencyUnit.of(currency), upToMinor);
  }

  UnattendedRule rule() {
    return new UnattendedRule(
        Optional.ofNullable(customerId).map(Object::toString),
        Optional.ofNullable(bankAccountId).map(Object::toString),
        Optional.ofNullable(method),
        upTo());
  }

  String madeBy() {
    return madeBy;
  }

  Instant madeAt() {
    return madeAt;
  }

  void end(String by, Instant at) {
    endedBy = by;
    endedAt = at;
  }
}

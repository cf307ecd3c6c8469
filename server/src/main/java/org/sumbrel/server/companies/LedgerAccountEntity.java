package org.sumbrel.server.companies;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.SequenceGenerator;
import jakarta.persistence.Table;
import org.sumbrel.core.journal.AccountRole;

/** One account of a company's chart of accounts. */
@Entity
@Table(name = "ledger_account")
public class LedgerAccountEntity {

  @Id
  @GeneratedValue(strategy = GenerationType.SEQUENCE, generator = "ledger_account_seq")
  @SequenceGenerator(
      name = "ledger_account_seq",
      sequenceName = "ledger_account_seq",
      allocationSize = 50)
  private Long id;

  private Long companyId;
  private String code;
  private String name;

  @Enumerated(EnumType.STRING)
  private AccountRole role;

  private Long counterpartId;

  protected LedgerAccountEntity() {}

  LedgerAccountEntity(Long companyId, String code, String name, AccountRole role) {
    this.companyId = companyId;
    this.code = code;
    this.name = name;
    this.role = role;
  }

  /** The account that a company keeps for another one of the group. */
  LedgerAccountEntity(Long companyId, CompanyEntity counterpart) {
    this(companyId, "1180-" + counterpart.id(), counterpart.name(), AccountRole.GROUP_COMPANY);
    this.counterpartId = counterpart.id();
  }

  public Long id() {
    return id;
  }

  public String code() {
    return code;
  }

  public String name() {
    return name;
  }

  void isCalled(String otherCode, String other) {
    code = otherCode;
    name = other;
  }

  public AccountRole role() {
    return role;
  }
}

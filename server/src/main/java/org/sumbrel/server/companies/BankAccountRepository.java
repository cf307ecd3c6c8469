package org.sumbrel.server.companies;

import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface BankAccountRepository extends JpaRepository<BankAccountEntity, Long> {

  List<BankAccountEntity> findByCompanyIdAndKindOrderById(
      Long companyId, BankAccountEntity.Kind kind);

  Optional<BankAccountEntity> findFirstByCompanyIdAndKindAndCurrency(
      Long companyId, BankAccountEntity.Kind kind, String currency);

  Optional<BankAccountEntity> findFirstByCompanyIdAndLockboxOrderById(
      Long companyId, String lockbox);

  Optional<BankAccountEntity> findByCompanyIdAndNumber(Long companyId, String number);

  /** Whether anything has arrived on it. */
  @Query(
      value = "select exists (select 1 from bank_entry where bank_account_id = :account)",
      nativeQuery = true)
  boolean hasEntries(Long account);
}

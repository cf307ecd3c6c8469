package org.sumbrel.server.companies;

import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;

interface BankAccountRepository extends JpaRepository<BankAccountEntity, Long> {

  List<BankAccountEntity> findByCompanyIdAndKindOrderById(
      Long companyId, BankAccountEntity.Kind kind);

  Optional<BankAccountEntity> findFirstByCompanyIdAndKindAndCurrency(
      Long companyId, BankAccountEntity.Kind kind, String currency);

  Optional<BankAccountEntity> findFirstByCompanyIdAndLockboxOrderById(
      Long companyId, String lockbox);

  Optional<BankAccountEntity> findByCompanyIdAndNumber(Long companyId, String number);
}

package org.sumbrel.server.companies;

import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;
import org.sumbrel.core.journal.AccountRole;

interface LedgerAccountRepository extends JpaRepository<LedgerAccountEntity, Long> {

  List<LedgerAccountEntity> findByCompanyIdOrderByCode(Long companyId);

  Optional<LedgerAccountEntity> findFirstByCompanyIdAndRoleOrderByCode(
      Long companyId, AccountRole role);

  Optional<LedgerAccountEntity> findByCompanyIdAndCounterpartId(Long companyId, Long counterpartId);

  List<LedgerAccountEntity> findByCounterpartId(Long counterpartId);
}

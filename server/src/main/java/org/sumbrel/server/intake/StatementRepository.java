package org.sumbrel.server.intake;

import java.util.Collection;
import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;

interface StatementRepository extends JpaRepository<StatementEntity, Long> {

  List<StatementEntity> findByIntakeId(Long intakeId);

  List<StatementEntity> findByBankAccountIdAndWholeTrue(Long bankAccountId);

  List<StatementEntity> findByBankAccountIdInOrderByUntilOnDescIdDesc(
      Collection<Long> bankAccountIds);
}

package org.sumbrel.server.lockbox;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface LockboxBatchRepository extends JpaRepository<LockboxBatchEntity, Long> {

  /** Batches of a company, the latest first; only those of an intake where one is given. */
  @Query(
      "select b from LockboxBatchEntity b where b.companyId = :company and (:intake is null or b.intakeId = :intake)"
          + " and b.id < :before order by b.id desc")
  List<LockboxBatchEntity> latest(Long company, Long intake, Long before, Limit limit);

  List<LockboxBatchEntity> findByCompanyIdAndLockboxAndNumberAndDepositedOn(
      Long companyId, String lockbox, String number, LocalDate depositedOn);

  List<LockboxBatchEntity> findByIntakeIdOrderById(Long intakeId);

  /** The batch whose cheque an entry is. */
  @Query(
      "select b from LockboxBatchEntity b, ReceiptEntity r where r.lockboxBatchId = b.id and r.id = :entry")
  Optional<LockboxBatchEntity> ofEntry(Long entry);
}

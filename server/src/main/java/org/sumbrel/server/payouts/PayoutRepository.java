package org.sumbrel.server.payouts;

import jakarta.persistence.LockModeType;
import java.util.List;
import java.util.Optional;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Query;

interface PayoutRepository extends JpaRepository<PayoutEntity, Long> {

  /** Payouts of a company, the latest first; only those of an intake where one is given. */
  @Query(
      "select p from PayoutEntity p where p.companyId = :company and (:intake is null or p.intakeId = :intake)"
          + " and p.id < :before order by p.id desc")
  List<PayoutEntity> latest(Long company, Long intake, Long before, Limit limit);

  List<PayoutEntity> findByProcessorIdAndNumberAndCurrency(
      Long processorId, String number, String currency);

  /** The payouts of one statement, one for each of its currencies. */
  List<PayoutEntity> findByProcessorIdAndNumber(Long processorId, String number);

  List<PayoutEntity> findByIntakeIdOrderById(Long intakeId);

  /** The payout, held until the transaction ends: two who book it must not meet. */
  @Lock(LockModeType.PESSIMISTIC_WRITE)
  @Query("select p from PayoutEntity p where p.id = :id")
  Optional<PayoutEntity> held(Long id);
}

package org.sumbrel.server.intake;

import java.util.List;
import java.util.Optional;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface IntakeRepository extends JpaRepository<IntakeEntity, Long> {

  Optional<IntakeEntity> findFirstByCompanyIdAndFingerprintAndTakenBackByIsNullOrderById(
      Long companyId, String fingerprint);

  @Query(
      "select i from IntakeEntity i where i.companyId = :company and i.id < :before order by i.id desc")
  List<IntakeEntity> page(Long company, long before, Limit limit);
}

package org.sumbrel.server.tieout;

import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;

interface ClosedPeriodRepository extends JpaRepository<ClosedPeriodEntity, Long> {

  Optional<ClosedPeriodEntity> findFirstByCompanyIdAndClosingReopenedAtIsNullOrderByUntilDayDesc(
      Long companyId);

  List<ClosedPeriodEntity> findByCompanyIdOrderByIdDesc(Long companyId);
}

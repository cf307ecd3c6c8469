package org.sumbrel.server.treat;

import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;
import org.sumbrel.core.treat.Treatment.Way;

interface TreatmentRepository extends JpaRepository<TreatmentEntity, Long> {

  boolean existsByCompanyIdAndEndedAtIsNullAndInUseTrueAndWay(Long companyId, Way way);

  List<TreatmentEntity> findByCompanyIdAndEndedAtIsNullOrderByPlaceAscNameAsc(Long companyId);
}

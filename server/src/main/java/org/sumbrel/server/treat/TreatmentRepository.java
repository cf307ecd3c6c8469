package org.sumbrel.server.treat;

import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;

interface TreatmentRepository extends JpaRepository<TreatmentEntity, Long> {

  List<TreatmentEntity> findByCompanyIdAndEndedAtIsNullOrderByPlaceAscNameAsc(Long companyId);
}

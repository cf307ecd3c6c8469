package org.sumbrel.server.intake;

import java.util.Collection;
import java.util.List;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;

interface CorrectionRepository extends JpaRepository<CorrectionEntity, Long> {

  List<CorrectionEntity> findByEntryIdIn(Collection<Long> entryIds);

  List<CorrectionEntity> findByCompanyIdAndStatusOrderByIdDesc(
      Long companyId, CorrectionEntity.Status status, Limit limit);
}

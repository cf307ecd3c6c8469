package org.sumbrel.server.intake;

import java.util.Collection;
import java.util.List;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;

interface ItemUpdateRepository extends JpaRepository<ItemUpdateEntity, Long> {

  List<ItemUpdateEntity> findByItemIdIn(Collection<Long> itemIds);

  List<ItemUpdateEntity> findByCompanyIdAndStatusOrderByIdDesc(
      Long companyId, CorrectionEntity.Status status, Limit limit);
}

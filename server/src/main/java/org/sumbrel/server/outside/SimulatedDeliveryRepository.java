package org.sumbrel.server.outside;

import java.time.LocalDate;
import java.util.List;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;

interface SimulatedDeliveryRepository extends JpaRepository<SimulatedDeliveryEntity, Long> {

  List<SimulatedDeliveryEntity> findByCompanyIdAndSourceOrderByIdDesc(
      Long companyId, SimulatedDeliveryEntity.Source source, Limit limit);

  List<SimulatedDeliveryEntity>
      findByCompanyIdAndSourceAndFetchedAtIsNullAndReadyOnLessThanEqualOrderById(
          Long companyId, SimulatedDeliveryEntity.Source source, LocalDate day);
}

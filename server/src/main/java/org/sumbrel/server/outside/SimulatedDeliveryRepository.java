package org.sumbrel.server.outside;

import java.time.LocalDate;
import java.util.List;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;

interface SimulatedDeliveryRepository extends JpaRepository<SimulatedDeliveryEntity, Long> {

  List<SimulatedDeliveryEntity> findByCompanyIdOrderByIdDesc(Long companyId, Limit limit);

  List<SimulatedDeliveryEntity> findByCompanyIdAndFetchedAtIsNullAndReadyOnLessThanEqualOrderById(
      Long companyId, LocalDate day);
}

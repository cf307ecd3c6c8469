package org.sumbrel.server.pouch;

import java.util.List;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;

interface TakingsRepository extends JpaRepository<TakingsEntity, Long> {

  /** The latest first. */
  List<TakingsEntity> findByCompanyIdAndCurrencyAndWithdrawnAtIsNullOrderBySoldOnDescIdDesc(
      Long companyId, String currency, Limit most);
}

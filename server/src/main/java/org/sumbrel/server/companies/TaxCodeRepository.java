package org.sumbrel.server.companies;

import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;

interface TaxCodeRepository extends JpaRepository<TaxCodeEntity, TaxCodeEntity.Key> {

  List<TaxCodeEntity> findByCompanyIdOrderByPercent(Long companyId);
}

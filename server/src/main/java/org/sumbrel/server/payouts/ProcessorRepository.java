package org.sumbrel.server.payouts;

import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;

interface ProcessorRepository extends JpaRepository<ProcessorEntity, Long> {

  Optional<ProcessorEntity> findByCompanyIdAndNameIgnoreCase(Long companyId, String name);

  long countByCompanyId(Long companyId);
}

package org.sumbrel.server.payouts;

import jakarta.persistence.LockModeType;
import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Query;

interface ProcessorRepository extends JpaRepository<ProcessorEntity, Long> {

  Optional<ProcessorEntity> findByCompanyIdAndNameIgnoreCase(Long companyId, String name);

  /** The processor, held until the transaction ends: the same file may come from two people. */
  @Lock(LockModeType.PESSIMISTIC_WRITE)
  @Query("select p from ProcessorEntity p where p.id = :id")
  Optional<ProcessorEntity> held(Long id);

  List<ProcessorEntity> findByCompanyIdOrderByName(Long companyId);

  long countByCompanyId(Long companyId);
}

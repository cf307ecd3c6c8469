package org.sumbrel.server.desk;

import jakarta.persistence.LockModeType;
import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;

interface ProposalStateRepository extends JpaRepository<ProposalStateEntity, Long> {

  @Lock(LockModeType.PESSIMISTIC_WRITE)
  @Query("select s from ProposalStateEntity s where s.companyId = :company")
  Optional<ProposalStateEntity> locked(Long company);

  @Modifying
  @Query("update ProposalStateEntity s set s.stale = true where s.companyId = :company")
  int mark(Long company);

  @Query("select s.companyId from ProposalStateEntity s where s.stale = true")
  List<Long> staleCompanies();
}

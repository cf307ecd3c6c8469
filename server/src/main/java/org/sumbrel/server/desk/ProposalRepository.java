package org.sumbrel.server.desk;

import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;

interface ProposalRepository extends JpaRepository<ProposalEntity, Long> {

  @Modifying
  @Query("delete from ProposalEntity p where p.companyId = :company")
  void forget(Long company);
}

package org.sumbrel.server.desk;

import java.util.Collection;
import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;

interface ProposalRepository extends JpaRepository<ProposalEntity, Long> {

  @Modifying
  @Query("delete from ProposalEntity p where p.companyId = :company")
  void forget(Long company);

  /** All that is kept of each entry of a company. */
  @Query(
      "select new org.sumbrel.server.desk.ProposalRepository$Lead(p.entryId, p.body) from ProposalEntity p where p.companyId = :company")
  List<Lead> bodies(Long company);

  /** An entry's first explanation, as it is kept. */
  record Lead(Long entryId, String body) {}

  @Query(
      """
      select new org.sumbrel.server.desk.ProposalRepository$Lead(p.entryId, coalesce(p.leadBody, p.body))
      from ProposalEntity p where p.entryId in :entries
      """)
  List<Lead> leads(Collection<Long> entries);
}

package org.sumbrel.server.remittance;

import java.util.Collection;
import java.util.List;
import java.util.Optional;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;

interface RemittanceAdviceRepository extends JpaRepository<RemittanceAdviceEntity, Long> {

  List<RemittanceAdviceEntity> findByCompanyIdAndEntryIdIsNullOrderByIdDesc(
      Long companyId, Limit limit);

  List<RemittanceAdviceEntity> findByEntryIdIn(Collection<Long> entryIds);

  @Query(
      "select a from RemittanceAdviceEntity a where a.companyId = :company and a.entryId is not null")
  List<RemittanceAdviceEntity> tied(Long company);

  List<RemittanceAdviceEntity> findByCompanyIdAndTrace(Long companyId, String trace);

  Optional<RemittanceAdviceEntity> findByEntryId(Long entryId);

  @Modifying(flushAutomatically = true, clearAutomatically = true)
  @Query("delete from RemittanceAdviceEntity a where a.intakeId = :intake")
  void removeAllOf(Long intake);

  @Modifying(flushAutomatically = true, clearAutomatically = true)
  @Query(
      "update RemittanceAdviceEntity a set a.entryId = null, a.tiedBy = null, a.version = a.version + 1 where a.entryId in :entries")
  void untie(Collection<Long> entries);
}

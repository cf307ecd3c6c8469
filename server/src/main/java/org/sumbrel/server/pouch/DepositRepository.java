package org.sumbrel.server.pouch;

import java.util.Collection;
import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface DepositRepository extends JpaRepository<DepositEntity, Long> {

  List<DepositEntity> findByBankAccountIdAndStatus(Long bankAccountId, DepositEntity.Status status);

  @Query(
      "select d from DepositEntity d where d.companyId = :company and d.currency = :currency and d.status in :statuses"
          + " order by d.bankedOn desc, d.id desc")
  List<DepositEntity> those(
      Long company, String currency, Collection<DepositEntity.Status> statuses);

  @Query("select distinct d from DepositEntity d join d.shown s where s.entryId = :entry")
  List<DepositEntity> shownBy(Long entry);
}

package org.sumbrel.server.settle;

import java.util.Collection;
import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;

interface ReturnedReceiptRepository extends JpaRepository<ReturnedReceiptEntity, Long> {

  List<ReturnedReceiptEntity> findBySettlementIdIn(Collection<Long> settlementIds);

  Optional<ReturnedReceiptEntity> findByEntryId(Long entryId);
}
